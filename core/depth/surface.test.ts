import { describe, expect, test } from "@jest/globals";
import { litOn, surfaceKinds, toneOn } from "./surface";

const tones = Array.from({ length: 201 }, (_, i) => i / 200);

describe("surfaces", () => {
  test.each(surfaceKinds)("%s stays between the darkest and the lightest, without a jump that would be seen as an edge", (kind) => {
    let last = toneOn(kind, 0);
    for (const t of tones) {
      const tone = toneOn(kind, t);
      expect([t, tone >= 0 && tone <= 1, Math.abs(tone - last) < 0.08]).toEqual([t, true, true]);
      last = tone;
    }
  });

  test("matt is the cosine law itself; others are darker on the whole and lighter where they shine", () => {
    for (const t of tones) expect(toneOn("matt", t)).toBe(t);
    for (const kind of ["satin", "gloss"] as const) {
      expect(toneOn(kind, 0.6)).toBeLessThan(0.6);
      expect(toneOn(kind, 0.89)).toBeGreaterThan(0.95);
    }
    // A dark horizon between two lights.
    expect([toneOn("metal", 0.36) > 0.9, toneOn("metal", 0.47) < 0.1, toneOn("metal", 0.9)]).toEqual([true, true, 1]);
  });

  test.each(surfaceKinds)("the light across %s runs as its tones do, in stops that never go back", (kind) => {
    const matt = { from: { x: 0, y: 0 }, to: { x: 100, y: 0 }, stops: [0.1, 0.9, 0.4].map((tone, i) => ({ at: i / 2, tone })) };
    const { stops } = litOn(kind, matt);
    stops.forEach((s, i) => expect(i === 0 || s.at >= stops[i - 1].at).toBe(true));
    expect([stops[0].at, stops.at(-1)!.at]).toEqual([0, 1]);
    const at = (list: readonly { at: number; tone: number }[], x: number) => {
      const k = Math.max(
        1,
        list.findIndex((s) => s.at >= x),
      );
      const [a, b] = [list[k - 1], list[k]];
      return a.tone + ((b.tone - a.tone) * (x - a.at)) / (b.at - a.at || 1);
    };
    // Thinned to 0.008 of a tone, and straight between places a hundredth of a tone apart.
    for (let x = 0.005; x < 1; x += 0.01) expect(Math.abs(at(stops, x) - toneOn(kind, at(matt.stops, x)))).toBeLessThan(0.025);
  });
});
