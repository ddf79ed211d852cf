import { shifted, starters } from "./starter";

export const print = starters("print", "front", [
  [
    "Off register",
    "A second ink that missed its place a little",
    ({ st, ink, mixes }) => [
      {
        name: "Off register",
        form: [shifted(st(10), 20)],
        paint: ["flat", { ink: ink("Second ink", "#2e9cca") }],
        finish: { blend: { mode: mixes } },
      },
    ],
  ],
  [
    "Overprint",
    "Two inks, one over the other",
    ({ st, ink, mixes }) => [
      {
        name: "First ink",
        form: [shifted(st(12), 180)],
        paint: ["flat", { ink: ink("First ink", "#f0506e") }],
        finish: { blend: { mode: mixes } },
      },
      {
        name: "Second ink",
        form: [shifted(st(12), 0)],
        paint: ["flat", { ink: ink("Second ink", "#2e9cca") }],
        finish: { blend: { mode: mixes } },
      },
    ],
    { instead: true },
  ],
  [
    "Worn",
    "Paint that has chipped off with the years",
    ({ st, face }) => [{ name: "Worn", form: [["wear", { size: st(10), depth: st(60) }]], paint: ["flat", { ink: face }] }],
    { instead: true },
  ],
  [
    "Knocked out",
    "A plate from which the word is cut, with a gap",
    ({ st, against, faceCoat }) => [
      {
        name: "Plate",
        form: [
          ["grow", { amount: st(80), join: "round" }],
          ["weld"],
          ["plug"],
          ["knock-out", { of: "coat", coat: faceCoat, gap: st(10), join: "round" }],
        ],
        paint: ["flat", { ink: against("Plate", "#2b3a33", "#efe4cb") }],
      },
    ],
    { place: "back" },
  ],
  [
    "Loosened copy",
    "The letters once more behind themselves, set by hand",
    ({ st, ink, mixes }) => [
      {
        name: "Loosened copy",
        form: [["loosen", { shift: st(9), turn: 3, size: 3 }]],
        paint: ["flat", { ink: ink("Second ink", "#2e9cca") }],
        finish: { blend: { mode: mixes } },
      },
    ],
    { place: "back" },
  ],
]);
