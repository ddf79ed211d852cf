import type { Finishes } from "../../coat/schema";

type Values = Readonly<Record<string, unknown>>;
type Named = readonly [kind: string, values?: Values];

/** One coat of a starting coat, as its kinds and what of them is not as usual. */
export interface StarterCoat {
  readonly name: string;
  /** What its form starts from; the letters where it is left out. */
  readonly from?: string;
  readonly form?: readonly Named[];
  readonly paint: Named;
  /** Paints of its passes, by the pass. */
  readonly passes?: Readonly<Record<string, Named>>;
  readonly lay?: Named;
  /** Finishes that are switched on or set. */
  readonly finish?: { readonly [K in keyof Finishes]?: Partial<Finishes[K]> };
}

/** What a starting coat is made with, on the letters that it is put on. */
export interface StarterTools {
  /** A length of the style, from percent of the stem. */
  readonly st: (percent: number) => number;
  /** A length of the style, from percent of the height of the capitals. */
  readonly cap: (percent: number) => number;
  /** The ink that the letters' face is painted in. */
  readonly face: string;
  /** An ink of the style of this name, or a new one of this colour. */
  readonly ink: (name: string, colour: string) => string;
  /** An ink of the style of this name that stands out, or a new one: the darker or the lighter colour, or one between, as is seen best. */
  readonly against: (name: string, dark: string, light: string) => string;
  /** As `against`, for what lies on the face alone. */
  readonly upon: StarterTools["against"];
  /** The blend mode in which one ink on the other is seen on what lies behind the letters. */
  readonly mixes: "multiply" | "screen";
  /** The id of the coat that is the letters' face; empty where there is none. */
  readonly faceCoat: string;
}

export const starterGroups = [
  { id: "behind", label: "Behind", hint: "Backings, shades and shadows: they come in at the back" },
  { id: "depth", label: "Depth", hint: "Blocks and shades, which come in at the back, and solids, which take the place of the face" },
  { id: "edge", label: "Edge", hint: "Outlines, stitches and rims along the edge" },
  { id: "face", label: "Face", hint: "What the letters themselves are painted with" },
  { id: "over", label: "Over", hint: "Light and texture over the face" },
  { id: "glow", label: "Glow", hint: "Letters that shine" },
  { id: "print", label: "Print", hint: "As presses and stamps leave them" },
] as const;
export type StarterGroup = (typeof starterGroups)[number]["id"];

/**
 * A coat made ready, or several that belong together, as a sign-writer sets them. Figures are common practice.
 */
export interface Starter {
  readonly id: string;
  readonly label: string;
  readonly hint: string;
  readonly group: StarterGroup;
  /** Where it comes in: behind all coats, right in front of the face, or in front of all. */
  readonly place: "back" | "face" | "front";
  /** Whether it takes the place of the face, which is switched off. */
  readonly instead: boolean;
  /** Back to front. */
  readonly coats: (tools: StarterTools) => readonly StarterCoat[];
}

interface Where {
  readonly place?: Starter["place"];
  readonly instead?: boolean;
}
type Row = readonly [label: string, hint: string, coats: Starter["coats"], where?: Where];

/** The starting coats of one group, which come in at one place unless they say otherwise. */
export const starters = (group: StarterGroup, place: Starter["place"], rows: readonly Row[]): Starter[] =>
  rows.map(([label, hint, coats, where]) => ({
    id: label.toLowerCase().replace(/\W+/g, "-"),
    label,
    hint,
    group,
    place: where?.place ?? place,
    instead: where?.instead ?? false,
    coats,
  }));

/** A shift by a length of the style, at an angle clockwise from the right. */
export function shifted(distance: number, degrees: number): readonly ["shift", Values] {
  const a = (degrees * Math.PI) / 180;
  const rounded = (v: number) => Number(v.toPrecision(4));
  return ["shift", { right: rounded(distance * Math.cos(a)), down: rounded(distance * Math.sin(a)) }];
}
