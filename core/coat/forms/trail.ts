import { multiply, rotation, scaling, translation, type Matrix } from "../../curves/matrix";
import { PathBuilder, type Path } from "../../curves/path";
import { memoByIdentity } from "../../memo";
import { formStep } from "../form-step";
import { boundsOf, plain, type Part, type Shape } from "../shape";

/** While something is dragged no more copies are drawn than are there within a frame. */
const mostInDraft = 24;

export const trail = formStep({
  kind: "trail",
  group: "depth",
  label: "Trail",
  hint: "Copies from the letters to a last one, moved, sized and turned step by step",
  suits: { paint: "gradient", values: { shape: "copies", mix: "oklab" } },
  params: {
    copies: {
      type: "number",
      label: "Copies",
      hint: "How many there are, with the letters themselves",
      default: 24,
      min: 2,
      max: 500,
      step: 1,
    },
    way: {
      type: "direction",
      label: "Runs",
      hint: "Where the last copy stands: its angle from the right, clockwise, and how far",
      default: { angle: 60, distance: 24 },
      max: 5000,
    },
    size: {
      type: "number",
      label: "Last size",
      hint: "Of the last copy, as a share of the letters",
      default: 100,
      min: 1,
      max: 400,
      step: 1,
      suffix: "%",
    },
    turn: { type: "angle", label: "Last turn", hint: "How far the last copy is turned about its middle", default: 0, min: -360, max: 360 },
    face: {
      type: "toggle",
      label: "Face apart",
      hint: "The nearest copy, in a paint of its own",
      default: false,
    },
  },
  passes: ({ face }) => (face ? [{ id: "face", label: "Face", hint: "The nearest copy" }] : []),
  apply: (shape, { copies, way, size, turn, face }, { kernel, units }) => {
    const count = Math.round(kernel.name === "draft" ? Math.min(copies, mostInDraft) : copies);
    const turned = (way.angle * Math.PI) / 180;
    const [dx, dy] = [Math.cos(turned), Math.sin(turned)].map((v) => v * units(way.distance));
    const box = boundsOf(shape.parts);
    const [cx, cy] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
    const words = wholes(shape);
    // Back to front: the letters themselves come last.
    return {
      parts: Array.from({ length: count }, (_, i) => 1 - i / (count - 1)).flatMap((t) => {
        const k = 1 + (size / 100 - 1) * t;
        const pose: Matrix = multiply(translation(cx, cy), multiply(rotation(turn * t), multiply(scaling(k), translation(-cx, -cy))));
        const [a, b, c, d, e, f] = pose;
        return words.map((w): Part => ({
          ...w,
          matrix: [a, b, c, d, 0, 0],
          x: e + dx * t,
          y: f + dy * t,
          along: t,
          ...(face && t === 0 ? { pass: "face" } : {}),
        }));
      }),
    };
  },
});

const joined = memoByIdentity<Shape, readonly Part[]>(1);

/** All letters of the same inks as one path, so that a copy of a word is written once and not letter by letter. */
function wholes(shape: Shape): readonly Part[] {
  return joined(shape, "", () => {
    const groups = new Map<string, Part[]>();
    for (const part of shape.parts.map(plain)) {
      const key = JSON.stringify(part.inks ?? {});
      groups.set(key, [...(groups.get(key) ?? []), part]);
    }
    return [...groups.values()].map(([first, ...others]) => ({ ...first, x: 0, y: 0, path: together([first, ...others]) }));
  });
}

function together(parts: readonly Part[]): Path {
  const out = new PathBuilder();
  for (const p of parts) out.add(p.path.transform(translation(p.x, p.y)));
  return out.build();
}
