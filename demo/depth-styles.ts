import { newPaint, type Paint } from "../core/coat/schema";
import type { Style } from "../core/style/schema";
import { coat, flat, gradient, grow, shift, shrink, step, stroke, style, weld } from "./build";

/** From dark to light over the sides or the slopes of a body. */
const over = (...inks: readonly [number, string][]): Paint => gradient([...inks], { shape: "copies", mix: "oklab" });

const grain = (light: string, dark: string, marks: string, values: Readonly<Record<string, unknown>> = {}): Paint =>
  newPaint("grain", { light, dark, marks, ...values });

/** Looks with depth: solids, chisels, trails and mirrors. */
export const depthStyles = (): Style[] => [
  style(
    "Cabin Door",
    "alfa-slab",
    "em",
    {
      Pine: "#e3b878",
      Heart: "#9f6430",
      Pores: "#5a351c",
      Shadow: "#1a120c",
    },
    [
      coat(
        "Planks",
        grain("pine", "heart", "pores", { span: "letter", size: 60, seed: 7 }),
        [step("solid", { tilt: 12, swing: -20, depth: 11 })],
        {
          shadow: { way: { angle: 60, distance: 5 }, blur: 7, opacity: 50 },
        },
      ),
    ],
  ),
  style("Enamel Plate", "archivo-black", "em", { Sky: "#2f6fa8", Deep: "#143a63", Night: "#0b2038", White: "#fbf7ea", Gloss: "#ffffff" }, [
    coat("Block", over([0, "night"], [100, "deep"]), [grow(2.1), weld(), step("block-shade", { way: { angle: 130, distance: 9 } })]),
    coat("White", flat("white"), [grow(2.1), weld()]),
    coat(
      "Blue",
      gradient(
        [
          [0, "sky"],
          [100, "deep"],
        ],
        { mix: "oklab" },
      ),
    ),
    coat("Line", flat("white"), [shrink(1.5, "miter")], { lay: stroke(0.6, { side: "inside", join: "miter" }) }),
    coat("Gloss", flat("gloss", 26), [step("gleam", { angle: 0, place: 26, width: 40, count: 1, over: "line" })]),
  ]),
  style("Brass Plaque", "fraunces", "stem", { Dark: "#3b240d", Brass: "#a8742a", Light: "#ffefb6", Pale: "#e3bd6a", Pit: "#1d1207" }, [
    coat("Pit", flat("pit", 55), [grow(7), weld(), shift(3, 7)], { blur: 6 }),
    coat("Letters", over([0, "dark"], [52, "brass"], [100, "light"]), [step("chisel", { to: "top", width: 20, angle: 50 })], {
      passes: { face: grain("pale", "brass", "light", { material: "metal", size: 60 }) },
    }),
  ]),
  style("Slate Cut", "kalnia", "stem", { Deep: "#15191d", Slate: "#59646c", Pale: "#d5dcde", Edge: "#eef2f2" }, [
    coat("Rim", flat("edge", 34), [shift(3, 3)]),
    coat("Cut", over([0, "deep"], [58, "slate"], [100, "pale"]), [step("chisel", { cut: "sunk", angle: 58, line: 2 })], {
      passes: { lines: flat("edge") },
    }),
  ]),
  style("Tunnel Mouth", "anton", "cap", { Mouth: "#fff4d8", Ember: "#f0903c", Brick: "#a8321f", Soot: "#1d1420" }, [
    coat("Tunnel", over([0, "ember"], [40, "brick"], [100, "soot"]), [
      step("trail", { copies: 150, to: "point", point: { x: 0.5, y: 2.3 }, size: 42, spacing: -20 }),
    ]),
    coat("Rim", flat("soot"), [grow(2.4), weld()]),
    coat("Mouth", flat("mouth")),
  ]),
  style("Summit Poster", "luckiest-guy", "em", { Snow: "#fdf6e3", Night: "#1f2b4d", Lake: "#3f7f9e", Dawn: "#f2b36b", Peak: "#e2603f" }, [
    coat(
      "Summit",
      over([0, "night"], [40, "lake"], [100, "dawn"]),
      [step("solid", { tilt: 26, swing: 0, depth: 30, perspective: 85, sides: "tones", tones: 4 })],
      { passes: { face: flat("snow") } },
    ),
  ]),
  style("Chapel Bell", "unifrakturcook", "stem", { Umber: "#2c1a08", Gold: "#b67a1e", Leaf: "#ffe9a3", Wine: "#4b1220" }, [
    coat("Wine", flat("wine"), [grow(16, "round"), weld()]),
    coat("Bell", over([0, "umber"], [55, "gold"], [100, "leaf"]), [step("chisel", { angle: 52, surface: "metal" })]),
  ]),
  style(
    "High Street",
    "special-gothic-expanded",
    "em",
    { Paper: "#fff8e6", Ink: "#1d1b24", Mint: "#8cc3a2", Pine: "#24604c", Coral: "#e2694a" },
    [
      coat("Sign", flat("mint"), [step("solid", { tilt: 5, swing: 36, depth: 12, perspective: 60, sides: "ways", edge: 0.55 })], {
        passes: {
          face: flat("paper"),
          left: flat("coral"),
          right: flat("coral"),
          upper: flat("pine"),
          lower: flat("pine"),
          edges: flat("ink"),
        },
      }),
    ],
  ),
  style("Ferry Lights", "fredoka", "em", { Lamp: "#ffe9b0", Amber: "#f2a33c", Glow: "#ff7a2f", Night: "#141a2e" }, [
    coat("Water", flat("lamp"), [step("mirror", { height: 85, reach: 105, strength: 60, blur: 1.6, wave: 0.5, length: 5, gap: 1 })]),
    coat("Halo", flat("glow"), [shrink(1)], { finish: { "outer-glow": { ink: "glow", opacity: 70 } } }),
    coat(
      "Bulbs",
      gradient(
        [
          [0, "lamp"],
          [100, "amber"],
        ],
        { mix: "oklab" },
      ),
    ),
  ]),
  style("Tea Tin", "shrikhand", "em", { Rose: "#c23b4e", Wine: "#6b1730", Cream: "#fff3dc" }, [
    coat("Mirror", flat("rose"), [step("mirror", { reach: 65, strength: 42 })]),
    coat("Edge", flat("wine"), [grow(2.2), weld(), shift(0.8, 1.4)]),
    coat("Cream", flat("cream"), [grow(1.5), weld()]),
    coat(
      "Rose",
      gradient(
        [
          [0, "rose"],
          [100, "wine"],
        ],
        { mix: "oklab" },
      ),
    ),
  ]),
  style("Ice House", "bricolage", "stem", { Deep: "#0f3450", Ice: "#5fb0c9", White: "#f2fdff", Rim: "#0a2136" }, [
    coat("Rim", flat("rim"), [grow(8, "miter"), weld()]),
    coat("Ice", over([0, "deep"], [55, "ice"], [100, "white"]), [step("chisel", { tones: 6, angle: 60 })]),
  ]),
  style("Long Evening", "archivo-black", "em", { Cream: "#fff0cf", Sun: "#f6b24a", Rust: "#c4472b", Plum: "#4a1d3f", Night: "#1c1530" }, [
    coat("Evening", over([0, "sun"], [35, "rust"], [70, "plum"], [100, "night"]), [
      step("block-shade", { sides: "deep", steps: 28, way: { angle: 48, distance: 70 } }),
    ]),
    coat("Rim", flat("night"), [], { lay: stroke(1.1, { side: "outside", join: "miter" }) }),
    coat("Face", flat("cream")),
  ]),
];
