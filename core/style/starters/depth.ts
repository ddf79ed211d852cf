import { starters, type StarterCoat, type StarterTools } from "./starter";

/** Sides as blocks, in a dark and a light ink of their own. */
const block = (
  { ink }: StarterTools,
  name: string,
  values: Readonly<Record<string, unknown>>,
  [dark, light]: readonly [string, string] = ["#54202a", "#a4413c"],
): StarterCoat => ({
  name,
  form: [["block-shade", values]],
  paint: [
    "gradient",
    {
      shape: "copies",
      mix: "oklab",
      stops: [
        { at: 0, ink: ink("Side, dark", dark), opacity: 100 },
        { at: 100, ink: ink("Side, light", light), opacity: 100 },
      ],
    },
  ],
});

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
        form: [["cast-shade", { length: 60, lean: 35 }]],
        paint: ["flat", { ink: against("Shade", "#1f2a38", "#d9d2c2") }],
        finish: { fade: { on: true, from: { x: 0.5, y: 0 }, to: { x: 0.5, y: 1 }, start: 70, end: 8 }, blur: { radius: st(4) } },
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
]);
