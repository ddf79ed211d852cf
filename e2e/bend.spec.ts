import { expect, test } from "@playwright/test";
import {
  boardPaths,
  boardPoint,
  choose,
  document,
  drag,
  exportedPaths,
  fill,
  gripAt,
  newPiece,
  noteFaults,
  openFold,
  saved,
} from "./studio";

/** Leaves the text field, so that keys are the studio's. */
const toBench = async (page: import("@playwright/test").Page) => page.locator("[data-bench]").focus();

test("three lines fitted to one width, each bent by its own envelope, and a word changed", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "Brindlemoor\nNight\nFerry");
  await fill(page.getByLabel("Size", { exact: true }), "120");
  await openFold(page, "Widths of the lines");
  await page.getByRole("button", { name: "All as wide as the widest" }).click();
  await fill(page.getByLabel("Width of line 1"), "6in");
  await fill(page.getByLabel("Width of line 2"), "6in");
  await fill(page.getByLabel("Width of line 3"), "432pt");
  // 6 in are 576 px and 432 pt.
  for (const n of [1, 2, 3]) await expect(page.getByLabel(`Width of line ${n}`)).toHaveValue("576");
  await toBench(page);
  await page.keyboard.press("2");
  await choose(page, "Bend", "Envelope");
  await choose(page, "Envelope for", "Each line");
  for (const [line, form] of [
    ["1. Brindlemoor", "Domed"],
    ["2. Night", "Billowing"],
    ["3. Ferry", "Hung"],
  ]) {
    await page
      .getByRole("radiogroup", { name: "Line of the envelope" })
      .getByRole("radio", { name: line.slice(0, 14) })
      .click();
    await page.getByRole("button", { name: form, exact: true }).click();
  }
  const before = await boardPaths(page);
  await page.keyboard.press("1");
  await page.getByLabel("Text", { exact: true }).fill("Brindlemoor\nMorning\nFerry");
  await expect.poll(() => boardPaths(page)).not.toEqual(before);
  const [item] = (await document(page)).items as { bend: { meshes: unknown[] }; lines: { width: number }[] }[];
  expect(item.bend.meshes).toHaveLength(3);
  expect(item.lines.map((l) => l.width)).toEqual([576, 576, 576]);
  await toBench(page);
  expect(await exportedPaths(page)).toHaveLength("BrindlemoorMorningFerry".length);
  expect(faults).toEqual([]);
});

test("a word pressed into a shield: a corner of its outline moved, a letter corrected inside", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "HIGH\nPESS");
  await toBench(page);
  await page.keyboard.press("2");
  await choose(page, "Bend", "Shape");
  await page.getByRole("button", { name: "Shield" }).click();
  await expect(page.locator('[data-handle="fit-0"]')).toBeVisible();
  const filled = await boardPaths(page);
  await fill(page.getByLabel("Inset", { exact: true }), "250");
  await expect.poll(() => boardPaths(page)).not.toEqual(filled);
  const at = await gripAt(page, "fit-2");
  const before = await boardPaths(page);
  await drag(page, at, { x: at.x + 10, y: at.y - 60 });
  await expect.poll(() => boardPaths(page)).not.toEqual(before);
  // The typo, corrected on the bench itself.
  const middle = await boardPoint(page, 0.5, 0.5);
  await page.mouse.dblclick(middle.x, middle.y);
  await expect(page.locator("[data-caret]")).toBeAttached();
  await page.keyboard.press("Control+Home");
  for (let i = 0; i < 6; i++) await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Delete");
  await page.keyboard.type("A");
  await expect(page.getByLabel("Text", { exact: true })).toHaveValue("HIGH\nPASS");
  await page.keyboard.press("Escape");
  const { items } = await document(page);
  expect(items.find((i) => i.kind === "lettering")).toMatchObject({
    text: "HIGH\nPASS",
    bend: { kind: "fit", corners: expect.any(Array), inset: 250 },
  });
  // Words and shape move together.
  await page.keyboard.press("Shift+ArrowDown");
  const moved = (await document(page)).items as { y: number }[];
  expect(moved.map((i) => i.y)).toEqual((items as unknown as { y: number }[]).map((i) => i.y + 10));
  await page.keyboard.press("2");
  await page.getByRole("button", { name: "Use the shape as a coat" }).click();
  await expect(page.locator('[data-coat="Ground"]')).toBeVisible();
  expect(faults).toEqual([]);
});

test("a full ring: radius and start by their handles, spread to close, a typo fixed", async ({ page }) => {
  await newPiece(page, "MOUNTAIN RALWAY · ");
  await fill(page.getByLabel("Size", { exact: true }), "70");
  await toBench(page);
  await page.keyboard.press("2");
  await choose(page, "Bend", "Line");
  await page.getByRole("combobox", { name: "Kind of line" }).click();
  await page.getByRole("option", { name: /^Ring/ }).click();
  await page.getByRole("switch", { name: "Close the circle" }).click();
  const radius = async () => Number(await page.getByLabel("Radius", { exact: true }).inputValue());
  const start = await radius();
  const at = await gripAt(page, "ring-radius");
  await drag(page, at, { x: at.x + 40, y: at.y });
  expect(await radius()).toBeGreaterThan(start);
  await fill(page.getByLabel("Start", { exact: true }), "45");
  await choose(page, "Stands", "Inside");
  await choose(page, "Runs", "Counter");
  const before = await boardPaths(page);
  await page.keyboard.press("1");
  await page.getByLabel("Text", { exact: true }).fill("MOUNTAIN RAILWAY · ");
  await expect.poll(async () => (await boardPaths(page)).length).toBe(before.length + 1);
  expect((await document(page)).items[0]).toMatchObject({
    bend: { spread: true, line: { kind: "ring", start: 45, way: "counter", side: "inside" } },
  });
  await toBench(page);
  await page.keyboard.press("Control+Z");
  await expect.poll(async () => (await boardPaths(page)).length).toBe(before.length);
});

test("a hand-drawn curve: drawn on the bench, run along, its nodes edited, a typo fixed", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "over the hlls");
  await fill(page.getByLabel("Size", { exact: true }), "80");
  await toBench(page);
  await page.keyboard.press("p");
  const on = (x: number, y: number) => boardPoint(page, x, y);
  const [a, b, b2, c] = [await on(0.1, 0.7), await on(0.4, 0.35), await on(0.5, 0.35), await on(0.9, 0.6)];
  await page.mouse.click(a.x, a.y);
  await drag(page, b, b2);
  await page.mouse.click(c.x, c.y);
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Name of the shape")).toHaveValue("Line");
  await fill(page.getByLabel("Name of the shape"), "Hills");
  // Its nodes: a new one, moved by the arrow keys.
  await page.getByRole("button", { name: "Edit its nodes" }).click();
  await page.locator('[data-handle="node-0-0"]').click();
  await page.getByRole("button", { name: "Add after" }).click();
  await expect(page.locator('[data-handle="node-0-3"]')).toBeVisible();
  const line = await boardPaths(page);
  await page.locator('[data-handle="node-0-1"]').focus();
  await page.keyboard.press("Shift+ArrowUp");
  await expect.poll(() => boardPaths(page)).not.toEqual(line);
  await page.keyboard.press("Escape");
  // The words run along it.
  await openFold(page, /^On the board/);
  await page.getByRole("button", { name: "Select over the hlls" }).click();
  await toBench(page);
  await page.keyboard.press("2");
  await choose(page, "Bend", "Line");
  await page.getByRole("combobox", { name: "Kind of line" }).click();
  await page.getByRole("option", { name: /^Shape/ }).click();
  await page.getByLabel("Shape", { exact: true }).selectOption({ label: "Hills" });
  await choose(page, "Letters", "Flow");
  await fill(page.getByLabel("Start", { exact: true }), "50");
  const before = await boardPaths(page);
  await toBench(page);
  await page.keyboard.press("1");
  await page.getByLabel("Text", { exact: true }).fill("over the hills");
  await expect.poll(async () => (await boardPaths(page)).length).toBe(before.length + 1);
  await saved(page);
  await page.reload();
  await expect.poll(async () => (await boardPaths(page)).length).toBe(before.length + 1);
  expect(faults).toEqual([]);
});

test("a form dragged over the lettering is the stronger the further, and every handle is free from there, by mouse and by keys", async ({
  page,
}) => {
  await newPiece(page, "Swell");
  await toBench(page);
  await page.keyboard.press("2");
  await choose(page, "Bend", "Envelope");
  const form = (await page.locator('[data-form="bowed"]').boundingBox())!;
  const bench = (await page.locator("[data-bench]").boundingBox())!;
  const strength = async () => Number(await page.getByLabel("Strength", { exact: true }).inputValue());
  const lay = async (reach: number) => drag(page, { x: form.x + 20, y: form.y + 20 }, { x: bench.x + reach, y: bench.y + 200 }, 12);
  await lay(120);
  const weak = await strength();
  await lay(300);
  expect(await strength()).toBeGreaterThan(weak);
  const before = await boardPaths(page);
  const node = await gripAt(page, "mesh-1");
  await drag(page, node, { x: node.x + 30, y: node.y - 30 });
  await expect.poll(() => boardPaths(page)).not.toEqual(before);
  const dragged = await boardPaths(page);
  await page.locator('[data-handle="mesh-2-up"]').focus();
  await page.keyboard.press("Shift+ArrowLeft");
  await expect.poll(() => boardPaths(page)).not.toEqual(dragged);
  await page.getByRole("button", { name: "More columns" }).click();
  await expect(page.locator('[data-handle="mesh-5"]')).toBeVisible();
  await page.keyboard.press("Control+Z");
  await expect(page.locator('[data-handle="mesh-5"]')).toHaveCount(0);
  await page.getByLabel("Text", { exact: true }).waitFor({ state: "detached" });
});

test("what is shown after a drag is what is exported", async ({ page }) => {
  await newPiece(page, "Exact");
  await toBench(page);
  await page.keyboard.press("3");
  // Coats that take longer than a frame, so that the drag is drawn as a draft.
  await page.getByLabel("Choose a style").click();
  await page.getByRole("dialog").getByRole("button", { name: "Airwave" }).first().click();
  await page.keyboard.press("2");
  await choose(page, "Bend", "Envelope");
  const node = await gripAt(page, "mesh-0");
  await drag(page, node, { x: node.x + 50, y: node.y - 40 }, 12);
  // The exact scene takes its place when it is there, which on a busy machine takes a while.
  const exported = await exportedPaths(page);
  await expect.poll(() => boardPaths(page)).toEqual(exported);
});

test("posed as a whole: leaned, mirrored, seen in perspective, and straight again", async ({ page }) => {
  await newPiece(page, "Pose");
  await toBench(page);
  await page.keyboard.press("2");
  await fill(page.getByLabel("Slant of the whole"), "15");
  await page.getByRole("button", { name: "Mirror, left to right" }).click();
  await expect(page.getByLabel("Across of the whole")).toHaveValue("-100");
  await page.getByRole("button", { name: "Mirror, left to right" }).click();
  await page.getByRole("button", { name: "Drag corners" }).click();
  const before = await boardPaths(page);
  const corner = await gripAt(page, "view-1");
  await drag(page, corner, { x: corner.x - 60, y: corner.y + 30 });
  await expect.poll(() => boardPaths(page)).not.toEqual(before);
  expect((await document(page)).items[0]).toMatchObject({ slant: 15, across: 1, view: expect.any(Array) });
  await page.getByRole("button", { name: "Straight again" }).click();
  await expect.poll(() => boardPaths(page)).toEqual(before);
});
