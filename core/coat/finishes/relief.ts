import type { BlendMode, SceneOverlay } from "../../scene/scene";
import { finish } from "../finish-kind";
import { mixing, on, ownInk, strength } from "./switched";

const straight = (degrees: number) => Math.cos((degrees * Math.PI) / 180);

export const relief = finish({
  kind: "relief",
  label: "Relief",
  hint: "A soft edge, raised or sunk, lit by the lamp",
  side: "over",
  params: {
    on: { type: "toggle", label: "Relief", hint: "Lights and shades the edge of the coat as the lamp would", default: false },
    form: {
      type: "choice",
      label: "Stands",
      hint: "Whether the letters rise from the ground",
      default: "raised",
      options: [
        { value: "raised", label: "Raised", hint: "Lit where it faces the lamp" },
        { value: "sunk", label: "Sunk", hint: "Lit where it faces away" },
      ],
      when: on,
    },
    height: { type: "length", label: "Height", hint: "How steep the edge is", default: 2, min: 0.1, max: 100, reach: 10, when: on },
    softness: {
      type: "length",
      label: "Softness",
      hint: "How wide the edge is rounded",
      default: 5,
      min: 0.1,
      max: 200,
      reach: 30,
      when: on,
    },
    light: ownInk("Light ink", "The colour of what is lit", "Lit", "#ffffff"),
    lightOpacity: strength("Light strength", "How bright it is lit", 75),
    lightBlend: mixing("Light blend", "How the light mixes with the coat's own paint", "screen"),
    shade: ownInk("Shade ink", "The colour of what lies in the shade", "Shadow", "#221d33"),
    shadeOpacity: strength("Shade strength", "How dark the shade is", 60),
    shadeBlend: mixing("Shade blend", "How the shade mixes with the coat's own paint", "multiply"),
  },
  needs: ["lamp"],
  spares: ({ on }) => (on ? [] : ["lamp"]),
  /**
   * The coat's area, blurred, is taken for its height. What it rises by towards the lamp, times the cosine of the lamp's height, is its
   * brightness against level ground (Lambert's law, for slopes that are not steep): light where it is above 0, shade where it is below.
   */
  apply: (
    coat,
    { on, form, height, softness, light, lightOpacity, lightBlend, shade, shadeOpacity, shadeBlend },
    { lamp, units, ...given },
  ) => {
    if (!on) return coat;
    const by = (form === "raised" ? units(height) : -units(height)) / 2;
    const deviation = units(softness) / 2;
    // Differences are small against the whole: as strong as a lamp at 45 degrees on an edge whose height is half of its softness.
    const gain = (2 * straight(lamp.height)) / straight(45);
    const rise = { x: lamp.x * by, y: lamp.y * by };
    const lit = (ink: string, opacity: number, blend: BlendMode, way: 1 | -1): SceneOverlay => ({
      kind: "slope",
      colour: given.ink(ink),
      ink: given.inkName(ink),
      opacity: Math.min(1, (opacity / 100) * lamp.strength),
      blend,
      deviation,
      gain,
      rise: { x: way * rise.x, y: way * rise.y },
    });
    const over = [lit(shade, shadeOpacity, shadeBlend, -1), lit(light, lightOpacity, lightBlend, 1)].filter((o) => o.opacity > 0);
    return { ...coat, body: { ...coat.body, over: [...(coat.body.over ?? []), ...over] } };
  },
});
