import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { circle, polygonPath, rectangle } from "../../../tests/paths";
import { together } from "../../../tests/kernel/random";
import { Budget } from "../budget";
import { contoursOf } from "../contour";
import type { Path } from "../path";
import { winding } from "./cover";
import { GridIndex } from "./grid-index";
import { makeMesh } from "./mesh";
import { findNodes } from "./noding";
import { nonzero, resolve, resolveEach } from "./resolve";
import { makeStrands } from "./strands";
import { areaOf } from "./tidy";
import { windings } from "./windings";

const meshOf = (path: Path) => {
  const contours = contoursOf(path, true);
  return makeMesh(contours, new Int32Array(contours.length), { chord: 0.05, coarser: 0, sharing: false, closely: true }, new Budget());
};

describe("the mesh", () => {
  test("has chains that are monotone and make up every contour", () => {
    const mesh = meshOf(
      together(
        circle(0, 0, 100),
        polygonPath([
          [0, 0],
          [50, 10],
          [20, 60],
          [10, 5],
        ]),
      ),
    );
    let edges = 0;
    for (let k = 0; k < mesh.chains.count; k++) {
      const [a, b] = [mesh.chains.from[k], mesh.chains.to[k]];
      edges += b - a;
      const [sx, sy] = [Math.sign(mesh.x[b] - mesh.x[a]), Math.sign(mesh.y[b] - mesh.y[a])];
      for (let i = a; i < b; i++) {
        expect((mesh.x[i + 1] - mesh.x[i]) * sx).toBeGreaterThanOrEqual(0);
        expect((mesh.y[i + 1] - mesh.y[i]) * sy).toBeGreaterThanOrEqual(0);
      }
    }
    expect(edges).toBe(mesh.x.length - mesh.contours.length);
  });

  test("coarsens its grid for what is far apart, and stays exact", () => {
    const near = meshOf(rectangle(0, 0, 100, 100));
    const far = meshOf(rectangle(-4e6, 0, 8e6, 100));
    expect(near.grid.scale).toBeGreaterThan(far.grid.scale);
    for (const m of [near, far]) for (const v of [...m.x, ...m.y]) expect(Math.abs(v)).toBeLessThanOrEqual(2 ** 25);
  });
});

describe("nodes", () => {
  const grid = fc.integer({ min: 0, max: 12 });
  const polygon = fc.array(fc.tuple(grid, grid), { minLength: 3, maxLength: 9 }).map((p) => polygonPath(p));

  test("leave winding numbers that agree on every way, also where all lies on a coarse grid", () => {
    fc.assert(
      fc.property(polygon, polygon, (a, b) => {
        const mesh = meshOf(together(a, b));
        const weights = new Int32Array(mesh.contours.length).fill(1);
        const noding = findNodes(mesh, new Budget());
        const strands = makeStrands(mesh, noding, weights, winding);
        // Throws Inconsistent where two ways to a strand give two numbers.
        expect(() => windings({ mesh, weights, cover: winding, strips: noding.strips }, strands)).not.toThrow();
      }),
      { numRuns: 500 },
    );
  });

  test("are where edges cross and touch, and nowhere else", () => {
    const nodes = (path: Path) => {
      const mesh = meshOf(path);
      const { atVertex, x, y } = findNodes(mesh, new Budget());
      const points = new Set(x.map((v, i) => `${v / mesh.grid.scale + mesh.grid.originX},${y[i] / mesh.grid.scale + mesh.grid.originY}`));
      atVertex.forEach(
        (is, i) =>
          is && points.add(`${mesh.x[i] / mesh.grid.scale + mesh.grid.originX},${mesh.y[i] / mesh.grid.scale + mesh.grid.originY}`),
      );
      return [...points].sort();
    };
    expect(nodes(together(rectangle(0, 0, 10, 10), rectangle(20, 0, 10, 10)))).toEqual([]);
    expect(nodes(together(rectangle(0, 0, 10, 10), rectangle(10, 10, 10, 10)))).toEqual(["10,10"]);
    expect(nodes(together(rectangle(0, 0, 10, 10), rectangle(5, 5, 10, 10)))).toEqual(["10,5", "5,10"]);
    expect(
      nodes(
        polygonPath([
          [0, 0],
          [10, 10],
          [10, 0],
          [0, 10],
        ]),
      ),
    ).toEqual(["5,5"]);
  });
});

test("contours that meet nothing wind the way they run, wherever on them they start", () => {
  const corners = [
    [0, 0],
    [60, 0],
    [60, 40],
    [0, 40],
  ];
  // Also in the middle of each side, where a contour does not turn.
  const around = corners.flatMap(
    ([x, y], i) =>
      [
        [x, y],
        [(x + corners[(i + 1) % 4][0]) / 2, (y + corners[(i + 1) % 4][1]) / 2],
      ] as [number, number][],
  );
  for (let start = 0; start < around.length; start++) {
    const outline = [...around.slice(start), ...around.slice(0, start)];
    const total = (points: [number, number][]) =>
      resolve(contoursOf(polygonPath(points), true), (w) => w > 0).reduce((sum, c) => sum + areaOf(c), 0);
    expect(total(outline)).toBe(2400);
    expect(total([...outline].reverse())).toBe(0);
  }
});

describe("several shapes at once", () => {
  test("are each resolved as if alone, wherever they lie", () => {
    const shapes = [
      circle(0, 0, 100),
      circle(0, 0, 100),
      together(rectangle(0, 0, 50, 50), rectangle(25, 25, 50, 50)),
      polygonPath([
        [0, 0],
        [100, 100],
        [100, 0],
        [0, 100],
      ]),
    ];
    const groups = shapes.map((s) => contoursOf(s, true));
    const all = groups.flat();
    const owner = groups.flatMap((g, i) => g.map(() => i));
    const each = resolveEach(all, Int32Array.from(owner), groups.length, nonzero);
    groups.forEach((g, i) => {
      const alone = resolve(g, nonzero);
      const here = each[i];
      expect(here).toHaveLength(alone.length);
      // Another origin of the grid rounds where chords cross in another place; the curves' own crossings are the same.
      expect(here.reduce((s, c) => s + areaOf(c), 0)).toBeCloseTo(
        alone.reduce((s, c) => s + areaOf(c), 0),
        6,
      );
    });
  });
});

test("points of the grid keep their numbers", () => {
  const index = new GridIndex();
  const points = Array.from({ length: 1000 }, (_, i) => [((i * 7919) % 101) - 50, ((i * 104729) % 97) - 48] as const);
  const first = points.map(([x, y]) => index.of(x, y));
  expect(points.map(([x, y]) => index.of(x, y))).toEqual(first);
  points.forEach(([x, y], i) => expect([index.x[first[i]], index.y[first[i]]]).toEqual([x, y]));
  index.startAnew();
  expect(index.of(...points[0])).toBeGreaterThan(Math.max(...first));
});
