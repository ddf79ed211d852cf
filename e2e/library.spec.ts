import { expect, test, type Page } from "@playwright/test";
import { readFile } from "node:fs/promises";
import { document, downloaded, drag, newPiece, noteFaults, openCopy, saved } from "./studio";

/** Drops files as a hand does, from outside the page. */
async function drop(page: Page, onto: string, files: readonly { name: string; type: string; bytes: Buffer }[]): Promise<void> {
  const data = await page.evaluateHandle(
    (all) => {
      const transfer = new DataTransfer();
      for (const { name, type, base64 } of all)
        transfer.items.add(new File([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))], name, { type }));
      return transfer;
    },
    files.map(({ name, type, bytes }) => ({ name, type, base64: bytes.toString("base64") })),
  );
  await page.dispatchEvent(onto, "drop", { dataTransfer: data });
}

interface Row {
  readonly photo: { readonly name: string };
  readonly place: { readonly x: number; readonly y: number };
}
const rows = async (page: Page): Promise<readonly Row[]> => {
  const [item] = (await document(page)).items as { ownStyle: { coats: { paint: { photos: Row[] } }[] } }[];
  return item.ownStyle.coats[0].paint.photos;
};

test("photos that are dropped on a word are dealt out to its letters, and each is moved inside its own", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "MOOR");
  const names = ["meadow-at-noon", "viaduct-at-dusk", "pines-in-fog"];
  const files = await Promise.all(
    names.map(async (name) => ({ name: `${name}.jpg`, type: "image/jpeg", bytes: await readFile(`demo/files/${name}.jpg`) })),
  );
  await drop(page, "[data-bench]", files);
  await expect(page.getByText(/3 photos were dealt out to the letters of “Letters”/)).toBeVisible();
  // The first again in the fourth letter: it is one picture, which is shown twice.
  await expect(page.locator("[data-board] image")).toHaveCount(4);
  expect((await rows(page)).map((r) => r.photo.name)).toEqual(files.map((f) => f.name));
  const before = await page.locator("[data-board] pattern").evaluateAll((all) => all.map((p) => p.outerHTML));
  const grip = (await page.locator('[data-handle="photos-photos"]').nth(3).boundingBox())!;
  const at = { x: grip.x + grip.width / 2, y: grip.y + grip.height / 2 };
  await drag(page, at, { x: at.x - 12, y: at.y + 9 });
  await expect.poll(async () => (await rows(page)).length).toBe(4);
  const [first, , , fourth] = await rows(page);
  expect(first.place).toEqual({ x: 0.5, y: 0.5 });
  expect(fourth.place.x).toBeGreaterThan(0.5);
  expect(fourth.place.y).toBeLessThan(0.5);
  const after = await page.locator("[data-board] pattern").evaluateAll((all) => all.map((p) => p.outerHTML));
  expect(after.slice(0, 3)).toEqual(before.slice(0, 3));
  expect(after[3]).not.toBe(before[3]);
  // In the drawer: the second comes before the first.
  await page.getByRole("radio", { name: /^Photo 2/ }).click();
  await page.getByRole("button", { name: "Earlier", exact: true }).last().click();
  await expect.poll(async () => (await rows(page))[0].photo.name).toBe("viaduct-at-dusk.jpg");
  expect(faults).toEqual([]);
});

test("styles are found by tags, told where they are used, and come and go as a library", async ({ page }) => {
  const faults = noteFaults(page);
  await page.goto("/");
  await page.getByRole("tab", { name: "styles" }).click();
  const list = page.getByRole("list", { name: "Styles" }).getByRole("listitem");
  await expect(list.first()).toBeVisible();
  await page.getByRole("group", { name: "Tags" }).getByRole("button", { name: "metal" }).click();
  await expect(list).toHaveCount(2);
  const { name, bytes } = await downloaded(page, () => page.getByRole("button", { name: "Save these 2 as a library" }).click());
  expect(name).toBe("metal.styles.json");
  const library = JSON.parse(bytes.toString());
  expect(library.styles.map((s: { name: string }) => s.name)).toEqual(["Brass Letters", "Brass Sheet"]);

  await page.getByRole("button", { name: "More for Brass Sheet" }).click();
  await page.getByRole("menuitem", { name: "Where it is used…" }).click();
  await expect(page.getByRole("dialog").getByRole("link", { name: "Station Hotel" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "More for Brass Sheet" }).click();
  await page.getByRole("menuitem", { name: "Tags…" }).click();
  await page.getByLabel("Tags", { exact: true }).last().fill("metal, Lobby");
  await page.getByRole("button", { name: "Keep the tags" }).click();
  await expect(page.getByText(/· lobby/)).toBeVisible();

  // Dropped again, what is there as it was stays alone, and what differs comes in beside it.
  await drop(page, "header", [{ name, type: "application/json", bytes }]);
  await expect(page.getByText(/The style “Brass Sheet \(from file\)” is on the shelf/)).toBeVisible();
  await expect(list).toHaveCount(3);
  // A kind that is not known here is kept, and stands in the file that is saved again.
  const [style] = library.styles;
  const later = { ...style, id: `later-${Date.now()}`, name: "Later", tags: ["later"] };
  later.coats[0] = { ...later.coats[0], form: [...later.coats[0].form, { id: "x", kind: "crumple", folds: 3 }] };
  await drop(page, "header", [{ name: "later.json", type: "application/json", bytes: Buffer.from(JSON.stringify(later)) }]);
  await page.getByRole("group", { name: "Tags" }).getByRole("button", { name: "later" }).click();
  await page.getByRole("button", { name: "More for Later" }).click();
  const saving = await downloaded(page, () => page.getByRole("menuitem", { name: "Save as a file" }).click());
  expect(JSON.parse(saving.bytes.toString()).coats[0].form.at(-1)).toMatchObject({ kind: "crumple", folds: 3 });
  expect(faults).toEqual([]);
});

test("a finish is copied to another coat, and one is moved past the other", async ({ page }) => {
  const faults = noteFaults(page);
  await openCopy(page, "demo-harbour-view");
  await page.keyboard.press("3");
  const coats = page.locator("[data-coat]");
  await coats.first().click();
  await page.getByRole("button", { name: "Copy soft shadow" }).click();
  await coats.last().click();
  await page.getByRole("switch", { name: "Outer glow" }).click();
  await page.getByRole("button", { name: "Paste: Soft shadow" }).click();
  await expect(page.getByRole("switch", { name: "Soft shadow", exact: true })).toBeChecked();
  const labels = () =>
    page
      .getByRole("region", { name: "Finish" })
      .getByRole("switch")
      .evaluateAll((all) => all.map((s) => s.getAttribute("aria-label")));
  const usual = await labels();
  await page.getByRole("button", { name: "Soft shadow: further front" }).click();
  await expect.poll(labels).not.toEqual(usual);
  await expect(page.getByRole("button", { name: "Soft shadow: further front" })).toBeDisabled();
  await saved(page);
  await page.getByRole("button", { name: "Undo" }).first().click();
  await expect.poll(labels).toEqual(usual);
  expect(faults).toEqual([]);
});

test("an end of inlines is closed by a click, and letters too thin for their lines are named, with what they carry", async ({ page }) => {
  const faults = noteFaults(page);
  await newPiece(page, "LINE");
  await page.getByRole("button", { name: /Coats/ }).first().click();
  await page.locator("[data-coat]").last().click();
  await page.getByRole("button", { name: "Add a form step" }).click();
  await page.getByRole("menuitem", { name: /^Inlines/ }).click();
  const ends = page.locator("[data-mark]");
  // Two of the L, the I and the N, three of the E.
  await expect(ends).toHaveCount(9);
  const closed = page.locator('[data-mark][aria-checked="true"]');
  await ends.first().click();
  await expect(closed).toHaveCount(1);
  await closed.first().press("Enter");
  await expect(closed).toHaveCount(0);
  await page.getByLabel("Weight", { exact: true }).fill("9");
  await page.getByLabel("Weight", { exact: true }).press("Enter");
  await expect(page.getByText(/^Too thin for 3 lines of this weight: /)).toBeVisible();
  await page.getByRole("button", { name: "Take 1 line" }).click();
  await expect(page.getByLabel("Lines", { exact: true })).toHaveValue("1");
  expect(faults).toEqual([]);
});

test("the look of a word is tried on every face, and what its insets would close is eased by one click", async ({ page }) => {
  const faults = noteFaults(page);
  await openCopy(page, "demo-tea-room-window");
  await page.keyboard.press("3");
  await page.locator("[data-coat]").last().click();
  await page.getByRole("button", { name: "Add a form step" }).click();
  await page.getByRole("menuitem", { name: /^Shrink/ }).click();
  const amount = page.getByLabel("Amount", { exact: true }).last();
  await amount.fill("2");
  await amount.press("Enter");
  await expect(page.locator("[data-strain-line]")).toContainText("-unit inset closes");
  await page.getByRole("button", { name: "Ease it" }).click();
  await expect(page.locator("[data-strain-line]")).toHaveCount(0);
  await expect(page.getByText(/% as deep here/)).toBeVisible();
  await page.keyboard.press("1");
  await page.getByRole("button", { name: "Face", exact: true }).click();
  await page.getByRole("switch", { name: "In its coats" }).click();
  const tried = page.locator("[data-tried]");
  await expect.poll(() => tried.count(), { timeout: 30_000 }).toBeGreaterThan(3);
  const second = page.getByRole("option").filter({ has: tried }).nth(1);
  const face = (await second.getAttribute("id"))!.replace(/^.*?-(?=[a-z])/, "");
  await second.click();
  await expect
    .poll(async () => ((await document(page)).items as { face?: string }[]).some((i) => i.face && face.endsWith(i.face)))
    .toBe(true);
  expect(faults).toEqual([]);
});
