import type { Point } from "../curves/matrix";
import { derivative, minus, plus, signChanges, times } from "../curves/roots";
import type { CutsAt } from "./sides";

/** How sides are told apart: by what each is, and where curves are cut so that each piece is one. */
export interface Tones {
  /** From 0, the darkest, to 1, the lightest. */
  readonly of: (normal: Point) => number;
  readonly cutsAt: CutsAt;
}

const slopes = (p: Float64Array, o: number, degree: number) => {
  const axis = (which: 0 | 1) => derivative(Array.from({ length: degree + 1 }, (_, i) => p[o + 2 * i + which]));
  return { dx: axis(0), dy: axis(1) };
};

/** Uprights are those that look more to a side than up or down; a little off 45 degrees, where letters have edges. */
const upright = 1.15;

/** Two tones: what stands upright, dark, and what lies flat, light. */
export const twoTones: Tones = {
  of: ({ x, y }) => (upright * Math.abs(x) > Math.abs(y) ? 0 : 1),
  cutsAt: (p, o, degree) => {
    const { dx, dy } = slopes(p, o, degree);
    const steep = dy.map((v) => upright * v);
    return [...signChanges(minus(steep, dx)), ...signChanges(plus(steep, dx))];
  },
};

/** Less than this between the darkest and the lightest is one tone. */
export const flat = 0.012;

/** How light the darkest and the lightest of some sides are, by Lambert's cosine law. @param towards the light, in the plane */
export function rangeOf({ x, y }: Point, normals: readonly Point[]): { readonly low: number; readonly high: number } {
  let [low, high] = [Infinity, -Infinity];
  for (const n of normals) {
    const light = n.x * x + n.y * y;
    if (light < low) low = light;
    if (light > high) high = light;
  }
  return { low, high };
}

/**
 * As light falls on upright sides (Lambert's cosine law), in a number of even steps between the darkest and the lightest of the sides that
 * there are.
 * @param towards the light, in the plane of the letters: the shorter, the higher it stands
 * @param normals of all of them
 */
export function litTones({ x: lx, y: ly }: Point, count: number, normals: readonly Point[]): Tones {
  const light = (n: Point) => n.x * lx + n.y * ly;
  const { low, high } = rangeOf({ x: lx, y: ly }, normals);
  if (!(high - low > flat)) return { of: () => 0.5, cutsAt: () => [] };
  const step = (high - low) / count;
  const borders = Array.from({ length: count - 1 }, (_, i) => low + (i + 1) * step);
  return {
    of: (n) => Math.min(count - 1, Math.max(0, Math.floor((light(n) - low) / step))) / Math.max(1, count - 1),
    // Where the light is at a border: its square against that of the slope, which has no root in it.
    cutsAt: (p, o, degree) => {
      const { dx, dy } = slopes(p, o, degree);
      const towards = minus(
        dy.map((v) => v * lx),
        dx.map((v) => v * ly),
      );
      const [square, length] = [times(towards, towards), plus(times(dx, dx), times(dy, dy))];
      return borders.flatMap((c) =>
        signChanges(
          minus(
            square,
            length.map((v) => v * c * c),
          ),
        ),
      );
    },
  };
}

/** Tones between the darkest and the lightest side that there is. */
export function stretched(light: Point, normals: readonly Point[]): (normal: Point) => number {
  const { low, high } = rangeOf(light, normals);
  if (!(high - low > 1e-9)) return () => 0.5;
  return (n) => Math.min(1, Math.max(0, (n.x * light.x + n.y * light.y - low) / (high - low)));
}

/** The four sides of a letter, cut where curves turn from one to the next. */
export const sidesByWay = ["left", "upper", "right", "lower"] as const;
export type SideWay = (typeof sidesByWay)[number];

export const sideWays = {
  of: ({ x, y }: Point): SideWay => (upright * Math.abs(x) > Math.abs(y) ? (x < 0 ? "left" : "right") : y < 0 ? "upper" : "lower"),
  cutsAt: twoTones.cutsAt,
};
