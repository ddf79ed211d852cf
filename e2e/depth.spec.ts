import { expect, test } from "@playwright/test";
import { PNG } from "pngjs";
import { addCoat, boardPaths, choose, drag, exportedPaths, gripAt, newPiece, noteFaults, saved } from "./studio";

test("a block shade comes in behind the word, runs to a point that is dragged on the art, and stays with other words", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "QUAY");
  await page.getByRole("button", { name: /Coats/ }).first().click();
  const plain = await boardPaths(page);
  await addCoat(page, "Block left", "Depth");
  // The body, its uprights and its flats, behind the letters.
  await expect.poll(() => boardPaths(page)).toHaveLength(plain.length + 3);
  const one = await boardPaths(page);
  const way = await gripAt(page, "way-way");
  await drag(page, way, { x: way.x - 20, y: way.y + 30 });
  await expect.poll(() => boardPaths(page)).not.toEqual(one);

  await choose(page, "Runs", "To a point");
  const point = page.locator('[data-handle="step-point"]');
  await expect(point).toBeAttached();
  await page.getByLabel("Point, down").fill("140");
  await page.getByLabel("Point, down").press("Enter");
  await expect(point).toBeInViewport();
  const before = await boardPaths(page);
  const at = await gripAt(page, "step-point");
  await drag(page, at, { x: at.x + 60, y: at.y - 20 });
  await expect.poll(() => boardPaths(page)).not.toEqual(before);
  await point.focus();
  const dragged = await page.getByLabel("Point, across").inputValue();
  await page.keyboard.press("Shift+ArrowRight");
  await expect(page.getByLabel("Point, across")).not.toHaveValue(dragged);
  await choose(page, "Sides", "Lit");
  await expect.poll(async () => (await boardPaths(page)).length).toBeGreaterThan(plain.length + 3);

  // The words stay words.
  const lit = await boardPaths(page);
  await page.getByRole("button", { name: /Words/ }).first().click();
  await page.getByLabel("Text", { exact: true }).fill("MOOR");
  await expect.poll(() => boardPaths(page)).not.toEqual(lit);
  await saved(page);
  await page.getByRole("button", { name: /Coats/ }).first().click();
  expect((await exportedPaths(page)).length).toBeGreaterThan(4);
  expect(faults).toEqual([]);
});

test("what a page paints late is shown in pixels while it is dragged, and looks as it does when it is let go", async ({ page }) => {
  const faults = noteFaults(page);
  // A page whose frames are late.
  await page.addInitScript(() => {
    const ask = window.requestAnimationFrame.bind(window);
    window.requestAnimationFrame = (then) => ask(() => setTimeout(() => then(performance.now()), 40));
  });
  await page.goto("/pieces/demo-quay-at-night");
  await page.locator("[data-board] svg path").first().waitFor({ state: "attached" });
  await page.keyboard.press("3");
  await page.locator('[data-coat="Water"]').click();
  const thumb = page.getByRole("slider", { name: "Height slider" });
  await thumb.scrollIntoViewIfNeeded();
  const box = (await thumb.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const pixels = page.locator("[data-board] canvas");
  await page.mouse.move(x, y);
  await page.mouse.down();
  let moved = 0;
  await expect(async () => {
    await page.mouse.move(x + 10 + (moved = (moved + 3) % 20), y);
    await expect(pixels).toHaveCount(1, { timeout: 300 });
  }).toPass();
  const looks = async () => PNG.sync.read(await page.locator("[data-board]").screenshot()).data;
  // Until two pictures in a row are the same: the last scene that was asked for is there.
  const still = async () => {
    let last = await looks();
    await expect
      .poll(async () => {
        const before = last;
        last = await looks();
        return last.equals(before);
      })
      .toBe(true);
    return last;
  };
  const held = await still();
  await page.mouse.up();
  await expect(pixels).toHaveCount(0);
  const exact = await still();
  const off = held.reduce((sum, v, i) => sum + Math.abs(v - exact[i]), 0) / held.length;
  // One even blur stands for one that grows: of 255.
  expect(off).toBeLessThan(1);
  expect(faults).toEqual([]);
});
