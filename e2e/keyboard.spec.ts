import { expect, test, type Page } from "@playwright/test";
import { boardPoint, coatNames, document, downloaded, newPiece, noteFaults, openCopy, saved } from "./studio";

/** Goes on with Tab until the control of that name has the focus, as one who uses no mouse does. */
async function tabTo(page: Page, name: string | RegExp, key = "Tab"): Promise<void> {
  for (let i = 0; i < 150; i++) {
    const label = await page.evaluate(() => {
      const e = window.document.activeElement as HTMLElement | null;
      return e?.getAttribute("aria-label") || (e as HTMLInputElement | null)?.labels?.[0]?.textContent || e?.textContent || "";
    });
    if (typeof name === "string" ? label.trim() === name : name.test(label)) return;
    await page.keyboard.press(key);
  }
  throw new Error(`Tab does not reach ${name}`);
}

test("the whole job by keyboard alone: a word, a coat, a style, an export", async ({ page }) => {
  const faults = noteFaults(page);
  await page.goto("/");
  await expect(page.getByRole("link", { name: /Open/ }).first()).toBeVisible();
  await tabTo(page, "New piece");
  await page.keyboard.press("Enter");

  // The new lettering waits to be typed.
  await expect(page.locator("[data-caret]")).toBeAttached();
  await page.keyboard.type("Sleeper");
  await expect(page.getByLabel("Text", { exact: true })).toHaveValue("Sleeper");
  await page.keyboard.press("Escape");
  await page.keyboard.press("Shift+ArrowRight");
  await expect(page.getByRole("button", { name: "Undo" })).toBeEnabled();

  await page.keyboard.press("3");
  await tabTo(page, "Add a coat");
  await page.keyboard.press("Enter");
  await tabTo(page, "Blank");
  await page.keyboard.press("Enter");
  await expect.poll(() => coatNames(page)).toEqual(["Letters", "Coat 2"]);
  await tabTo(page, "Add a form step", "Shift+Tab");
  await page.keyboard.press("Enter");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Amount", { exact: true })).toBeVisible();
  await tabTo(page, /^Coat 2 of 2/);
  await page.keyboard.press("Alt+ArrowLeft");
  await expect.poll(() => coatNames(page)).toEqual(["Coat 2", "Letters"]);

  await tabTo(page, "Save as a style…", "Shift+Tab");
  await page.keyboard.press("Enter");
  await page.keyboard.type("Sleeper Look");
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Choose a style")).toContainText("Sleeper Look");
  await saved(page);

  await page.keyboard.press("Escape");
  await page.evaluate(() => (window.document.activeElement as HTMLElement).blur());
  await page.keyboard.press("4");
  await tabTo(page, "Plain SVG");
  const svg = await downloaded(page, () => page.keyboard.press("Enter"));
  expect(svg.bytes.toString()).toContain("<path");
  expect(faults).toEqual([]);
});

test("letterings are reached, doubled, ordered and deleted by keys, and the focus is always seen", async ({ page }) => {
  await openCopy(page, "demo-tea-room-window");
  await page.getByRole("application", { name: "Bench" }).focus();
  const text = page.getByLabel("Text", { exact: true });
  await expect(text).toHaveValue("Tea Room");
  await page.keyboard.press("Shift+Tab");
  await expect(text).toHaveValue("The Old Engine Shed");
  await page.keyboard.press("Tab");
  await expect(text).toHaveValue("Tea Room");
  const items = () =>
    page.locator("[data-board] svg").evaluateAll((all) => new Set(all.map((s) => (s as HTMLElement).dataset.layer!.slice(2, 6))).size);
  await page.keyboard.press("Control+D");
  await expect.poll(items).toBe(3);
  await page.keyboard.press("Delete");
  await expect.poll(items).toBe(2);
  await page.keyboard.press("Control+Z");
  await expect.poll(items).toBe(3);

  for (let i = 0; i < 12; i++) {
    await page.keyboard.press("Tab");
    const outline = await page.evaluate(() => {
      const s = getComputedStyle(window.document.activeElement!);
      const around = getComputedStyle(window.document.activeElement!.parentElement!);
      return s.outlineStyle !== "none" || s.borderColor !== around.borderColor || around.borderStyle !== "none";
    });
    expect(outline).toBe(true);
  }
});

test("a large picture says that it is being drawn, and can be stopped", async ({ page }) => {
  await openCopy(page, "demo-brindlemoor-station");
  await page.keyboard.press("4");
  await page.getByRole("radiogroup", { name: "Size by" }).getByRole("radio", { name: "Width" }).click();
  await page.getByLabel("Picture width").fill("12000");
  await page.getByLabel("Picture width").press("Enter");
  await expect(page.getByText("12,000 × 5,000 pixels")).toBeVisible();
  await page.getByRole("button", { name: "PNG picture" }).click();
  await page.getByRole("button", { name: "Writing the file… Stop" }).click();
  await expect(page.getByRole("button", { name: "PNG picture" })).toBeEnabled();
  await expect(page.locator("[data-sonner-toast]")).toHaveCount(0);
});

test("a style that is deleted leaves its letters painted", async ({ page }) => {
  await openCopy(page, "demo-snowline-lift");
  const pieceUrl = page.url();
  const piece = (await (await page.request.get(`/api/pieces/${pieceUrl.split("/").pop()}`)).json()).document;
  const before = await page.locator("[data-board] svg path").count();
  await page.goto("/");
  expect((await page.request.delete(`/api/styles/${piece.items[0].styleId}`)).status()).toBe(204);
  await page.goto(pieceUrl);
  await expect(page.locator("[data-board] svg path")).toHaveCount(before);
});

test("words are added from the menu and a path is drawn, by keyboard alone", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "Summit");
  const add = async (times: number) => {
    await page.getByRole("button", { name: "Add", exact: true }).focus();
    await page.keyboard.press("Enter");
    for (let i = 0; i < times; i++) await page.keyboard.press("ArrowDown");
    await page.keyboard.press("Enter");
  };
  await add(0);
  // The new words are typed at once, and stand clear of those that are there.
  await expect(page.locator("[data-caret]")).toBeAttached();
  await page.keyboard.type("halt");
  await expect(page.getByLabel("Text", { exact: true })).toHaveValue("halt");
  await page.keyboard.press("Escape");
  const [first, second] = (await document(page)).items as { y: number }[];
  expect(second.y).toBeGreaterThan(first.y + 100);

  await page.keyboard.press("p");
  await expect(page.locator("[data-draw]")).toBeFocused();
  const press = async (...keys: string[]) => {
    for (const key of keys) await page.keyboard.press(key);
  };
  await press(
    "Shift+ArrowLeft",
    "Space",
    "Shift+ArrowUp",
    "ArrowRight",
    "Space",
    "Alt+ArrowRight",
    "Alt+Shift+ArrowRight",
    "Shift+ArrowDown",
    "Shift+ArrowRight",
    "Space",
  );
  await press("Shift+ArrowRight", "Space", "Backspace", "Enter");
  await expect(page.getByLabel("Name of the shape")).toHaveValue("Line");
  const drawn = (await document(page)).items.find((i) => i.kind === "shape") as {
    x: number;
    y: number;
    width: number;
    height: number;
    size: number;
    shape: { strands: { closed: boolean; nodes: { smooth: boolean }[] }[] };
  };
  expect(drawn.shape.strands.map((s) => s.closed)).toEqual([false]);
  // The node taken out with Backspace is gone; the handles of the second were drawn out.
  expect(drawn.shape.strands[0].nodes.map((n) => n.smooth)).toEqual([false, true, false]);
  // An arrow is 5 pixels, with Shift 50: from 50 left of the middle 5 right and 50 up, then 50 right and 50 down.
  expect((drawn.width * drawn.size) / 1000).toBeCloseTo(55, 6);
  expect((drawn.height * drawn.size) / 1000).toBeCloseTo(50, 6);
  await page.keyboard.press("Control+z");
  expect((await document(page)).items).toHaveLength(2);

  await page.locator("[data-bench]").focus();
  await press("p", "Space", "Shift+ArrowUp", "Space", "Shift+ArrowRight", "Space", "Shift+Enter");
  await expect(page.getByLabel("Name of the shape")).toHaveValue("Free path");
  expect(faults).toEqual([]);
});

test("words typed right after “New piece” and after N are all there, and none of them is taken for a key", async ({ page }) => {
  await page.goto("/");
  const fresh = page.getByRole("button", { name: "New piece" });
  await expect(fresh).toBeEnabled();
  // The server and the face take their time, and a hand does not wait.
  await page.route("**/api/pieces/*", async (route) => {
    await new Promise((r) => setTimeout(r, 700));
    await route.continue();
  });
  await fresh.click();
  await page.keyboard.type("Lantern 1234");
  await expect(page.getByLabel("Text", { exact: true })).toHaveValue("Lantern 1234");
  await page.keyboard.type(" hp");
  await expect(page.getByLabel("Text", { exact: true })).toHaveValue("Lantern 1234 hp");
  await expect(page.getByRole("button", { name: "1 Words" })).toHaveAttribute("aria-current", "step");
  await page.keyboard.press("Escape");
  await page.keyboard.press("n");
  await page.keyboard.type("Lane");
  await expect(page.getByLabel("Text", { exact: true })).toHaveValue("Lane");
  expect((await document(page)).items).toHaveLength(2);
});

test("Delete pressed again and again in the strip takes coats, and never the word", async ({ page }) => {
  await openCopy(page, "demo-night-ferry");
  const before = (await document(page)).items.length;
  const count = (await coatNames(page)).length;
  await page.locator("[data-coat]").first().click();
  for (let left = count - 1; left >= 0; left--) {
    await page.keyboard.press("Delete");
    await expect(page.locator("[data-coat]")).toHaveCount(left);
  }
  await page.keyboard.press("Delete");
  await page.keyboard.press("Delete");
  expect((await document(page)).items).toHaveLength(before);
  await page.keyboard.press("Control+z");
  await expect(page.locator("[data-coat]")).toHaveCount(1);
  // A hand that is faster than the screen: all presses come before a frame is drawn.
  await page.keyboard.press("Control+z");
  await expect(page.locator("[data-coat]")).toHaveCount(2);
  await page.locator("[data-coat]").first().click();
  await page.evaluate(() => {
    for (let i = 0; i < 4; i++)
      window.document.activeElement!.dispatchEvent(
        new KeyboardEvent("keydown", { key: "Delete", code: "Delete", bubbles: true, cancelable: true }),
      );
  });
  await expect(page.locator("[data-coat]")).toHaveCount(0);
  expect((await document(page)).items).toHaveLength(before);
});

test("Escape takes back a drag of an item or a slider, which leaves no step behind; nothing of it is saved while the hand holds it", async ({
  page,
}) => {
  await openCopy(page, "demo-night-ferry");
  const place = async () => (await document(page)).items.map((i) => [i.x, i.y]);
  const before = await place();
  const [x, y] = [640, 360];
  const from = await boardPoint(page, 0.5, 0.4);
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  for (let i = 1; i < 6; i++) await page.mouse.move(from.x + 12 * i, from.y + 8 * i);
  await expect(page.getByRole("button", { name: "Undo", exact: true })).toBeEnabled();
  // Longer than a change waits to be saved.
  await page.waitForTimeout(800);
  const id = new URL(page.url()).pathname.split("/").pop();
  const stored = async () =>
    (await (await page.request.get(`/api/pieces/${id}`)).json()).document.items.map((i: { x: number; y: number }) => [i.x, i.y]);
  expect(await stored()).toEqual(before);
  await page.keyboard.press("Escape");
  await page.mouse.move(x, y);
  await page.mouse.up();
  expect(await place()).toEqual(before);
  await expect(page.getByRole("button", { name: "Undo", exact: true })).toBeDisabled();
  await page.keyboard.press("3");
  const slider = page.getByRole("slider", { name: "Opacity slider" });
  const value = await slider.getAttribute("aria-valuenow");
  await slider.scrollIntoViewIfNeeded();
  const box = (await slider.boundingBox())!;
  // Away from the end where it is.
  const way = Number(value) >= Number(await slider.getAttribute("aria-valuemax")) ? -40 : 40;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + way, box.y + 5, { steps: 4 });
  await expect(slider).not.toHaveAttribute("aria-valuenow", value!);
  await page.keyboard.press("Escape");
  await expect(slider).toHaveAttribute("aria-valuenow", value!);
  await page.mouse.move(box.x + 1.5 * way, box.y + 5);
  await page.mouse.up();
  await expect(slider).toHaveAttribute("aria-valuenow", value!);
});

test("closing the tab in the middle of a drag leaves what was before it", async ({ page }) => {
  await openCopy(page, "demo-night-ferry");
  const address = page.url();
  const before = (await document(page)).items.map((i) => [i.x, i.y]);
  const from = await boardPoint(page, 0.5, 0.4);
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  for (let i = 1; i < 6; i++) await page.mouse.move(from.x + 12 * i, from.y + 8 * i);
  await expect(page.getByRole("button", { name: "Undo", exact: true })).toBeEnabled();
  await page.goto("about:blank");
  const id = new URL(address).pathname.split("/").pop();
  const stored = (await (await page.request.get(new URL(`/api/pieces/${id}`, address).href)).json()).document;
  expect(stored.items.map((i: { x: number; y: number }) => [i.x, i.y])).toEqual(before);
});
