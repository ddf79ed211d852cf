import { mixOklab, mixSrgb } from "../../colour";
import type { Stop } from "../../params";
import type { SceneStop } from "../../scene/scene";
import type { PaintGiven } from "../paint-kind";

/** Colours set between two stops for what SVG does not know; 8 keep the error of a mix under one step of 255. */
const between = 8;

/** From 0 to 1, level at both ends (the cubic of Hermite, common practice). */
const eased = (t: number) => t * t * (3 - 2 * t);

/** The stops of a gradient as the scene has them: with those between that its mix and its easing need. */
export function sceneStops(
  stops: readonly Stop[],
  mix: "srgb" | "oklab",
  ease: "even" | "smooth" | "bands",
  { ink, inkName }: Pick<PaintGiven<readonly []>, "ink" | "inkName">,
): SceneStop[] {
  const sorted = stops
    .map((s): SceneStop => ({ offset: s.at / 100, colour: ink(s.ink), ink: inkName(s.ink), opacity: s.opacity / 100 }))
    .sort((a, b) => a.offset - b.offset);
  if (ease === "bands") return sorted.flatMap((stop, i) => (i > 0 ? [{ ...sorted[i - 1], offset: stop.offset }, stop] : [stop]));
  if (mix === "srgb" && ease === "even") return sorted;
  const mixed = mix === "oklab" ? mixOklab : mixSrgb;
  return sorted.flatMap((stop, i) => {
    const next = sorted[i + 1];
    const same = next && next.colour === stop.colour && (ease === "even" || next.opacity === stop.opacity);
    if (!next || same || next.offset === stop.offset) return [stop];
    const steps = Array.from({ length: between }, (_, k): SceneStop => {
      const t = (k + 1) / (between + 1);
      const share = ease === "smooth" ? eased(t) : t;
      return {
        offset: stop.offset + (next.offset - stop.offset) * t,
        colour: mixed(stop.colour, next.colour, share),
        opacity: stop.opacity + (next.opacity - stop.opacity) * share,
      };
    });
    return [stop, ...steps];
  });
}
