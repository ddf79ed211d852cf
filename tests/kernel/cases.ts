import { contoursOf } from "../../core/curves/contour";
import { flatten } from "../../core/curves/flatten";
import { CurveKernel, type Cap, type Join, type Way } from "../../core/curves/kernel";
import { Path, PathBuilder, type Polygon } from "../../core/curves/path";
import { perimeter, signedArea } from "../../core/curves/polygon";
import { known } from "./allowed";
import { clip, type Clipper } from "./clipper";
import { backwards, neighbourOf, Random, randomPolygon, randomShape, together } from "./random";
import { fine, grown, smoothPoints, stroked, swept, totalArea, welded } from "./reference";
import { widestStrip } from "./strip-width";

/** One random case: what was asked, and how far the answer lies from the reference. */
export interface Verdict {
  readonly seed: number;
  readonly what: string;
  /** Area by which answer and reference differ, and what it is held against, in square units. */
  readonly off: number;
  readonly against: number;
  readonly wrong: boolean;
  readonly ms: number;
}

/**
 * How wide a strip along the outlines may differ, in units: what chords and grids of the reference leave open for booleans, what is seen by
 * no one for new outlines, which are fitted within 0.03 (along the source and along the outline, which are both counted). Nothing is
 * allowed by area: that would hide a lost dot, or a spike on a large letter.
 */
const strip = { same: known, fresh: widestStrip / 2 };

interface Case {
  readonly what: string;
  readonly answer: () => Path;
  readonly reference: () => Polygon[];
  readonly inputs: readonly Path[];
  readonly fresh: boolean;
  /** How far a shape is swept, in units: a tip thinner than the grid ends a unit sooner or later, and is a strip once it is swept. */
  readonly sweptBy?: number;
}

export function judge(m: Clipper, seed: number, letters: readonly Path[]): Verdict {
  const kernel = new CurveKernel();
  const c = caseOf(m, kernel, new Random(seed), letters);
  const start = performance.now();
  const path = c.answer();
  const ms = performance.now() - start;
  const reference = c.reference();
  const got = flatten(path, fine);
  const off = Math.abs(totalArea(clip(m, "Xor", "NonZero", got, reference)));
  const inputs = c.inputs.flatMap((p) => welded(m, p));
  const against = Math.abs(totalArea(reference));
  const around = [...inputs, ...reference].reduce((sum, p) => sum + perimeter(p), 0);
  const allowed = Math.max(around * (c.fresh ? strip.fresh : strip.same), 1.5 * (c.sweptBy ?? 0), 0.02);
  return { seed, what: c.what, off, against, wrong: !(off <= allowed) || !windsRight(got), ms };
}

/** Outers positive: by nonzero the whole must be as large as by the sum of areas. */
const windsRight = (polygons: readonly Polygon[]): boolean =>
  polygons.length === 0 || polygons.reduce((s, p) => s + signedArea(p), 0) >= -0.02;

const round: Join = { kind: "round" };

export function caseOf(m: Clipper, kernel: CurveKernel, r: Random, letters: readonly Path[]): Case {
  const kind = r.whole(0, 13);
  const a = randomShape(r, letters);
  const ra = () => welded(m, a);
  if (kind <= 3) {
    const b = neighbourOf(a, r, letters);
    const third = r.chance(0.3) ? [neighbourOf(r.chance(0.5) ? a : b, r, letters)] : [];
    const inputs = [a, b, ...third];
    const polygons = () => inputs.map((p) => welded(m, p));
    const fold = (op: "Union" | "Intersection" | "Difference" | "Xor") => polygons().reduce((x, y) => clip(m, op, "NonZero", x, y));
    const oneIsFresh = kind === 1 && r.chance(0.5);
    const both = () => {
      // Where one alone is not known yet, it is not welded first.
      if (oneIsFresh) for (const p of inputs.slice(1)) kernel.weld(p);
      return kernel.intersect(inputs);
    };
    return [
      { what: "union", answer: () => kernel.union(inputs), reference: () => fold("Union"), inputs, fresh: false },
      { what: "intersect", answer: both, reference: () => fold("Intersection"), inputs, fresh: false },
      { what: "subtract", answer: () => kernel.subtract(a, inputs.slice(1)), reference: () => fold("Difference"), inputs, fresh: false },
      { what: "exclude", answer: () => kernel.exclude(inputs), reference: () => fold("Xor"), inputs, fresh: false },
    ][kind];
  }
  if (kind === 4) {
    const all = together(a, r.chance(0.5) ? backwards(a) : neighbourOf(a, r, letters));
    return { what: "weld", answer: () => kernel.weld(all), reference: () => welded(m, all), inputs: [all], fresh: false };
  }
  // No hairs from here on: what is thinner than the kernel's grid has no area in a weld, but would have one grown or swept.
  if (isHair(ra())) return caseOf(m, kernel, r, letters);
  if (kind <= 6) {
    const d = r.pick([0.05, 0.5, 3, 10, 20, 60, -0.5, -3, -10, -15, -40, 150, 2000, -2000, r.between(-50, 80)]);
    return {
      what: `grow ${d.toFixed(2)} round`,
      answer: () => kernel.grow(a, d, round),
      reference: () => grown(m, ra(), d, round, smoothPoints(a, fine)),
      inputs: [a],
      fresh: true,
    };
  }
  if (kind === 7) {
    const p = randomPolygon(r);
    const d = r.pick([0.5, 3, 20, 60, -3, -15, -40, 150]);
    const join = r.pick<Join>([{ kind: "miter", limit: 4 }, { kind: "miter", limit: 1.5 }, { kind: "bevel" }]);
    return {
      what: `grow ${d} ${join.kind}`,
      answer: () => kernel.grow(p, d, join),
      reference: () => grown(m, welded(m, p), d, join, smoothPoints(p, fine)),
      inputs: [p],
      fresh: true,
    };
  }
  if (kind === 8) {
    const way: Way = r.chance(0.6)
      ? { kind: "vector", x: r.pick([0, 40, -40, r.between(-300, 300)]), y: r.pick([0, 40, r.between(-300, 300)]) }
      : { kind: "point", x: r.between(-500, 1100), y: r.between(-500, 1100), by: r.pick([0.3, 0.9, 1, -0.5]) };
    return {
      what: `sweep ${JSON.stringify(way)}`,
      answer: () => kernel.sweep(a, way).silhouette,
      reference: () => swept(m, ra(), way),
      inputs: [a],
      fresh: false,
      sweptBy: way.kind === "vector" ? Math.hypot(way.x, way.y) : 300,
    };
  }
  if (kind === 9) {
    // A shape of curves that do not cross: which outers there are is then no question of a hair.
    const p = letters.length ? r.pick(letters) : a;
    return {
      what: "plug",
      answer: () => kernel.plug(p),
      reference: () =>
        clip(
          m,
          "Union",
          "NonZero",
          welded(m, p).filter((q) => signedArea(q) > 0),
        ),
      inputs: [p],
      fresh: false,
    };
  }
  if (kind === 10) {
    const line = randomLine(r);
    const cap = r.pick<Cap>(["butt", "round", "square"]);
    const width = r.pick([1, 8, 40, 120]);
    return {
      what: `band ${width} ${cap}`,
      answer: () => kernel.band(line, { width, side: "centre", join: round, cap, dashes: [] }),
      reference: () => stroked(m, openLines(line), () => width / 2, round, cap, smoothPoints(line, fine)),
      inputs: [line],
      fresh: true,
    };
  }
  if (kind === 11) {
    const line = randomLine(r);
    const stops = [
      { at: 0, width: r.between(0, 40) },
      { at: r.between(0.2, 0.8), width: r.between(5, 60) },
      { at: 1, width: r.between(0, 40) },
    ];
    const half = (at: number) =>
      (at <= stops[1].at
        ? stops[0].width + ((stops[1].width - stops[0].width) * at) / stops[1].at
        : stops[1].width + ((stops[2].width - stops[1].width) * (at - stops[1].at)) / (1 - stops[1].at)) / 2;
    return {
      what: "band tapered",
      answer: () => kernel.band(line, { width: 0, side: "centre", join: round, cap: "butt", dashes: [], taper: stops }),
      reference: () => stroked(m, openLines(line), half, round, "butt", smoothPoints(line, fine)),
      inputs: [line],
      fresh: true,
    };
  }
  // Chained, as styles do it: an outline reached by two routes, an outline on an outline. Each step is held against the reference of that
  // step on the kernel's own result before it: whether a gap of a hair closes is no question for areas.
  const d = r.pick([3, 8, 20]);
  const chain = r.whole(0, 3);
  const grow = (p: Path, by: number) => grown(m, welded(m, p), by, round, smoothPoints(p, fine));
  const more = () => kernel.grow(a, d + 6, round);
  if (chain === 0)
    return {
      what: `grow ${d} less itself`,
      answer: () => kernel.subtract(kernel.grow(a, d, round), [a]),
      reference: () => clip(m, "Difference", "NonZero", grow(a, d), ra()),
      inputs: [a],
      fresh: true,
    };
  if (chain === 1)
    return {
      what: `grow ${d + 6}, shrink 6`,
      answer: () => kernel.grow(more(), -6, round),
      reference: () => grow(more(), -6),
      inputs: [a],
      fresh: true,
    };
  if (chain === 2)
    return {
      what: `exclude grow ${d + 6}, shrink 6, and grow ${d}`,
      answer: () => kernel.exclude([kernel.grow(more(), -6, round), kernel.grow(a, d, round)]),
      reference: () => clip(m, "Xor", "NonZero", welded(m, kernel.grow(more(), -6, round)), welded(m, kernel.grow(a, d, round))),
      inputs: [more()],
      fresh: false,
    };
  const b = neighbourOf(a, r, letters);
  const both = () => kernel.union([a, b]);
  const way: Way = { kind: "vector", x: 30, y: 20 };
  return {
    what: `grow ${d} of a weld, less a sweep`,
    answer: () => kernel.subtract(kernel.grow(both(), d, round), [kernel.sweep(b, way).silhouette]),
    reference: () => clip(m, "Difference", "NonZero", grow(both(), d), swept(m, welded(m, b), way)),
    inputs: [a, b],
    fresh: true,
    sweptBy: 36,
  };
}

/** Whether a shape, or a part of one, is on the average thinner than a tenth of a unit. */
const isHair = (shape: readonly Polygon[]): boolean =>
  shape.length === 0 || shape.some((p) => Math.abs(signedArea(p)) < 0.05 * perimeter(p));

/** An open line of a few segments; it may cross itself. */
function randomLine(r: Random): Path {
  const at = () => r.between(0, 500);
  const b = new PathBuilder().move(at(), at());
  for (let i = r.whole(1, 4); i > 0; i--) {
    const kind = r.whole(0, 2);
    if (kind === 0) b.line(at(), at());
    else if (kind === 1) b.quad(at(), at(), at(), at());
    else b.cubic(at(), at(), at(), at(), at(), at());
  }
  return b.build();
}

/** The points of open lines, in fine chords. */
function openLines(path: Path): { points: Polygon; closed: boolean }[] {
  return contoursOf(path, false).map((c) => {
    const out = [c.points[0], c.points[1]];
    for (let k = 0; k < c.size; k++) {
      const o = 8 * k;
      const one = new PathBuilder().move(c.points[o], c.points[o + 1]);
      const d = c.degrees[k];
      if (d === 1) one.line(c.points[o + 2], c.points[o + 3]);
      else if (d === 2) one.quad(c.points[o + 2], c.points[o + 3], c.points[o + 4], c.points[o + 5]);
      else one.cubic(c.points[o + 2], c.points[o + 3], c.points[o + 4], c.points[o + 5], c.points[o + 6], c.points[o + 7]);
      // Flattening wants three points at least: a far one is added and dropped.
      const [polygon] = flatten(one.line(1e6, 1e6).build(), fine);
      for (let i = 2; i < polygon.length - 2; i += 2) {
        // Short steps, so that a width that changes on the way is seen.
        const [fx, fy] = [out[out.length - 2], out[out.length - 1]];
        const steps = Math.ceil(Math.hypot(polygon[i] - fx, polygon[i + 1] - fy) / 3);
        for (let s = 1; s <= steps; s++) out.push(fx + ((polygon[i] - fx) * s) / steps, fy + ((polygon[i + 1] - fy) * s) / steps);
      }
    }
    return { points: Float64Array.from(out), closed: c.closed };
  });
}
