import { blendModes, type BlendMode } from "../../scene/scene";

const hints: Record<BlendMode, string> = {
  normal: "Covers what is below",
  multiply: "Darkens like ink on ink",
  screen: "Lightens like light on light",
  overlay: "Multiplies the darks and screens the lights below",
  darken: "Keeps the darker of the two in each channel",
  lighten: "Keeps the lighter of the two in each channel",
  "color-dodge": "Brightens what is below by the coat",
  "color-burn": "Darkens what is below by the coat",
  "hard-light": "Multiplies or screens by the coat's own lightness",
  "soft-light": "Lightens or darkens gently",
  difference: "The distance of the two colours",
  exclusion: "Like difference, with less contrast",
  hue: "The hue of the coat on the lightness below",
  saturation: "The saturation of the coat on what is below",
  color: "Hue and saturation of the coat on the lightness below",
  luminosity: "The lightness of the coat on the colour below",
};

const label = (mode: string) => mode.charAt(0).toUpperCase() + mode.slice(1).replace("-", " ").replace("Color", "Colour");

/** Every blend mode, in the order of the standard. */
export const blendChoices = blendModes.map((mode) => ({ value: mode, label: label(mode), hint: hints[mode] }));
