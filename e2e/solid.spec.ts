import { expect, test } from "@playwright/test";
import { addCoat, boardPaths, choose, drag, exportedPaths, fill, gripAt, newPiece, noteFaults, saved } from "./studio";

test("a word is made a body, turned by its ball with the mouse and the keys, and stays a word", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "QUAY");
  await page.getByRole("button", { name: /Coats/ }).first().click();
  await addCoat(page, "Solid", "Depth");
  const knob = page.locator('[data-handle="ball"]');
  await expect(knob).toBeAttached();
  await expect(page.getByLabel("Swing", { exact: true })).toHaveValue("-22");
  const flat = await boardPaths(page);
  const at = await gripAt(page, "ball");
  await drag(page, at, { x: at.x + 40, y: at.y + 10 });
  await expect(page.getByLabel("Swing", { exact: true })).not.toHaveValue("-22");
  await expect.poll(() => boardPaths(page)).not.toEqual(flat);

  // One axis by its own grip, by the keys; one step back takes it back.
  const tilt = await page.getByLabel("Tilt", { exact: true }).inputValue();
  await page.locator('[data-handle="ball-tilt"]').focus();
  await page.keyboard.press("Shift+ArrowUp");
  await expect(page.getByLabel("Tilt", { exact: true })).not.toHaveValue(tilt);
  await page.keyboard.press("Control+z");
  await expect(page.getByLabel("Tilt", { exact: true })).toHaveValue(tilt);

  // Flat tones, with a line along every edge, which has a paint of its own.
  await choose(page, "Sides", "Tones");
  await fill(page.getByLabel("Edges", { exact: true }), "0.6");
  await expect(page.getByRole("heading", { name: "Edges" })).toBeVisible();
  await expect(page.getByRole("heading", { name: "Face" })).toBeVisible();
  const toned = await boardPaths(page);

  // Edited where it is: the marked letters lie on the turned word.
  await page.getByRole("button", { name: /Words/ }).first().click();
  await page.getByLabel("Text", { exact: true }).fill("MOOR");
  await expect.poll(() => boardPaths(page)).not.toEqual(toned);
  await saved(page);
  await page.getByRole("button", { name: /Coats/ }).first().click();
  expect((await exportedPaths(page)).length).toBeGreaterThan(4);
  expect(faults).toEqual([]);
});

test("a mirror shows the whole word with all that it wears, and has no paint of its own until its coat is more than the letters", async ({
  page,
}) => {
  const faults = noteFaults(page);
  await newPiece(page, "Lake");
  await page.getByRole("button", { name: /Coats/ }).first().click();
  const plain = await boardPaths(page);
  await addCoat(page, "Mirror", "Depth");
  await expect.poll(async () => (await boardPaths(page)).length).toBe(2 * plain.length);
  await expect(page.getByRole("heading", { name: "Paint", exact: true })).toBeHidden();
  // What the word wears besides is mirrored, too.
  await addCoat(page, "Backing", "Behind");
  await expect.poll(async () => (await boardPaths(page)).length).toBeGreaterThan(2 * plain.length);
  await page.locator('[data-coat="Mirror"]').click();
  const still = await boardPaths(page);
  await fill(page.getByLabel("Gap", { exact: true }), "6");
  await expect.poll(() => boardPaths(page)).not.toEqual(still);
  await fill(page.getByLabel("Blur", { exact: true }).first(), "3");
  await expect.poll(() => page.locator("[data-board] filter").count()).toBeGreaterThan(2);
  expect(faults).toEqual([]);
});

test("letters are chiselled, lit by the lamp that is led around them, or by a light of the coat's own", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "RUNE");
  await page.getByRole("button", { name: /Coats/ }).first().click();
  await addCoat(page, "Ridge", "Depth");
  const fills = () => page.locator("[data-board] svg path[fill]").evaluateAll((all) => all.map((p) => p.getAttribute("fill")));
  await expect.poll(async () => (await fills()).length).toBeGreaterThan(20);
  const lit = await fills();
  const lamp = await gripAt(page, "lamp");
  await drag(page, lamp, { x: lamp.x + 130, y: lamp.y + 10 });
  await expect.poll(fills).not.toEqual(lit);

  const led = await fills();
  await choose(page, "Light from", "Turned");
  await expect.poll(fills).not.toEqual(led);
  await choose(page, "Light from", "Own");
  const own = await gripAt(page, "lamp");
  await drag(page, own, { x: own.x + 20, y: own.y + 120 });
  await expect(page.getByLabel("Light, comes from")).not.toHaveValue("225");
  await choose(page, "Light from", "Lamp");
  await expect.poll(fills).toEqual(led);

  await choose(page, "Slopes run", "Flat top");
  await expect(page.getByRole("heading", { name: "Flat top" })).toBeVisible();
  const topped = await boardPaths(page);
  await page.getByRole("button", { name: /Words/ }).first().click();
  await page.getByLabel("Text", { exact: true }).fill("RUNES");
  await expect.poll(async () => (await boardPaths(page)).length).toBeGreaterThan(topped.length);
  await saved(page);
  expect(faults).toEqual([]);
});

test("a trail follows a curve that is drawn on the art, and shows the colours of its copies as they come", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "Go");
  await page.getByRole("button", { name: /Coats/ }).first().click();
  await addCoat(page, "Fan", "Behind");
  const strip = page.locator("[data-steps]");
  await expect(strip).toHaveAttribute("data-steps", "60");
  const colours = await strip.locator("span").evaluateAll((all) => all.map((s) => (s as HTMLElement).style.background));
  expect(new Set(colours).size).toBeGreaterThan(40);
  await choose(page, "Goes", "Curve");
  const uses = () => page.locator("[data-board] use").evaluateAll((all) => all.map((u) => u.getAttribute("transform")));
  await expect.poll(async () => (await uses()).length).toBe(60);
  const before = await uses();
  const node = page.locator('[data-handle^="node"]').last();
  await expect(node).toBeAttached();
  const box = (await node.boundingBox())!;
  await drag(page, { x: box.x + box.width / 2, y: box.y + box.height / 2 }, { x: box.x - 80, y: box.y - 60 });
  await expect.poll(uses).not.toEqual(before);
  await fill(page.getByLabel("Copies", { exact: true }), "12");
  await expect(strip).toHaveAttribute("data-steps", "12");
  await expect.poll(async () => (await uses()).length).toBe(12);
  expect(faults).toEqual([]);
});

test("the rim of a solid is drawn in the drawer: points are dragged, moved by keys, added and taken away", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "RIM");
  await page.getByRole("button", { name: /Coats/ }).first().click();
  await addCoat(page, "Soft solid", "Depth");
  await page.getByRole("combobox", { name: "Rim", exact: true }).click();
  await page.getByRole("option", { name: /Drawn/ }).click();
  const section = page.getByRole("group", { name: "Section" });
  const points = section.getByRole("button");
  await expect(points).toHaveCount(4);
  const label = (i: number) => points.nth(i).getAttribute("aria-label");
  const first = await boardPaths(page);
  // Dragged beyond its neighbour it stops there.
  const at = (await points.nth(1).boundingBox())!;
  await drag(page, { x: at.x + at.width / 2, y: at.y + at.height / 2 }, { x: at.x + 90, y: at.y - 12 });
  expect(await label(1)).toMatch(/^Point 2: 50 % in, (49|50)/);
  await expect.poll(() => boardPaths(page)).not.toEqual(first);
  await page.keyboard.press("Control+z");
  await expect.poll(() => label(1)).toBe("Point 2: 22 % in, 36 % up");

  await points.nth(1).focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Shift+ArrowUp");
  await expect.poll(() => label(1)).toBe("Point 2: 23 % in, 46 % up");
  await page.getByRole("button", { name: "Add a point to the section" }).click();
  await expect(points).toHaveCount(5);
  await points.nth(0).focus();
  await page.keyboard.press("Delete");
  await expect(points).toHaveCount(4);

  // In perspective the points where its edges run together are shown.
  await fill(page.getByLabel("Perspective", { exact: true }), "0");
  await expect(page.locator("[data-vanishing]")).toHaveCount(0);
  await fill(page.getByLabel("Perspective", { exact: true }), "80");
  await expect(page.locator('[data-vanishing="across"]')).toBeAttached();
  expect(faults).toEqual([]);
});
