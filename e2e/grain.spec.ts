import { expect, test, type Page } from "@playwright/test";
import { drawn } from "../core/grain/draw";
import { grainOf } from "../core/output/grains";
import { compile } from "../core/piece/compile";
import { demoPieces } from "../demo/pieces";
import { demoStyles } from "../demo/styles";
import { serverEngine } from "../server/engine";
import { drag, newPiece, noteFaults, openPiece, saved } from "./studio";

const boards = '[data-board] svg[data-layer="b-saw-boards"]';

/** What the grain of a letter shows now, as the browser read it: its width, and three bytes a pixel. */
const shown = (page: Page) =>
  page
    .locator(`${boards} pattern image:last-child`)
    .first()
    .evaluate(async (element) => {
      const picture = new Image();
      picture.src = element.getAttribute("href")!;
      await picture.decode();
      const canvas = document.createElement("canvas");
      [canvas.width, canvas.height] = [picture.naturalWidth, picture.naturalHeight];
      const context = canvas.getContext("2d", { colorSpace: "srgb" })!;
      context.drawImage(picture, 0, 0);
      const { data } = context.getImageData(0, 0, canvas.width, canvas.height, { colorSpace: "srgb" });
      return { width: canvas.width, rgb: Array.from(data).filter((_, i) => i % 4 !== 3) };
    });

test("a grain on the bench has the very pixels of an export of the same resolution", async ({ page }) => {
  await openPiece(page, "demo-sawmill");
  await expect(page.locator(`${boards} pattern`)).toHaveCount("SAWMILL".length);
  const engine = await serverEngine();
  const piece = demoPieces().find((p) => p.id === "demo-sawmill")!;
  await engine.load(["alfa-slab", "kaushan-script"]);
  const { scene } = compile(piece, new Map(demoStyles().map((s) => [s.id, s])), engine);
  const item = scene.items.find((i) => i.id === "saw")!;
  const [fill] = item.layers.find((l) => l.id === "boards")!.fills;
  if (fill.kind !== "picture") throw new Error("The boards are no grain.");
  // The board is shown at two thirds of its size: pixels are drawn for all of it.
  const picture = grainOf(fill, item.matrix, 1)!;
  await expect.poll(async () => (await shown(page)).width).toBe(picture.width);
  expect((await shown(page)).rgb).toEqual([...drawn(picture)]);
});

test("a grain is fine again when the hand that moved a slider lets go", async ({ page }) => {
  await openPiece(page, "demo-sawmill");
  await expect(page.locator(`${boards} pattern`)).toHaveCount("SAWMILL".length);
  await page.getByRole("button", { name: /^On the board/ }).click();
  await page.getByRole("button", { name: /^Select SAW/ }).click();
  await page.keyboard.press("3");
  await page.locator('[data-coat="Boards"]').click();
  const width = async () => (await shown(page)).width;
  // Coarse ones have some 24,000 pixels, and fewer while they are dragged.
  await expect.poll(width).toBeGreaterThan(170);
  const fine = await width();
  const href = () => page.locator(`${boards} pattern image:last-child`).first().getAttribute("href");
  const before = await href();
  const slider = page.getByRole("slider", { name: "Contrast slider" });
  await slider.scrollIntoViewIfNeeded();
  const thumb = (await slider.boundingBox())!;
  const from = { x: thumb.x + thumb.width / 2, y: thumb.y + thumb.height / 2 };
  await drag(page, from, { x: from.x + 20, y: from.y });
  await expect.poll(href).not.toBe(before);
  await expect.poll(width).toBe(fine);
  await page.keyboard.press("Control+z");
  await saved(page);
});

test("a coat is painted with wood in one action, with inks of its own, and the lamp lights it", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "Oak");
  await page.getByLabel("Text", { exact: true }).blur();
  await page.keyboard.press("3");
  await page.getByRole("radiogroup", { name: "Paint" }).getByRole("radio", { name: "Grain" }).click();
  const image = page.locator("[data-board] pattern image:last-child").first();
  await expect(image).toBeAttached();
  for (const name of ["Timber", "Heartwood", "Pores"])
    await expect(page.getByRole("button", { name: new RegExp(`^Ink ${name},`) }).first()).toBeVisible();
  const before = await image.getAttribute("href");
  await page.locator("[data-handle=lamp]").press("ArrowRight");
  await expect.poll(() => image.getAttribute("href")).not.toBe(before);
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  await expect(page.locator("[data-board] pattern")).toHaveCount(0);
  await saved(page);
  expect(faults).toEqual([]);
});
