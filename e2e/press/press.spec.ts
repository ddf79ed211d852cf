import { expect, test } from "@playwright/test";
import { noteFaults, openPiece } from "../studio";
import { pressAll } from "./in-page";
import { allPressed } from "./pieces";

/**
 * Every control of every kind's drawer, of its bench and its strip, pressed again and again: nothing may be lost, and the console stays
 * still. `npm run press` presses each twice, with all menus and sheets, in both lights; the daily run takes a few kinds.
 */
/** `kinds` leaves out what the menus and sheets hold. */
const asked = process.env.VEXTAL_PRESS;
const whole = asked === "all" || asked === "kinds";
const lights = ["light", "dark"] as const;
const few = ["paint gradient", "form solid", "form rim", "finish relief", "guide ring", "shape star", "an envelope"];

/** Menus and sheets that are the same for every kind are pressed in one of them. */
const known: Record<string, string[]> = { light: [], dark: [] };
const counts = { rounds: 0, controls: 0, presses: 0, faults: 0 };

const pressed = allPressed()
  .filter((of) => whole || few.includes(of.name))
  .flatMap((of, i) => (whole ? lights : [lights[i % 2]]).map((light) => ({ of, light })));

test("the few that are pressed daily are kinds that there are", () => {
  expect(allPressed().map((p) => p.name)).toEqual(expect.arrayContaining(few));
});

for (const { of, light } of pressed)
  test(`nothing is lost by pressing: ${of.name}, ${light}`, async ({ page }) => {
    test.setTimeout(1_200_000);
    const faults = noteFaults(page);
    await page.addInitScript((theme) => localStorage.setItem("theme", theme), light);
    const id = `${of.piece.id}-${light}`;
    await page.request.post("/api/pieces", { data: { ...of.piece, id } });
    if (of.piece.items.length) await openPiece(page, id);
    else await page.goto(`/pieces/${id}`);
    await expect(page.locator("[data-bench]")).toBeVisible();
    await expect(page.locator("[data-strip]")).toBeVisible();
    await page.keyboard.press(of.stage);
    const round = await page.evaluate(pressAll, { times: 2, known: known[light], most: 400, sheets: asked === "all" });
    known[light].push(...round.controls.filter((c) => c.includes(" > ")));
    counts.rounds++;
    counts.controls += round.controls.length;
    counts.presses += round.presses;
    counts.faults += round.faults.length + faults.length;
    expect(round.faults).toEqual([]);
    expect(faults).toEqual([]);
    // A round that finds nothing to press tells nothing.
    expect(round.controls.length).toBeGreaterThan(10);
  });

test.afterAll(() =>
  console.log(`${counts.rounds} rounds, ${counts.controls} controls, ${counts.presses} presses, ${counts.faults} faults`),
);
