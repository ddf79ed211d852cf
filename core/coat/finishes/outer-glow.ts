import { mixOklab } from "../../colour";
import { withReach } from "../../scene/effects";
import type { SceneLayer } from "../../scene/scene";
import { finish } from "../finish-kind";
import { boundsOf } from "../shape";
import { mixing, on, ownInk, strength } from "./switched";

export const outerGlow = finish({
  kind: "outer-glow",
  label: "Outer glow",
  hint: "Light around the coat, as of a lit tube",
  side: "behind",
  params: {
    on: { type: "toggle", label: "Outer glow", hint: "Lets the coat shine on what is around it", default: false },
    radii: {
      type: "lengths",
      label: "Radii",
      hint: "How far each glow reaches, the nearest first, such as 5 10 20",
      default: [3, 8, 18],
      when: on,
    },
    ink: ownInk("Glow ink", "The colour of the nearest glow", "Glow", "#ffc95c"),
    far: ownInk("Far ink", "The colour of the farthest glow; those between are mixed", "Glow", "#ffc95c"),
    opacity: strength("Glow strength", "How strong each of them is", 60),
    blend: mixing("Glow blend", "How the glow mixes with what is below", "normal"),
  },
  /** A radius is twice the deviation, as in CSS (Backgrounds and Borders Level 3, section 6.1.1). */
  apply: (coat, { on, radii, ink, far, opacity, blend }, { units, ...given }) => {
    const reaches = radii.filter((r) => r > 0).sort((a, b) => b - a);
    if (!on || opacity === 0 || !reaches.length) return coat;
    const { id, group, label } = coat.body;
    const { parts } = coat.shape;
    const paths = parts.map(({ path, x, y, matrix }) => ({ path, x, y, ...(matrix ? { matrix } : {}), fill: 0 }));
    const box = boundsOf(parts);
    const glows = reaches.map((radius, i): SceneLayer => {
      const effects = [{ kind: "blur" as const, deviation: units(radius) / 2 }];
      const t = reaches.length > 1 ? 1 - i / (reaches.length - 1) : 0;
      const [name, farName] = [given.inkName(ink), given.inkName(far)];
      const mixed = ink === far || t === 0 ? given.ink(ink) : t === 1 ? given.ink(far) : mixOklab(given.ink(ink), given.ink(far), t);
      return {
        id: `${id}.glow${i}`,
        group,
        label: `${label}, glow`,
        opacity: opacity / 100,
        blend,
        fills: [{ kind: "flat", colour: mixed, ink: ink === far || t === 0 ? name : t === 1 ? farName : undefined, opacity: 1 }],
        paths,
        bounds: withReach(box, effects),
        effects,
      };
    });
    return { ...coat, behind: [...coat.behind, ...glows] };
  },
});
