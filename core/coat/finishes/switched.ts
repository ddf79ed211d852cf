import type { BlendMode } from "../../scene/scene";
import type { ChoiceParam, InkParam, NumberParam } from "../../params";
import { blendChoices } from "./blend-choices";

/** Of a finish that can be switched off: its settings are shown, and count, only while it is on. */
export const on = (v: Readonly<Record<string, unknown>>): boolean => v.on === true;

/** A strength of it, in percent. */
export const strength = (label: string, hint: string, usual: number): NumberParam => ({
  type: "number",
  label,
  hint,
  default: usual,
  min: 0,
  max: 100,
  step: 1,
  suffix: "%",
  when: on,
});

/** How it mixes with something. */
export const mixing = (label: string, hint: string, usual: BlendMode): ChoiceParam<BlendMode> => ({
  type: "choice",
  label,
  hint: `${hint} (W3C Compositing)`,
  default: usual,
  options: blendChoices,
  when: on,
});

/** The ink of it, which comes into a style as it is first switched on. */
export const ownInk = (label: string, hint: string, name: string, colour: string): InkParam => ({
  type: "ink",
  label,
  hint,
  default: name.toLowerCase(),
  suggests: { name, colour },
  when: on,
});
