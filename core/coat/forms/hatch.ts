import { contoursOf, pathOf, type Contour } from "../../curves/contour";
import type { Kernel } from "../../curves/kernel";
import { rotation } from "../../curves/matrix";
import { PathBuilder, type Path } from "../../curves/path";
import { hatched } from "../../drawn/hatch";
import { memoByIdentity } from "../../memo";
import { eachPart, formStep } from "../form-step";
import { inked, isDraft } from "../inked-lines";

const known = memoByIdentity<Path, Path>(4);

/** Strokes do not change with their weight, which is dragged most. */
const along = memoByIdentity<Path, readonly Contour[]>(4);
const turned = memoByIdentity<Path, Path>(2);

interface Drawn {
  readonly angle: number;
  readonly spacing: number;
  readonly weight: number;
  readonly loose: number;
  readonly ends: number;
  readonly joined: boolean;
  readonly taper: boolean;
  readonly inside: boolean;
  readonly second: boolean;
  readonly turn: number;
  readonly seed: number;
  readonly letter: number;
}

export const hatch = formStep({
  kind: "hatch",
  group: "fill",
  label: "Hatch",
  hint: "Filled with strokes as by hand, ruled or loose",
  params: {
    angle: { type: "angle", label: "Angle", hint: "Which way the strokes run, clockwise from level", default: -35, min: -180, max: 180 },
    spacing: {
      type: "length",
      label: "Spacing",
      hint: "From the middle of one stroke to the next",
      default: 2.2,
      min: 0.2,
      max: 200,
      reach: 20,
    },
    weight: { type: "length", label: "Weight", hint: "How thick a stroke is", default: 1, min: 0.05, max: 100, reach: 10 },
    way: {
      type: "choice",
      label: "Strokes",
      hint: "Whether the hand lifts between strokes",
      default: "apart",
      options: [
        { value: "apart", label: "Apart", hint: "Each stroke for itself" },
        { value: "joined", label: "To and fro", hint: "One line, without lifting the hand" },
      ],
    },
    loose: {
      type: "number",
      label: "Looseness",
      hint: "How far strokes stray from ruled ones",
      default: 60,
      min: 0,
      max: 200,
      step: 1,
      suffix: "%",
    },
    ends: {
      type: "number",
      label: "Ends",
      hint: "How far strokes end inside the edge, as a share of the spacing; below 0 over it",
      default: 30,
      min: -200,
      max: 200,
      step: 1,
      suffix: "%",
    },
    taper: { type: "toggle", label: "Tapered", hint: "Thin at both ends, as chalk lifts", default: false },
    second: { type: "toggle", label: "Second direction", hint: "Strokes across the first", default: false },
    turn: {
      type: "angle",
      label: "Turned by",
      hint: "How far the second strokes are turned against the first",
      default: 90,
      min: -180,
      max: 180,
      when: (v) => v.second === true,
    },
    inside: { type: "toggle", label: "Keep inside", hint: "Cuts strokes off at the edge", default: true },
    seed: { type: "seed", label: "Again", hint: "Another hand at the same work", default: 1 },
  },
  apply: (shape, { way, loose, ends, spacing, weight, ...rest }, { kernel, units }) => {
    const drawn = {
      ...rest,
      joined: way === "joined",
      loose: loose / 100,
      ends: ends / 100,
      spacing: units(spacing),
      weight: units(weight),
    };
    return eachPart(shape, (path, { letter = 0 }) =>
      known(path, `${kernel.name} ${letter} ${JSON.stringify(drawn)}`, () => strokes(path, { ...drawn, letter }, kernel)),
    );
  },
});

function strokes(path: Path, drawn: Drawn, kernel: Kernel): Path {
  const { angle, turn, second, seed, spacing, loose, ends, joined, letter } = drawn;
  const hand = { angle, spacing, loose, ends, joined, seed, letter };
  const hands = second ? [hand, { ...hand, angle: angle + turn, seed: seed + 1 }] : [hand];
  const draft = isDraft(kernel);
  const lines = hands.map((h) => along(path, JSON.stringify([h, draft]), () => hatched(path, h, draft)));
  if (draft) return inked(lines.flat(), penOf(drawn), kernel);
  const made = hands.map((h, i) => level(path, lines[i], h.angle, drawn, kernel));
  // Strokes that cross lie over one another, as on paper: united they would be a lattice of some thousand holes, and no strokes any more.
  return made.length > 1 ? laidOver(made) : made[0];
}

function laidOver(paths: readonly Path[]): Path {
  const out = new PathBuilder();
  for (const p of paths) out.add(p);
  return out.build();
}

function penOf({ weight, taper }: Drawn) {
  const stops = [
    { at: 0, width: 0.15 * weight },
    { at: 0.2, width: weight },
    { at: 0.75, width: weight },
    { at: 1, width: 0.1 * weight },
  ];
  return { width: weight, join: { kind: "round" }, cap: "round", ...(taper ? { taper: stops } : {}) } as const;
}

/** The ink of strokes that all run one way. Where they lie level their boxes hardly meet, and what crosses what is found soonest. */
function level(path: Path, lines: readonly Contour[], angle: number, drawn: Drawn, kernel: Kernel): Path {
  const to = rotation(-angle);
  // Ends that reach over the edge are meant to.
  const within = drawn.inside && drawn.ends >= 0 ? turned(path, `${angle}`, () => kernel.placed(path, to)) : undefined;
  const area = inked(contoursOf(pathOf(lines).transform(to), false), { ...penOf(drawn), within }, kernel);
  return kernel.placed(area, rotation(angle));
}
