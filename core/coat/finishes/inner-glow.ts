import { finish } from "../finish-kind";
import { mixing, on, ownInk, strength } from "./switched";

/** A blurred edge is half as strong at the edge itself; so much more makes it nearly full there. */
const gain = 1.6;

export const innerGlow = finish({
  kind: "inner-glow",
  label: "Inner glow",
  hint: "A colour that comes in from the edge",
  side: "over",
  params: {
    on: { type: "toggle", label: "Inner glow", hint: "Colours the coat from its edge inwards", default: false },
    radius: { type: "length", label: "Inwards", hint: "How far it comes in", default: 6, min: 0, max: 200, when: on },
    ink: ownInk("Inner ink", "The colour at the edge", "Glow", "#ffc95c"),
    opacity: strength("Inner strength", "How strong it is at the edge", 70),
    blend: mixing("Inner blend", "How it mixes with the coat's own paint", "normal"),
  },
  apply: (coat, { on, radius, ink, opacity, blend }, given) => {
    if (!on || opacity === 0 || radius === 0) return coat;
    const edge = {
      kind: "edge",
      colour: given.ink(ink),
      ink: given.inkName(ink),
      opacity: opacity / 100,
      blend,
      deviation: given.units(radius) / 2,
      gain,
    } as const;
    return { ...coat, body: { ...coat.body, over: [...(coat.body.over ?? []), edge] } };
  },
});
