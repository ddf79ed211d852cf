import { rotation, apply } from "../../curves/matrix";
import { formStep } from "../form-step";
import { plain, type Part } from "../shape";

const fromLamp = (v: Readonly<Record<string, unknown>>) => v.side !== "own";

export const rim = formStep({
  kind: "rim",
  group: "edge",
  label: "Rim",
  hint: "An edge light or an edge shade: widest where the edge faces it, nothing where it turns away",
  params: {
    side: {
      type: "choice",
      label: "Side",
      hint: "Which edge is kept",
      default: "lit",
      options: [
        { value: "lit", label: "Lit", hint: "Towards the lamp" },
        { value: "shade", label: "Shade", hint: "Away from the lamp" },
        { value: "own", label: "Own", hint: "Towards an angle of its own" },
      ],
    },
    width: { type: "length", label: "Width", hint: "How wide it is where it is widest", default: 1.5, min: 0, max: 200, when: fromLamp },
    way: {
      type: "direction",
      label: "Towards",
      hint: "Which edge is kept, and how wide it is where it is widest",
      default: { angle: 225, distance: 1.5 },
      max: 200,
      when: (v) => !fromLamp(v),
    },
  },
  needs: ["lamp"],
  spares: ({ side }) => (side === "own" ? ["lamp"] : []),
  apply: (shape, { side, width, way }, { lamp, units, kernel }) => {
    const by = units(side === "own" ? way.distance : width);
    if (by === 0) return { parts: [] };
    const to =
      side === "own"
        ? apply(rotation(way.angle), { x: 1, y: 0 })
        : { x: side === "lit" ? lamp.x : -lamp.x, y: side === "lit" ? lamp.y : -lamp.y };
    const parts: Part[] = [];
    for (const part of shape.parts.map(plain)) {
      const { path } = part;
      const aside = path.transform([1, 0, 0, 1, -to.x * by, -to.y * by]);
      const edge = kernel.subtract(path, [aside]);
      if (!edge.isEmpty) parts.push({ ...part, path: edge });
    }
    return { parts };
  },
});
