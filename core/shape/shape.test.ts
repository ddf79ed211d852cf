import { describe, expect, test } from "@jest/globals";
import { area } from "../../tests/paths";
import { CurveKernel } from "../curves/kernel";
import { newStep } from "../params";
import { shapeKind, shapeKinds } from "./kinds";
import { outlineOf } from "./outline";
import { newShape } from "../piece/schema";

const draw = (kind: string, values: Record<string, unknown> = {}, width = 400, height = 300) =>
  shapeKind(kind).draw(newShape(kind, values), { width, height });
const kernel = new CurveKernel();

// Areas and side lengths from a geometry handbook: Bronshtein and Semendyayev, Handbook of Mathematics, "Planimetry".
describe("shapes", () => {
  test("a rectangle has its area, less what its corners lose", () => {
    expect(area(draw("rectangle"))).toBeCloseTo(120_000, 6);
    const r = 0.5 * 150;
    // A rounded corner loses r^2 (1 - pi/4). Cubic arcs are good to 2.7e-4 of the radius.
    expect(area(draw("rectangle", { radius: 50 }))).toBeCloseTo(120_000 - 4 * r * r * (1 - Math.PI / 4), -1);
  });

  test("an ellipse has the area pi a b", () => expect(area(draw("ellipse")) / (Math.PI * 200 * 150)).toBeCloseTo(1, 3));

  test("a hexagon that stands on a corner has six equal sides and fills its box", () => {
    const side = 100;
    const path = draw("polygon", { sides: 6 }, side * Math.sqrt(3), 2 * side);
    expect(path.nodes).toBe(6);
    expect(area(path)).toBeCloseTo((3 * Math.sqrt(3) * side * side) / 2, 6);
    const b = draw("polygon", { sides: 5, stand: "side" }).bounds;
    expect([b.minX, b.maxX, b.minY, b.maxY]).toEqual([-200, 200, -150, 150].map((v) => expect.closeTo(v, 6)));
  });

  test("a star has twice as many nodes as points, the inner ones at its depth", () => {
    const path = draw("star", { points: 7, depth: 40 }, 200, 200);
    expect(path.nodes).toBe(14);
    const radii = Array.from({ length: 14 }, (_, i) => Math.hypot(path.coords[2 * i], path.coords[2 * i + 1]));
    expect(Math.min(...radii)).toBeCloseTo(60, 6);
    expect(Math.max(...radii)).toBeCloseTo(100, 6);
  });

  test("a line is open, as long as it is wide", () => {
    expect(draw("line").bounds).toEqual({ minX: -200, maxX: 200, minY: 0, maxY: 0 });
    expect(kernel.band(draw("line"), { width: 10, side: "centre", join: { kind: "round" }, cap: "butt", dashes: [] }).bounds).toEqual({
      minX: -200,
      maxX: 200,
      minY: -5,
      maxY: 5,
    });
  });

  test.each(shapeKinds.map((k) => k.kind))(
    "%s stays within its box over all its settings, and what encloses something winds the way outers do",
    (kind) => {
      const k = shapeKind(kind);
      const numbers = Object.entries(k.params).filter(([, p]) => p.type === "number");
      for (const [name, p] of [["", undefined], ...numbers] as const)
        for (const value of p?.type === "number" ? [p.min, (p.min + p.max) / 2, p.max] : [0]) {
          const path = draw(kind, name ? { [name]: value } : {});
          expect(path.coords.every(Number.isFinite)).toBe(true);
          const b = path.bounds;
          // Drops lean out of their box on purpose, by less than half of it.
          const slack = kind === "drop" ? 100 : 0.5;
          expect([b.minX > -200 - slack, b.maxX < 200 + slack, b.minY > -150 - slack, b.maxY < 150 + slack]).toEqual([
            true,
            true,
            true,
            true,
          ]);
          if (kind !== "line") expect(kernel.area(path)).toBeGreaterThan(1000);
        }
      for (const p of Object.values(k.params)) expect(p.hint).not.toBe("");
    },
  );

  test("the same values give the same object", () => {
    const step = newStep(shapeKind("shield"));
    expect(outlineOf(step, { width: 10, height: 20 })).toBe(outlineOf({ ...step }, { width: 10, height: 20 }));
  });
});
