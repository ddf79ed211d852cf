import { expect, test, type Page } from "@playwright/test";
import { addCoat, boardPaths, choose, coatNames, document, drag, fill, gripAt, newPiece, noteFaults } from "./studio";

async function addStep(page: Page, name: string): Promise<void> {
  await page.getByRole("button", { name: "Add a form step" }).click();
  await page.getByRole("menuitem", { name: new RegExp(`^${name}`) }).click();
  // The hand leaves the strip, where it would show the art only up to a coat.
  await page.mouse.move(700, 200);
}

async function toCoats(page: Page): Promise<void> {
  await page.getByLabel("Text", { exact: true }).blur();
  await page.keyboard.press("3");
}

const finish = async (page: Page) =>
  ((await document(page)).items[0].ownStyle as { coats: { finish: Record<string, Record<string, unknown>> }[] }).coats.at(-1)!.finish;

test("a coat is knocked out by another with a gap, and says so where they are made of each other", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "Fell");
  await toCoats(page);
  await addCoat(page);
  await expect.poll(() => coatNames(page)).toEqual(["Letters", "Coat 2"]);
  const before = await boardPaths(page);
  await addStep(page, "Knock out");
  // Nothing is chosen yet, and nothing is lost yet.
  expect(await boardPaths(page)).toEqual(before);
  await page.getByLabel("Coat", { exact: true }).selectOption({ label: "1 Letters" });
  await expect.poll(async () => (await boardPaths(page)).length).toBe(4);
  await page.locator('[data-coat="Letters"]').click();
  await addStep(page, "Knock out");
  await page.getByLabel("Coat", { exact: true }).selectOption({ label: "2 Coat 2" });
  const cards = page.locator("[data-coat]").getByRole("alert");
  await expect(cards).toHaveCount(2);
  await expect(cards.first()).toContainText("each made of the next: “Letters”, “Coat 2”, “Letters”");
  await page.getByRole("button", { name: "Take Knock out away" }).click();
  await expect(cards).toHaveCount(0);
  await page.locator('[data-coat="Coat 2"]').click();
  const flush = await boardPaths(page);
  await fill(page.getByLabel("Gap", { exact: true }), "-4");
  await expect.poll(() => boardPaths(page)).not.toEqual(flush);
  expect(faults).toEqual([]);
});

test("a trail comes in the inks of the coat, runs where its grip is dragged, and repeats one path", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "Tarn");
  await toCoats(page);
  await addStep(page, "Trail");
  const copies = page.locator("[data-board] svg use");
  await expect(copies).toHaveCount(24);
  // From the letters' ink to another one: each copy in a colour of its own.
  expect(new Set(await copies.evaluateAll((all) => all.map((u) => u.getAttribute("fill")))).size).toBe(24);
  await expect(page.getByRole("combobox", { name: "Shape" })).toContainText("Copies");
  const from = await gripAt(page, "way-way");
  await drag(page, from, { x: from.x + 120, y: from.y + 10 });
  const way = async () =>
    ((await document(page)).items[0].ownStyle as { coats: { form: { way?: { angle: number; distance: number } }[] }[] }).coats[0].form.at(
      -1,
    )!.way!;
  const moved = await way();
  expect(moved.angle).toBeLessThan(60);
  expect(moved.distance).toBeGreaterThan(24);
  await expect(copies).toHaveCount(24);
  await page.keyboard.press("Control+Z");
  await expect.poll(way).toEqual({ angle: 60, distance: 24 });
  expect(faults).toEqual([]);
});

test("a soft shadow is switched on with an ink of its own, shown with its coat, and no id stands twice", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "Beck");
  await toCoats(page);
  const layers = page.locator("[data-board] > svg");
  await expect(layers).toHaveCount(1);
  await page.getByRole("switch", { name: "Soft shadow" }).click();
  await expect(layers).toHaveCount(2);
  await expect(page.locator("[data-board] filter feGaussianBlur")).toHaveCount(1);
  await expect(page.getByRole("radiogroup", { name: "Shadow ink" }).getByRole("radio", { name: "Shadow" })).toBeChecked();
  await choose(page, "Shadow ink", "Face");
  await expect.poll(async () => (await finish(page))["soft-shadow"]).toMatchObject({ on: true, ink: "face" });
  // It falls away from the lamp, which is moved on the bench.
  const lamp = await gripAt(page, "lamp");
  await drag(page, lamp, { x: lamp.x + 160, y: lamp.y });
  await expect.poll(async () => ((await document(page)) as unknown as { lamp: { angle: number } }).lamp.angle).toBeGreaterThan(270);
  const twice = await page.evaluate(() => {
    const ids = [...window.document.querySelectorAll("[id]")].map((e) => e.id);
    return ids.filter((id, i) => ids.indexOf(id) !== i);
  });
  expect(twice).toEqual([]);
  await page.getByRole("switch", { name: "Soft shadow" }).click();
  await expect(layers).toHaveCount(1);
  expect(faults).toEqual([]);
});

test("what takes long to draw says how far it is and can be stopped; what was done is kept", async ({ page }) => {
  const { document: piece } = await (await page.request.get("/api/pieces/demo-night-ferry")).json();
  const [word] = piece.items;
  // Words that no other test has drawn, each in six coats.
  const items = Array.from({ length: 120 }, (_, i) => ({
    ...word,
    id: `w${i}`,
    text: `Ferry ${i} to the Lower Quay`,
    size: 60,
    y: 40 + i * 6,
  }));
  await page.request.post("/api/pieces", { data: { ...piece, id: "long-list", name: "Long list", items } });
  await page.goto("/pieces/long-list");
  const progress = page.getByText(/^Drawing: \d+ of 600 coats$/);
  await expect(progress).toBeVisible();
  await page.getByRole("button", { name: "Stop" }).click();
  await expect(page.getByText(/The drawing was stopped/)).toBeVisible();
  await expect(progress).toBeHidden();
  // The next change draws it, from where it was left.
  await page.getByRole("button", { name: "Add a lettering" }).click();
  await expect(page.locator("[data-board] svg path").first()).toBeAttached({ timeout: 45_000 });
  await expect(page.getByText(/The drawing was stopped/)).toBeHidden();
});
