import { withReach } from "../../scene/effects";
import type { SceneLayer } from "../../scene/scene";
import { finish } from "../finish-kind";
import { eachPart } from "../form-step";
import { boundsOf } from "../shape";
import { blendOptions } from "./blend-options";

const on = (v: Readonly<Record<string, unknown>>) => v.on === true;

export const softShadow = finish({
  kind: "soft-shadow",
  label: "Soft shadow",
  hint: "A shadow with a soft edge on what is below",
  params: {
    on: { type: "toggle", label: "Soft shadow", hint: "Lets the coat throw a shadow with a soft edge on what is below", default: false },
    way: {
      type: "direction",
      label: "Falls",
      hint: "Where the shadow lies: its angle from the right, clockwise, and how far",
      default: { angle: 60, distance: 4 },
      max: 1000,
      when: on,
    },
    blur: { type: "length", label: "Blur", hint: "How wide its edge fades", default: 5, min: 0, max: 200, when: on },
    spread: {
      type: "length",
      label: "Spread",
      hint: "How much larger than the coat it is; below 0 smaller",
      default: 0,
      min: -100,
      max: 200,
      when: on,
    },
    hardness: {
      type: "number",
      label: "Hardness",
      hint: "A solid core with a soft rim: 0 fades all the way, 100 is sharp",
      default: 0,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
      when: on,
    },
    ink: {
      type: "ink",
      label: "Shadow ink",
      hint: "What the shadow is coloured with",
      default: "shadow",
      suggests: { name: "Shadow", colour: "#221d33" },
      when: on,
    },
    opacity: {
      type: "number",
      label: "Strength",
      hint: "How dark the shadow is",
      default: 55,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
      when: on,
    },
    blend: {
      type: "choice",
      label: "Shadow blend",
      hint: "How the shadow mixes with what is below (W3C Compositing)",
      default: "multiply",
      options: blendOptions,
      when: on,
    },
  },
  /**
   * A blur radius is twice the deviation, as in CSS (Backgrounds and Borders Level 3, section 6.1.1). A share of it that is hard grows the
   * form by half of that share and blurs the rest.
   */
  apply: (coat, { on, way, blur, spread, hardness, ink, opacity, blend }, given) => {
    if (!on || opacity === 0) return coat;
    const [width, hard] = [given.units(blur), hardness / 100];
    const deviation = (width / 2) * (1 - hard);
    const by = given.units(spread) + (width * hard) / 2;
    const { parts } = by === 0 ? coat.shape : eachPart(coat.shape, (path) => given.kernel.grow(path, by, { kind: "round" }));
    const turn = (way.angle * Math.PI) / 180;
    const [dx, dy] = [Math.cos(turn), Math.sin(turn)].map((v) => v * given.units(way.distance));
    const moved = parts.map((p) => ({ ...p, x: p.x + dx, y: p.y + dy }));
    const effects = deviation > 0 ? [{ kind: "blur" as const, deviation }] : [];
    const shadow: SceneLayer = {
      id: `${coat.body.id}.shadow`,
      group: coat.body.group,
      label: `${coat.body.label}, shadow`,
      opacity: opacity / 100,
      blend,
      fills: [{ kind: "flat", colour: given.ink(ink), opacity: 1 }],
      paths: moved.map(({ path, x, y, matrix }) => ({ path, x, y, ...(matrix ? { matrix } : {}), fill: 0 })),
      bounds: withReach(boundsOf(moved), effects),
      ...(effects.length ? { effects } : {}),
    };
    return { ...coat, behind: [shadow, ...coat.behind] };
  },
});
