import type { SceneFill } from "../../scene/scene";
import type { Part } from "../shape";
import { litFill, type Colour } from "./copies";

/** The tone of a surface whose material is seen as it is. */
const plainly = 0.72;
/** How much darker the darkest surface is, and how much lighter the lightest. */
const depth = 0.66;
const shine = 0.22;

/** What is laid over a material for the light on it: darkness is black, as the share of the light that is missing. */
function veil(tone: number, tint: string): Colour {
  return tone < plainly
    ? { kind: "flat", colour: "#000000", opacity: (depth * (plainly - tone)) / plainly }
    : { kind: "flat", colour: tint, opacity: (shine * (tone - plainly)) / (1 - plainly) };
}

/** The light on surfaces of a body that are of a material, to be laid over it. */
export class Lighted {
  readonly #known = new Map<string, number>();

  /** @param fills to which those of the light are added */
  constructor(private readonly fills: SceneFill[]) {}

  /** Which of the fills a part's light is; undefined where the light says nothing of it. */
  readonly of = (part: Part): number | undefined => {
    const { surface, lit, along = 0, tint = "#ffffff" } = part;
    if (!surface?.lighted) return undefined;
    if (lit) return this.fills.push(litFill(part, lit, (tone) => veil(tone, tint))) - 1;
    const key = `${along} ${tint}`;
    let at = this.#known.get(key);
    if (at === undefined) this.#known.set(key, (at = this.fills.push(veil(along, tint)) - 1));
    return at;
  };
}
