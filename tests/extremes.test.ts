import { expect, test } from "@jest/globals";
import { engineWith } from "./engine";
import { extreme, tried } from "./extremes";
import { grounds } from "./transplants";

/** Of `npm run extremes` the first few, which take no longer than a test may. */
const seeds = Array.from({ length: 14 }, (_, i) => i + 1);

test("at random settings within their own ranges nothing is no number, and no coat is empty without a word", async () => {
  const engine = await engineWith(...grounds.map((g) => g.face));
  const found = seeds.map((seed) => ({ seed, ...tried(extreme(seed), engine) }));
  for (const { seed, wrong, empty, message } of found) {
    expect({ seed, wrong }).toEqual({ seed, wrong: [] });
    if (empty) expect({ seed, message }).toEqual({ seed, message: expect.stringMatching(/\w/) });
  }
  // Both are met among them, so that both are judged.
  expect(new Set(found.map((f) => f.empty)).size).toBe(2);
}, 120_000);

test("the same seed is the same piece", () => {
  for (const seed of seeds) expect(JSON.stringify(extreme(seed).items)).toBe(JSON.stringify(extreme(seed).items));
});
