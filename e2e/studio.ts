import { expect, type Download, type Locator, type Page } from "@playwright/test";
import { readFile } from "node:fs/promises";

/** What a person does in Vextal, for the tests. */

/** Every message of the console that a user should not cause. */
export function noteFaults(page: Page): string[] {
  const faults: string[] = [];
  // An observer that is told in the next frame is no fault (CSSWG, Resize Observer, 3.4.7: deliver resize loop error).
  page.on("pageerror", (e) => /^ResizeObserver loop/.test(e.message) || faults.push(e.message));
  page.on("console", (m) => {
    if (m.type() === "error" && !/Failed to load resource/.test(m.text())) faults.push(m.text());
  });
  return faults;
}

export async function openPiece(page: Page, id: string): Promise<void> {
  await page.goto(`/pieces/${id}`);
  await expect(page.locator("[data-board]")).toBeVisible();
  await expect(page.locator("[data-board] svg path").first()).toBeAttached();
}

/** Opens a copy of a demo piece with copies of its styles, so that no test sees another one's changes. */
export async function openCopy(page: Page, id: string): Promise<void> {
  const read = async (shelf: string, key: string) => (await (await page.request.get(`/api/${shelf}/${key}`)).json()).document;
  const piece = await read("pieces", id);
  const mark = `t${Date.now().toString(36)}`;
  for (const styleId of new Set<string>(piece.items.map((i: { styleId: string }) => i.styleId)))
    await page.request.post("/api/styles", { data: { ...(await read("styles", styleId)), id: `${styleId}-${mark}` } });
  const items = piece.items.map((i: { styleId: string }) => ({ ...i, styleId: `${i.styleId}-${mark}` }));
  await page.request.post("/api/pieces", { data: { ...piece, id: `copy-${mark}`, name: `Copy ${mark}`, items } });
  await openPiece(page, `copy-${mark}`);
}

/** A new piece from the shelf, with its one empty lettering selected. */
export async function newPiece(page: Page, text: string): Promise<void> {
  await page.goto("/");
  await page.getByRole("button", { name: "New piece" }).click();
  await expect(page.locator("[data-board]")).toBeVisible();
  await page.getByLabel("Text", { exact: true }).fill(text);
  // Nobody clicks between letters before they are there.
  if (text.trim()) await expect(page.locator("[data-board] svg path[d^=M]").first()).toBeAttached();
}

export const saved = (page: Page) => expect(page.locator("[data-save]")).toHaveAttribute("data-save", "saved");

/** The paths that the bench draws for a layer, by coat name through the strip's order. */
export const boardPaths = (page: Page): Promise<string[]> =>
  page.locator("[data-board] svg path").evaluateAll((all) => all.map((p) => p.getAttribute("d") ?? ""));

export const coatNames = (page: Page): Promise<string[]> =>
  page.locator("[data-coat]").evaluateAll((all) => all.map((c) => c.getAttribute("data-coat") ?? ""));

/** Adds a coat from the sheet of starting coats: a blank one, unless another is named. @param group where it is in another group */
export async function addCoat(page: Page, name = "Blank", group?: string): Promise<void> {
  await page.getByRole("button", { name: "Add a coat", exact: true }).click();
  const sheet = page.getByRole("dialog", { name: "Starting coats" });
  if (group) await sheet.getByRole("tab", { name: group }).click();
  await sheet.getByRole("button", { name, exact: true }).click();
  await expect(sheet).toBeHidden();
}

export async function fill(field: Locator, value: string): Promise<void> {
  await field.fill(value);
  await field.press("Enter");
}

export async function downloaded(page: Page, act: () => Promise<void>): Promise<{ name: string; bytes: Buffer }> {
  const [download] = await Promise.all([page.waitForEvent("download") as Promise<Download>, act()]);
  return { name: download.suggestedFilename(), bytes: await readFile(await download.path()) };
}

/** Where a point of the board lies on the screen. */
export async function boardPoint(page: Page, x: number, y: number): Promise<{ x: number; y: number }> {
  const box = (await page.locator("[data-board]").boundingBox())!;
  return { x: box.x + box.width * x, y: box.y + box.height * y };
}

/** Drags from one place of the screen to another, in steps as a hand does. */
export async function drag(page: Page, from: { x: number; y: number }, to: { x: number; y: number }, steps = 6): Promise<void> {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  for (let i = 1; i <= steps; i++) await page.mouse.move(from.x + ((to.x - from.x) * i) / steps, from.y + ((to.y - from.y) * i) / steps);
  await page.mouse.up();
}

/** The middle of a handle on the bench. */
export async function gripAt(page: Page, name: string): Promise<{ x: number; y: number }> {
  const box = (await page.locator(`[data-handle="${name}"]`).boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

export const choose = (page: Page, group: string, option: string): Promise<void> =>
  page.getByRole("radiogroup", { name: group, exact: true }).getByRole("radio", { name: option, exact: true }).click();

export const openFold = async (page: Page, title: string | RegExp): Promise<void> => {
  const fold = page.getByRole("button", { name: title });
  if ((await fold.getAttribute("aria-expanded")) === "false") await fold.click();
};

/** The document as it is saved, once it is. */
export async function document(page: Page): Promise<{ items: Record<string, unknown>[]; board: Record<string, unknown> }> {
  await saved(page);
  const id = new URL(page.url()).pathname.split("/").pop();
  return (await (await page.request.get(`/api/pieces/${id}`)).json()).document;
}

/** Paths of the plain SVG that is exported now. */
export async function exportedPaths(page: Page): Promise<string[]> {
  await page.keyboard.press("4");
  const { bytes } = await downloaded(page, () => page.getByRole("button", { name: "Plain SVG" }).click());
  return [...bytes.toString().matchAll(/<path d="([^"]+)"/g)].map((m) => m[1]);
}
