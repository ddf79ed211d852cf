import { shifted, starters, type StarterCoat, type StarterTools } from "./starter";

const backing = (name: string, ink: string, amount: number, join = "round"): StarterCoat => ({
  name,
  form: [["grow", { amount, join, miterLimit: 4 }], ["weld"], ["plug"]],
  paint: ["flat", { ink }],
});

const shadow = (
  { ink }: StarterTools,
  name: string,
  form: StarterCoat["form"],
  radius: number,
  amount: number,
  mode: "multiply" | "screen" = "multiply",
): StarterCoat => ({
  name,
  form,
  paint: ["flat", { ink: mode === "screen" ? ink("White", "#ffffff") : ink("Shadow", "#221d33") }],
  finish: { blur: { radius }, opacity: { amount }, blend: { mode } },
});

export const behind = starters("behind", "back", [
  [
    "Backing",
    "A round backing around the whole word, its counters filled",
    ({ st, against }) => [backing("Backing", against("Backing", "#22303c", "#f6efe0"), st(45))],
  ],
  [
    "Sharp backing",
    "A backing with pointed corners",
    ({ st, against }) => [backing("Backing", against("Backing", "#22303c", "#f6efe0"), st(28), "miter")],
  ],
  [
    "Two-step backing",
    "Two backings, one around the other",
    ({ st, against, ink }) => [
      backing("Outer backing", ink("Outer", "#b3402a"), st(58)),
      backing("Inner backing", against("Backing", "#22303c", "#f6efe0"), st(30)),
    ],
  ],
  [
    "Plate",
    "One plate behind all lines, with round corners",
    ({ st, against }) => [backing("Plate", against("Plate", "#2b3a33", "#efe4cb"), st(90))],
  ],
  [
    "Gap line",
    "A line around the letters with a gap to them",
    ({ st, against }) => [
      {
        name: "Gap line",
        form: [["weld"], ["band", { width: st(9), side: "outside", away: st(12), join: "round" }]],
        paint: ["flat", { ink: against("Edge", "#22303c", "#f6efe0") }],
      },
    ],
  ],
  [
    "Hard shade",
    "A copy down to the right, as if the letters stood before a wall",
    ({ st, against }) => [{ name: "Shade", form: [shifted(st(32), 45)], paint: ["flat", { ink: against("Shade", "#1f2a36", "#f2d6a2") }] }],
  ],
  [
    "Split shade",
    "A shade that stands off the letters by a gap",
    ({ st, against, faceCoat }) => [
      {
        name: "Split shade",
        form: [shifted(st(34), 45), ["knock-out", { of: "coat", coat: faceCoat, gap: st(9), join: "miter" }]],
        paint: ["flat", { ink: against("Shade", "#1f2a36", "#f2d6a2") }],
      },
    ],
  ],
  [
    "Double shade",
    "Two shades, one behind the other",
    ({ st, against, ink }) => [
      { name: "Far shade", form: [shifted(st(56), 45)], paint: ["flat", { ink: ink("Far shade", "#d08a3c") }] },
      { name: "Near shade", form: [shifted(st(28), 45)], paint: ["flat", { ink: against("Shade", "#1f2a36", "#f2d6a2") }] },
    ],
  ],
  ["Soft shadow", "A shadow with a soft edge, straight below", (t) => [shadow(t, "Shadow", [shifted(t.st(25), 90)], t.st(30), 45)]],
  [
    "Lifted",
    "A wide, faint shadow: the letters float over the ground",
    (t) => [shadow(t, "Shadow", [["shrink", { amount: t.st(8), join: "round" }], shifted(t.st(60), 80)], t.st(90), 40)],
  ],
  [
    "Solid-core shadow",
    "A dark shadow with a narrow soft rim",
    (t) => [shadow(t, "Shadow", [shifted(t.st(30), 90), ["grow", { amount: t.st(12), join: "round" }]], t.st(16), 60)],
  ],
  ["Light shadow", "A light shadow above, for dark grounds", (t) => [shadow(t, "Light", [shifted(t.st(15), 270)], t.st(20), 60, "screen")]],
  [
    "Steps",
    "Two dozen copies downwards, from one ink to another",
    ({ cap, against, face }) => [
      {
        name: "Steps",
        form: [["trail", { copies: 24, way: { angle: 90, distance: cap(50) } }]],
        paint: ["gradient", { shape: "copies", mix: "oklab", stops: pair(face, against("Steps", "#1d2b4f", "#f4dfae")) }],
      },
    ],
  ],
  [
    "Fan",
    "Copies that run to a smaller one above",
    ({ cap, against, ink }) => [
      {
        name: "Fan",
        form: [["trail", { copies: 60, way: { angle: 270, distance: cap(90) }, size: 60 }]],
        paint: ["gradient", { shape: "copies", mix: "oklab", stops: pair(ink("Near", "#c8452c"), against("Far", "#20263a", "#f3e3b5")) }],
      },
    ],
  ],
]);

/** Two inks from the letters to the last copy. */
function pair(from: string, to: string) {
  return [
    { at: 0, ink: from, opacity: 100 },
    { at: 100, ink: to, opacity: 100 },
  ];
}
