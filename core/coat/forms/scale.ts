import { joinAll } from "../../curves/bounds";
import { multiply, rotation, scaling, translation, type Matrix } from "../../curves/matrix";
import { formStep } from "../form-step";
import { boundsOfPart, plain, type Part } from "../shape";

const shares = {
  left: 0,
  top: 0,
  middle: 0.5,
  right: 1,
  foot: 1,
} as const;

const sizeHint = "As a share of what it was";

export const scale = formStep({
  kind: "scale",
  group: "place",
  label: "Scale",
  hint: "Sizes, turns and slants, all of it about one place or each letter about its own",
  params: {
    each: { type: "toggle", label: "Each letter by itself", hint: "About a place of its own, and not of all", default: false },
    width: { type: "number", label: "Width", hint: sizeHint, default: 100, min: -400, max: 400, step: 1, suffix: "%" },
    height: { type: "number", label: "Height", hint: sizeHint, default: 100, min: -400, max: 400, step: 1, suffix: "%" },
    turn: { type: "angle", label: "Turn", hint: "Clockwise", default: 0, min: -360, max: 360 },
    slant: { type: "angle", label: "Slant", hint: "How far uprights lean over to the right", default: 0, min: -75, max: 75 },
    across: {
      type: "choice",
      label: "From",
      hint: "Which side stays where it is",
      default: "middle",
      options: [
        { value: "left", label: "Left", hint: "The left edge stays" },
        { value: "middle", label: "Middle", hint: "It grows to both sides" },
        { value: "right", label: "Right", hint: "The right edge stays" },
      ],
    },
    down: {
      type: "choice",
      label: "And from",
      hint: "Which height stays where it is",
      default: "middle",
      options: [
        { value: "top", label: "Top", hint: "The upper edge stays" },
        { value: "middle", label: "Middle", hint: "It grows up and down" },
        { value: "foot", label: "Foot", hint: "The lower edge stays" },
      ],
    },
  },
  apply: (shape, { each, width, height, turn, slant, across, down }) => {
    if (width === 0 || height === 0) return { parts: [] };
    const lean = Math.tan((slant * Math.PI) / 180);
    const own = multiply(rotation(turn), multiply([1, 0, -lean, 1, 0, 0], scaling(width / 100, height / 100)));
    const about = (parts: readonly Part[]): Matrix => {
      const box = joinAll(parts.map(boundsOfPart));
      const [x, y] = [box.minX + (box.maxX - box.minX) * shares[across], box.minY + (box.maxY - box.minY) * shares[down]];
      return multiply(translation(x, y), multiply(own, translation(-x, -y)));
    };
    const all = about(shape.parts);
    return { parts: shape.parts.map(plain).map((part) => placed(part, each ? about([part]) : all)) };
  },
});

/** The part seen through a matrix; what repeats stays one object. */
function placed(part: Part, matrix: Matrix): Part {
  const [a, b, c, d, e, f] = multiply(matrix, translation(part.x, part.y));
  return plain({ ...part, x: e, y: f, matrix: [a, b, c, d, 0, 0] });
}
