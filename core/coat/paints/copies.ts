import { mixOklab, mixSrgb, tinted } from "../../colour";
import type { Stop } from "../../params";
import type { Lit } from "../../depth/lit";
import type { SceneFill, SceneStop } from "../../scene/scene";
import type { Painted } from "../paint-kind";
import { placeOfPart, type Part, type Shape } from "../shape";

type Colour = Extract<SceneFill, { kind: "flat" }>;

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
  for (const part of parts) {
    const { inks, lit, tint } = part;
    const toned = (tone: number): Colour => {
      const found = colourAt(stops, tone * 100, mix, (id) => ink(inks?.[id] ?? id));
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

function litFill(part: Part, { from, to, stops }: Lit, colour: (tone: number) => Colour): SceneFill {
  const at: SceneStop[] = [];
  stops.forEach((stop, i) => {
    const last = stops[i - 1] ?? stop;
    const steps = Math.max(1, Math.ceil(Math.abs(stop.tone - last.tone) / between));
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
export const coloursOfCopies = (count: number, stops: readonly Stop[], mix: "srgb" | "oklab", ink: (id: string) => string): string[] =>
  Array.from({ length: count }, (_, i) => colourAt(stops, count > 1 ? (100 * i) / (count - 1) : 0, mix, ink).colour);

/** @param at percent of the way */
function colourAt(stops: readonly Stop[], at: number, mix: "srgb" | "oklab", ink: (id: string) => string): Colour {
  const sorted = [...stops].sort((a, b) => a.at - b.at);
  const after = sorted.findIndex((s) => s.at >= at);
  const [a, b] = after < 0 ? [sorted.at(-1)!, sorted.at(-1)!] : [sorted[Math.max(0, after - 1)], sorted[after]];
  const t = b.at > a.at ? (at - a.at) / (b.at - a.at) : 1;
  const colour = (mix === "oklab" ? mixOklab : mixSrgb)(ink(a.ink), ink(b.ink), t);
  return { kind: "flat", colour, opacity: (a.opacity + (b.opacity - a.opacity) * t) / 100 };
}
