import { expect, test, type Page } from "@playwright/test";
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

/** The brass door with a sheet of one colour: its edges are lit in pixels, and no grain, which is coarse in a drag, hides that. */
async function plainDoor(page: Page): Promise<string> {
  const { document: piece } = await (await page.request.get("/api/pieces/demo-notary-s-door")).json();
  const { document: style } = await (await page.request.get("/api/styles/demo-brass-sheet")).json();
  const sheet = style.coats.find((c: { name: string }) => c.name === "Sheet");
  sheet.paint = { kind: "flat", ink: style.inks[0].id, opacity: 100 };
  const items = piece.items.map((i: { styleId: string | null }) => (i.styleId === style.id ? { ...i, styleId: null, ownStyle: style } : i));
  await page.request.post("/api/pieces", { data: { ...piece, id: "plain-door", items } });
  return "plain-door";
}

/** What is dragged on pieces that a page paints late: layers of blurs and gradients, and forms whose edges are lit. */
const late = [
  {
    what: "a mirror",
    at: () => Promise.resolve("demo-quay-at-night"),
    coat: "Water",
    knob: (page: Page) => page.getByRole("slider", { name: "Height slider" }),
    layers: 1,
  },
  {
    what: "the lamp over slopes and edges",
    at: plainDoor,
    coat: "Letters",
    knob: (page: Page) => page.locator('[data-handle="lamp"]'),
    layers: 3,
  },
];

for (const { what, at, coat, knob, layers } of late)
  test(`what a page paints late is shown in pixels while it is dragged, and looks as it does when it is let go: ${what}`, async ({
    page,
  }) => {
    const faults = noteFaults(page);
    // A page whose frames are late.
    await page.addInitScript(() => {
      const ask = window.requestAnimationFrame.bind(window);
      window.requestAnimationFrame = (then) => ask(() => setTimeout(() => then(performance.now()), 40));
    });
    await page.goto(`/pieces/${await at(page)}`);
    await page.locator("[data-board] svg path").first().waitFor({ state: "attached" });
    await page.keyboard.press("3");
    const board = (await page.locator("[data-board]").boundingBox())!;
    await page.mouse.click(board.x + board.width / 2, board.y + board.height / 2);
    await page.locator(`[data-coat="${coat}"]`).click();
    const thumb = knob(page);
    await thumb.scrollIntoViewIfNeeded();
    const box = (await thumb.boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    const pixels = page.locator("[data-board] canvas");
    await page.mouse.move(x, y);
    await page.mouse.down();
    let moved = 0;
    await expect(async () => {
      await page.mouse.move(x + 10 + (moved = (moved + 3) % 20), y);
      expect(await pixels.count()).toBeGreaterThanOrEqual(layers);
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
    // Of 255. One even blur stands for one that grows, and light on curves is rougher.
    expect(off).toBeLessThan(1.5);
    expect(faults).toEqual([]);
  });
