import { describe, expect, test } from "@jest/globals";
import { coat, gradient } from "../../../demo/build";
import { board, engineWith, styleOf, word } from "../../../tests/engine";
import { rectangle } from "../../../tests/paths";
import { apply, identity, invert, multiply, rotation, translation } from "../../curves/matrix";
import { compile } from "../../piece/compile";
import type { Part } from "../shape";
import { paintSpans } from "./span";

const given = { board: { width: 800, height: 400, toItem: identity }, group: undefined };
const square = rectangle(-5, -5, 10, 10);

describe("a run along a line of letters", () => {
  test("is the line's own box where it is straight", () => {
    const parts: Part[] = [0, 40, 70, 120].map((x, i) => ({ path: square, x, y: 30, line: 0, letter: i }));
    const [along, line] = (["along", "line"] as const).map((span) => paintSpans({ parts }, span, given));
    expect(along).toHaveLength(4);
    for (const { box, matrix } of along) {
      const [from, to] = [
        { x: box.minX, y: box.minY },
        { x: box.maxX, y: box.maxY },
      ].map((p) => apply(matrix!, p));
      // What smoothing moves, it moves along the line.
      expect([from.y, to.y]).toEqual([line[0].box.minY, line[0].box.maxY].map((v) => expect.closeTo(v, 9)));
      expect(to.x - from.x).toBeCloseTo(130, 9);
    }
    const at = along.map(({ matrix }) => apply(matrix!, { x: 0, y: 0 }).x);
    for (const x of at) expect(x).toBeCloseTo(at[0], 9);
  });

  test("goes round a ring: every letter lies along its tangent, as far on as the ring goes between", () => {
    const [r, n] = [100, 24];
    const parts: Part[] = Array.from({ length: n }, (_, i) => {
      const matrix = multiply(rotation((360 * i) / n), translation(0, -r));
      return { path: square, x: 0, y: 0, matrix, line: 0, letter: i };
    });
    const runs = paintSpans({ parts }, "along", given);
    const chord = 2 * r * Math.sin(Math.PI / n);
    const placed = runs.map(({ matrix }, i) => {
      const way = (Math.atan2(matrix![1], matrix![0]) * 180) / Math.PI;
      // The first and the last have a neighbour on one side alone.
      if (i > 0 && i < n - 1) expect(Math.abs(((way - (360 * i) / n + 540) % 360) - 180)).toBeLessThan(4);
      return apply(invert(matrix!), apply(multiply(rotation((360 * i) / n), translation(0, -r)), { x: 0, y: 0 })).x;
    });
    // A twentieth of a letter's way: what smoothing does at the two ends.
    for (let i = 1; i < n; i++) expect(Math.abs(placed[i] - placed[i - 1] - chord)).toBeLessThan(chord / 20);
    const { box } = runs[0];
    expect(Math.abs(box.maxX - box.minX - (chord * (n - 1) + 10))).toBeLessThan(chord / 3);
  });

  test("starts again on each line, and what a letter falls into stays together", () => {
    const parts: Part[] = [
      { path: square, x: 0, y: 0, line: 0, letter: 0 },
      { path: square, x: 0, y: -20, line: 0, letter: 0 },
      { path: square, x: 50, y: 0, line: 0, letter: 1 },
      { path: square, x: 0, y: 100, line: 1, letter: 2 },
    ];
    expect(paintSpans({ parts }, "along", given).map((s) => s.parts.length)).toEqual([2, 1, 1]);
  });
});

describe("a run over a group", () => {
  test("goes through all of its items as through one, however each is placed", async () => {
    const engine = await engineWith("archivo-black");
    const style = styleOf([
      coat(
        "A",
        gradient(
          [
            [0, "face"],
            [100, "edge"],
          ],
          { span: "group", from: { x: 0, y: 0 }, to: { x: 1, y: 1 } },
        ),
      ),
    ]);
    const at = (groups: string[]) => {
      const piece = board(
        word("One", { id: "one", groups, x: 100, y: 200 }),
        word("Two", { id: "two", groups, x: 420, y: 300, turn: 25, size: 60 }),
      );
      const { scene } = compile(piece, new Map([[style.id, style]]), engine);
      return scene.items.map(
        ({
          matrix,
          layers: [
            {
              fills: [fill],
            },
          ],
        }) => {
          if (fill.kind !== "linear") throw new Error(fill.kind);
          return [fill.from, fill.to].map((p) => apply(multiply(matrix, fill.matrix ?? identity), p));
        },
      );
    };
    const [one, two] = at(["g"]);
    one.forEach((p, i) => expect(two[i]).toEqual({ x: expect.closeTo(p.x, 6), y: expect.closeTo(p.y, 6) }));
    const alone = at([]);
    expect(alone[0][0].x).not.toBeCloseTo(alone[1][0].x, 0);
  });
});
