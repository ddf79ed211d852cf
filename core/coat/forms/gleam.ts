import { isEmpty, type Bounds } from "../../curves/bounds";
import { ContourBuilder, pathOf, type Contour } from "../../curves/contour";
import type { Path } from "../../curves/path";
import { memoByKey } from "../../memo";
import { formStep } from "../form-step";
import { boundsOf, plain, type Part } from "../shape";

export const gleam = formStep({
  kind: "gleam",
  group: "fill",
  label: "Gleam",
  hint: "Straight or bowed bands across the letters, kept inside them or not",
  params: {
    angle: { type: "angle", label: "Angle", hint: "Which way the bands run, clockwise from level", default: 115, min: -180, max: 180 },
    place: {
      type: "number",
      label: "Place",
      hint: "Where the middle of the bands lies: 0 at one edge, 100 at the other",
      default: 45,
      min: -50,
      max: 150,
      step: 1,
      suffix: "%",
    },
    width: { type: "length", label: "Width", hint: "Of the first band", default: 20, min: 0, max: 2000, reach: 100 },
    count: { type: "number", label: "Bands", hint: "How many there are", default: 1, min: 1, max: 60, step: 1 },
    gap: {
      type: "length",
      label: "Gap",
      hint: "Between two bands",
      default: 6,
      min: 0,
      max: 2000,
      reach: 100,
      when: (v) => Number(v.count) > 1,
    },
    next: {
      type: "number",
      label: "Next width",
      hint: "Of each further band, as a share of the one before",
      default: 50,
      min: 5,
      max: 200,
      step: 1,
      suffix: "%",
      when: (v) => Number(v.count) > 1,
    },
    bow: {
      type: "number",
      label: "Bow",
      hint: "How far the bands bulge to one side, as a share of their length; below 0 to the other",
      default: 0,
      min: -100,
      max: 100,
      step: 1,
      suffix: "%",
    },
    ends: {
      type: "choice",
      label: "Ends",
      hint: "Whether the bands keep their width",
      default: "full",
      options: [
        { value: "full", label: "Full", hint: "As wide at the ends as in the middle" },
        { value: "points", label: "Points", hint: "Fading to nothing at both ends" },
      ],
    },
    over: {
      type: "choice",
      label: "Over",
      hint: "What one set of bands runs across",
      default: "all",
      options: [
        { value: "letter", label: "Letter", hint: "Each letter has its own" },
        { value: "line", label: "Line", hint: "Each line of text has its own" },
        { value: "all", label: "All", hint: "One set across all letters" },
      ],
    },
    inside: { type: "toggle", label: "Keep inside", hint: "Only where the letters are", default: true },
  },
  apply: (shape, { over, inside, ...bands }, { units, kernel }) => {
    const all = shape.parts.map(plain);
    const groups = over === "letter" ? all.map((p) => [p]) : over === "all" ? [all] : byLine(all);
    const parts: Part[] = [];
    for (const group of groups) {
      const box = boundsOf(group);
      if (isEmpty(box) || bands.width <= 0) continue;
      const drawn = bandsOver(box, { ...bands, width: units(bands.width), gap: units(bands.gap) });
      if (!inside) parts.push({ ...group[0], x: 0, y: 0, path: kernel.weld(drawn) });
      else
        for (const part of group) {
          const kept = kernel.intersect([part.path, drawn.transform([1, 0, 0, 1, -part.x, -part.y])]);
          if (!kept.isEmpty) parts.push({ ...part, path: kept });
        }
    }
    return { parts };
  },
});

const byLine = (parts: readonly Part[]): Part[][] =>
  [...new Set(parts.map((p) => p.line))].map((line) => parts.filter((p) => p.line === line));

interface Bands {
  readonly angle: number;
  readonly place: number;
  /** Units. */
  readonly width: number;
  readonly gap: number;
  readonly count: number;
  readonly next: number;
  readonly bow: number;
  readonly ends: "full" | "points";
}

const known = memoByKey<Path>(60);

/** The bands across a box, beyond it on both sides. */
function bandsOver(box: Bounds, bands: Bands): Path {
  return known(JSON.stringify([box, bands]), () => {
    const turn = (bands.angle * Math.PI) / 180;
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
    const corners = [
      [box.minX, box.minY],
      [box.maxX, box.minY],
      [box.minX, box.maxY],
      [box.maxX, box.maxY],
    ];
    // Along the bands, and across them.
    const along = corners.map(([x, y]) => cos * x + sin * y);
    const across = corners.map(([x, y]) => cos * y - sin * x);
    const [from, to] = [Math.min(...along), Math.max(...along)];
    const [low, high] = [Math.min(...across), Math.max(...across)];
    const bulge = (bands.bow / 100) * (to - from);
    const back = (u: number, v: number): [number, number] => [cos * u - sin * v, sin * u + cos * v];
    const widths = Array.from({ length: Math.round(bands.count) }, (_, i) => bands.width * (bands.next / 100) ** i);
    const whole = widths.reduce((sum, w) => sum + w, 0) + bands.gap * (widths.length - 1);
    let v = low + ((high - low) * bands.place) / 100 - whole / 2;
    const contours: Contour[] = widths.map((width) => {
      const band = bandBetween(from - 1, to + 1, v, width, bulge, bands.ends === "points", back);
      v += width + bands.gap;
      return band;
    });
    return pathOf(contours);
  });
}

/** One band: its edges are parabolas, one above the other, or both through the same ends. */
function bandBetween(
  from: number,
  to: number,
  v: number,
  width: number,
  bulge: number,
  points: boolean,
  back: (u: number, v: number) => [number, number],
): Contour {
  const out = new ContourBuilder();
  const middle = (from + to) / 2;
  // A parabola's control point lies twice as far out as the parabola.
  const [upper, lower] = points ? [v + width / 2, v + width / 2] : [v, v + width];
  const [upperTop, lowerTop] = points ? [v - width / 2, v + 1.5 * width] : [v, v + width];
  out.move(...back(from, upper));
  out.quad(...back(middle, upperTop - 2 * bulge), ...back(to, upper));
  if (!points) out.line(...back(to, lower));
  out.quad(...back(middle, lowerTop - 2 * bulge), ...back(from, lower));
  if (!points) out.line(...back(from, upper));
  return out.build(true);
}
