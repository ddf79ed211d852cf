import { rippled } from "../../drawn/ripple";
import { Budget } from "../../curves/budget";
import { memoByIdentity } from "../../memo";
import type { Path } from "../../curves/path";
import { eachPart, formStep } from "../form-step";

/** A hundred times what a word takes; some three seconds. */
const mostWork = 30e6;

const known = memoByIdentity<Path, Path>(4);

const letGo = (v: Readonly<Record<string, unknown>>) => v.corners === "softened";

export const ripple = formStep({
  kind: "ripple",
  group: "edge",
  label: "Ripple",
  hint: "Waves along the outline",
  params: {
    length: {
      type: "length",
      label: "Length",
      hint: "From crest to crest; fitted so that each outline closes",
      default: 12,
      min: 1,
      max: 1000,
      reach: 60,
    },
    height: { type: "length", label: "Height", hint: "From the outline to a crest", default: 2, min: 0, max: 200, reach: 20 },
    shape: {
      type: "choice",
      label: "Waves",
      hint: "What the waves are like",
      default: "smooth",
      options: [
        { value: "smooth", label: "Smooth", hint: "As water, in and out" },
        { value: "pointed", label: "Pointed", hint: "Straight to each crest and back" },
        { value: "bumps", label: "Bumps", hint: "Rounds that stand out, with creases between them" },
      ],
    },
    corners: {
      type: "choice",
      label: "Corners",
      hint: "What becomes of the corners of the letters",
      default: "kept",
      options: [
        { value: "kept", label: "Kept", hint: "Waves run from corner to corner" },
        { value: "softened", label: "Let go", hint: "Waves run round them" },
      ],
    },
    phase: {
      type: "number",
      label: "Moved along",
      hint: "How far the waves are moved, as a share of one",
      default: 0,
      min: -100,
      max: 100,
      step: 1,
      suffix: "%",
      when: letGo,
    },
    edge: {
      type: "choice",
      label: "Edges",
      hint: "Which edges have waves",
      default: "all",
      options: [
        { value: "all", label: "All", hint: "All around" },
        { value: "upper", label: "Upper", hint: "Only what faces up, as snow lies" },
        { value: "lower", label: "Lower", hint: "Only what faces down, as drops hang" },
      ],
    },
    uneven: {
      type: "number",
      label: "Uneven",
      hint: "How much the waves differ in height",
      default: 0,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
    },
    seed: { type: "seed", label: "Again", hint: "Another throw of the dice", default: 1, when: (v) => Number(v.uneven) > 0 },
  },
  apply: (shape, { length, height, phase, uneven, ...rest }, { kernel, units }) => {
    const waves = { ...rest, length: units(length), height: units(height), phase: phase / 100, uneven: uneven / 100 };
    if (waves.height === 0) return shape;
    // All letters share it: thousands of small pieces are as much work as thousands of words.
    const budget = new Budget(mostWork);
    return eachPart(shape, (path, { letter = 0 }) =>
      known(path, `${kernel.name} ${letter} ${JSON.stringify(waves)}`, () => rippled(path, { ...waves, letter }, kernel, budget)),
    );
  },
});
