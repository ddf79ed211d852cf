import { starters, type StarterCoat, type StarterTools } from "./starter";

const edge = ({ against }: StarterTools) => against("Edge", "#22303c", "#f6efe0");
const inside = ({ upon }: StarterTools) => upon("Line", "#22303c", "#fff6e4");

const band = (name: string, ink: string, values: Readonly<Record<string, unknown>>): StarterCoat => ({
  name,
  form: [["band", values]],
  paint: ["flat", { ink }],
});

const rim = (t: StarterTools, side: "lit" | "shade"): StarterCoat => ({
  name: side === "lit" ? "Rim light" : "Rim shade",
  form: [["rim", { side, width: t.st(9) }]],
  paint: ["flat", side === "lit" ? { ink: t.ink("White", "#ffffff"), opacity: 45 } : { ink: t.ink("Black", "#000000"), opacity: 40 }],
});

export const edges = starters("edge", "front", [
  [
    "Outline",
    "A line around each letter, with sharp corners",
    (t) => [band("Outline", edge(t), { width: t.st(14), side: "outside", join: "miter" })],
  ],
  [
    "Round outline",
    "A line around each letter, with round corners",
    (t) => [band("Outline", edge(t), { width: t.st(14), side: "outside", join: "round" })],
  ],
  [
    "Keyline",
    "A thin line off the letters",
    (t) => [band("Keyline", edge(t), { width: t.st(4), side: "outside", away: t.st(10), join: "miter" })],
  ],
  [
    "Inner line",
    "A thin line within the letters",
    (t) => [band("Inner line", inside(t), { width: t.st(5), side: "inside", away: -t.st(16), join: "miter" })],
  ],
  [
    "Stitches",
    "Round dashes within the edge, a whole number on each",
    (t) => [
      band("Stitches", inside(t), {
        ...{ width: t.st(5), side: "centre", away: -t.st(18), join: "round" },
        ...{ dashes: [t.st(14), t.st(12)], fit: true, cap: "round" },
      }),
    ],
  ],
  [
    "Rivets",
    "Dots within the edge",
    (t) => [
      band("Rivets", inside(t), {
        ...{ width: t.st(9), side: "centre", away: -t.st(20), join: "round" },
        ...{ dashes: [t.st(0.4), t.st(26)], fit: true, cap: "round" },
      }),
    ],
  ],
  [
    "Beads",
    "A dark line around the letters with beads along it",
    (t) => [
      band("Beaded line", edge(t), { width: t.st(14), side: "outside", join: "round" }),
      band("Beads", t.ink("Beads", "#e0b45c"), {
        ...{ width: t.st(6.5), side: "centre", away: t.st(7), join: "round" },
        ...{ dashes: [t.st(3), t.st(11)], fit: true, cap: "round" },
      }),
    ],
  ],
  ["Rim light", "An edge light against the lamp", (t) => [rim(t, "lit")]],
  ["Rim shade", "An edge shade away from the lamp", (t) => [rim(t, "shade")]],
  ["Edge pair", "Light and shade on the two sides of the edge", (t) => [rim(t, "shade"), rim(t, "lit")]],
  [
    "Wavy edge",
    "A backing whose edge runs in waves",
    ({ st, against }) => [
      {
        name: "Wavy edge",
        form: [
          ["grow", { amount: st(26), join: "round" }],
          ["weld"],
          ["plug"],
          ["ripple", { length: st(60), height: st(6), corners: "softened" }],
        ],
        paint: ["flat", { ink: against("Backing", "#22303c", "#f6efe0") }],
      },
    ],
    { place: "back" },
  ],
  [
    "Scalloped edge",
    "A backing edged with bumps, as of a label",
    ({ st, against }) => [
      {
        name: "Scalloped edge",
        form: [
          ["grow", { amount: st(28), join: "round" }],
          ["weld"],
          ["plug"],
          ["ripple", { length: st(44), height: st(14), shape: "bumps", corners: "softened" }],
        ],
        paint: ["flat", { ink: against("Backing", "#22303c", "#f6efe0") }],
      },
    ],
    { place: "back" },
  ],
  [
    "Deckle edge",
    "A backing torn as paper is",
    ({ st, against }) => [
      {
        name: "Deckle edge",
        form: [
          ["grow", { amount: st(34), join: "round" }],
          ["weld"],
          ["plug"],
          ["ripple", { length: st(22), height: st(3.4), shape: "pointed", corners: "softened", uneven: 100 }],
        ],
        paint: ["flat", { ink: against("Paper", "#22303c", "#f8f3e6") }],
      },
    ],
    { place: "back" },
  ],
  [
    "Hand line",
    "The outline drawn twice by hand",
    (t) => [
      {
        name: "Hand line",
        form: [["redraw", { passes: 2, wander: t.st(5), weight: t.st(4), length: t.st(90) }]],
        paint: ["flat", { ink: edge(t) }],
      },
    ],
  ],
]);
