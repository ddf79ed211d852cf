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

/** Where light comes from: towards it, a unit of length in the plane of the letters, and degrees over that plane. */
export interface Light extends Point {
  readonly height: number;
}

/** Light that comes from all around, against that of the lamp. */
const ambient = 0.75;
/** Less than this between the darkest and the lightest is one tone. */
const flat = 0.012;

/**
 * As the lamp lights upright sides (Lambert's law, with light from all around), in a number of even steps between the darkest and the
 * lightest of the sides that there are.
 * @param normals of all of them
 */
export function litTones({ x, y, height }: Light, count: number, normals: readonly Point[]): Tones {
  const flatness = Math.cos((height * Math.PI) / 180);
  const [lx, ly] = [x * flatness, y * flatness];
  const light = (n: Point) => n.x * lx + n.y * ly + ambient;
  const all = normals.map(light);
  const [low, high] = [Math.min(...all), Math.max(...all)];
  if (!(high - low > flat)) return { of: () => 0.5, cutsAt: () => [] };
  const step = (high - low) / count;
  const borders = Array.from({ length: count - 1 }, (_, i) => low + (i + 1) * step - ambient);
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
