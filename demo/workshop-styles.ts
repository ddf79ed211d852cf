import type { Style } from "../core/style/schema";
import { newPaint } from "../core/coat/schema";
import { coat, flat, gradient, grow, knockOut, plug, shift, step, style, weld } from "./build";

/** Styles of hands at work: chalk, tubes, torn paper, brass. */
export const workshopStyles = (): Style[] => [
  style("Chalk Board", "luckiest-guy", "em", { Chalk: "#f3efe2", Dust: "#9fb0a6" }, [
    coat("Dust", flat("dust", 22), [grow(0.8), weld()], { blur: 4 }),
    coat("Chalk fill", flat("chalk", 88), [
      step("hatch", { angle: -38, spacing: 2.1, weight: 1.15, loose: 85, ends: 10, taper: true, seed: 4 }),
    ]),
    coat("Hand line", flat("chalk"), [step("redraw", { passes: 3, weight: 0.55, wander: 0.55, length: 14, seed: 2 })]),
  ]),
  style("Chalk Line", "kaushan-script", "em", { Chalk: "#f3efe2" }, [
    coat("Chalk", flat("chalk", 92), [step("hatch", { angle: -30, spacing: 0.9, weight: 0.8, loose: 40, ends: 0, seed: 7 })]),
  ]),
  style("Track Lines", "archivo-black", "em", { Rail: "#f6e9c9", Rust: "#a8402a", Sleeper: "#2a2320", Ballast: "#d8b98a" }, [
    coat("Bed", flat("ballast"), [grow(7.2), weld(), plug()]),
    coat("Sleeper", flat("sleeper"), [grow(5.6), weld(), plug()]),
    coat("Rust", flat("rust"), [weld()]),
    coat("Four lines", flat("rail"), [weld(), step("inlines", { count: 4, weight: 0.85 })]),
  ]),
  style("Night Tube", "fredoka", "em", { Core: "#fff4f6", Lit: "#ff4f78", Wall: "#3a86ff", Bracket: "#0e0b16" }, [
    coat("On the wall", flat("wall", 55), [step("inlines", { count: 1, weight: 3.6, gap: 40, cap: "round" }), shift(0.6, 2.4)], {
      blur: 6,
      blend: "screen",
    }),
    coat("Shadow", flat("bracket", 60), [step("inlines", { count: 1, weight: 3, gap: 40, cap: "round" }), shift(0.9, 1.6)], {
      blur: 1.4,
    }),
    coat("Tube", flat("core"), [step("inlines", { count: 1, weight: 2.9, gap: 40, cap: "round" })], {
      finish: {
        "outer-glow": { radii: [1.4, 4, 10, 24], ink: "lit", far: "lit", opacity: 72 },
        "inner-glow": { radius: 1, ink: "lit", opacity: 75 },
      },
    }),
  ]),
  style("Torn Poster", "anton", "em", { Paper: "#f4ead2", Fibre: "#d9c7a0", Ink: "#b3202c", Black: "#20191a", Shadow: "#20191a" }, [
    coat(
      "Paper",
      newPaint("grain", { material: "paper", size: 60, light: "paper", dark: "fibre", marks: "fibre", relief: 40, contrast: 60 }),
      [grow(9), weld(), plug(), step("ripple", { length: 3.4, height: 0.7, shape: "pointed", corners: "softened", uneven: 100, seed: 6 })],
      { shadow: { distance: 1.4, blur: 3, opacity: 45 } },
    ),
    coat("Red", flat("ink"), [
      grow(6.4),
      weld(),
      plug(),
      step("ripple", { length: 2.6, height: 0.5, shape: "pointed", corners: "softened", uneven: 100, seed: 9 }),
      knockOut("Word", 1.2),
    ]),
    coat("Word", flat("black"), [step("redraw", { as: "form", wander: 0.35, length: 9 })]),
  ]),
  style(
    "Harbour Script",
    "pacifico",
    "em",
    { Foam: "#eafaf4", Sea: "#2aa198", Deep: "#0b4a57", Night: "#082430", Sun: "#ffd98a", Shadow: "#221d33" },
    [
      coat("Night", flat("night"), [grow(5), weld(), plug()], { shadow: { distance: 3, blur: 5, opacity: 50 } }),
      coat("Sun line", flat("sun"), [grow(2.4), weld()]),
      coat(
        "Sea",
        gradient(
          [
            [0, "foam"],
            [38, "sea"],
            [100, "deep"],
          ],
          { line: "angle", angle: 96, mix: "oklab" },
        ),
        [weld()],
        { finish: { "inner-glow": { radius: 4, ink: "deep", opacity: 55, blend: "multiply" } } },
      ),
      coat("Rim shade", flat("night", 45), [weld(), step("rim", { side: "shade", width: 1.5 })]),
      coat("Rim light", flat("foam", 90), [weld(), step("rim", { side: "lit", width: 1.1 })]),
    ],
  ),
  style("Brass Sheet", "alfa-slab", "em", { Light: "#e8c987", Dark: "#9a7434", Marks: "#6c4d1d", Shadow: "#2a1c0a", Lit: "#fff3d0" }, [
    coat("Sheet", newPaint("grain", { material: "metal", size: 160, light: "light", dark: "dark", marks: "marks", relief: 50 }), [], {
      shadow: { distance: 4, blur: 8, opacity: 55 },
      finish: { relief: { height: 2.2, softness: 4, light: "lit", shade: "shadow" } },
    }),
    coat("Groove", flat("shadow", 55), [step("band", { width: 0.8, side: "centre", away: -9 })]),
    coat("Rivets", flat("dark"), [step("band", { width: 3.4, side: "centre", away: -4.6, dashes: [0.1, 22], cap: "round", fit: true })], {
      finish: { relief: { height: 1.6, softness: 2.6, light: "lit", shade: "shadow" } },
    }),
  ]),
  style(
    "Brass Letters",
    "alfa-slab",
    "em",
    { Gold: "#f3da8c", Old: "#b58526", Pale: "#fff6cf", Deep: "#7a5212", Shadow: "#2a1c0a", Lit: "#fffbe8" },
    [
      coat(
        "Leaf",
        gradient(
          [
            [0, "gold"],
            [20, "old"],
            [32, "pale"],
            [50, "gold"],
            [64, "deep"],
            [82, "old"],
            [100, "gold"],
          ],
          { shape: "angular", span: "letter", from: { x: 0.5, y: 0.5 }, to: { x: 1, y: 0.15 }, mix: "oklab" },
        ),
        [],
        {
          shadow: { distance: 1, blur: 1.6, opacity: 70 },
          finish: { relief: { height: 2, softness: 4, light: "lit", shade: "shadow" } },
        },
      ),
    ],
  ),
  style("Snow Cap", "fredoka", "em", { Snow: "#ffffff", Ice: "#cfeaf7", Lake: "#2b78b5", Deep: "#123e66" }, [
    coat("Deep", flat("deep"), [grow(3.4), weld(), plug(), shift(0.6, 1.6)]),
    coat(
      "Lake",
      gradient(
        [
          [0, "ice"],
          [45, "lake"],
          [100, "deep"],
        ],
        { line: "angle", angle: 90, mix: "oklab" },
      ),
      [grow(0.6), weld()],
    ),
    coat(
      "Snow",
      flat("snow"),
      [
        weld(),
        step("gleam", { angle: 0, place: 14, width: 26, over: "letter" }),
        step("ripple", { length: 7, height: 1.5, shape: "bumps", corners: "softened", edge: "lower", uneven: 70 }),
      ],
      { finish: { relief: { height: 1, softness: 3, light: "snow", shade: "lake", shadeOpacity: 45 } } },
    ),
  ]),
  style("Bunting", "bricolage", "em", { Cloth: "#d94f3d", Seam: "#fff3da", Back: "#2b4a5e", Thread: "#ffd27a" }, [
    coat("Back", flat("back"), [
      grow(5.5),
      weld(),
      plug(),
      step("ripple", { length: 9, height: 2.2, shape: "bumps", corners: "softened" }),
    ]),
    coat("Seam", flat("seam"), [grow(2.6), weld()]),
    coat("Cloth", flat("cloth"), [weld()]),
    coat("Stitches", flat("thread"), [
      weld(),
      step("band", { width: 0.8, side: "centre", away: -1.8, dashes: [2.2, 1.6], cap: "round", fit: true }),
    ]),
  ]),
  style("Shop Blind", "shrikhand", "em", { Cream: "#fbeed0", Amber: "#f0a04b", Rose: "#c8385a", Plum: "#4b2a63", Night: "#1c1733" }, [
    coat("Night", flat("night"), [grow(4.6), weld(), plug(), shift(1, 1.6)]),
    coat("Cream", flat("cream"), [grow(3), weld(), plug()]),
    coat(
      "Ribbons",
      gradient(
        [
          [0, "cream"],
          [30, "amber"],
          [65, "rose"],
          [100, "plum"],
        ],
        { shape: "copies", mix: "oklab" },
      ),
      [weld(), step("ribbons", { count: 20, length: 50, height: 4.4, angle: -24, drift: 7, uneven: 35, seed: 3 })],
    ),
  ]),
  style(
    "Fair Ground",
    "luckiest-guy",
    "em",
    {
      Cream: "#fff3d6",
      Red: "#d8432e",
      Teal: "#1f8a8c",
      Ochre: "#e9a02e",
      "Side, dark": "#4a1733",
      "Side, light": "#8e2f52",
      Ink: "#2a0f22",
    },
    [
      coat(
        "Block",
        gradient(
          [
            [0, "side, dark"],
            [100, "side, light"],
          ],
          { shape: "copies", mix: "oklab" },
        ),
        [grow(1.7), weld(), step("block-shade", { to: "point", point: { x: 0.5, y: 2.6 }, depth: 26 })],
      ),
      coat("Rim", flat("ink"), [grow(1.7), weld()]),
      coat("Cream", flat("cream"), [grow(0.9), weld()]),
      coat("Faces", newPaint("turns", { count: 3, first: "red", second: "ochre", third: "teal" })),
      coat("Light", flat("cream", 70), [step("rim", { width: 1.1, runs: "even" })]),
    ],
  ),
];
