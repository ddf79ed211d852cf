import { describe, expect, test } from "@jest/globals";
import { newStep, type Values } from "../params";
import { paintKinds } from "./paints";
import { gradient } from "./paints/gradient";
import { fitted, photo } from "./paints/photo";
import type { PaintKind } from "./paint-kind";

const box = { minX: 100, minY: 50, maxX: 500, maxY: 150 };

describe("what of a paint is set on the art itself", () => {
  test("a gradient's ends lie at their shares of what it stretches over, and move with the hand", () => {
    const values: Values<typeof gradient.params> = { ...newStep(gradient), from: { x: 0, y: 0.5 }, to: { x: 1, y: 1 } };
    const { places, line } = gradient.handles!(values, [{ box }])!;
    expect(places.map((p) => p.at)).toEqual([
      { x: 100, y: 100 },
      { x: 500, y: 150 },
    ]);
    // Forty units are a tenth of its width, and twice a fifth of its height.
    expect(places[0].per.x * 40).toBeCloseTo(0.1, 12);
    expect(places[0].per.y * 40).toBeCloseTo(0.4, 12);
    // Straight from the other end.
    expect(places.map((p) => p.straight)).toEqual([places[1].at, places[0].at]);
    expect(line).toBe(values.stops);
    expect(gradient.handles!({ ...values, shape: "copies" }, [{ box }])).toBeNull();
    expect(gradient.handles!(values, [{ box: { ...box, maxX: 100 } }])!.places[0].per.x).toBe(1);
  });

  test.each([
    ["cover", 1],
    ["contain", 1],
    ["cover", 3],
  ] as const)("a photo that %ss, scaled by %d, follows the hand where it can be moved", (fit, scale) => {
    const size = { width: 300, height: 200 };
    const at = (place: { x: number; y: number }) => fitted(size, box, fit, scale, place);
    const area = at({ x: 0.5, y: 0.5 });
    const { places, edges } = photo.handles!({ ...newStep(photo), fit, scale: scale * 100 }, [{ box, area }])!;
    expect(edges).toBe(area);
    const [{ per }] = places;
    for (const [dx, dy] of [
      [12, 0],
      [0, -7],
    ]) {
      const moved = at({ x: 0.5 + dx * per.x, y: 0.5 + dy * per.y });
      expect(moved.minX - area.minX).toBeCloseTo(per.x ? dx : 0, 9);
      expect(moved.minY - area.minY).toBeCloseTo(per.y ? dy : 0, 9);
    }
    expect(photo.handles!(newStep(photo), [{ box }])).toBeNull();
  });

  test("every place among a paint's settings has a grip", () => {
    for (const kind of paintKinds as readonly PaintKind[]) {
      const named = Object.entries(kind.params).flatMap(([name, p]) => (p.type === "place" ? [name] : []));
      const handles = kind.handles?.(newStep(kind), [{ box, area: box }]);
      expect((handles?.places ?? []).map((p) => p.param)).toEqual(named);
    }
  });
});
