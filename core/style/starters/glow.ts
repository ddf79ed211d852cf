import { starters } from "./starter";

export const glow = starters("glow", "back", [
  [
    "Halo",
    "A wide light around the letters",
    ({ st, ink }) => {
      const light = ink("Glow", "#ffc95c");
      return [
        {
          name: "Halo",
          paint: ["flat", { ink: light }],
          finish: { "outer-glow": { on: true, radii: [st(20), st(45), st(110)], ink: light, far: light, opacity: 65 } },
        },
      ];
    },
  ],
  [
    "Two-ink halo",
    "A light that changes its colour outwards",
    ({ st, ink }) => {
      const near = ink("Near glow", "#ff5f8d");
      return [
        {
          name: "Halo",
          paint: ["flat", { ink: near }],
          finish: { "outer-glow": { on: true, radii: [st(16), st(40), st(100)], ink: near, far: ink("Far glow", "#3ab7ff"), opacity: 70 } },
        },
      ];
    },
  ],
  [
    "Tube",
    "A lit tube bent along the strokes, on dark grounds",
    ({ st, ink }) => {
      const light = ink("Tube light", "#ff5470");
      return [
        {
          name: "Tube",
          form: [["inlines", { count: 1, weight: st(16), gap: 40, cap: "round" }]],
          paint: ["flat", { ink: ink("White", "#ffffff") }],
          finish: {
            "outer-glow": { on: true, radii: [st(8), st(20), st(44), st(90)], ink: light, far: light, opacity: 70 },
            "inner-glow": { on: true, radius: st(5), ink: light, opacity: 70 },
          },
        },
      ];
    },
    { place: "front", instead: true },
  ],
  [
    "Ember",
    "Glowing from within, and onto the ground",
    ({ st, ink }) => {
      const heat = ink("Heat", "#ffe08a");
      const fire = ink("Fire", "#ef6a2a");
      return [
        {
          name: "Ember",
          paint: ["flat", { ink: heat }],
          finish: {
            "outer-glow": { on: true, radii: [st(15), st(50)], ink: fire, far: fire, opacity: 60 },
            "inner-glow": { on: true, radius: st(40), ink: fire, opacity: 90 },
          },
        },
      ];
    },
    { place: "face" },
  ],
  [
    "Wash",
    "A soft light over the whole board",
    ({ ink }) => [
      {
        name: "Wash",
        from: "board",
        paint: [
          "gradient",
          {
            ...{ shape: "radial", span: "board", from: { x: 0.5, y: 0.45 }, to: { x: 1, y: 0.9 } },
            stops: [
              { at: 0, ink: ink("Glow", "#ffc95c"), opacity: 70 },
              { at: 100, ink: ink("Glow", "#ffc95c"), opacity: 0 },
            ],
          },
        ],
        finish: { blend: { mode: "screen" } },
      },
    ],
    { place: "front" },
  ],
]);
