import { grained } from "./grained";
import { starters, type StarterCoat, type StarterTools } from "./starter";

/** Sides as blocks, in a dark and a light ink of their own. */
const block = (
  { upon }: StarterTools,
  name: string,
  values: Readonly<Record<string, unknown>>,
  [dark, light]: readonly [string, string] = ["#54202a", "#a4413c"],
): StarterCoat => ({
  name,
  form: [["block-shade", values]],
  paint: stepped(upon("Side, dark", dark, "#a8553a"), upon("Side, light", light, "#f0bf8a")),
});

/** From one ink to another over the sides, or the steps, of a body. */
const stepped = (from: string, to: string): StarterCoat["paint"] => [
  "gradient",
  {
    shape: "copies",
    mix: "oklab",
    stops: [
      { at: 0, ink: from, opacity: 100 },
      { at: 100, ink: to, opacity: 100 },
    ],
  },
];

/** From dark over the material's own ink to light, as slopes take them. */
const cutIn = (ink: StarterTools["ink"], ...inks: readonly (readonly [string, string])[]): StarterCoat["paint"] => [
  "gradient",
  {
    shape: "copies",
    mix: "oklab",
    stops: inks.map(([name, colour], i) => ({ at: [0, 55, 100][i], ink: ink(name, colour), opacity: 100 })),
  },
];

/** The letters as bodies, their face in the ink that it was in. */
const solid = (
  { ink, upon, face }: StarterTools,
  values: Readonly<Record<string, unknown>>,
  [dark, light]: readonly [string, string] = ["#3b1526", "#c9583f"],
): StarterCoat => {
  const [shaded, lit] = [upon("Side, dark", dark, "#a8553a"), upon("Side, light", light, "#f0bf8a")];
  return {
    name: "Solid",
    form: [["solid", values]],
    paint: stepped(shaded, lit),
    passes: {
      face: ["flat", { ink: face }],
      back: ["flat", { ink: lit }],
      ...(values.edge ? { edges: ["flat", { ink: ink("Line", "#1c1720") }] } : {}),
    },
  };
};

/** Bodies take the place of the face. */
const body = { place: "face", instead: true } as const;

export const depth = starters("depth", "back", [
  [
    "Block left",
    "Sides down to the left, uprights darker than flats",
    (t) => [block(t, "Block", { way: { angle: 135, distance: t.st(70) } })],
  ],
  [
    "Block right",
    "Sides down to the right, uprights darker than flats",
    (t) => [block(t, "Block", { way: { angle: 45, distance: t.st(70) } })],
  ],
  ["Block up", "Sides up to the left, as seen from below", (t) => [block(t, "Block", { way: { angle: 230, distance: t.st(60) } })]],
  [
    "Block down",
    "Straight down in one tone",
    ({ st, against }) => [
      {
        name: "Block",
        form: [["block-shade", { sides: "one", way: { angle: 90, distance: st(55) } }]],
        paint: ["flat", { ink: against("Side", "#3a1c24", "#f1d9c0") }],
      },
    ],
  ],
  [
    "Block with a gap",
    "Sides that stand off the letters",
    (t) => [block(t, "Block", { way: { angle: 135, distance: t.st(60) }, gap: t.st(9) })],
  ],
  [
    "Lit block",
    "Each side as the lamp lights it, in six tones",
    (t) => [block(t, "Block", { sides: "lit", tones: 6, way: { angle: 55, distance: t.st(80) } }, ["#2b1830", "#e0784f"])],
  ],
  [
    "To a point below",
    "Sides that run together under the word",
    (t) => [block(t, "Block", { to: "point", point: { x: 0.5, y: 3.2 }, depth: 22 })],
  ],
  [
    "To a point behind",
    "Sides that run into the middle of the word",
    (t) => [block(t, "Block", { to: "point", point: { x: 0.5, y: 0.5 }, depth: 25 })],
  ],
  [
    "From a point above",
    "Sides that come forward, as if the word were thrown",
    (t) => [block(t, "Block", { to: "point", point: { x: 0.5, y: -2 }, depth: -18 })],
  ],
  [
    "Detached shade",
    "A hard copy that touches no letter",
    ({ st, against }) => [
      {
        name: "Shade",
        form: [["drop-shade", { way: { angle: 45, distance: st(34) }, gap: st(10) }]],
        paint: ["flat", { ink: against("Shade", "#1f2a36", "#f2d6a2") }],
      },
    ],
  ],
  [
    "Ground shade",
    "On the ground before the word, running out",
    ({ against, st }) => [
      {
        name: "Ground shade",
        form: [["cast-shade", { length: 60, lean: 35, soft: st(16) }]],
        paint: ["flat", { ink: against("Shade", "#1f2a38", "#d9d2c2") }],
        finish: { fade: { on: true, from: { x: 0.5, y: 0 }, to: { x: 0.5, y: 1 }, start: 70, end: 8 } },
      },
    ],
  ],
  [
    "Shade behind",
    "On the ground behind the word, as of a low sun in front",
    ({ against }) => [
      {
        name: "Shade behind",
        form: [["cast-shade", { length: -55, lean: -40 }]],
        paint: ["flat", { ink: against("Shade", "#1f2a38", "#d9d2c2") }],
        finish: { fade: { on: true, from: { x: 0.5, y: 1 }, to: { x: 0.5, y: 0 }, start: 60, end: 10 } },
      },
    ],
  ],
  [
    "Footlight",
    "On the ground, wider the farther, as a near light throws it",
    ({ against }) => [
      {
        name: "Footlight",
        form: [["cast-shade", { length: 75, lean: 0, spread: 45 }]],
        paint: ["flat", { ink: against("Shade", "#1f2a38", "#d9d2c2") }],
        finish: { fade: { on: true, from: { x: 0.5, y: 0 }, to: { x: 0.5, y: 1 }, start: 65, end: 0 } },
      },
    ],
  ],
  [
    "Long shade",
    "One tone, five capitals long, running out",
    ({ cap, against }) => [
      {
        name: "Long shade",
        form: [["block-shade", { sides: "one", way: { angle: 40, distance: cap(500) } }]],
        paint: ["flat", { ink: against("Shade", "#1f2a38", "#d9d2c2") }],
        finish: { fade: { on: true, from: { x: 0, y: 0.1 }, to: { x: 0.9, y: 0.9 }, start: 55, end: 0 } },
      },
    ],
  ],
  [
    "Mirror",
    "As a polished floor shows the word, with all that it wears",
    ({ face }) => [{ name: "Mirror", form: [["mirror", {}]], paint: ["flat", { ink: face }] }],
  ],
  [
    "Wet street",
    "Softer with distance, and drawn out",
    ({ face, st }) => [
      { name: "Wet street", form: [["mirror", { height: 130, reach: 110, strength: 45, blur: st(22) }]], paint: ["flat", { ink: face }] },
    ],
  ],
  [
    "Lake",
    "In gentle waves, wider before you",
    ({ face, st, cap }) => [
      {
        name: "Lake",
        form: [["mirror", { height: 80, reach: 100, strength: 60, spread: 15, wave: st(5), length: cap(14), gap: st(4) }]],
        paint: ["flat", { ink: face }],
      },
    ],
  ],
  [
    "Block in steps",
    "From light at the letters to dark at the far end",
    ({ st, ink }) => [
      {
        name: "Block",
        form: [["block-shade", { sides: "deep", steps: 14, way: { angle: 125, distance: st(110) } }]],
        paint: stepped(ink("Side, light", "#d86f45"), ink("Side, dark", "#3b1526")),
      },
    ],
  ],
  [
    "Block with edges",
    "Two tones, and a line along every edge",
    (t) => {
      const coat = block(t, "Block", { way: { angle: 135, distance: t.st(75) }, edge: t.st(5) });
      return [{ ...coat, passes: { edges: ["flat", { ink: t.ink("Line", "#1c1720") }] } }];
    },
  ],
  ["Solid", "Turned a little, lit by the lamp", (t) => [solid(t, { tilt: 14, swing: -22, depth: t.st(90) })], body],
  [
    "Poster solid",
    "Turned, in four flat tones, with perspective",
    (t) => [solid(t, { tilt: -14, swing: 24, depth: t.st(120), perspective: 45, sides: "tones", tones: 4 }, ["#23304f", "#7fb2b8"])],
    body,
  ],
  [
    "Drawn solid",
    "Each way in a flat ink, with a line along every edge",
    (t) => {
      const coat = solid(t, { tilt: 16, swing: -28, depth: t.st(85), sides: "ways", edge: t.st(5) });
      const side = (ink: string): StarterCoat["paint"] => ["flat", { ink }];
      const [dark, light] = [t.ink("Side, dark", "#3b1526"), t.ink("Side, light", "#c9583f")];
      return [{ ...coat, passes: { ...coat.passes, left: side(light), right: side(light), upper: side(dark), lower: side(dark) } }];
    },
    body,
  ],
  [
    "Monument",
    "Seen from far below, with strong perspective",
    (t) => [solid(t, { tilt: 32, swing: 0, depth: t.st(170), perspective: 85 }, ["#2a2438", "#c2b49a"])],
    body,
  ],
  [
    "On the table",
    "Lying down, its foot towards you",
    (t) => [solid(t, { tilt: 58, swing: 0, depth: t.st(80), perspective: 80 }, ["#4a2a17", "#d79a55"])],
    body,
  ],
  [
    "Along the street",
    "As a sign on a house front that runs away",
    (t) => [solid(t, { tilt: 4, swing: 42, depth: t.st(110), perspective: 75 }, ["#1f3a3a", "#8fc0a4"])],
    body,
  ],
  [
    "Ridge",
    "Slopes that meet in the middle of the strokes, as brass is cast",
    ({ ink }) => [
      {
        name: "Ridge",
        form: [["chisel", {}]],
        paint: cutIn(ink, ["Brass, dark", "#3a2410"], ["Brass", "#b07a2c"], ["Brass, light", "#fff0b8"]),
      },
    ],
    body,
  ],
  [
    "Flat-topped",
    "Narrow slopes round a face that stays as it is",
    ({ ink, face, st }) => [
      {
        name: "Flat-topped",
        form: [["chisel", { to: "top", width: st(22) }]],
        paint: cutIn(ink, ["Slope, dark", "#2a1f2e"], ["Slope", "#8d8290"], ["Slope, light", "#ffffff"]),
        passes: { face: ["flat", { ink: face }] },
      },
    ],
    body,
  ],
  [
    "Cut in stone",
    "Slopes into the ground, with pale ridges",
    ({ ink, st }) => [
      {
        name: "Cut in stone",
        form: [["chisel", { cut: "sunk", angle: 55, line: st(2.4) }]],
        paint: cutIn(ink, ["Stone, dark", "#23282e"], ["Stone", "#6d7780"], ["Stone, light", "#cfd6d8"]),
        passes: { lines: ["flat", { ink: ink("Stone, edge", "#e9eeee") }] },
      },
    ],
    body,
  ],
  [
    "Cut glass",
    "Slopes in a few flat tones",
    ({ ink }) => [
      {
        name: "Cut glass",
        form: [["chisel", { tones: 5, angle: 60 }]],
        paint: cutIn(ink, ["Glass, dark", "#12324a"], ["Glass", "#4f9db4"], ["Glass, light", "#e8fbff"]),
      },
    ],
    body,
  ],
  [
    "Polished gold",
    "Slopes of metal that mirror a bright sky and a dark ground",
    ({ ink }) => [
      {
        name: "Polished gold",
        form: [["chisel", { angle: 55, surface: "metal" }]],
        paint: cutIn(ink, ["Gold, dark", "#3b2106"], ["Gold", "#c08a2e"], ["Gold, light", "#fff3c4"]),
      },
    ],
    body,
  ],
  [
    "Moulded",
    "A body whose rim is a moulding, glossy as enamel",
    (t) => [
      solid(
        t,
        { tilt: 12, swing: -16, depth: t.st(70), rim: "drawn", rimWidth: t.st(20), rimHeight: t.st(20), soft: true, surface: "gloss" },
        ["#2b1020", "#e39b8a"],
      ),
    ],
    body,
  ],
  [
    "Sawn",
    "Letters sawn from thick planks, their edges planed off",
    (t) => {
      const form: StarterCoat["form"] = [
        ["solid", { tilt: 16, swing: -22, depth: t.st(80), rim: "bevel", rimWidth: t.st(7), rimHeight: t.st(7) }],
      ];
      return [{ ...grained(t, "wood", "Sawn", { span: "letter" }), form }];
    },
    body,
  ],
  ["Hewn", "Ridges cut from a block of stone", (t) => [{ ...grained(t, "stone", "Hewn"), form: [["chisel", { angle: 50 }]] }], body],
  [
    "Railway plate",
    "A bevelled solid, turned a little",
    (t) => [
      solid(t, { tilt: 14, swing: -20, depth: t.st(90), rim: "bevel", rimWidth: t.st(14), rimHeight: t.st(14) }, ["#14202e", "#8fb0c4"]),
    ],
    body,
  ],
  [
    "Soft solid",
    "A body with rounded edges",
    (t) => [solid(t, { tilt: -12, swing: 18, depth: t.st(80), perspective: 40, rim: "round", rimWidth: t.st(26), rimHeight: t.st(26) })],
    body,
  ],
  [
    "Stepped solid",
    "A face that stands on a ledge",
    (t) => [
      solid(t, { tilt: 20, swing: 24, depth: t.st(110), perspective: 55, rim: "step", rimWidth: t.st(12), rimHeight: t.st(26) }, [
        "#33202a",
        "#d9a066",
      ]),
    ],
    body,
  ],
]);
