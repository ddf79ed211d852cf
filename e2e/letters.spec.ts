import { expect, test } from "@playwright/test";
import { boardPaths, choose, document, drag, fill, gripAt, newPiece, noteFaults, openFold } from "./studio";

const toBench = async (page: import("@playwright/test").Page) => page.locator("[data-bench]").focus();
const fontFile = "node_modules/@expo-google-fonts/anton/400Regular/Anton_400Regular.ttf";

async function chooseFace(page: import("@playwright/test").Page, name: string) {
  await page.getByRole("button", { name: "Face", exact: true }).click();
  await page.getByRole("combobox", { name: "Search faces" }).fill(name);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Face", exact: true })).toContainText(name);
}

test("single letters are picked, shifted, turned and kerned, by mouse and by keys, and keep it when the text is changed", async ({
  page,
}) => {
  const faults = noteFaults(page);
  await newPiece(page, "moor");
  await toBench(page);
  await page.keyboard.press("l");
  await expect(page.locator("[data-letter]")).toHaveCount(4);
  await page.locator('[data-letter="1"]').click();
  const turn = await gripAt(page, "letter-turn");
  await drag(page, turn, { x: turn.x + 40, y: turn.y + 10 });
  const angle = Number(await page.getByLabel("Turn of the picked letters").inputValue());
  expect(Math.abs(angle)).toBeGreaterThan(5);
  await toBench(page);
  await page.keyboard.press("Tab");
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("Alt+ArrowRight");
  await expect(page.getByLabel("Gap after of the picked letters")).toHaveValue("5");
  const gap = await gripAt(page, "gap-0");
  await drag(page, gap, { x: gap.x + 25, y: gap.y });
  await page.keyboard.press("Escape");
  await page.keyboard.press("Escape");
  await page.getByLabel("Text", { exact: true }).fill("Brindlemoor");
  const [item] = (await document(page)).items as { letters: { at: number; turn: number; down: number; space: number }[] }[];
  expect(item.letters.map((l) => l.at)).toEqual([7, 8, 9]);
  expect(item.letters[0].space).toBeGreaterThan(20);
  expect(item.letters[1].turn).toBeCloseTo(angle, 1);
  expect(item.letters[2].down).toBeLessThan(0);
  // One step back after another leads to the plain word.
  await toBench(page);
  for (let i = 0; i < 5; i++) await page.keyboard.press("Control+Z");
  await expect(page.getByLabel("Text", { exact: true })).toHaveValue("moor");
  expect(faults).toEqual([]);
});

test("another form of a letter is picked from pictures on the bench, and an ink is given to it", async ({ page }) => {
  await newPiece(page, "tea");
  await chooseFace(page, "Anton");
  await toBench(page);
  await page.keyboard.press("l");
  await page.locator('[data-letter="2"]').click();
  const forms = page.locator("[data-alternates]").getByRole("button");
  await expect(forms.nth(1)).toBeVisible();
  const before = await boardPaths(page);
  await forms.nth(1).click();
  await expect.poll(() => boardPaths(page)).not.toEqual(before);
  await page.getByRole("button", { name: "Face in Edge" }).click();
  await expect.poll(() => page.locator('[data-board] svg path[fill="#c8401f"]').count()).toBe(1);
  expect((await document(page)).items[0]).toMatchObject({
    letters: [{ at: 2, alternate: { tag: expect.any(String) }, inks: { face: "edge" } }],
  });
});

test("loosened letters are thrown again, and straight again without it", async ({ page }) => {
  await newPiece(page, "loose");
  const straight = await boardPaths(page);
  await openFold(page, "Single letters");
  await page.getByRole("switch", { name: "Loosen" }).click();
  await expect.poll(() => boardPaths(page)).not.toEqual(straight);
  const thrown = await boardPaths(page);
  await page.getByRole("button", { name: "Throw again" }).click();
  await expect.poll(() => boardPaths(page)).not.toEqual(thrown);
  await page.getByRole("switch", { name: "Loosen" }).click();
  await expect.poll(() => boardPaths(page)).toEqual(straight);
});

test("axes of a variable face, features by their names, even gaps and the stretch that makes strokes equal", async ({ page }) => {
  await newPiece(page, "office");
  await chooseFace(page, "Fraunces");
  const black = await boardPaths(page);
  await fill(page.getByLabel("Weight", { exact: true }), "300");
  await expect.poll(() => boardPaths(page)).not.toEqual(black);
  expect((await document(page)).items[0]).toMatchObject({ axes: { wght: 300 } });
  await chooseFace(page, "Alfa Slab One");
  await openFold(page, "Features of the face");
  const ligatures = page.getByRole("switch", { name: "Ligatures", exact: true });
  await expect(ligatures).toBeChecked();
  // Letters that touch would be one shape with and without.
  await page.getByRole("switch", { name: "Join letters" }).click();
  const joined = (await boardPaths(page)).length;
  await ligatures.click();
  await expect.poll(async () => (await boardPaths(page)).length).toBeGreaterThan(joined);
  const apart = await boardPaths(page);
  await choose(page, "Gaps", "Even");
  await expect.poll(() => boardPaths(page)).not.toEqual(apart);
  await openFold(page, "Stretch and language");
  await expect(page.locator("[data-stems]")).toContainText("thicker");
  await page.getByRole("button", { name: /Make them equal/ }).click();
  await expect(page.locator("[data-stems]")).toContainText("as thick as each other");
});

test("the chooser sorts by what is measured and says when a face will not carry the style", async ({ page }) => {
  await newPiece(page, "Brindlemoor");
  await toBench(page);
  await page.keyboard.press("3");
  // The chooser is opened while the style is still on its way.
  await page.route("**/api/styles/*", async (route) => {
    await new Promise((done) => setTimeout(done, 3000));
    await route.continue();
  });
  await page.getByLabel("Choose a style").click();
  await page.getByRole("dialog").getByRole("button", { name: "Felt Patch" }).first().click();
  await page.keyboard.press("1");
  await page.getByRole("button", { name: "Face", exact: true }).click();
  const list = page.getByRole("listbox", { name: "Faces" });
  await expect(list.getByText(/stem \d+/).first()).toBeVisible();
  await page.getByLabel("Sort faces").selectOption("stem");
  const stems = (await list.getByRole("option").allInnerTexts()).map((t) => Number(/stem (\d+)/.exec(t)![1]));
  expect(stems).toEqual([...stems].sort((a, b) => b - a));
  await page.getByLabel("Script", { exact: true }).selectOption("Arabic");
  await expect(list.getByRole("option")).toHaveCount(1);
  await page.getByLabel("Script", { exact: true }).selectOption("");
  // Hairlines of 35 units do not carry insets of 24 and more.
  await expect(list.getByRole("option", { name: /Monoton/ }).locator("[data-strain]")).toContainText(
    /The \d+-unit inset closes \d+ of 11 letters/,
    { timeout: 20_000 },
  );
});

test("a font file is brought in, used, said to be used when it is taken away, and stood in for", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "Mine");
  await page.getByRole("button", { name: "Face", exact: true }).click();
  await page.getByLabel("Font files").setInputFiles([{ name: "broken.ttf", mimeType: "font/ttf", buffer: Buffer.from("no font at all") }]);
  await expect(page.getByText(/not an OpenType or TrueType font/)).toBeVisible();
  await page.getByLabel("Font files").setInputFiles([fontFile]);
  await page.getByLabel("Show", { exact: true }).selectOption("own");
  await page.getByRole("option", { name: /Anton Regular/ }).click();
  await expect(page.getByRole("button", { name: "Face", exact: true })).toContainText("Anton Regular · Brought in");
  const own = await boardPaths(page);
  await document(page);
  await page.getByRole("button", { name: "Face", exact: true }).click();
  await page.getByRole("button", { name: "Take Anton Regular away" }).click();
  await expect(page.getByRole("alertdialog")).toContainText("It is used in “Mine”");
  await page.getByRole("button", { name: "Take it away" }).click();
  await expect(page.getByRole("status").filter({ hasText: "a stand-in is shown" })).toBeVisible();
  await expect.poll(() => boardPaths(page)).not.toEqual(own);
  // Brought in again it is the same face, and the words are as they were.
  await page.getByLabel("Font files").setInputFiles([fontFile]);
  await expect.poll(() => boardPaths(page)).toEqual(own);
  expect(faults).toEqual([]);
});
