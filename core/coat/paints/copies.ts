import { mixOklab, mixSrgb, tinted } from "../../colour";
import { memoByKey } from "../../memo";
import type { Stop } from "../../params";
import type { Lit } from "../../depth/lit";
import type { SceneFill, SceneStop } from "../../scene/scene";
import type { Painted } from "../paint-kind";
import { placeOfPart, type Part, type Shape } from "../shape";

export type Colour = Extract<SceneFill, { kind: "flat" }>;

/** Stops between two tones of a surface, so that a straight run between them looks as the inks' own mix does. */
const between = 0.125;

/**
 * The parts of a trail or a body, each in the one colour of the way that it stands at, or in those that light takes across it; what is no
 * copy stands at the start.
 */
export function copiesPainted({ parts }: Shape, stops: readonly Stop[], mix: "srgb" | "oklab", ink: (id: string) => string): Painted {
  const fills: SceneFill[] = [];
  const known = new Map<string, number>();
  const fillOf = new Map<Part, number>();
  const way = wayOf(stops, mix, ink);
  for (const part of parts) {
    const { inks, lit, tint } = part;
    const own = inks ? wayOf(stops, mix, (id) => ink(inks[id] ?? id)) : way;
    const toned = (tone: number): Colour => {
      const found = own(tone * 100);
      return tint ? { ...found, colour: tinted(found.colour, tint, tone) } : found;
    };
    if (lit) {
      fillOf.set(part, fills.push(litFill(part, lit, toned)) - 1);
      continue;
    }
    const colour = toned(part.along ?? 0);
    const key = `${colour.colour} ${colour.opacity}`;
    let at = known.get(key);
    if (at === undefined) known.set(key, (at = fills.push(colour) - 1));
    fillOf.set(part, at);
  }
  return { fills, fillOf: (part) => fillOf.get(part)! };
}

/** Light across a part as a gradient. @param colour of a tone */
export function litFill(part: Part, { from, to, stops, rough }: Lit, colour: (tone: number) => Colour): SceneFill {
  const at: SceneStop[] = [];
  stops.forEach((stop, i) => {
    const last = stops[i - 1] ?? stop;
    const steps = rough ? 1 : Math.max(1, Math.ceil(Math.abs(stop.tone - last.tone) / between));
    for (let k = i === 0 ? steps : 1; k <= steps; k++) {
      const t = k / steps;
      const { colour: c, opacity } = colour(last.tone + (stop.tone - last.tone) * t);
      at.push({ offset: last.at + (stop.at - last.at) * t, colour: c, opacity });
    }
  });
  const { x, y, matrix } = part;
  return { kind: "linear", from, to, box: part.path.bounds, stops: at, ...(matrix || x || y ? { matrix: placeOfPart(part) } : {}) };
}

/** The colours of a number of copies, from the first to the last: what each is painted in. */
export function coloursOfCopies(count: number, stops: readonly Stop[], mix: "srgb" | "oklab", ink: (id: string) => string): string[] {
  const way = wayOf(stops, mix, ink);
  return Array.from({ length: count }, (_, i) => way(count > 1 ? (100 * i) / (count - 1) : 0).colour);
}

/** The colour at so many percent of a way. */
type Way = (at: number) => Colour;

const ways = memoByKey<Way>(32);
/** Places of a way whose colours are kept: while a body changes its surfaces mostly stand as they stood. */
const places = 2000;

function wayOf(stops: readonly Stop[], mix: "srgb" | "oklab", ink: (id: string) => string): Way {
  const inked = stops.map((s) => ({ at: s.at, opacity: s.opacity, colour: ink(s.ink) })).sort((a, b) => a.at - b.at);
  return ways(`${mix} ${JSON.stringify(inked)}`, () => {
    const mixed = mix === "oklab" ? mixOklab : mixSrgb;
    const known = memoByKey<Colour>(places);
    return (at) =>
      known(`${at}`, () => {
        const after = inked.findIndex((s) => s.at >= at);
        const [a, b] = after < 0 ? [inked.at(-1)!, inked.at(-1)!] : [inked[Math.max(0, after - 1)], inked[after]];
        const t = b.at > a.at ? (at - a.at) / (b.at - a.at) : 1;
        return { kind: "flat", colour: mixed(a.colour, b.colour, t), opacity: (a.opacity + (b.opacity - a.opacity) * t) / 100 };
      });
  });
}
