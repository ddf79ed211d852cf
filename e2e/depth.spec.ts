import { expect, test } from "@playwright/test";
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
