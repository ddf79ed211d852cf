import { expect, test } from "@playwright/test";
import { PNG } from "pngjs";
import {
  boardPaths,
  boardPoint,
  choose,
  document,
  downloaded,
  drag,
  fill,
  gripAt,
  newPiece,
  noteFaults,
  openCopy,
  openFold,
  openPiece,
  saved,
} from "./studio";

const toBench = async (page: import("@playwright/test").Page) => page.locator("[data-bench]").focus();
async function addShape(page: import("@playwright/test").Page, name: string) {
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await page.getByRole("menuitem", { name }).click();
}

test("shapes are added, sized in units, set, widened with their coats even, and made free paths", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "Sign");
  await addShape(page, "Banner");
  await fill(page.getByLabel("Width", { exact: true }), "4in");
  await expect(page.getByLabel("Width", { exact: true })).toHaveValue("384");
  await fill(page.getByLabel("Bow", { exact: true }), "60");
  const before = await boardPaths(page);
  const side = await gripAt(page, "side-1");
  await drag(page, side, { x: side.x + 60, y: side.y });
  await expect.poll(async () => Number(await page.getByLabel("Width", { exact: true }).inputValue())).toBeGreaterThan(440);
  await expect.poll(() => boardPaths(page)).not.toEqual(before);
  await page.getByRole("combobox", { name: "Kind of shape" }).click();
  await page.getByRole("option", { name: /^Star/ }).click();
  await fill(page.getByLabel("Points", { exact: true }), "8");
  await page.getByRole("button", { name: /Make a free path/ }).click();
  await expect(page.locator('[data-handle^="node-0-"]')).toHaveCount(16);
  await page.locator('[data-handle="node-0-3"]').focus();
  await page.keyboard.press("Delete");
  await expect(page.locator('[data-handle^="node-0-"]')).toHaveCount(15);
  await page.keyboard.press("Escape");
  expect((await document(page)).items[0]).toMatchObject({ kind: "shape", shape: { kind: "path" } });
  await toBench(page);
  await page.keyboard.press("3");
  await page.getByLabel("Choose a style").click();
  await page.getByRole("dialog").getByRole("button", { name: "Enamel Panel" }).first().click();
  await expect(page.locator("[data-coat]")).toHaveCount(3);
  expect(faults).toEqual([]);
});

test("an SVG file comes in as a shape, with word of what was left out", async ({ page }) => {
  await newPiece(page, "Mark");
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="2in" height="2in" viewBox="0 0 20 20"><circle cx="10" cy="10" r="10"/><text>x</text></svg>';
  await page.getByLabel("SVG file").setInputFiles([{ name: "seal.svg", mimeType: "image/svg+xml", buffer: Buffer.from(svg) }]);
  await expect(page.getByText(/“seal.svg” came in as a shape.*Left out: text/)).toBeVisible();
  await expect(page.getByLabel("Width", { exact: true })).toHaveValue("192");
  await page
    .getByLabel("SVG file")
    .setInputFiles([{ name: "evil.svg", mimeType: "image/svg+xml", buffer: Buffer.from("<!DOCTYPE svg><svg/>") }]);
  await expect(page.getByText(/document type/)).toBeVisible();
});

test("items are grouped, locked, hidden, ordered, aligned and repeated", async ({ page }) => {
  await newPiece(page, "One");
  await fill(page.getByLabel("Size", { exact: true }), "60");
  await addShape(page, "Rectangle");
  await addShape(page, "Ellipse");
  await toBench(page);
  await page.keyboard.press("Control+A");
  await page.getByRole("button", { name: /^Align: left edges/ }).click();
  await page.keyboard.press("Control+G");
  await page.keyboard.press("Escape");
  await page.keyboard.press("Escape");
  const at = await boardPoint(page, 0.5, 0.5);
  await page.mouse.click(at.x, at.y);
  // One click takes the whole group, an arrow key moves it.
  const before = (await document(page)).items as { x: number; groups: string[] }[];
  expect(before.map((i) => i.groups.length)).toEqual([1, 1, 1]);
  await page.keyboard.press("ArrowRight");
  expect(((await document(page)).items as { x: number }[]).map((i, k) => i.x - before[k].x)).toEqual([1, 1, 1]);
  await page.keyboard.press("Control+Shift+G");
  await openFold(page, /^On the board/);
  await page.getByRole("button", { name: "Hide Ellipse" }).click();
  await expect.poll(async () => (await boardPaths(page)).length).toBe(4);
  await page.getByRole("button", { name: "Lock Rectangle" }).click();
  await page.getByRole("button", { name: "Select Rectangle" }).click();
  await toBench(page);
  await page.keyboard.press("Delete");
  await page.keyboard.press("Shift+ArrowRight");
  const locked = (await document(page)).items as { kind: string; x: number }[];
  expect(locked).toHaveLength(3);
  await page.getByRole("button", { name: "Select One" }).click();
  await openFold(page, "Repeat");
  await fill(page.getByLabel("Step down", { exact: true }), "30");
  await fill(page.getByLabel("Copies", { exact: true }), "3");
  await page.getByRole("button", { name: "Make 3 copies" }).click();
  const copies = ((await document(page)).items as { kind: string; y: number }[]).filter((i) => i.kind === "lettering").map((i) => i.y);
  expect(copies.map((y) => y - copies[0])).toEqual([0, 30, 60, 90]);
  await page.getByRole("button", { name: "Copy in place" }).click();
  const ys = ((await document(page)).items as { kind: string; y: number }[]).filter((i) => i.kind === "lettering").map((i) => i.y);
  expect(ys.at(-1)).toBe(ys.at(-2));
});

test("several items are scaled and turned as one", async ({ page }) => {
  await openPiece(page, "demo-mountain-railway-badge");
  await toBench(page);
  await page.keyboard.press("Control+A");
  const sizes = async () => ((await document(page)).items as { size: number }[]).map((i) => i.size);
  const before = await sizes();
  const grip = await gripAt(page, "scale-2");
  await drag(page, grip, { x: grip.x - 60, y: grip.y - 60 });
  const after = await sizes();
  const k = after[0] / before[0];
  expect(k).toBeLessThan(0.95);
  after.forEach((s, i) => expect(s / before[i]).toBeCloseTo(k, 6));
  await page.keyboard.press("Control+Z");
  await expect.poll(sizes).toEqual(before);
});

test("the board has common sizes, guides, a grid and steps, and moves are drawn to them", async ({ page }) => {
  await newPiece(page, "Grid");
  await fill(page.getByLabel("Size", { exact: true }), "100");
  await page.getByLabel("Common size").selectOption({ label: "A4" });
  await expect(page.getByLabel("Board width")).toHaveValue("210");
  await page.getByRole("button", { name: "Turn the board on its side" }).click();
  await expect(page.getByLabel("Board width")).toHaveValue("297");
  await page.getByRole("switch", { name: "Grid", exact: true }).click();
  await expect(page.locator("[data-grid]")).toBeVisible();
  await page.getByRole("button", { name: "Upright", exact: true }).click();
  await fill(page.getByLabel("Guide 1", { exact: true }), "100");
  await expect(page.locator("[data-guide]")).toHaveCount(1);
  const guide = await gripAt(page, "guide-0");
  await drag(page, guide, { x: guide.x + 50, y: guide.y });
  expect(Number(await page.getByLabel("Guide 1", { exact: true }).inputValue())).toBeGreaterThan(110);
  await page.getByRole("switch", { name: "Moves in steps" }).click();
  const from = await boardPoint(page, 0.5, 0.5);
  const before = ((await document(page)).items as { x: number }[])[0].x;
  await page.mouse.click(from.x, from.y);
  await drag(page, from, { x: from.x + 47, y: from.y });
  const moved = ((await document(page)).items as { x: number }[])[0].x - before;
  expect(Math.abs(moved % 10)).toBeLessThan(1e-6);
  expect(moved).toBeGreaterThan(0);
  await page.locator('[data-handle="guide-0"]').focus();
  await page.keyboard.press("Delete");
  await expect(page.locator("[data-guide]")).toHaveCount(0);
  await choose(page, "Align by", "The frame");
});

test("a photo comes in behind the words, is moved in its frame, and lies inside what is exported", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "Ridge");
  const picture = new PNG({ width: 60, height: 20 });
  picture.data.fill(200);
  await page.setInputFiles('input[aria-label="Photo file"]', { name: "ridge.png", mimeType: "image/png", buffer: PNG.sync.write(picture) });
  await expect(page.getByLabel("Name of the shape")).toHaveValue("ridge");
  const image = page.locator("[data-board] image");
  await expect(image).toHaveAttribute("href", /^\/api\/photos\/[0-9a-f]{32}$/);
  const [back, front] = (await document(page)).items;
  expect([back.kind, front.kind]).toEqual(["shape", "lettering"]);

  // Twice as high as the photo is: a part of it is cut off, and its place says which.
  await fill(page.getByLabel("Height", { exact: true }), "40");
  await toBench(page);
  await page.keyboard.press("3");
  const tile = page.locator("[data-board] pattern");
  const before = await tile.getAttribute("patternTransform");
  const grip = await gripAt(page, "photo-place");
  await drag(page, grip, { x: grip.x + 12, y: grip.y });
  await expect(tile).not.toHaveAttribute("patternTransform", before!);
  const dragged = await tile.getAttribute("patternTransform");
  await page.locator('[data-handle="photo-place"]').focus();
  await page.keyboard.press("Shift+ArrowLeft");
  await expect(tile).not.toHaveAttribute("patternTransform", dragged!);
  await page.keyboard.press("Control+z");
  await expect(tile).toHaveAttribute("patternTransform", dragged!);

  await toBench(page);
  await page.keyboard.press("4");
  const { bytes } = await downloaded(page, () => page.getByRole("button", { name: /piece inside/ }).click());
  expect(bytes.toString()).toContain('xlink:href="data:image/png;base64,');

  await page.setInputFiles('input[aria-label="Photo file"]', {
    name: "torn.png",
    mimeType: "image/png",
    buffer: Buffer.from("no picture"),
  });
  await expect(page.getByText("torn.png is no picture that Vextal reads.")).toBeVisible();

  // Where it is not here, a grey stands in and it is said; nothing is lost.
  await saved(page);
  await page.route("**/api/photos/*", (route) => route.fulfill({ status: 404 }));
  await page.reload();
  await expect(page.locator('[data-board] path[fill="#808080"]')).toBeAttached();
  await page.getByRole("button", { name: /^On the board/ }).click();
  await page.getByRole("button", { name: "Select ridge", exact: true }).click();
  await expect(page.getByText(/A photo of this item is not here/)).toBeVisible();
  await page.unroute("**/api/photos/*");
  await page.reload();
  await expect(image).toBeAttached();

  // Opened where the photo is not, the exported file brings it along.
  const href = (await image.getAttribute("href"))!;
  await page.route(`**${href}`, (route) => route.fulfill({ status: 404 }));
  await page.goto("/");
  await page.getByLabel("File to open").setInputFiles([{ name: "ridge.svg", mimeType: "image/svg+xml", buffer: bytes }]);
  await expect(image).toHaveAttribute("href", /^\/api\/photos\/[0-9a-f]{32}$/);
  expect(await image.getAttribute("href")).not.toBe(href);
  expect(faults).toEqual([]);
});

test.describe("the clipboard", () => {
  test.use({ permissions: ["clipboard-read", "clipboard-write"] });

  test("items are copied on the bench, pasted here and in another piece, and are an SVG for other programs", async ({ page }) => {
    await openCopy(page, "demo-night-ferry");
    const before = (await document(page)).items;
    const at = await boardPoint(page, 0.5, 0.4);
    await page.mouse.click(at.x, at.y);
    await page.keyboard.press("Control+c");
    const clip = () => page.evaluate(() => navigator.clipboard.readText());
    await expect.poll(clip).toMatch(/^<\?xml.*<svg/s);
    expect(await clip()).toContain("<path");
    await page.keyboard.press("Control+v");
    await page.keyboard.press("Control+v");
    await expect.poll(async () => (await document(page)).items.length).toBe(before.length + 2);
    const after = (await document(page)).items;
    const [one, two] = after.slice(-2);
    expect(one.styleId).toBe(two.styleId);
    expect([Number(two.x) - Number(one.x), Number(two.y) - Number(one.y)]).toEqual([20, 20]);
    await page.keyboard.press("Control+x");
    await expect.poll(async () => (await document(page)).items.length).toBe(before.length + 1);
    await page.keyboard.press("Control+z");
    await expect.poll(async () => (await document(page)).items.length).toBe(before.length + 2);

    await newPiece(page, "Other");
    await page.locator("[data-bench]").focus();
    await page.keyboard.press("Control+v");
    await expect.poll(async () => (await document(page)).items.length).toBe(2);
    const pasted = (await document(page)).items[1];
    expect([pasted.text, pasted.styleId]).toEqual([one.text, one.styleId]);
    // A coat is copied where its card has the focus, and what was copied last is what is pasted.
    await page.locator("[data-coat]").first().focus();
    const coats = await page.locator("[data-coat]").count();
    await page.keyboard.press("Control+c");
    await page.keyboard.press("Control+v");
    await expect(page.locator("[data-coat]")).toHaveCount(coats + 1);
  });

  test("words and drawings of other programs are pasted as what they are; fields keep their own", async ({ page }) => {
    await newPiece(page, "Tea");
    const put = (text: string) => page.evaluate((t) => navigator.clipboard.writeText(t), text);
    await put("Lantern\nLane");
    await page.locator("[data-bench]").focus();
    await page.keyboard.press("Control+v");
    await expect.poll(async () => (await document(page)).items.map((i) => i.text)).toEqual(["Tea", "Lantern\nLane"]);
    await put('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><path d="M0 0H10V10Z"/></svg>');
    await page.keyboard.press("Control+v");
    await expect.poll(async () => (await document(page)).items.map((i) => i.kind)).toEqual(["shape", "lettering", "lettering"]);
    await put("Room");
    await page.getByLabel("Name of the piece").focus();
    await page.keyboard.press("Control+a");
    await page.keyboard.press("Control+v");
    await expect(page.getByLabel("Name of the piece")).toHaveValue("Room");
    expect((await document(page)).items).toHaveLength(3);
  });
});

test("a text that is dropped on the bench becomes words", async ({ page }) => {
  await newPiece(page, "Tea");
  const drop = (name: string, text: string) =>
    page.locator("[data-bench]").evaluate(
      (bench, [n, t]) => {
        const data = new DataTransfer();
        data.items.add(new File([t], n, { type: "text/plain" }));
        bench.dispatchEvent(new DragEvent("drop", { dataTransfer: data, bubbles: true }));
      },
      [name, text],
    );
  await drop("menu.txt", "\ufeffBread\r\nand Butter\r\n");
  await expect.poll(async () => (await document(page)).items.map((i) => i.text)).toEqual(["Tea", "Bread\nand Butter"]);
  await drop("empty.txt", " ");
  await expect(page.getByText("“empty.txt” holds no words.")).toBeVisible();
});

test("the board is looked at with other eyes, which changes nothing of it", async ({ page }) => {
  const faults = noteFaults(page);
  await openPiece(page, "demo-night-ferry");
  const board = page.locator("[data-board]");
  await page.getByRole("button", { name: "Look at it with other eyes" }).click();
  await page.getByRole("menuitem", { name: /^Without greens/ }).click();
  await expect(board).toHaveAttribute("data-seen-as", "deutan");
  await expect(board).toHaveCSS("filter", 'url("#seen-as")');
  await expect(page.getByRole("button", { name: "Undo" })).toBeDisabled();
  await page.getByRole("button", { name: "Look at it with other eyes" }).click();
  await page.getByRole("menuitem", { name: /^As it is/ }).click();
  await expect(board).toHaveCSS("filter", "none");
  expect(faults).toEqual([]);
});
