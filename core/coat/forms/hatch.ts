import { contoursOf, pathOf, type Contour } from "../../curves/contour";
import type { Kernel } from "../../curves/kernel";
import { rotation } from "../../curves/matrix";
import type { Path } from "../../curves/path";
import { hatched, middlesOf, type Hatch, type Hatched } from "../../drawn/hatch";
import { hatchInk, looseInk } from "../../drawn/hatch-ink";
import { memoByIdentity } from "../../memo";
import { eachPart, formStep } from "../form-step";
import { inked, isDraft, laidOver } from "../inked-lines";

const known = memoByIdentity<Path, Path>(4);

/** Strokes do not change with their weight, which is dragged most. */
const along = memoByIdentity<Path, Hatched>(4);
const middle = memoByIdentity<Hatched, readonly Contour[]>(1);
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

function strokes(form: Path, drawn: Drawn, kernel: Kernel): Path {
  const { angle, turn, second, seed, spacing, loose, ends, joined, letter } = drawn;
  const hand = { angle, spacing, loose, ends, joined, seed, letter };
  const hands = second ? [hand, { ...hand, angle: angle + turn, seed: seed + 1 }] : [hand];
  const draft = isDraft(kernel);
  // An edge that lies in the ink, where shapes overlap, would cut strokes.
  const path = draft ? form : kernel.weld(form);
  const strokesOf = (h: Hatch) => along(path, JSON.stringify([h, draft]), () => hatched(path, h, draft));
  if (draft) {
    const lines = hands.map(strokesOf).flatMap((h) => middle(h, "", () => middlesOf(h, draft)));
    return inked(lines, penOf(drawn), kernel);
  }
  // Ends that reach over the edge are meant to.
  const inside = drawn.inside && ends >= 0;
  if (joined) return laidOver(hands.map((h) => joinedInk(path, strokesOf(h), inside, drawn, kernel)));
  const pen = { weight: drawn.weight, ...(drawn.taper ? { taper } : {}) };
  if (!inside) return laidOver(hands.map((h) => looseInk(strokesOf(h), pen)));
  const made = hands.map((h) => hatchInk(strokesOf(h), pen));
  const uncut = laidOver(made.map((m) => m.uncut));
  return laidOver([...made.map((m) => m.ink), ...(uncut.isEmpty ? [] : [kernel.intersect([uncut, path])])]);
}

const taper = [
  { at: 0, width: 0.15 },
  { at: 0.2, width: 1 },
  { at: 0.75, width: 1 },
  { at: 1, width: 0.1 },
];

function penOf({ weight, taper: isTapered }: Drawn) {
  const stops = taper.map(({ at, width }) => ({ at, width: width * weight }));
  return { width: weight, join: { kind: "round" }, cap: "round", ...(isTapered ? { taper: stops } : {}) } as const;
}

/** Lines to and fro. Where they lie level their boxes hardly meet, and what crosses what is found soonest. */
function joinedInk(path: Path, hatched: Hatched, inside: boolean, drawn: Drawn, kernel: Kernel): Path {
  const { angle } = hatched.hatch;
  const to = rotation(-angle);
  const within = inside ? turned(path, `${angle}`, () => kernel.placed(path, to)) : undefined;
  const lines = contoursOf(pathOf(middlesOf(hatched)).transform(to), false);
  return kernel.placed(inked(lines, { ...penOf(drawn), within }, kernel), rotation(angle));
}
