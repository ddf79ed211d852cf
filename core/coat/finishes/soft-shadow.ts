import { withReach } from "../../scene/effects";
import type { SceneLayer } from "../../scene/scene";
import type { Direction } from "../../params";
import type { LampSeen } from "../given";
import { finish } from "../finish-kind";
import { eachPart } from "../form-step";
import { boundsOf } from "../shape";
import { mixing, on, ownInk, strength } from "./switched";

/** A shadow is as much longer as the lamp is lower: by the cotangent of its height. */
const awayFrom = ({ x, y, height }: LampSeen, distance: number): [number, number] => {
  const by = distance / Math.tan((height * Math.PI) / 180);
  return [-x * by, -y * by];
};

const along = ({ angle }: Direction, distance: number): [number, number] => {
  const turn = (angle * Math.PI) / 180;
  return [Math.cos(turn) * distance, Math.sin(turn) * distance];
};

export const softShadow = finish({
  kind: "soft-shadow",
  label: "Soft shadow",
  hint: "A shadow with a soft edge on what is below",
  side: "behind",
  params: {
    on: { type: "toggle", label: "Soft shadow", hint: "Lets the coat throw a shadow with a soft edge on what is below", default: false },
    light: {
      type: "choice",
      label: "Light",
      hint: "Where the light comes from",
      default: "lamp",
      options: [
        { value: "lamp", label: "The lamp", hint: "The one light of the piece: all that follows it falls alike" },
        { value: "own", label: "Its own", hint: "A direction for this shadow alone" },
      ],
      when: on,
    },
    distance: {
      type: "length",
      label: "Distance",
      hint: "How far the shadow falls under a lamp at 45°; lower lamps throw it farther",
      default: 4,
      min: 0,
      max: 1000,
      when: (v) => on(v) && v.light === "lamp",
    },
    way: {
      type: "direction",
      label: "Falls",
      hint: "Where the shadow lies: its angle from the right, clockwise, and how far",
      default: { angle: 60, distance: 4 },
      max: 1000,
      when: (v) => on(v) && v.light === "own",
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
    hardness: strength("Hardness", "A solid core with a soft rim: 0 fades all the way, 100 is sharp", 0),
    ink: ownInk("Shadow ink", "What the shadow is coloured with", "Shadow", "#221d33"),
    opacity: strength("Strength", "How dark the shadow is", 55),
    blend: mixing("Shadow blend", "How the shadow mixes with what is below", "multiply"),
  },
  needs: ["lamp"],
  spares: ({ on, light }) => (on && light === "lamp" ? [] : ["lamp"]),
  /**
   * A blur radius is twice the deviation, as in CSS (Backgrounds and Borders Level 3, section 6.1.1). A share of it that is hard grows the
   * form by half of that share and blurs the rest.
   */
  apply: (coat, { on, light, distance, way, blur, spread, hardness, ink, opacity, blend }, given) => {
    if (!on || opacity === 0) return coat;
    const [width, hard] = [given.units(blur), hardness / 100];
    const deviation = (width / 2) * (1 - hard);
    const by = given.units(spread) + (width * hard) / 2;
    const { parts } = by === 0 ? coat.shape : eachPart(coat.shape, (path) => given.kernel.grow(path, by, { kind: "round" }));
    const [dx, dy] = light === "lamp" ? awayFrom(given.lamp, given.units(distance)) : along(way, given.units(way.distance));
    const moved = parts.map((p) => ({ ...p, x: p.x + dx, y: p.y + dy }));
    const effects = deviation > 0 ? [{ kind: "blur" as const, deviation }] : [];
    const shadow: SceneLayer = {
      id: `${coat.body.id}.shadow`,
      group: coat.body.group,
      label: `${coat.body.label}, shadow`,
      opacity: Math.min(1, (opacity / 100) * (light === "lamp" ? given.lamp.strength : 1)),
      blend,
      fills: [{ kind: "flat", colour: given.ink(ink), ink: given.inkName(ink), opacity: 1 }],
      paths: moved.map(({ path, x, y, matrix }) => ({ path, x, y, ...(matrix ? { matrix } : {}), fill: 0 })),
      bounds: withReach(boundsOf(moved), effects),
      ...(effects.length ? { effects } : {}),
    };
    return { ...coat, behind: [...coat.behind, shadow] };
  },
});
