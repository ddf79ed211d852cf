import { describe, expect, test } from "@jest/globals";
import { rectangle } from "../../../tests/paths";
import { corners } from "../../curves/bounds";
import { apply, identity, invert } from "../../curves/matrix";
import { newRow, newStep, type Values } from "../../params";
import type { PictureFill } from "../../scene/scene";
import type { PaintGiven } from "../paint-kind";
import { photos } from "./photos";

type Row = Values<typeof photos.params>["photos"][number];
const row = (name: string, values: Partial<Row> = {}): Row => {
  const photo = { id: name.padEnd(32, "0"), name: `${name}.jpg`, width: 400, height: 300 };
  return newRow(photos.params.photos, { photo, ...values }) as unknown as Row;
};

/** Letters of several proportions; the last one is the dot of the third. */
const shape = {
  parts: [
    { path: rectangle(0, 0, 100, 100), x: 0, y: 0, line: 0, word: 0, letter: 1 },
    { path: rectangle(0, 0, 300, 40), x: 200, y: 0, line: 0, word: 0, letter: 2 },
    { path: rectangle(0, 0, 20, 200), x: 600, y: 40, line: 0, word: 1, letter: 3 },
    { path: rectangle(0, 0, 20, 20), x: 600, y: 0, line: 0, word: 1, letter: 3 },
  ],
};
const given = { ink: () => "#000000", inkName: () => undefined, units: (n: number) => n } as PaintGiven<readonly []>;
const painted = (values: Partial<Values<typeof photos.params>>) => {
  const { fills, fillOf } = photos.apply(shape, { ...newStep(photos), ...values }, given);
  return { fills: fills as PictureFill[], of: shape.parts.map((p) => fillOf?.(p)) };
};
const names = (fills: readonly PictureFill[]) => fills.map((f) => f.source.kind === "photo" && f.source.photo[0]);

describe("photos dealt out to letters", () => {
  test("come in turn, and again from the first; what a letter falls into shows one", () => {
    const letters = painted({ photos: [row("a"), row("b")] });
    expect(names(letters.fills)).toEqual(["a", "b", "a"]);
    expect(letters.of).toEqual([0, 1, 2, 2]);
    expect(names(painted({ photos: [row("a"), row("b")], by: "word" }).fills)).toEqual(["a", "b"]);
    expect(painted({ photos: [] }).fills).toMatchObject([{ kind: "flat" }]);
  });

  test("leave nothing of their letters bare, wherever they are moved and however they are turned", () => {
    for (const turn of [-180, -33, 0, 45, 90])
      for (const place of [
        { x: 0.5, y: 0.5 },
        { x: 0, y: 1 },
        { x: -3, y: 9 },
      ])
        for (const scale of [100, 260]) {
          const { fills } = painted({ photos: [row("a", { turn, place, scale })] });
          const boxes = [
            { minX: 0, minY: 0, maxX: 100, maxY: 100 },
            { minX: 200, minY: 0, maxX: 500, maxY: 40 },
            { minX: 600, minY: 0, maxX: 620, maxY: 240 },
          ];
          fills.forEach(({ area, matrix = identity }, i) => {
            for (const corner of corners(boxes[i])) {
              const seen = apply(invert(matrix), corner);
              // A millionth of a unit is rounding.
              expect(seen.x).toBeGreaterThan(area.minX - 1e-6);
              expect(seen.x).toBeLessThan(area.maxX + 1e-6);
              expect(seen.y).toBeGreaterThan(area.minY - 1e-6);
              expect(seen.y).toBeLessThan(area.maxY + 1e-6);
            }
            expect((area.maxX - area.minX) / (area.maxY - area.minY)).toBeCloseTo(400 / 300, 9);
          });
        }
  });

  test.each([0, 30])("follow the hand in one letter alone, turned by %d degrees", (turn) => {
    const rows = [row("a", { turn }), row("b", { turn })];
    const before = painted({ photos: rows }).fills;
    const { places } = photos.handles!({ ...newStep(photos), photos: rows }, before)!;
    expect(places).toHaveLength(3);
    const [dx, dy] = [3, -2];
    places.forEach(({ per, value, set }, i) => {
      const changed = set!({ x: value!.x + dx * per.x, y: value!.y + dy * per.y }) as { photos: Row[] };
      const after = painted(changed).fills;
      after.forEach(({ area }, n) => {
        expect(area.minX - before[n].area.minX).toBeCloseTo(n === i ? dx : 0, 9);
        expect(area.minY - before[n].area.minY).toBeCloseTo(n === i ? dy : 0, 9);
      });
    });
  });
});
