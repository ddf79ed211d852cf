import { expect, test } from "@jest/globals";
import { Pace } from "./pace";

/** Frames that take so long each, one after the other. */
function paced(...frames: readonly number[]) {
  let now = 0;
  const waiting: (() => void)[] = [];
  const pace = new Pace(
    (then) => waiting.push(then),
    () => now,
  );
  for (const took of frames) {
    pace.shown();
    now += took;
    waiting.splice(0).forEach((then) => then());
  }
  return pace;
}

test("keeps up while frames come in time, and where one is late", () => {
  expect(paced(16, 16, 16, 16, 16, 16).isBehind).toBe(false);
  expect(paced(16, 90, 16, 16, 16, 16).isBehind).toBe(false);
});

test("falls behind where frames are late again and again, until the next drag", () => {
  const pace = paced(70, 70, 70, 70);
  expect(pace.isBehind).toBe(true);
  pace.begin();
  expect(pace.isBehind).toBe(false);
});
