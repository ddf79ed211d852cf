import { expect, test } from "@playwright/test";
import { addCoat, boardPaths, coatNames, drag, fill, gripAt, noteFaults, openCopy, openPiece, saved } from "./studio";

test.beforeEach(async ({ page }) => {
  await openCopy(page, "demo-radio-brindlemoor");
  await page.getByRole("button", { name: /Coats/ }).first().click();
  // What a test counts first has to be there: a drawer comes a moment after the piece.
  await expect(page.getByRole("region", { name: "Inks" })).toBeVisible();
});

test("coats are reordered by dragging and by keyboard, doubled, renamed, switched off and taken away", async ({ page }) => {
  const faults = noteFaults(page);
  const start = await coatNames(page);
  const card = (name: string) => page.locator(`[data-coat="${name}"]`);

  await expect(card("Letters")).toBeInViewport({ ratio: 0.9 });
  const [from, to] = [(await card("Letters").boundingBox())!, (await card("Wave one").boundingBox())!];
  await page.mouse.move(from.x + 40, from.y + 30);
  await page.mouse.down();
  for (let i = 1; i <= 8; i++) await page.mouse.move(from.x + 40 + ((to.x - from.x - 30) * i) / 8, from.y + 30);
  await page.mouse.up();
  await expect.poll(() => coatNames(page)).not.toEqual(start);
  await page.keyboard.press("Control+Z");
  await expect.poll(() => coatNames(page)).toEqual(start);

  await card("Letters").focus();
  await page.keyboard.press("Alt+ArrowLeft");
  await expect.poll(async () => (await coatNames(page)).indexOf("Letters")).toBe(start.length - 2);
  await card("Letters").focus();
  await page.keyboard.press("Control+D");
  await expect.poll(() => coatNames(page)).toContain("Letters copy");
  // The coat was doubled, not the lettering as well.
  const items = async () =>
    page.locator("[data-board] svg").evaluateAll((all) => new Set(all.map((s) => (s as HTMLElement).dataset.layer!.split("-")[1])).size);
  expect(await items()).toBe(2);
  await fill(page.getByLabel("Name of the coat"), "Highlight");
  await expect.poll(() => coatNames(page)).toContain("Highlight");

  const layers = () => page.locator("[data-board] svg").count();
  // The hand leaves the strip, where it would show the art only up to a coat.
  await page.mouse.move(700, 300);
  const before = await layers();
  await card("Highlight").getByRole("button", { name: "Switch this coat off" }).click();
  await page.mouse.move(700, 300);
  // Both letterings of this piece are linked to the style.
  await expect.poll(layers).toBe(before - 2);
  await card("Highlight").focus();
  await page.keyboard.press("Delete");
  await expect.poll(() => coatNames(page)).not.toContain("Highlight");
  expect(await items()).toBe(2);
  await page.getByRole("button", { name: "Undo" }).first().click();
  await expect.poll(() => coatNames(page)).toContain("Highlight");
  // The way back is offered for the last deed alone: what was taken back by key, or is no longer the last, is not undone once more.
  await card("Highlight").focus();
  await page.keyboard.press("Delete");
  await expect(page.getByText("“Highlight” was taken off.")).toHaveCount(1);
  await page.keyboard.press("Control+Z");
  await expect.poll(() => coatNames(page)).toContain("Highlight");
  await expect(page.getByText("“Highlight” was taken off.")).toHaveCount(0);
  expect(faults).toEqual([]);
});

test("the strip shows the art up to the coat under the hand", async ({ page }) => {
  const layers = () => page.locator("[data-board] svg").count();
  await page.mouse.move(700, 300);
  const all = await layers();
  await page.locator('[data-coat="Wave five"]').hover();
  // Of the selected lettering only the first of seven is left.
  await expect.poll(layers).toBe(all - 6);
  await page.mouse.move(700, 300);
  await expect.poll(layers).toBe(all);
});

test("and what it shows ends with the hover, whatever the pointer does next", async ({ page }) => {
  const layers = () => page.locator("[data-board] svg").count();
  await page.mouse.move(700, 300);
  const all = await layers();
  const card = page.locator('[data-coat="Wave five"]');
  const more = card.getByRole("button", { name: "More for Wave five" });
  // A menu that is opened and left, by Escape, by a click beside it, by one of its deeds.
  for (const leave of [
    () => page.keyboard.press("Escape"),
    () => page.mouse.click(700, 300),
    () => page.getByRole("menuitem", { name: "Copy" }).click(),
  ]) {
    await card.hover();
    await expect.poll(layers).toBe(all - 6);
    await more.click();
    await expect(page.getByRole("menu")).toBeVisible();
    await expect.poll(layers).toBe(all);
    await leave();
    await expect(page.getByRole("menu")).toBeHidden();
    await page.mouse.move(700, 320);
    await expect.poll(layers).toBe(all);
  }
  await card.hover();
  await expect.poll(layers).toBe(all - 6);
  await page.mouse.move(700, 20);
  await expect.poll(layers).toBe(all);
});

test("a gradient is reversed, twice, and its chosen stop stays the chosen one", async ({ page }) => {
  const faults = noteFaults(page);
  await page.locator('[data-coat="Wave five"]').click();
  await page.getByRole("radiogroup", { name: "Paint", exact: true }).getByRole("radio", { name: "Gradient" }).click();
  const place = page.getByLabel("Place of the stop");
  await page.getByRole("slider", { name: "Stop 1" }).focus();
  await expect(place).toHaveValue("0");
  await page.getByRole("button", { name: "Reverse" }).click();
  await expect(place).toHaveValue("100");
  await page.getByRole("button", { name: "Reverse" }).click();
  await expect(place).toHaveValue("0");
  expect(faults).toEqual([]);
});

test("form, paint and finish act at once, by slider, by number and by choice", async ({ page }) => {
  await page.locator('[data-coat="Wave five"]').click();
  await page.mouse.move(700, 300);
  const before = await boardPaths(page);
  const slider = page.getByRole("slider", { name: "Amount slider" });
  await slider.focus();
  for (let i = 0; i < 10; i++) await page.keyboard.press("ArrowRight");
  await expect.poll(() => boardPaths(page)).not.toEqual(before);

  const group = (name: string) => page.getByRole("radiogroup", { name, exact: true });
  await group("Joins").getByRole("radio", { name: "Miter" }).click();
  await expect(page.getByLabel("Miter limit")).toBeVisible();
  await group("Laid as").getByRole("radio", { name: "Stroke" }).click();
  await fill(page.getByLabel("Dashes"), "3 2");
  await expect(group("Caps")).toBeVisible();
  await group("Paint").getByRole("radio", { name: "Gradient" }).click();
  await expect(page.locator("[data-board] linearGradient").first()).toBeAttached();
  await page.getByRole("combobox", { name: "Span" }).click();
  await page.getByRole("option", { name: /^Letter/ }).click();

  await page.getByRole("combobox", { name: "Blend mode" }).click();
  await page.getByRole("option", { name: "Multiply" }).click();
  await fill(page.getByLabel("Opacity", { exact: true }).last(), "40");
  const layer = page.locator('[data-board] svg[data-layer$="-wave-five"]').first();
  await expect(layer).toHaveCSS("mix-blend-mode", "multiply");
  await expect(layer).toHaveCSS("opacity", "0.4");
});

test("a gradient is placed on the art itself", async ({ page }) => {
  await page.locator('[data-coat="Letters"]').click();
  await page.getByRole("radiogroup", { name: "Paint", exact: true }).getByRole("radio", { name: "Gradient" }).click();
  const grip = page.locator('[data-handle="gradient-to"]');
  const box = (await grip.boundingBox())!;
  await page.mouse.move(box.x + 8, box.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x + 80, box.y - 30, { steps: 5 });
  await page.mouse.up();
  await expect(page.getByLabel("End, across")).not.toHaveValue("50");
  const x2 = () => page.locator('[data-board] svg[data-layer$="-letters"] linearGradient').last().getAttribute("x2");
  const x1 = () => page.locator('[data-board] svg[data-layer$="-letters"] linearGradient').last().getAttribute("x1");
  expect(Number(await x2())).toBeGreaterThan(Number(await x1()));
  await page.getByRole("button", { name: "Add a stop" }).click();
  await expect(page.getByRole("slider", { name: /^Stop/ })).toHaveCount(3);
});

test("changes go to the style, or to this lettering only; it is reverted, detached and undone", async ({ page }) => {
  const fills = (colour: string) => page.locator(`[data-board] svg path[fill="${colour}"]`).count();
  const recolour = async (colour: string) => {
    await page.getByRole("button", { name: /Ink Bone/ }).click();
    await fill(page.getByLabel("Ink Bone: colour value"), colour);
    await page.keyboard.press("Escape");
  };
  await recolour("#101010");
  // Five letters of Radio and fourteen of the second lettering.
  await expect.poll(() => fills("#101010")).toBe(5 + "BRINDLEMOOR98.2".length);

  await page.getByRole("radiogroup", { name: "Changes go to" }).getByRole("radio", { name: "This one only" }).click();
  await recolour("#202020");
  await expect.poll(() => fills("#202020")).toBe(15);
  await expect.poll(() => fills("#101010")).toBe(5);
  await expect(page.getByLabel("Choose a style")).toContainText("with changes of its own here");
  await page.getByRole("button", { name: "Revert", exact: true }).click();
  await expect.poll(() => fills("#101010")).toBe(20);

  await page.getByRole("button", { name: "More for this style" }).click();
  await page.getByRole("menuitem", { name: "Detach from the style" }).click();
  await expect(page.getByLabel("Choose a style")).toContainText("Own coats");
  await page.keyboard.press("Control+Z");
  await expect(page.getByLabel("Choose a style")).toContainText("Airwave");
  await saved(page);
});

test("a coat is copied from one style and pasted onto another, with its inks", async ({ page }) => {
  await page.locator('[data-coat="Wave three"]').focus();
  await page.keyboard.press("Control+C");
  await page.getByLabel("Choose a style").click();
  await page.getByRole("button", { name: "Orchard" }).first().click();
  await expect.poll(() => coatNames(page)).toContain("Apple");
  await page.getByRole("button", { name: "Paste the coat “Wave three”" }).click();
  await expect.poll(async () => (await coatNames(page)).at(-1)).toBe("Wave three");
  await expect(page.getByRole("button", { name: /Ink Straw/ })).toBeVisible();
});

test("another measure keeps the look", async ({ page }) => {
  const before = await boardPaths(page);
  await page.getByRole("radiogroup", { name: "Measure" }).getByRole("radio", { name: "Stem" }).click();
  await page.locator('[data-coat="Wave five"]').click();
  await expect(page.getByLabel("Amount", { exact: true })).not.toHaveValue("13");
  await page.mouse.move(700, 300);
  const after = await boardPaths(page);
  expect(after.length).toBe(before.length);
  // The other lettering of the style has the same face, so it looks the same too.
  for (const [i, d] of after.entries()) expect(Math.abs(d.length - before[i].length)).toBeLessThan(before[i].length * 0.02 + 20);
});

test("the first change to a style that is worn elsewhere says where, and stays here until it is told to go there", async ({ page }) => {
  const stamp = Date.now().toString(36);
  const read = async (shelf: string, id: string) => (await (await page.request.get(`/api/${shelf}/${id}`)).json()).document;
  const piece = await read("pieces", "demo-night-ferry");
  const styleId = piece.items[0].styleId;
  await page.request.post("/api/styles", { data: { ...(await read("styles", styleId)), id: `worn-${stamp}`, name: "Worn" } });
  const items = piece.items.map((i: object) => ({ ...i, styleId: `worn-${stamp}` }));
  for (const [id, name] of [
    ["one", "First"],
    ["two", "Finished"],
  ])
    await page.request.post("/api/pieces", { data: { ...piece, id: `${id}-${stamp}`, name, items } });
  const colour = async () => (await read("styles", `worn-${stamp}`)).inks[0].colour;
  const before = await colour();
  await openPiece(page, `one-${stamp}`);
  await page.keyboard.press("3");
  await expect(page.getByLabel("Choose a style")).toContainText("1 other piece");
  const paint = async (hex: string) => {
    await page.getByRole("button", { name: /^Ink / }).first().click();
    await fill(page.getByLabel(/: colour value$/), `#${hex}`);
    await page.keyboard.press("Escape");
  };
  await paint("00aa55");
  const notice = page.getByRole("status", { name: "Where this style is worn" });
  await expect(notice).toContainText("“Worn” is also worn in another piece");
  await expect(notice.getByRole("listitem")).toHaveText(["Finished"]);
  await saved(page);
  expect(await colour()).toBe(before);
  await notice.getByRole("button", { name: "This one only" }).click();
  await expect(notice).toBeHidden();
  await saved(page);
  expect(await colour()).toBe(before);

  await page.getByRole("button", { name: "Revert", exact: true }).click();
  await paint("aa0055");
  await notice.getByRole("button", { name: "Change the style everywhere" }).click();
  await saved(page);
  expect(await colour()).toBe("#aa0055");
  // It was said once: from now on the style changes as it is changed.
  await paint("0055aa");
  await saved(page);
  expect(await colour()).toBe("#0055aa");
  await expect(notice).toBeHidden();
});

test("starting coats are shown on the word, and come in where they belong by one click", async ({ page }) => {
  const faults = noteFaults(page);
  const start = await coatNames(page);
  await page.getByRole("button", { name: "Add a coat", exact: true }).click();
  const sheet = page.getByRole("dialog", { name: "Starting coats" });
  // A picture each, of this very word.
  const pictures = sheet.locator("img");
  await expect.poll(() => pictures.count()).toBeGreaterThanOrEqual(14);
  await expect.poll(() => pictures.evaluateAll((all) => all.every((i) => (i as HTMLImageElement).naturalWidth > 0))).toBe(true);
  const first = await pictures.first().getAttribute("src");
  await sheet.getByRole("tab", { name: "Over" }).click();
  await expect(sheet.getByRole("button", { name: "Gleam", exact: true }).locator("img")).toBeVisible();
  expect(await pictures.first().getAttribute("src")).not.toBe(first);
  await sheet.getByRole("button", { name: "Gleam", exact: true }).click();
  await expect(sheet).toBeHidden();
  expect(await coatNames(page)).toEqual([...start, "Gleam"]);
  await expect(page.getByLabel("Name of the coat")).toHaveValue("Gleam");

  await addCoat(page, "Backing", "Behind");
  await expect.poll(() => coatNames(page)).toEqual(["Backing", ...start, "Gleam"]);
  await page.keyboard.press("Control+Z");
  await expect.poll(() => coatNames(page)).toEqual([...start, "Gleam"]);
  expect(faults).toEqual([]);
});

test("an ink is added with its colour open, others that go with it are added by a click, and two are swapped", async ({ page }) => {
  const faults = noteFaults(page);
  const inks = page.getByRole("button", { name: /^Ink .*, #/ });
  const before = await inks.count();
  const first = (await inks.nth(0).getAttribute("aria-label"))!;
  const second = (await inks.nth(1).getAttribute("aria-label"))!;
  await page.getByRole("button", { name: "Add an ink", exact: true }).click();
  const field = page.getByRole("dialog");
  const value = field.getByLabel(/colour value$/);
  await fill(value, "oklch(0.6 0.15 150)");
  await expect.poll(() => inks.count()).toBe(before + 1);
  await expect(inks.last()).toHaveAccessibleName(/#[0-9a-f]{6}$/);
  await field
    .getByRole("button", { name: /^Add #/ })
    .first()
    .click();
  await expect.poll(() => inks.count()).toBe(before + 2);
  await page.keyboard.press("Escape");

  await inks.nth(0).click();
  await page.getByRole("button", { name: "Swap" }).click();
  await page.getByRole("menuitem", { name: second.slice("Ink ".length, second.indexOf(",")) }).click();
  const colour = (label: string) => label.slice(label.indexOf("#"));
  await expect(inks.nth(0)).toHaveAccessibleName(new RegExp(colour(second)));
  await expect(inks.nth(1)).toHaveAccessibleName(new RegExp(colour(first)));
  expect(faults).toEqual([]);
});

test("a fade is switched on, and its line is moved on the art itself", async ({ page }) => {
  const faults = noteFaults(page);
  await page.getByRole("switch", { name: "Fade", exact: true }).click();
  await expect(page.locator("[data-board] mask").first()).toBeAttached();
  const grip = await gripAt(page, "fade-from");
  const line = () =>
    page
      .locator("[data-board] mask")
      .first()
      .evaluate((m) => m.parentElement!.querySelector("linearGradient")!.getAttribute("y1"));
  const start = await line();
  await drag(page, grip, { x: grip.x, y: grip.y + 40 });
  await expect.poll(line).not.toBe(start);
  await page.keyboard.press("Control+Z");
  await expect.poll(line).toBe(start);
  expect(faults).toEqual([]);
});

test("the styles of the shelf are tried on the present word before one is taken", async ({ page }) => {
  const faults = noteFaults(page);
  await page.getByLabel("Choose a style").click();
  const picker = page.getByRole("dialog", { name: "Styles" });
  await picker.getByLabel("Search styles").fill("Plain");
  const tried = picker.locator("img[data-tried]");
  await expect(tried.first()).toBeVisible({ timeout: 30_000 });
  // Pictures of this word, each in another style.
  const sources = await tried.evaluateAll((all) => all.map((i) => (i as HTMLImageElement).src));
  expect(sources.every((s) => s.startsWith("data:image/svg+xml"))).toBe(true);
  await picker.locator("button[aria-current]").first().click();
  await expect(picker).toBeHidden();
  expect(faults).toEqual([]);
});

test("the inks of another style are laid on this one, and taken back in one step", async ({ page }) => {
  const faults = noteFaults(page);
  const labels = () =>
    page.getByRole("button", { name: /^Ink .*, #/ }).evaluateAll((all) => all.map((b) => b.getAttribute("aria-label") ?? ""));
  const before = await labels();
  await page.getByRole("button", { name: "Lay the inks of another style on this one" }).click();
  await page.getByRole("menuitem", { name: "Night Tube" }).click();
  await expect.poll(labels).not.toEqual(before);
  const names = (all: string[]) => all.map((l) => l.slice(0, l.indexOf(",")));
  expect(names(await labels())).toEqual(names(before));
  await page.keyboard.press("Control+Z");
  await expect.poll(labels).toEqual(before);
  expect(faults).toEqual([]);
});
