import { rotation, apply, type Point } from "../../curves/matrix";
import { pathOf } from "../../curves/contour";
import type { Kernel } from "../../curves/kernel";
import type { Path } from "../../curves/path";
import { sketched } from "../../curves/draft/sketched";
import { withoutSlivers } from "../../curves/slivers";
import { facing } from "../../drawn/facing";
import { isDraft } from "../inked-lines";
import { formStep } from "../form-step";
import { plain, type Part } from "../shape";

const fromLamp = (v: Readonly<Record<string, unknown>>) => v.side !== "own";

export const rim = formStep({
  kind: "rim",
  group: "edge",
  label: "Rim",
  hint: "An edge light or an edge shade along the edge that faces a side",
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
    runs: {
      type: "choice",
      label: "Runs",
      hint: "How its width changes along the edge",
      default: "fading",
      options: [
        { value: "fading", label: "Fading", hint: "Widest where the edge faces it, nothing where it turns away" },
        { value: "even", label: "Even", hint: "One width along all of the edge that faces it" },
      ],
    },
  },
  needs: ["lamp"],
  spares: ({ side }) => (side === "own" ? ["lamp"] : []),
  apply: (shape, { side, width, way, runs }, { lamp, units, kernel }) => {
    const by = units(side === "own" ? way.distance : width);
    if (by === 0) return { parts: [] };
    const to =
      side === "own"
        ? apply(rotation(way.angle), { x: 1, y: 0 })
        : { x: side === "lit" ? lamp.x : -lamp.x, y: side === "lit" ? lamp.y : -lamp.y };
    const parts: Part[] = [];
    for (const part of shape.parts.map(plain)) {
      const { path } = part;
      const edge =
        runs === "even" ? evenEdge(path, to, by, kernel) : kernel.subtract(path, [path.transform([1, 0, 0, 1, -to.x * by, -to.y * by])]);
      if (!edge.isEmpty) parts.push({ ...part, path: edge });
    }
    return { parts };
  },
});

/** What of a shape lies within a distance of its edge that faces a direction. */
function evenEdge(path: Path, to: Point, by: number, kernel: Kernel): Path {
  const clean = kernel.weld(path);
  const draft = isDraft(kernel);
  const lines = facing(draft ? path : clean, to);
  if (!lines.length) return pathOf(lines);
  const line = { width: 2 * by, side: "centre", join: { kind: "miter", limit: 4 }, cap: "butt", dashes: [] } as const;
  const band = draft ? sketched(lines, line.width, line.cap) : kernel.band(pathOf(lines), line);
  return withoutSlivers(kernel.intersect([clean, band]));
}
