import { finish } from "../finish-kind";
import { blendChoices } from "./blend-choices";

const on = (v: Readonly<Record<string, unknown>>) => v.on === true;

/** A blurred edge is half as strong at the edge itself; so much more makes it nearly full there. */
const gain = 1.6;

export const innerGlow = finish({
  kind: "inner-glow",
  label: "Inner glow",
  hint: "A colour that comes in from the edge",
  params: {
    on: { type: "toggle", label: "Inner glow", hint: "Colours the coat from its edge inwards", default: false },
    radius: { type: "length", label: "Inwards", hint: "How far it comes in", default: 6, min: 0, max: 200, when: on },
    ink: {
      type: "ink",
      label: "Inner ink",
      hint: "The colour at the edge",
      default: "glow",
      suggests: { name: "Glow", colour: "#ffc95c" },
      when: on,
    },
    opacity: {
      type: "number",
      label: "Inner strength",
      hint: "How strong it is at the edge",
      default: 70,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
      when: on,
    },
    blend: {
      type: "choice",
      label: "Inner blend",
      hint: "How it mixes with the coat's own paint (W3C Compositing)",
      default: "normal",
      options: blendChoices,
      when: on,
    },
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
