import { openStyle } from "../core/input/open";
import type { Style } from "../core/style/schema";
import { newPaint } from "../core/coat/schema";
import { demoTags } from "./tags";
import { depthStyles } from "./depth-styles";
import { workshopStyles } from "./workshop-styles";
import { coat, flat, gradient, grow, plug, shift, shrink, step, stroke, style, trail, weld } from "./build";

/** The styles that ship, made for the lettering jobs of Brindlemoor. */
export const demoStyles = (): Style[] =>
  [...all(), ...workshopStyles(), ...depthStyles()].map((s) => openStyle({ ...s, tags: demoTags[s.name] ?? [] }));

const all = (): Style[] => [
  style(
    "Gaslight",
    "pacifico",
    "em",
    { Face: "#fff3d1", Brass: "#e8a93a", Ember: "#b4571e", Night: "#14213d", Deep: "#0a1226", Glow: "#f7c873" },
    [
      coat("Harbour shadow", flat("deep"), [grow(7.5), weld(), plug(), shift(1.6, 3.2)]),
      coat("Night outline", flat("night"), [grow(7.5), weld(), plug()]),
      coat("Brass line", flat("brass"), [grow(6), weld(), plug()], { lay: stroke(0.9, { side: "inside", join: "round" }) }),
      coat(
        "Brass edge",
        gradient(
          [
            [0, "glow"],
            [55, "brass"],
            [100, "ember"],
          ],
          { mix: "oklab" },
        ),
        [grow(2.4), weld()],
      ),
      coat(
        "Face",
        gradient(
          [
            [0, "face"],
            [60, "face"],
            [100, "glow"],
          ],
          { mix: "oklab" },
        ),
        [weld()],
      ),
    ],
  ),
  style(
    "Orchard",
    "shrikhand",
    "em",
    { Apple: "#d7263d", Ripe: "#8f1230", Blush: "#ff7a5c", Cream: "#fff4dc", Leaf: "#1f5b3a", Bark: "#12301f" },
    [
      coat("Bark", flat("bark"), [grow(8, "round"), weld(), plug(), shift(2.2, 3.4)]),
      coat("Leaf", flat("leaf"), [grow(8, "round"), weld(), plug()]),
      coat("Cream", flat("cream"), [grow(4.2, "round"), weld()]),
      coat(
        "Apple",
        gradient(
          [
            [0, "blush"],
            [45, "apple"],
            [100, "ripe"],
          ],
          { mix: "oklab" },
        ),
      ),
      coat("Shine", flat("cream", 85), [shrink(2.2)], {
        lay: stroke(0.8, { side: "inside", join: "round", dashes: [9, 2, 3, 200], cap: "round" }),
      }),
    ],
  ),
  style("Signal Box", "archivo-black", "cap", { Enamel: "#f7f3e8", Red: "#c8102e", Oxide: "#7d0c1f", Iron: "#1d1f24" }, [
    coat("Iron", flat("iron"), [grow(16, "bevel"), weld(), plug(), shift(1.5, 4)]),
    coat(
      "Plate",
      gradient(
        [
          [0, "red"],
          [100, "oxide"],
        ],
        { mix: "oklab" },
      ),
      [grow(16, "bevel"), weld(), plug()],
    ),
    coat("Rule", flat("enamel"), [grow(13, "bevel"), weld(), plug()], { lay: stroke(1.6, { side: "inside", join: "miter" }) }),
    coat("Cut", flat("oxide"), [shift(1.2, 2.4)]),
    coat("Letters", flat("enamel")),
  ]),
  style("Tea Room", "abril-fatface", "em", { Cocoa: "#43241c", Rose: "#e7a8a0", Gilt: "#c8973f", Milk: "#fbf1e3" }, [
    coat("Rose edge", flat("rose"), [grow(4.6, "round"), weld(), shift(1.3, 1.6)]),
    coat("Gilt", flat("gilt"), [grow(4.6, "round"), weld()]),
    coat("Milk", flat("milk"), [grow(3.7, "round"), weld()]),
    coat("Cocoa", flat("cocoa")),
    coat("Gilt inline", flat("gilt"), [shrink(2.1)], { lay: stroke(0.45, { side: "inside", join: "miter" }) }),
  ]),
  style("Switchback", "bangers", "em", { Sun: "#ffd23f", Tangerine: "#ff7b00", Tar: "#1b1b3a", Sky: "#1fa2c9", White: "#ffffff" }, [
    coat("Road", flat("tar"), [grow(5.6, "miter", 8), weld(), plug(), shift(6.4, 6.4)]),
    coat("Sky", flat("sky"), [grow(3.2, "miter", 8), weld(), plug(), shift(6.4, 6.4)]),
    coat("Tar line", flat("tar"), [grow(4.4, "miter", 8), weld()]),
    coat("White line", flat("white"), [grow(2, "miter", 8)]),
    coat(
      "Sun",
      gradient(
        [
          [0, "sun"],
          [50, "sun"],
          [50, "tangerine"],
          [100, "tangerine"],
        ],
        { span: "line" },
      ),
    ),
  ]),
  style(
    "Airwave",
    "righteous",
    "em",
    { Plum: "#3d1a4b", Coral: "#f25f5c", Apricot: "#ffa552", Straw: "#ffe08a", Mint: "#70c1b3", Bone: "#fff8ea" },
    [
      coat("Wave five", flat("plum"), [grow(13), weld(), plug()]),
      coat("Wave four", flat("mint"), [grow(10.6), weld(), plug()]),
      coat("Wave three", flat("straw"), [grow(8.2), weld(), plug()]),
      coat("Wave two", flat("apricot"), [grow(5.8), weld(), plug()]),
      coat("Wave one", flat("coral"), [grow(3.4), weld(), plug()]),
      coat("Ground line", flat("plum"), [grow(1.5), weld()]),
      coat("Letters", flat("bone")),
    ],
  ),
  style("Felt Patch", "fredoka", "em", { Felt: "#2f6f73", Shade: "#173b3f", Thread: "#f6e7c1", Wool: "#f28e2b", Crimson: "#b6332e" }, [
    coat("Shade", flat("shade", 55), [grow(9), weld(), plug(), shift(1, 2.4)]),
    coat("Felt", flat("felt"), [grow(9), weld(), plug()]),
    coat("Stitches", flat("thread"), [grow(7), weld(), plug()], {
      lay: stroke(1, { side: "centre", dashes: [3.4, 2.2], cap: "round", join: "round" }),
    }),
    coat("Wool edge", flat("crimson"), [grow(1.6)]),
    coat("Wool", flat("wool")),
    coat("Seam", flat("thread"), [shrink(2.4, "round")], {
      lay: stroke(0.7, { side: "centre", dashes: [2.4, 2], cap: "round", join: "round" }),
    }),
  ]),
  style("One Stroke", "kaushan-script", "em", { Paint: "#23233f", Line: "#c4482a" }, [
    coat("Line", flat("line"), [grow(3), weld()], { lay: stroke(0.9, { side: "centre", join: "round" }) }),
    coat("Letters", flat("paint"), [weld()]),
  ]),
  style("Overprint", "anton", "em", { Fluoro: "#ff4d6d", Teal: "#00a6a6", Yolk: "#ffd166" }, [
    coat("Yolk plate", flat("yolk"), [grow(3, "miter"), shift(-2.4, 2.4)], { blend: "multiply" }),
    coat("Teal plate", flat("teal"), [shift(1.6, 1.6)], { blend: "multiply" }),
    coat("Fluoro plate", flat("fluoro"), [shift(-1.6, -1.6)], { blend: "multiply" }),
  ]),
  style("Nightwatch", "unifrakturcook", "em", { Vellum: "#f1e3c2", Gold: "#d8a53a", Umber: "#7b4a12", Ink: "#16130f" }, [
    coat("Ink ground", flat("ink"), [grow(5.5, "miter"), weld(), plug()]),
    coat(
      "Gold edge",
      gradient(
        [
          [0, "vellum"],
          [40, "gold"],
          [100, "umber"],
        ],
        { mix: "oklab" },
      ),
      [grow(3.6, "miter"), weld()],
    ),
    coat("Ink letters", flat("ink"), [grow(2.2, "miter")]),
    coat(
      "Gilded letters",
      gradient(
        [
          [0, "vellum"],
          [50, "gold"],
          [52, "umber"],
          [100, "gold"],
        ],
        { span: "line", mix: "oklab" },
      ),
    ),
  ]),
  style("Enamel Panel", "archivo-black", "em", { Enamel: "#1f4e5f", Deep: "#12323d", Rim: "#f3e6c8" }, [
    coat("Shadow", flat("deep", 40), [shift(1.5, 3)]),
    coat(
      "Enamel",
      gradient(
        [
          [0, "enamel"],
          [100, "deep"],
        ],
        { mix: "oklab" },
      ),
    ),
    coat("Rim", flat("rim"), [shrink(4, "miter")], { lay: stroke(1.6, { side: "inside", join: "miter" }) }),
  ]),
  style("Cream Plate", "alfa-slab", "em", { Cream: "#f6ead0", Oxide: "#8e2f1c" }, [
    coat("Plate", flat("cream")),
    coat("Line", flat("oxide"), [shrink(2.4, "miter")], { lay: stroke(1, { side: "inside", join: "miter" }) }),
  ]),
  style("Plain Cream", "archivo-black", "em", { Cream: "#f6ead0" }, [coat("Cream", flat("cream"))]),
  style("Oxide", "alfa-slab", "em", { Oxide: "#8e2f1c", Soot: "#2c1710", Ember: "#e0903a" }, [
    coat("Soot", flat("soot"), [shift(2, 2.6)]),
    coat("Oxide", flat("oxide"), [grow(1, "miter")]),
    coat(
      "Ember",
      gradient(
        [
          [0, "ember"],
          [100, "oxide"],
        ],
        { mix: "oklab" },
      ),
      [],
      { lay: stroke(1.6, { side: "inside", join: "miter" }) },
    ),
  ]),
  style(
    "Sawmill",
    "alfa-slab",
    "em",
    { Pine: "#e0b376", Heart: "#9a5f2c", Pores: "#54301a", Bark: "#2e1a10", Sap: "#fff0cf", Shadow: "#17130d" },
    [
      coat("Side", flat("bark"), [grow(1.1), weld(), trail(40, 58, 4.6)], {
        shadow: { way: { angle: 58, distance: 5 }, blur: 6, opacity: 55 },
      }),
      coat("Edge", flat("bark"), [grow(1.1), weld()]),
      coat("Boards", newPaint("grain", { span: "letter", light: "pine", dark: "heart", marks: "pores", size: 58, seed: 4 })),
      coat("Underside", flat("bark"), [step("rim", { side: "shade", width: 0.8 })], { opacity: 60, blend: "multiply" }),
      coat("Planed rim", flat("sap"), [step("rim", { width: 1.1 })], { opacity: 80, blend: "overlay" }),
    ],
  ),
  style("Snowline", "fraunces", "stem", { Ice: "#e9f7fb", Sky: "#7cc6e6", Lake: "#1c5d99", Slate: "#17324d", Snow: "#ffffff" }, [
    coat("Slate", flat("slate"), [grow(26, "round"), weld(), plug(), shift(6, 14)]),
    coat("Lake", flat("lake"), [grow(26, "round"), weld()]),
    coat("Snow", flat("snow"), [grow(10, "round"), weld()]),
    coat(
      "Sky",
      gradient(
        [
          [0, "ice"],
          [48, "sky"],
          [52, "lake"],
          [100, "slate"],
        ],
        { span: "line", mix: "oklab" },
      ),
    ),
    coat("Frost", flat("snow", 70), [shrink(6, "miter")], { lay: stroke(4, { side: "inside" }) }),
  ]),
];
