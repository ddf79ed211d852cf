import { expect, test, type Page } from "@playwright/test";
import { PNG } from "pngjs";
import { addCoat, boardPaths, choose, document, downloaded, fill, newPiece, noteFaults, saved } from "./studio";

/** Opaque pixels as shares of the box around them, and the shape of that box. */
function coverage(bytes: Buffer): { share: number; ratio: number } {
  const { width, height, data } = PNG.sync.read(bytes);
  let [minX, minY, maxX, maxY, sum] = [width, height, 0, 0, 0];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const alpha = data[4 * (y * width + x) + 3];
      sum += alpha / 255;
      if (alpha < 128) continue;
      [minX, minY, maxX, maxY] = [Math.min(minX, x), Math.min(minY, y), Math.max(maxX, x), Math.max(maxY, y)];
    }
  const [w, h] = [maxX - minX + 1, maxY - minY + 1];
  return { share: sum / (w * h), ratio: w / h };
}

async function sit(page: Page): Promise<void> {
  await page.getByRole("button", { name: /Take (a picture|it again)…/ }).click();
  await expect(page.getByRole("dialog", { name: /Studio picture/ })).toBeVisible();
}

test("a turned word is photographed in enamel; it stands in for its coat while the words are the same, and is in the files", async ({
  page,
}) => {
  test.setTimeout(150_000);
  const faults = noteFaults(page);
  await newPiece(page, "TIN");
  await page.getByRole("button", { name: /Coats/ }).first().click();
  await expect(page.getByRole("heading", { name: "Studio picture" })).toBeHidden();
  await addCoat(page, "Solid", "Depth");
  const vectors = await boardPaths(page);
  expect(vectors.length).toBeGreaterThan(3);

  await sit(page);
  await page.getByLabel("Face: made of").click();
  await page.getByRole("option", { name: /Polished metal/ }).click();
  await fill(page.getByLabel("Shadow", { exact: true }), "0");
  await fill(page.getByLabel("Longer side", { exact: true }), "420");
  await choose(page, "Quality", "Quick");
  const picture = await downloaded(page, () => page.getByRole("button", { name: "Save as PNG" }).click());
  expect(picture.name).toBe("TIN - studio picture.png");
  await expect(page.getByRole("button", { name: "Lay it on the board" })).toBeEnabled({ timeout: 60_000 });
  await page.getByRole("button", { name: "Lay it on the board" }).click();
  await expect(page.getByRole("dialog")).toBeHidden({ timeout: 60_000 });

  // One picture, and none of its coat's vectors; the very place where they lay.
  await expect(page.locator("[data-board] image")).toHaveCount(1);
  expect((await boardPaths(page)).length).toBeLessThan(vectors.length);
  const { items } = await document(page);
  expect(items[0].studio).toMatchObject({ shown: true, settings: { side: 420, face: { material: "polished" } } });

  // What it covers is what the vectors cover.
  await page.getByRole("switch", { name: "Shown" }).click();
  await expect.poll(() => boardPaths(page)).toEqual(vectors);
  await page.keyboard.press("4");
  await choose(page, "Area", "Selection");
  await choose(page, "Ground", "Transparent");
  const drawn = coverage((await downloaded(page, () => page.getByRole("button", { name: "PNG picture" }).click())).bytes);
  const taken = coverage(picture.bytes);
  // 420 pixels across: half a pixel of each edge.
  expect(Math.abs(taken.ratio / drawn.ratio - 1)).toBeLessThan(0.02);
  expect(Math.abs(taken.share / drawn.share - 1)).toBeLessThan(0.03);

  // Other words: the vectors come back, and it is said; taken back, the picture is there again.
  await page.keyboard.press("3");
  await page.getByRole("switch", { name: "Shown" }).click();
  await expect(page.locator("[data-board] image")).toHaveCount(1);
  await page.keyboard.press("1");
  await page.getByLabel("Text", { exact: true }).fill("TINS");
  await expect(page.getByText(/words have changed since the studio picture/)).toBeVisible();
  await expect(page.locator("[data-board] image")).toHaveCount(0);
  await page.getByLabel("Text", { exact: true }).fill("TIN");
  await expect(page.locator("[data-board] image")).toHaveCount(1);
  await page
    .getByRole("button", { name: /Export/ })
    .first()
    .click();
  const { bytes } = await downloaded(page, () => page.getByRole("button", { name: "Plain SVG" }).click());
  expect(bytes.toString().match(/data:image\/png/g)).toHaveLength(1);

  await page.keyboard.press("3");
  await page.getByRole("button", { name: "Take it away" }).click();
  await expect.poll(() => boardPaths(page)).toEqual(vectors);
  await page.keyboard.press("Control+z");
  await expect(page.locator("[data-board] image")).toHaveCount(1);
  await saved(page);
  expect(faults).toEqual([]);
});

test("a picture that takes long says how far it is and can be stopped, and nothing changes", async ({ page }) => {
  test.setTimeout(120_000);
  const faults = noteFaults(page);
  await newPiece(page, "O");
  await page.getByRole("button", { name: /Coats/ }).first().click();
  await addCoat(page, "Solid", "Depth");
  await sit(page);
  await fill(page.getByLabel("Longer side", { exact: true }), "4096");
  await choose(page, "Quality", "Finest");
  await page.getByRole("button", { name: "Lay it on the board" }).click();
  await expect(page.getByText("Taking the picture")).toBeVisible();
  await page.getByRole("button", { name: "Stop" }).click();
  await expect(page.getByRole("button", { name: "Lay it on the board" })).toBeEnabled({ timeout: 60_000 });
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog")).toBeHidden();
  expect((await document(page)).items[0].studio).toBeNull();
  expect(faults).toEqual([]);
});

test("where only a page draws in space the picture is taken there, and looks the same", async ({ page, context }) => {
  test.setTimeout(150_000);
  const faults = noteFaults(page);
  // What runs beside a page has no window.
  const without = `if (typeof window === "undefined" && typeof OffscreenCanvas !== "undefined") {
    const whole = OffscreenCanvas.prototype.getContext;
    OffscreenCanvas.prototype.getContext = function (kind, ...more) {
      return /webgl/.test(kind) ? null : whole.call(this, kind, ...more);
    };
  }\n`;
  await page.addInitScript(() => {
    const whole = HTMLCanvasElement.prototype.getContext;
    Object.assign(window, { inSpace: 0 });
    HTMLCanvasElement.prototype.getContext = function (this: HTMLCanvasElement, ...asked: Parameters<typeof whole>) {
      if (asked[0].includes("webgl")) (window as unknown as { inSpace: number }).inSpace++;
      return whole.apply(this, asked);
    } as typeof whole;
  });
  const taken: Buffer[] = [];
  for (const beside of [true, false]) {
    if (!beside)
      await context.route(/\/_next\/static\/chunks\/.*\.js/, async (route) => {
        const response = await route.fetch();
        await route.fulfill({ response, body: without + (await response.text()) });
      });
    await newPiece(page, "TIN");
    await page.keyboard.press("3");
    await addCoat(page, "Solid", "Depth");
    await sit(page);
    await fill(page.getByLabel("Longer side", { exact: true }), "240");
    await choose(page, "Quality", "Quick");
    taken.push((await downloaded(page, () => page.getByRole("button", { name: "Save as PNG" }).click())).bytes);
    expect((await page.evaluate(() => (window as unknown as { inSpace: number }).inSpace)) > 0).toBe(!beside);
    await page.keyboard.press("Escape");
    await page.goto("/");
  }
  const [here, there] = taken.map((bytes) => PNG.sync.read(bytes));
  expect([there.width, there.height]).toEqual([here.width, here.height]);
  const off = here.data.reduce((sum, v, i) => sum + Math.abs(v - there.data[i]), 0) / here.data.length;
  // Of 255: exposures fall where chance puts them.
  expect(off).toBeLessThan(2);
  expect(faults).toEqual([]);
});
