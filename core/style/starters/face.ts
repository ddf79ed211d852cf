import { grained } from "./grained";
import { starters, type StarterCoat, type StarterTools } from "./starter";

type Stops = readonly (readonly [at: number, name: string, colour: string, opacity?: number])[];

const stopsOf = ({ ink }: StarterTools, stops: Stops) =>
  stops.map(([at, name, colour, opacity = 100]) => ({ at, ink: ink(name, colour), opacity }));

const painted = (t: StarterTools, name: string, stops: Stops, values: Readonly<Record<string, unknown>> = {}): StarterCoat => ({
  name,
  paint: ["gradient", { line: "angle", angle: 90, mix: "oklab", stops: stopsOf(t, stops), ...values }],
});

export const faces = starters("face", "face", [
  ["Flat", "The letters in one ink", ({ against }) => [{ name: "Face", paint: ["flat", { ink: against("Flat", "#b3402a", "#f0c14b") }] }]],
  [
    "Two inks",
    "The upper half in one ink, the lower in another",
    (t) => [
      painted(t, "Two inks", [
        [50, "Upper", "#e7b64a"],
        [50, "Lower", "#c8452c"],
      ]),
    ],
  ],
  [
    "Dusk",
    "An evening sky over the whole lettering",
    (t) => [
      painted(t, "Dusk", [
        [0, "Night", "#27306b"],
        [55, "Rose", "#cf5a6e"],
        [100, "Sun", "#f6b95a"],
      ]),
    ],
  ],
  [
    "Horizon",
    "Polished metal as signs show it: sky, a dark line, ground",
    (t) => [
      painted(t, "Horizon", [
        [0, "Sky", "#6fa3c8"],
        [46, "Bright", "#f4fafc"],
        [52, "Ridge", "#34424e"],
        [56, "Ground", "#a07c4e"],
        [100, "Bright ground", "#fbe9c6"],
      ]),
    ],
  ],
  [
    "Leaf",
    "Gold leaf that turns the light",
    (t) => [
      painted(
        t,
        "Leaf",
        [
          [0, "Gold", "#f0d27a"],
          [18, "Old gold", "#b07d1e"],
          [30, "Pale gold", "#fff3c4"],
          [48, "Gold", "#f0d27a"],
          [62, "Deep gold", "#7d5210"],
          [80, "Old gold", "#b07d1e"],
          [100, "Gold", "#f0d27a"],
        ],
        { shape: "angular", span: "letter", from: { x: 0.5, y: 0.5 }, to: { x: 1, y: 0.2 } },
      ),
    ],
  ],
  [
    "Copper",
    "Copper with two lights, at a slant",
    (t) => [
      painted(
        t,
        "Copper",
        [
          [0, "Copper", "#8a4526"],
          [28, "Bright copper", "#f3b98e"],
          [46, "Red copper", "#a7532d"],
          [70, "Bright copper", "#f3b98e"],
          [100, "Dark copper", "#5c2a15"],
        ],
        { angle: 60 },
      ),
    ],
  ],
  [
    "Ember face",
    "Light in the middle of each letter, dark at its edge",
    (t) => [
      painted(
        t,
        "Ember face",
        [
          [0, "Heat", "#ffe08a"],
          [55, "Fire", "#ef6a2a"],
          [100, "Coal", "#7a1f1c"],
        ],
        { shape: "radial", span: "letter", from: { x: 0.5, y: 0.5 }, to: { x: 1.05, y: 1.05 } },
      ),
    ],
  ],
  ["Wood", "Sawn timber, along the word", (t) => [grained(t, "wood", "Wood")]],
  ["Stone", "Hewn limestone", (t) => [grained(t, "stone", "Stone")]],
  ["Canvas", "Woven sailcloth", (t) => [grained(t, "canvas", "Canvas", { size: t.st(90) })]],
  ["Brushed", "Brushed steel", (t) => [grained(t, "metal", "Brushed")]],
  ["Paper", "Heavy, fibrous paper", (t) => [grained(t, "paper", "Paper")]],
  [
    "In turn",
    "Two inks, every second letter",
    ({ ink }) => [{ name: "In turn", paint: ["turns", { first: ink("Turn 1", "#c8452c"), second: ink("Turn 2", "#e3a63a") }] }],
  ],
  [
    "Ribbons",
    "Waves across the word, from ink to ink",
    ({ cap, ink }) => [
      {
        name: "Ribbons",
        form: [["ribbons", { count: 14, length: cap(120), height: cap(7), angle: -18 }]],
        paint: [
          "gradient",
          {
            ...{ shape: "copies", mix: "oklab" },
            stops: [
              { at: 0, ink: ink("Ribbon 1", "#f6e3b4"), opacity: 100 },
              { at: 35, ink: ink("Ribbon 2", "#e8893a"), opacity: 100 },
              { at: 70, ink: ink("Ribbon 3", "#b52f4b"), opacity: 100 },
              { at: 100, ink: ink("Ribbon 4", "#2b2450"), opacity: 100 },
            ],
          },
        ],
      },
    ],
  ],
  [
    "Four lines",
    "Four lines along the strokes",
    ({ st, upon }) => [
      {
        name: "Four lines",
        form: [["inlines", { count: 4, weight: st(6) }]],
        paint: ["flat", { ink: upon("Line", "#22303c", "#fff6e4") }],
      },
    ],
  ],
  [
    "One line",
    "One line in the middle of the strokes",
    ({ st, upon }) => [
      {
        name: "One line",
        form: [["inlines", { count: 1, weight: st(9), gap: 60, cap: "round" }]],
        paint: ["flat", { ink: upon("Line", "#22303c", "#ffffff") }],
      },
    ],
  ],
  [
    "Chalk fill",
    "Loose strokes of chalk across the letters",
    ({ st, against }) => [
      {
        name: "Chalk fill",
        form: [["hatch", { angle: -32, spacing: st(13), weight: st(6.5), loose: 90, taper: true }]],
        paint: ["flat", { ink: against("Chalk", "#3a4a45", "#f4f1e8") }],
      },
    ],
    { instead: true },
  ],
  [
    "Woven",
    "Even strokes both ways",
    ({ st, against }) => [
      {
        name: "Woven",
        form: [["hatch", { angle: -45, spacing: st(9), weight: st(4), loose: 0, ends: 0, second: true }]],
        paint: ["flat", { ink: against("Weave", "#22303c", "#f6efe0") }],
      },
    ],
    { instead: true },
  ],
  [
    "Pencil strokes",
    "One line to and fro, without lifting the hand",
    ({ st, against }) => [
      {
        name: "Pencil strokes",
        form: [["hatch", { angle: -28, spacing: st(12), weight: st(4.5), loose: 80, way: "joined", ends: 10 }]],
        paint: ["flat", { ink: against("Pencil", "#30343a", "#f6efe0") }],
      },
    ],
    { instead: true },
  ],
  [
    "Pillow",
    "A soft, rounded face",
    ({ st, face }) => [
      { name: "Pillow", paint: ["flat", { ink: face }], finish: { relief: { on: true, height: st(12), softness: st(34) } } },
    ],
  ],
  [
    "Pressed in",
    "Letters sunk into the ground",
    ({ st, face }) => [
      {
        name: "Pressed in",
        paint: ["flat", { ink: face }],
        finish: { relief: { on: true, form: "sunk", height: st(10), softness: st(16) } },
      },
    ],
  ],
  [
    "Cut by hand",
    "The letters as scissors leave them",
    ({ st, face }) => [
      { name: "Cut by hand", form: [["redraw", { as: "form", wander: st(5), length: st(70) }]], paint: ["flat", { ink: face }] },
    ],
    { instead: true },
  ],
]);
