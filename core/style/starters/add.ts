import { contrast } from "../../colour";
import { newFinish, newFormStep, newLay, newPaint, type Coat, type Ink } from "../../coat/schema";
import type { FaceMetrics } from "../../lettering/face";
import { unitsPerLength } from "../measure";
import { inksOf, withSuggested } from "../inks";
import type { Style } from "../schema";
import type { Starter, StarterCoat, StarterTools } from "./starter";

/** What a starting coat is put on. */
export interface StartsOn {
  readonly metrics: FaceMetrics;
  /** Pixels to the em. */
  readonly size: number;
  /** What lies behind the letters, as #rrggbb. */
  readonly ground: string;
}

/** Form steps after which the letters are still covered. */
const covering = new Set(["letters", "weld", "plug", "grow", "shrink", "loosen", "ripple", "redraw", "shift", "scale"]);

/** The coat that is the letters' face: the front-most that fills them whole and hides what is below. */
export function faceOf(style: Style): Coat | undefined {
  const faces = style.coats.filter(
    ({ on, lay, form, finish }) =>
      on &&
      lay.kind === "fill" &&
      finish.blend.mode === "normal" &&
      finish.opacity.amount > 80 &&
      form[0].kind === "letters" &&
      form.every((s) => !s.on || covering.has(s.kind)),
  );
  return faces.at(-1);
}

/** Colours that stand by each other with less than this ratio (WCAG 2, contrast ratio) are hardly told apart at their border. */
const least = 1.6;

/** Where neither dark nor light is seen between a face and its ground: a red, a teal and an ochre. */
const between = ["#b8402a", "#2b7f86", "#d9982f"];

/**
 * Adds a starting coat to a style, where it belongs, in lengths that fit the letters and in inks that show. Inks of the style that are
 * called as those it needs are taken, where they stand out from the face.
 * @returns the style, and the id of the front-most coat that was added
 */
export function withStarter(style: Style, starter: Starter, on: StartsOn, newId: () => string): { style: Style; id: string } {
  const unit = unitsPerLength(style.measure, on.metrics, on.size);
  const length = (units: number) => Number((units / unit).toPrecision(4));
  const face = faceOf(style);
  const faceInk = inkOfFace(style, face);
  const faceColour = style.inks.find((i) => i.id === faceInk)?.colour ?? "#808080";
  /** How far a colour stands out from what it comes to lie beside. */
  const seen = (colour: string) => Math.min(starter.instead ? 21 : contrast(colour, faceColour), contrast(colour, on.ground));
  const inks: Ink[] = [...style.inks];
  const named = (name: string) => inks.find((i) => i.name.toLowerCase() === name.toLowerCase());
  const add = (name: string, colour: string): string => {
    const plain = name.toLowerCase().replace(/\W+/g, "-");
    const id = inks.some((i) => i.id === plain) ? newId() : plain;
    inks.push({ id, name, colour });
    return id;
  };
  const standing = (name: string, colours: readonly string[], seen: (colour: string) => number): string => {
    const known = named(name);
    if (known && seen(known.colour) >= least) return known.id;
    const best = colours.reduce((a, b) => (seen(b) > seen(a) ? b : a));
    return add(known ? `${name} ${inks.length + 1}` : name, best);
  };
  const tools: StarterTools = {
    st: (percent) => length((on.metrics.stem * percent) / 100),
    cap: (percent) => length((on.metrics.capHeight * percent) / 100),
    face: faceInk ?? add("Face", "#22303c"),
    faceCoat: face?.id ?? "",
    ink: (name, colour) => named(name)?.id ?? add(name, colour),
    against: (name, dark, light) => standing(name, [dark, light, ...between], seen),
    upon: (name, dark, light) => standing(name, [dark, light], (colour) => contrast(colour, faceColour)),
    mixes: contrast(on.ground, "#000000") < 4.5 ? "screen" : "multiply",
  };
  const reach = starter.place === "back" ? reachOf(style) : 0;
  const made = starter.coats(tools).map((c) => coatOf(outside(c, reach), newId));
  const coats = style.coats.map((c) => (starter.instead && c === face ? { ...c, on: false } : c));
  const at = starter.place === "back" ? 0 : starter.place === "front" || !face ? coats.length : style.coats.indexOf(face) + 1;
  coats.splice(at, 0, ...made);
  return { style: withSuggested({ ...style, inks, coats }), id: made[made.length - 1].id };
}

/** How far the coats of a style reach beyond the letters on all sides, as a length of the style. */
function reachOf(style: Style): number {
  const reaches = style.coats.map(({ on, form, lay }) => {
    if (!on || form[0].kind !== "letters") return 0;
    const grown = form.reduce((sum, s) => sum + (!s.on ? 0 : s.kind === "grow" ? s.amount : s.kind === "shrink" ? -s.amount : 0), 0);
    if (lay.kind !== "stroke" || lay.side === "inside") return grown;
    return grown + (lay.side === "outside" ? lay.width : lay.width / 2);
  });
  return Math.max(0, ...reaches);
}

/** A coat that comes in behind others is built on all that they cover, or it would not be seen. */
const outside = (coat: StarterCoat, reach: number): StarterCoat =>
  // A mirror shows all of them as they are.
  reach > 0 && coat.from === undefined && coat.form?.[0]?.[0] !== "mirror"
    ? { ...coat, form: [["grow", { amount: reach, join: "round" }], ...(coat.form ?? [])] }
    : coat;

/** The ink that a face is seen in: the first of its paint. */
function inkOfFace(style: Style, face: Coat | undefined): string | undefined {
  const [id] = face ? inksOf({ ...face, passes: {}, finish: newFinish() }) : [];
  return style.inks.some((i) => i.id === id) ? id : style.inks[0]?.id;
}

function coatOf({ name, from = "letters", form = [], paint, passes = {}, lay = ["fill"], finish }: StarterCoat, newId: () => string): Coat {
  return {
    id: newId(),
    name,
    on: true,
    form: [newFormStep(from, newId()), ...form.map(([kind, set]) => newFormStep(kind, newId(), set))],
    paint: newPaint(...paint),
    passes: Object.fromEntries(Object.entries(passes).map(([id, p]) => [id, newPaint(...p)])),
    lay: newLay(...lay),
    finish: newFinish(finish),
    order: [],
  };
}
