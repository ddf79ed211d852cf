import "culori/css";
import { clampChroma, converter, formatHex } from "culori/fn";
import { copiesOf } from "../coat/copies-of";
import type { Coat } from "../coat/schema";
import { contrast } from "../colour";
import type { Style } from "./schema";

const oklch = converter("oklch");

/** Inks that go with one another, by how they lie to each other. */
export interface Harmony {
  readonly name: string;
  readonly hint: string;
  readonly colours: readonly string[];
}

/** An ink turned on the wheel of hues, or lighter or darker, as far as sRGB holds it (OKLCH: CSS Color Level 4, section 9). */
function turned(colour: string, degrees: number, lighter = 0): string {
  const { l, c, h = 0 } = oklch(colour)!;
  const lightness = Math.min(0.98, Math.max(0.08, l + lighter));
  return formatHex(clampChroma({ mode: "oklch", l: lightness, c, h: (((h + degrees) % 360) + 360) % 360 }, "oklch"));
}

/** What goes with an ink, as painters' wheels have it (common practice), with even steps to the eye. */
export const harmoniesOf = (colour: string): Harmony[] => [
  { name: "Shades", hint: "The same hue, darker and lighter", colours: [-0.24, -0.12, 0.12, 0.24].map((l) => turned(colour, 0, l)) },
  { name: "Beside", hint: "Its neighbours on the wheel: calm", colours: [-50, -25, 25, 50].map((d) => turned(colour, d)) },
  { name: "Opposite", hint: "From the other side of the wheel: loud", colours: [150, 180, 210].map((d) => turned(colour, d)) },
  { name: "Thirds", hint: "A third and two thirds of the wheel away", colours: [120, 240].map((d) => turned(colour, d)) },
];

/** A coat that hardly stands out from the one behind it. */
export interface WeakBorder {
  readonly front: string;
  readonly behind: string;
  /** 1 to 21 (WCAG 2, contrast ratio). */
  readonly ratio: number;
}

/** Under this the border of two coats is lost at arm's length; WCAG 2 asks for 3 where the form alone has to be told. */
const weak = 1.3;

/** Under this a face is lost among the copies that it stands before. */
const sunken = 1.5;

/** A face in a flat ink of its own that hardly stands out from the copy right behind it. */
function weakFace(coat: Coat, colour: (id: string) => string | undefined): WeakBorder | undefined {
  const { name, on, paint, passes } = coat;
  const { face } = passes;
  if (!on || face?.kind !== "flat" || paint.kind !== "gradient" || paint.shape !== "copies" || !copiesOf(coat)) return undefined;
  const nearest = paint.stops.reduce((a, b) => (b.at < a.at ? b : a));
  const [a, b] = [colour(face.ink), colour(nearest.ink)];
  const ratio = a && b ? contrast(a, b) : 21;
  return ratio < sunken ? { front: `${name}, face`, behind: `${name}, first copy`, ratio } : undefined;
}

/** Coats of one flat ink that lie right on another such one of nearly the same lightness. */
export function weakBorders({ coats, inks }: Style): WeakBorder[] {
  const colour = (id: string) => inks.find((i) => i.id === id)?.colour;
  const found: WeakBorder[] = coats.flatMap((coat) => weakFace(coat, colour) ?? []);
  const flat = coats.filter((c) => c.on && c.finish.blend.mode === "normal" && c.finish.opacity.amount > 60 && c.lay.kind === "fill");
  for (let i = 1; i < flat.length; i++) {
    const [behind, front] = [flat[i - 1], flat[i]];
    if (behind.paint.kind !== "flat" || front.paint.kind !== "flat" || behind.paint.ink === front.paint.ink) continue;
    if (behind.paint.opacity < 60 || front.paint.opacity < 60) continue;
    const [a, b] = [colour(behind.paint.ink), colour(front.paint.ink)];
    const ratio = a && b ? contrast(a, b) : 21;
    if (ratio < weak) found.push({ front: front.name, behind: behind.name, ratio });
  }
  return found;
}
