import type { Band, TaperStop } from "../curves/kernel";
import type { Params, Values } from "../params";
import { joinOf, joinParams } from "./joins";

const dashed = (values: Readonly<Record<string, unknown>>) => Array.isArray(values.dashes) && values.dashes.some((d) => d > 0);

const tapers = {
  even: [],
  end: [1, 0],
  start: [0, 1],
  ends: [0, 1, 0],
  middle: [1, 0.25, 1],
} satisfies Readonly<Record<string, readonly number[]>>;

/** The settings of a line along an edge, as a stroke paints it and as a form. */
export const strokeParams = {
  width: { type: "length", label: "Width", hint: "How wide the stroke is", default: 2, min: 0, max: 1000 },
  side: {
    type: "choice",
    label: "Side",
    hint: "Where the stroke lies",
    default: "centre",
    options: [
      { value: "inside", label: "Inside", hint: "Within the form" },
      { value: "centre", label: "Centre", hint: "Half in, half out" },
      { value: "outside", label: "Outside", hint: "Around the form" },
    ],
  },
  ...joinParams,
  dashes: {
    type: "lengths",
    label: "Dashes",
    hint: "Lengths painted and left out in turn, such as 4 2; empty for an unbroken stroke",
    default: [],
  },
  fit: {
    type: "toggle",
    label: "Fit dashes",
    hint: "Makes dashes a little longer or shorter, so that each outline ends as it began",
    default: false,
    when: dashed,
  },
  cap: {
    type: "choice",
    label: "Caps",
    hint: "How dashes end",
    default: "butt",
    when: dashed,
    options: [
      { value: "butt", label: "Butt", hint: "Cut off at the end" },
      { value: "round", label: "Round", hint: "Ended by half a circle" },
      { value: "square", label: "Square", hint: "Longer by half the width" },
    ],
  },
  taper: {
    type: "choice",
    label: "Taper",
    hint: "How the width changes along each dash, or around the outline",
    default: "even",
    options: [
      { value: "even", label: "Even", hint: "One width throughout" },
      { value: "end", label: "To the end", hint: "Runs out to a point" },
      { value: "start", label: "From the start", hint: "Begins at a point" },
      { value: "ends", label: "Both ends", hint: "Widest in its middle" },
      { value: "middle", label: "In the middle", hint: "Narrowest in its middle" },
    ],
  },
  start: {
    type: "angle",
    label: "Starts at",
    hint: "Where around the outline its width starts: 0° is the right, 90° the foot",
    default: 135,
    min: -360,
    max: 360,
    when: (v: Readonly<Record<string, unknown>>) => v.taper !== "even" && !dashed(v),
  },
} as const satisfies Params;

/** The band of these settings, its lengths in units. */
export function bandOf(values: Values<typeof strokeParams>, units: (length: number) => number): Band {
  // A thousand dashes round a letter are art; a million are a slip of the keyboard.
  const dashes = values.dashes.map((d) => units(d));
  const long = dashes.reduce((a, b) => a + b, 0) >= 2 ? dashes : [];
  const width = units(values.width);
  return {
    width,
    side: values.side,
    join: joinOf(values),
    cap: values.cap,
    dashes: long,
    ...(long.length && values.fit ? { fit: true } : {}),
    ...(values.taper !== "even" ? { taper: widths(tapers[values.taper], width) } : {}),
    ...(values.taper !== "even" && !long.length ? { start: values.start } : {}),
  };
}

const widths = (shares: readonly number[], width: number): TaperStop[] =>
  shares.map((share, i) => ({ at: i / (shares.length - 1), width: share * width }));
