import { starters, type StarterCoat, type StarterTools } from "./starter";

/** An ink that fades out, across what it covers. */
const faded = (ink: string, from: number, to: number, values: Readonly<Record<string, unknown>> = {}) =>
  [
    "gradient",
    {
      ...{ line: "angle", angle: 90 },
      stops: [
        { at: 0, ink, opacity: from },
        { at: 100, ink, opacity: to },
      ],
      ...values,
    },
  ] as const;

const gleam = ({ cap, ink }: StarterTools, values: Readonly<Record<string, unknown>>): StarterCoat => ({
  name: "Gleam",
  form: [["gleam", { angle: 115, width: cap(40), ...values }]],
  paint: faded(ink("White", "#ffffff"), 55, 12),
});

export const over = starters("over", "front", [
  ["Gleam", "A band of light across the word", (t) => [gleam(t, {})]],
  ["Double gleam", "Two bands of light, the second narrower", (t) => [gleam(t, { width: t.cap(30), count: 2, gap: t.cap(8), next: 35 })]],
  ["Gleam by letter", "A narrow band of light across each letter", (t) => [gleam(t, { width: t.cap(14), over: "letter", place: 38 })]],
  [
    "Gloss",
    "Light on the upper half, with a bowed edge",
    ({ cap, ink }) => [
      {
        name: "Gloss",
        form: [["gleam", { angle: 0, place: 20, width: cap(60), bow: -3 }]],
        paint: faded(ink("White", "#ffffff"), 45, 10),
      },
    ],
  ],
  [
    "From below",
    "Darker towards the foot",
    ({ ink }) => [{ name: "From below", paint: faded(ink("Black", "#000000"), 0, 50), finish: { blend: { mode: "multiply" } } }],
  ],
  [
    "From above",
    "Lighter towards the head",
    ({ ink }) => [{ name: "From above", paint: faded(ink("White", "#ffffff"), 45, 0), finish: { blend: { mode: "overlay" } } }],
  ],
  [
    "Speckle",
    "Fine specks over the face",
    ({ st, ink }) => [
      {
        name: "Speckle",
        paint: [
          "grain",
          {
            ...{ material: "speckle", size: st(120), relief: 0 },
            ...{ light: ink("White", "#ffffff"), dark: ink("Flint", "#8f8a80"), marks: ink("Specks", "#3a352d") },
          },
        ],
        finish: { opacity: { amount: 70 }, blend: { mode: "multiply" } },
      },
    ],
  ],
  [
    "Edge glow",
    "A darker colour that comes in from the edge",
    ({ st, ink }) => [
      {
        name: "Edge glow",
        paint: ["flat", { ink: ink("Shadow", "#221d33"), opacity: 0 }],
        finish: {
          blend: { mode: "multiply" },
          "inner-glow": { on: true, radius: st(30), ink: ink("Shadow", "#221d33"), opacity: 60 },
        },
      },
    ],
  ],
  [
    "Lines across",
    "Thin level lines over the face, as of a print",
    ({ cap, ink }) => [
      {
        name: "Lines across",
        form: [["gleam", { angle: 0, place: 50, width: cap(2.2), gap: cap(4.2), count: 16, next: 100 }]],
        paint: ["flat", { ink: ink("White", "#ffffff"), opacity: 60 }],
      },
    ],
  ],
]);
