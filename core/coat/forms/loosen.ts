import { multiply, rotation, scaling, translation } from "../../curves/matrix";
import { chance } from "../../grain/noise";
import { formStep } from "../form-step";
import { boundsOfPart, plain } from "../shape";

/** From -1 to 1, the letter's own. */
const nudge = (letter: number, what: number, seed: number): number => 2 * chance(letter, what, seed) - 1;

export const loosen = formStep({
  kind: "loosen",
  group: "place",
  label: "Loosen",
  hint: "Letters shifted, turned and sized a little at random, in this coat alone",
  params: {
    shift: { type: "length", label: "Shift", hint: "How far a letter moves at most, each way", default: 3, min: 0, max: 500 },
    turn: { type: "angle", label: "Turn", hint: "How far it turns at most, either way", default: 4, min: 0, max: 180 },
    size: {
      type: "number",
      label: "Size",
      hint: "How much larger or smaller it is at most",
      default: 4,
      min: 0,
      max: 90,
      step: 1,
      suffix: "%",
    },
    seed: { type: "seed", label: "Again", hint: "Another throw of the dice", default: 1 },
  },
  apply: (shape, { shift, turn, size, seed }, { units }) => {
    const by = units(shift);
    return {
      parts: shape.parts.map(plain).map((part, i) => {
        const letter = part.letter ?? i;
        const box = boundsOfPart(part);
        const [x, y] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
        const own = multiply(rotation(turn * nudge(letter, 1, seed)), scaling(1 + (size / 100) * nudge(letter, 2, seed)));
        const to = translation(x + by * nudge(letter, 3, seed), y + by * nudge(letter, 4, seed));
        const [a, b, c, d, e, f] = multiply(to, multiply(own, translation(part.x - x, part.y - y)));
        return { ...part, x: e, y: f, matrix: [a, b, c, d, 0, 0] as const };
      }),
    };
  },
});
