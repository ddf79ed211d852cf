import { ContourBuilder } from "../../curves/contour";
import { Track } from "../../curves/track";
import { straightGuide } from "../guide";
import { guideKindOf } from "../guide-kind";

/** Cubics to a wave: with exact ends and directions they keep within 0.0001 of the height of a sine. */
const pieces = 16;

export const wave = guideKindOf({
  kind: "wave",
  label: "Wave",
  hint: "Up and down along the words",
  params: {
    height: {
      type: "number",
      label: "Height",
      hint: "From the middle to a crest, in thousandths of the em",
      default: 200,
      min: -5000,
      max: 5000,
      step: 10,
      suffix: "‰",
    },
    length: {
      type: "number",
      label: "Length",
      hint: "From crest to crest, in thousandths of the em",
      default: 3000,
      min: 200,
      max: 100_000,
      step: 50,
      suffix: "‰",
    },
    phase: {
      type: "number",
      label: "Phase",
      hint: "Where the wave starts under the words",
      default: 0,
      min: -360,
      max: 360,
      step: 5,
      suffix: "°",
    },
  },
  make: (values, { left, width }) => {
    const height = values.height;
    const length = values.length;
    if (height === 0) return { guide: straightGuide(left, 0, width), anchor: -left };
    const phase = (values.phase * Math.PI) / 180;
    const k = (2 * Math.PI) / length;
    const at = (x: number) => -height * Math.sin(k * x + phase);
    const slope = (x: number) => -height * k * Math.cos(k * x + phase);
    // A walk along the wave is longer than its shadow: this much of it holds the words.
    const step = length / pieces;
    const first = Math.floor(left / step) - 1;
    const count = Math.min(4000, Math.ceil(width / step) + 2);
    const curve = new ContourBuilder();
    curve.move(first * step, at(first * step));
    for (let i = first; i < first + count; i++) {
      const [a, b] = [i * step, (i + 1) * step];
      curve.cubic(a + step / 3, at(a) + (slope(a) * step) / 3, b - step / 3, at(b) - (slope(b) * step) / 3, b, at(b));
    }
    const track = new Track(curve.build(false));
    // The anchor x = 0 of the words comes to the place over x = 0.
    return { guide: track, anchor: lengthTo(track, 0) };
  },
});

/** The length along a track, whose x grows, at which it passes x: by halving. */
function lengthTo(track: Track, x: number): number {
  const p = new Float64Array(6);
  let [low, high] = [-Math.abs(x) - track.length, 2 * track.length + Math.abs(x)];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    track.at(middle, p);
    if (p[0] < x) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
