import { mixOklab, mixSrgb } from "../../colour";
import type { Stop } from "../../params";
import type { SceneFill } from "../../scene/scene";
import type { Painted } from "../paint-kind";
import type { Part, Shape } from "../shape";

type Colour = Extract<SceneFill, { kind: "flat" }>;

/** The parts of a trail, each in the one colour of the way that it stands at; what is no copy stands at the start. */
export function copiesPainted({ parts }: Shape, stops: readonly Stop[], mix: "srgb" | "oklab", ink: (id: string) => string): Painted {
  const fills: Colour[] = [];
  const known = new Map<string, number>();
  const fillOf = new Map<Part, number>();
  for (const part of parts) {
    const { inks } = part;
    const colour = colourAt(stops, (part.along ?? 0) * 100, mix, (id) => ink(inks?.[id] ?? id));
    const key = `${colour.colour} ${colour.opacity}`;
    let at = known.get(key);
    if (at === undefined) known.set(key, (at = fills.push(colour) - 1));
    fillOf.set(part, at);
  }
  return { fills, fillOf: (part) => fillOf.get(part)! };
}

/** @param at percent of the way */
function colourAt(stops: readonly Stop[], at: number, mix: "srgb" | "oklab", ink: (id: string) => string): Colour {
  const sorted = [...stops].sort((a, b) => a.at - b.at);
  const after = sorted.findIndex((s) => s.at >= at);
  const [a, b] = after < 0 ? [sorted.at(-1)!, sorted.at(-1)!] : [sorted[Math.max(0, after - 1)], sorted[after]];
  const t = b.at > a.at ? (at - a.at) / (b.at - a.at) : 1;
  const colour = (mix === "oklab" ? mixOklab : mixSrgb)(ink(a.ink), ink(b.ink), t);
  return { kind: "flat", colour, opacity: (a.opacity + (b.opacity - a.opacity) * t) / 100 };
}
