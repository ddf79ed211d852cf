import { describe, expect, test } from "@jest/globals";
import { answerLine, curvesHelp } from "./curves";

const ask = (request: object): Record<string, unknown> => JSON.parse(answerLine(JSON.stringify(request)));
const square = "M0 0H100V100H0Z";

describe("curves, a line at a time", () => {
  test.each<[object, object]>([
    [
      { op: "union", a: square, b: "M50 0H150V100H50Z" },
      { path: "M150 0v100H0V0z", nodes: 4, area: 15_000 },
    ],
    [
      { op: "intersect", a: square, b: "M50 50H150V150H50Z" },
      { area: 2500, nodes: 4 },
    ],
    [
      { op: "subtract", a: square, b: ["M0 0H10V100H0Z", "M90 0H100V100H90Z"] },
      { area: 8000, nodes: 4 },
    ],
    [
      { op: "exclude", a: square, b: square },
      { path: "", nodes: 0, area: 0 },
    ],
    [
      {
        op: "stack",
        items: [
          { path: "M50 0H150V100H50Z", label: "a" },
          { path: square },
          { path: "M0 50H200V150H0Z", label: "a" },
          { path: "M0 0V9H9V0Z", label: "behind" },
        ],
      },
      {
        parts: [
          { label: "a", area: 10_000 + 200 * 100 - 100 * 50 - 50 * 50, nodes: 8 },
          { area: 5000, nodes: 4 },
          { label: "behind", area: 0, path: "" },
        ],
      },
    ],
    [
      { op: "weld", a: `${square}${square}` },
      { nodes: 4, area: 10_000 },
    ],
    [
      { op: "plug", a: `${square}M20 20V80H80V20Z` },
      { nodes: 4, area: 10_000 },
    ],
    [
      { op: "grow", a: square, d: 10 },
      { nodes: 4, area: 14_400 },
    ],
    [
      { op: "grow", a: square, d: 10, join: "bevel" },
      { nodes: 8, area: 14_200 },
    ],
    [
      { op: "grow", a: square, d: -60, join: "round" },
      { path: "", nodes: 0 },
    ],
    [
      { op: "band", a: "M0 0H100", width: 10, cap: "square" },
      { nodes: 4, area: 1100 },
    ],
    [
      { op: "band", a: square, width: 10, side: "inside" },
      { nodes: 8, area: 3600 },
    ],
    [
      { op: "sweep", a: square, x: 30, y: 40 },
      { area: 10_000 + 3000 + 4000, nodes: 6 },
    ],
    [{ op: "transform", a: square, m: [2, 0, 0, 1, 0, 0] }, { area: 20_000 }],
    [
      {
        op: "warp",
        a: square,
        by: {
          kind: "perspective",
          from: [0, 0, 100, 100],
          to: [
            [0, 0],
            [100, 0],
            [80, 100],
            [20, 100],
          ],
        },
      },
      { nodes: 4, area: 8000 },
    ],
    [
      { op: "simplify", a: "M0 0H50H100V100H0Z" },
      { nodes: 4, area: 10_000 },
    ],
    [{ op: "part", a: square, from: 50, to: 150 }, { path: "M50 0h50v50" }],
    [
      { op: "at", a: square, length: 125 },
      { x: 100, y: 25, dx: 0, dy: 1 },
    ],
    [
      { op: "nearest", a: square, x: 50, y: -5 },
      { x: 50, y: 0, distance: 5, segment: 0 },
    ],
    [{ op: "contains", a: square, x: 50, y: 50 }, { inside: true }],
    [
      { op: "measure", a: square },
      { length: 400, area: 10_000, nodes: 4, bounds: [0, 0, 100, 100] },
    ],
    [{ op: "path", a: "M 0 0 L 10 0 L 10 10 Z", commands: "absolute" }, { path: "M 0 0 L 10 0 L 10 10 Z" }],
    [
      { op: "union", a: "", id: 7 },
      { id: 7, path: "", nodes: 0, area: 0 },
    ],
  ])("%j", (request, answer) => {
    const got = ask(request);
    expect(got).toMatchObject(answer);
    expect(got.error).toBeUndefined();
    expect(got.ms).toBeGreaterThanOrEqual(0);
  });

  test("answers shapes apart, and sides with their sources", () => {
    expect(ask({ op: "split", a: `${square}M200 0H210V10H200Z` }).paths).toHaveLength(2);
    expect(ask({ op: "sweep", a: square, x: 0, y: 50 }).sides).toEqual([
      { path: "M100 100v50H0v-50z", contour: 0, segment: 2, from: 0, to: 1 },
    ]);
  });

  test.each<[string, RegExp]>([
    ["nonsense", /not JSON/],
    ['{"op":"inflate","a":""}', /op/],
    ['{"op":"grow","a":"M0 0"}', /at d/],
    ['{"op":"grow","a":"M0 0","d":5,"colour":"red"}', /colour/],
    ['{"op":"grow","a":"M0 0L","d":5}', /number is missing at character 6/],
    ['{"op":"grow","a":"M0 0H1e12V5Z","d":5}', /reaches 1000000000000/],
    [`{"op":"grow","a":"${square}","d":5,"budget":2}`, /more than the 2 steps/],
    [`{"op":"sweep","a":"${square}","to":[0,0],"by":2}`, /by/],
  ])("%s is answered by an error", (line, message) => {
    const got = JSON.parse(answerLine(line)) as { error: string };
    expect(got.error).toMatch(message);
    expect(got.error).not.toMatch(/fault/);
  });

  test("explains every operation", () => {
    for (const op of ["union", "exclude", "stack", "band", "sweep", "warp", "taper", "budget"]) expect(curvesHelp()).toContain(op);
  });
});
