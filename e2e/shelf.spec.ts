import { expect, test } from "@playwright/test";
import { noteFaults, openCopy, openPiece, saved } from "./studio";

test("the shelf shows live pictures; pieces are found, renamed, doubled, deleted and brought back", async ({ page }) => {
  const faults = noteFaults(page);
  await page.goto("/");
  const cards = page.getByRole("list", { name: "Pieces" }).getByRole("listitem");
  await expect(cards.filter({ hasText: "Snowline Lift" })).toBeVisible();
  const picture = cards.filter({ hasText: "Snowline Lift" }).locator("img");
  await expect.poll(() => picture.evaluate((i: HTMLImageElement) => i.complete && i.naturalWidth > 0)).toBe(true);

  await page.getByLabel("Search the shelf").fill("snow");
  await expect(cards).toHaveCount(1);
  const menu = async (name: string, item: string) => {
    await page.getByRole("button", { name: `More for ${name}`, exact: true }).click();
    await page.getByRole("menuitem", { name: item }).click();
  };
  await menu("Snowline Lift", "Duplicate");
  await expect(cards).toHaveCount(2);
  await menu("Snowline Lift copy", "Rename…");
  await page.getByLabel("Name", { exact: true }).fill("Snowplough");
  await page.getByRole("button", { name: "Rename" }).click();
  await expect(cards.filter({ hasText: "Snowplough" })).toBeVisible();
  await menu("Snowplough", "Delete");
  await expect(cards).toHaveCount(1);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(cards.filter({ hasText: "Snowplough" })).toBeVisible();
  await page.getByLabel("Search the shelf").fill("zeppelin");
  await expect(page.getByText("Nothing here is called “zeppelin”.")).toBeVisible();
  expect(faults).toEqual([]);
});

test("what was chosen in evening light is drawn in it again, and nothing is drawn twice", async ({ page }) => {
  const faults = noteFaults(page);
  await page.goto("/");
  await page.getByRole("button", { name: "Evening light" }).click();
  await expect(page.getByRole("button", { name: "Daylight" })).toBeVisible();
  for (let i = 0; i < 2; i++) {
    await page.reload();
    await expect(page.getByRole("button", { name: "Daylight" })).toBeEnabled();
    await expect(page.locator("html")).toHaveClass(/dark/);
  }
  // A page that is not what the server sent (React error 418) says so in the console.
  expect(faults).toEqual([]);
});

/** Kilobytes of JavaScript as they are sent, until something is seen. */
const budgets = [
  { what: "the shelf", at: "/", seen: "ul[aria-label=Pieces] img", most: 250 },
  { what: "a piece on the bench", at: "/pieces/demo-night-ferry", seen: "[data-bench]", most: 530 },
];
for (const { what, at, seen, most } of budgets)
  test(`${what} is seen after ${most} kilobytes of programs`, async ({ page }) => {
    const devtools = await page.context().newCDPSession(page);
    await devtools.send("Network.enable");
    const scripts = new Set<string>();
    let bytes = 0;
    devtools.on("Network.responseReceived", (e) => void (/\.js(\?|$)/.test(e.response.url) && scripts.add(e.requestId)));
    devtools.on("Network.loadingFinished", (e) => void (scripts.has(e.requestId) && (bytes += e.encodedDataLength)));
    await page.goto(at);
    await page.locator(seen).first().waitFor({ state: "attached" });
    expect(bytes).toBeGreaterThan(50_000);
    expect(bytes / 1000).toBeLessThan(most);
  });

test("a tab shows a ring to who comes by keys, and none to who presses it", async ({ page }) => {
  await page.goto("/");
  const tab = (name: string) => page.getByRole("tab", { name });
  const ring = (name: string) => tab(name).evaluate((t) => getComputedStyle(t).outlineStyle);
  await tab("styles").click();
  await expect(page.getByRole("list", { name: "Styles" }).getByRole("listitem").first()).toBeVisible();
  expect(await ring("styles")).toBe("none");
  await page.keyboard.press("ArrowLeft");
  await expect(tab("pieces")).toBeFocused();
  expect(await ring("pieces")).toBe("solid");
});

test("a style lies on the shelf, is saved as a file and letters a word", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("tab", { name: "styles" }).click();
  await expect(page.getByRole("list", { name: "Styles" }).getByRole("listitem").first()).toBeVisible();
  await page.getByRole("button", { name: "Letter a word in Orchard" }).click();
  await expect(page.getByLabel("Name of the piece")).toHaveValue("Brindlemoor");
  // Called by its words until it is given a name.
  await page.getByLabel("Text", { exact: true }).fill("Cider\nPress");
  await expect(page.getByLabel("Name of the piece")).toHaveValue("Cider Press");
  await page.getByLabel("Name of the piece").fill("Label for Tom");
  await page.getByLabel("Text", { exact: true }).fill("Perry");
  await expect(page.getByLabel("Name of the piece")).toHaveValue("Label for Tom");
  await expect(page.locator('[data-coat="Apple"]')).toBeVisible();
});

test("files that are none of ours, newer or torn get a message, and change nothing", async ({ page }) => {
  await page.goto("/");
  const before = await page.request.get("/api/pieces").then((r) => r.json());
  const give = (name: string, text: string) =>
    page.getByLabel("File to open").setInputFiles({ name, mimeType: "application/json", buffer: Buffer.from(text) });
  await give("notes.json", "Dear Sir");
  await expect(page.getByText(/neither a piece, a style/)).toBeVisible();
  await give("new.json", JSON.stringify({ format: "vextal.style", version: 9 }));
  await expect(page.getByText(/made with a newer Vextal/)).toBeVisible();
  await give("other.svg", "<svg xmlns='http://www.w3.org/2000/svg'/>");
  await expect(page.getByText(/carries no piece inside/)).toBeVisible();
  expect(await page.request.get("/api/pieces").then((r) => r.json())).toEqual(before);
});

test("work is saved as it is done, without being asked for: a reload right after finds it", async ({ page }) => {
  await openPiece(page, "demo-brindlemoor-station");
  const stored = page.waitForResponse((r) => r.request().method() === "PUT" && r.ok());
  await page.getByLabel("Text", { exact: true }).fill("1,205 m above the sea");
  await stored;
  await page.reload();
  await expect(page.getByLabel("Text", { exact: true })).toHaveValue("1,205 m above the sea");
});

test("two tabs on one piece do not overwrite each other silently", async ({ page, context }) => {
  await openPiece(page, "demo-apple-fair");
  const other = await context.newPage();
  await openPiece(other, "demo-apple-fair");
  await page.getByLabel("Text", { exact: true }).fill("FIRST");
  await saved(page);
  await other.getByLabel("Text", { exact: true }).fill("SECOND");
  await expect(other.getByRole("alertdialog")).toContainText("changed elsewhere");
  await expect(other.locator("[data-save]")).toHaveAttribute("data-save", "conflict");
  const stored = async () => (await (await page.request.get("/api/pieces/demo-apple-fair")).json()).document.items.at(-1).text;
  expect(await stored()).toBe("FIRST");
  await other.getByRole("button", { name: "Keep mine as a copy" }).click();
  await expect(other.getByLabel("Name of the piece")).toHaveValue("Apple Fair (this tab)");
  await expect(other.getByLabel("Text", { exact: true })).toHaveValue("SECOND");
  expect(await stored()).toBe("FIRST");
});

test("“not saved” is said while the server is away, and goes when it is back", async ({ page }) => {
  await openPiece(page, "demo-snowline-lift");
  await page.route("**/api/pieces/*", (route) => (route.request().method() === "PUT" ? route.abort() : route.continue()));
  await page.getByLabel("Text", { exact: true }).fill("Chairs");
  await expect(page.locator("[data-save]")).toHaveAttribute("data-save", "unsaved");
  await page.unroute("**/api/pieces/*");
  await expect(page.locator("[data-save]")).toHaveAttribute("data-save", "saved", { timeout: 10_000 });
});

test("a stage that does not arrive says so, and costs nothing of the work", async ({ page }) => {
  const faults = noteFaults(page);
  // What the page needs first comes, what comes after it does not.
  let seen = false;
  await page.route("**/_next/static/chunks/*.js", (route) => (seen ? route.abort() : route.continue()));
  page.on("response", (r) => void (seen ||= r.url().includes("/api/styles/")));
  await page.goto("/pieces/demo-snowline-lift");
  await expect(page.locator("[data-bench]")).toBeVisible();
  await page
    .getByRole("button", { name: /Export/ })
    .first()
    .click();
  await expect(page.getByRole("complementary").getByText(/did not arrive/)).toBeVisible();
  await page.getByRole("button", { name: /Words/ }).first().click();
  await expect(page.getByLabel("Text", { exact: true })).toBeVisible();
  expect(faults.filter((f) => !/ChunkLoadError|Failed to load/.test(f))).toEqual([]);
});

test("a piece that is not there says so and leads back", async ({ page }) => {
  await page.goto("/pieces/nowhere");
  await expect(page.getByText("This is not on the shelf.")).toBeVisible();
  await page.getByRole("link", { name: "To the shelf" }).click();
  await expect(page.getByRole("tab", { name: "pieces" })).toBeVisible();
});

test("a style changed in two tabs: keeping mine as a copy loses neither version", async ({ page, context }) => {
  await openCopy(page, "demo-radio-brindlemoor");
  const other = await context.newPage();
  await openPiece(other, page.url().split("/").pop()!);
  const recolour = async (tab: typeof page, colour: string) => {
    await tab.getByRole("button", { name: /Coats/ }).first().click();
    await tab.getByRole("button", { name: /Ink Bone/ }).click();
    await tab.getByLabel("Ink Bone: colour value").fill(colour);
    await tab.getByLabel("Ink Bone: colour value").press("Enter");
    await tab.keyboard.press("Escape");
  };
  const painted = (tab: typeof page, colour: string) => tab.locator(`[data-board] svg path[fill="${colour}"]`);
  await recolour(page, "#111111");
  await saved(page);
  await recolour(other, "#222222");
  await expect(other.getByRole("alertdialog")).toContainText("This style was changed elsewhere");
  await other.getByRole("button", { name: "Keep mine as a copy" }).click();
  await expect(other.getByLabel("Name of the piece")).toHaveValue(/\(this tab\)$/);
  await expect(painted(other, "#222222")).toHaveCount(20);
  await page.reload();
  await expect(painted(page, "#111111")).toHaveCount(20);
});

const answers = [
  { answer: "Take theirs", mine: false },
  { answer: "Keep mine as a copy", mine: true },
  { answer: "Overwrite with mine", mine: true },
] as const;
for (const { answer, mine } of answers)
  test(`a style that was deleted in another tab takes no look with it: ${answer}`, async ({ page, context }) => {
    await openCopy(page, "demo-brindlemoor-station");
    const text = page.getByLabel("Text", { exact: true });
    const colours = async () =>
      [...new Set(await page.locator("[data-board] svg path").evaluateAll((all) => all.map((p) => p.getAttribute("fill"))))].sort();
    const words = mine ? "Summit" : await text.inputValue();
    const seen = await colours();
    const id = page.url().split("/").pop()!;
    const { items } = (await (await page.request.get(`/api/pieces/${id}`)).json()).document;
    const other = await context.newPage();
    await other.goto("/");
    for (const styleId of new Set(items.map((i: { styleId: string | null }) => i.styleId)))
      if (styleId) expect((await other.request.delete(`/api/styles/${styleId}`)).ok()).toBe(true);
    await text.fill("Summit");
    await expect(page.getByRole("alertdialog")).toContainText("changed elsewhere");
    await page.getByRole("button", { name: answer }).click();
    await expect(page.getByRole("alertdialog")).toBeHidden();
    if (answer === "Keep mine as a copy") await expect(page.getByLabel("Name of the piece")).toHaveValue(/\(this tab\)$/);
    await saved(page);
    await expect(text).toHaveValue(words);
    await expect.poll(colours).toEqual(seen);
    await page.reload();
    await expect(text).toHaveValue(words);
    await expect.poll(colours).toEqual(seen);
    await expect(page.locator("[data-coat]").first()).toBeVisible();
  });

test("no click is lost while the page is not alive yet", async ({ page, browser }) => {
  const still = await browser.newPage({ javaScriptEnabled: false });
  await still.goto(new URL("/", test.info().project.use.baseURL).href);
  await expect(still.getByRole("button", { name: "New piece" })).toBeDisabled();
  await still.close();
  await page.goto("/");
  await expect(page.getByRole("button", { name: "New piece" })).toBeEnabled();
});

test("the last change to a piece of over 64 kB is there when its page was closed at once", async ({ page }) => {
  const id = `large-${Date.now().toString(36)}`;
  const piece = (await (await page.request.get("/api/pieces/demo-night-ferry")).json()).document;
  // Hidden, so that only their words weigh.
  const items = Array.from({ length: 60 }, (_, i) => ({ ...piece.items[0], id: `i${i}`, text: "tea room ".repeat(200), hidden: true }));
  await page.request.post("/api/pieces", { data: { ...piece, id, name: "Large", items: [...items, { ...piece.items[0], id: "last" }] } });
  await openPiece(page, id);
  page.on("dialog", (d) => void d.accept());
  await page.getByLabel("Name of the piece").fill("Larger");
  await page.goto("about:blank");
  await page.goto(`/pieces/${id}`);
  await expect(page.getByLabel("Name of the piece")).toHaveValue("Larger");
  expect((await (await page.request.get(`/api/pieces/${id}`)).json()).document.name).toBe("Larger");
});

test("a file that would hold the program leaves the shelf alive", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByRole("button", { name: "New piece" })).toBeEnabled();
  const svg = `<svg xmlns="http://www.w3.org/2000/svg">${"<g>".repeat(20_000)}${"</g>".repeat(20_000)}</svg>`;
  await page.getByLabel("File to open").setInputFiles({ name: "deep.svg", mimeType: "image/svg+xml", buffer: Buffer.from(svg) });
  await expect(page.getByText("This SVG nests its parts over 200 deep.")).toBeVisible();
});
