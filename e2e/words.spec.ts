import { expect, test } from "@playwright/test";
import { boardPaths, boardPoint, fill, newPiece, noteFaults, openPiece, saved } from "./studio";

test("words are typed on the bench itself, in several lines, and every coat follows", async ({ page }) => {
  const faults = noteFaults(page);
  await openPiece(page, "demo-tea-room-window");
  const at = await boardPoint(page, 0.5, 0.58);
  await page.mouse.dblclick(at.x, at.y);
  await expect(page.locator("[data-caret]")).toBeAttached();
  const field = page.getByLabel("Text of the lettering");
  await expect(field).toBeFocused();
  await page.keyboard.press("Control+A");
  await page.keyboard.type("Scones");
  await page.keyboard.press("Enter");
  await page.keyboard.type("daily");
  await expect(page.getByLabel("Text", { exact: true })).toHaveValue("Scones\ndaily");
  await page.keyboard.press("Home");
  await page.keyboard.type("& jam ");
  await expect(page.getByLabel("Text", { exact: true })).toHaveValue("Scones\n& jam daily");
  await page.keyboard.press("Escape");
  await expect(page.locator("[data-caret]")).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(page.getByLabel("Text", { exact: true })).toHaveValue("Scones\n& jam daily");
  expect(faults).toEqual([]);
});

for (const leaving of ["at once", "by keys", "into the void"] as const)
  test(`words that are typed while a new piece is on its way are there, whatever is done next: ${leaving}`, async ({ page }) => {
    // As slow as a machine may be: what is pressed meanwhile is pressed in vain, and costs no letter.
    await page.route("**/api/pieces/*", async (route) => {
      if (route.request().method() === "GET") await new Promise((go) => setTimeout(go, 600));
      await route.continue();
    });
    await page.goto("/");
    await page.getByRole("button", { name: "New piece" }).click();
    await page.keyboard.type("Moor");
    if (leaving === "into the void") await page.mouse.click(640, 500);
    await page.keyboard.type("land 3");
    if (leaving === "by keys") await page.keyboard.press("Escape");
    await page.getByRole("button", { name: /Coats/ }).first().click();
    await page.getByRole("button", { name: /Words/ }).first().click();
    await expect(page.getByLabel("Text", { exact: true })).toHaveValue("Moorland 3");
    await saved(page);
    await page.reload();
    await expect(page.getByLabel("Text", { exact: true })).toHaveValue("Moorland 3");
  });

test("a click between letters puts the caret there", async ({ page }) => {
  await newPiece(page, "moor");
  const at = await boardPoint(page, 0.5, 0.5);
  await page.mouse.dblclick(at.x, at.y);
  await page.mouse.click(at.x, at.y);
  await page.keyboard.type("-");
  await expect(page.getByLabel("Text", { exact: true })).toHaveValue("mo-or");
});

test("the face list shows the present word in each face, and a face is chosen by keyboard", async ({ page }) => {
  await newPiece(page, "Ferry");
  const before = await boardPaths(page).catch(() => []);
  await page.getByRole("button", { name: "Face", exact: true }).focus();
  await page.keyboard.press("Enter");
  const options = page.getByRole("listbox", { name: "Faces" }).getByRole("option");
  await expect(options.first()).toBeVisible();
  expect(await options.count()).toBeGreaterThanOrEqual(16);
  for (const text of await options.allInnerTexts()) expect(text).toContain("Ferry");
  await expect(page.getByRole("combobox", { name: "Search faces" })).toBeFocused();
  await page.keyboard.type("Rye", { delay: 30 });
  await expect(options).toHaveCount(1);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Face", exact: true })).toContainText("Rye");
  await expect.poll(() => boardPaths(page)).not.toEqual(before);
});

test("size, spacing and place take units, sums and arrow keys", async ({ page }) => {
  await newPiece(page, "Fair");
  const size = page.getByLabel("Size", { exact: true });
  await fill(size, "2in + 8px");
  await expect(size).toHaveValue("200");
  await size.press("ArrowUp");
  await size.press("Shift+ArrowUp");
  await expect(size).toHaveValue("211");
  await fill(page.getByLabel("Across", { exact: true }), "600");
  await fill(page.getByLabel("Down", { exact: true }), "400");
  await expect(page.getByLabel("Across", { exact: true })).toHaveValue("600");
  await fill(page.getByLabel("Turn", { exact: true }), "90");
  // About the middle: it stays where it is.
  await expect(page.getByLabel("Across", { exact: true })).toHaveValue("600");
  await expect(page.getByLabel("Down", { exact: true })).toHaveValue("400");
});

test("a lettering is moved, scaled and turned by its handles, and centred", async ({ page }) => {
  await openPiece(page, "demo-snowline-lift");
  const value = async (label: string) => Number(await page.getByLabel(label, { exact: true }).inputValue());
  const grip = async (name: string) => (await page.locator(`[data-handle="${name}"]`).boundingBox())!;
  const drag = async (from: { x: number; y: number }, dx: number, dy: number) => {
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    for (let i = 1; i <= 5; i++) await page.mouse.move(from.x + (dx * i) / 5, from.y + (dy * i) / 5);
    await page.mouse.up();
  };
  await page.keyboard.press("Escape");
  const word = await boardPoint(page, 0.5, 0.77);
  await page.mouse.click(word.x, word.y);
  const across = await value("Across");
  await drag(word, 90, 0);
  await expect.poll(() => value("Across")).toBeGreaterThan(across + 0.3);
  await page.getByRole("button", { name: "Centre on the board, left to right" }).click();
  await expect.poll(() => value("Across")).toBeCloseTo(4, 2);

  const size = await value("Size");
  const corner = await grip("scale-2");
  await drag({ x: corner.x + 5, y: corner.y + 5 }, 60, 20);
  await expect.poll(() => value("Size")).toBeGreaterThan(size * 1.1);

  const turn = await grip("turn");
  await drag({ x: turn.x + 6, y: turn.y + 6 }, 80, 40);
  await expect.poll(() => value("Turn")).toBeGreaterThan(5);
  // Three drags and a click are four steps; undo takes each back whole.
  for (let i = 0; i < 4; i++) await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(() => value("Across")).toBeCloseTo(across, 2);
  await expect.poll(() => value("Turn")).toBe(0);
});

test("missing letters are shown and named, and awkward text is taken as it is", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "Tea ☕");
  await expect(page.getByRole("status").filter({ hasText: "This face has no ☕ (U+2615)" })).toBeVisible();
  for (const text of ["", " ", "🚂🚂", "<svg onload=alert(1)>", "a".repeat(2000)]) {
    await page.getByLabel("Text", { exact: true }).fill(text);
    await expect(page.getByLabel("Text", { exact: true })).toHaveValue(text);
  }
  await expect(page.getByText("at most 2000 characters")).toBeVisible();
  await saved(page);
  expect(faults).toEqual([]);
});

test("the board takes another unit without another size, and no ground", async ({ page }) => {
  await newPiece(page, "Inch");
  const group = page.getByRole("radiogroup", { name: "Unit" });
  await group.getByRole("radio", { name: "in" }).click();
  await expect(page.getByLabel("Board width")).toHaveValue("12.5");
  await group.getByRole("radio", { name: "mm" }).click();
  await expect(page.getByLabel("Board width")).toHaveValue("317.5");
  await page.getByRole("radiogroup", { name: "Ground" }).getByRole("radio", { name: "None" }).click();
  await expect(page.locator("[data-board]")).toHaveClass(/checker/);
});

test("the stage keys work after a choice or a slider was used", async ({ page }) => {
  await newPiece(page, "Keys");
  await page.getByRole("radiogroup", { name: "Align" }).getByRole("radio", { name: "Right" }).click();
  await page.keyboard.press("3");
  await expect(page.getByLabel("Choose a style")).toBeVisible();
  await page.getByRole("slider", { name: "Opacity slider", exact: true }).focus();
  await page.keyboard.press("4");
  await expect(page.getByRole("button", { name: "Plain SVG" })).toBeVisible();
});
