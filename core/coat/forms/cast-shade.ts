import { joinAll, type Bounds } from "../../curves/bounds";
import type { Kernel } from "../../curves/kernel";
import { PathBuilder, type Path } from "../../curves/path";
import { memoByIdentity } from "../../memo";
import type { SceneLayer } from "../../scene/scene";
import { softenedAlong } from "../../scene/softened";
import { formStep } from "../form-step";
import { footOf } from "../ground-line";
import { boundsOfPart, plain, type Part } from "../shape";

/** Units that the picture of a curve may be off where the light is near. */
const tolerance = 0.05;

const known = memoByIdentity<Path, Path>(4);

export const castShade = formStep({
  kind: "cast-shade",
  group: "depth",
  label: "Cast shade",
  hint: "The shade of standing letters on the ground before or behind them",
  params: {
    length: {
      type: "number",
      label: "Length",
      hint: "How long it is against the height of the letters: below 0 it lies behind them",
      default: 60,
      min: -400,
      max: 400,
      step: 5,
      suffix: "%",
    },
    lean: { type: "angle", label: "Lean", hint: "How far it leans to the right; below 0 to the left", default: 35, min: -80, max: 80 },
    spread: {
      type: "number",
      label: "Spread",
      hint: "How much wider it is at its end, as a near light throws it; 0 for a far one",
      default: 0,
      min: -80,
      max: 300,
      step: 5,
      suffix: "%",
    },
    floor: {
      type: "length",
      label: "Floor",
      hint: "How far under the letters the ground lies",
      default: 0,
      min: -200,
      max: 200,
      reach: 10,
    },
    soft: {
      type: "length",
      label: "Softness",
      hint: "How soft it is at its end; it begins nearly sharp",
      default: 0,
      min: 0,
      max: 100,
      reach: 8,
    },
  },
  ofLayer: (layer, { soft, length }, { units }, { parts }) => {
    const deviation = units(soft);
    if (!(deviation > 0) || !layer.paths.length) return layer;
    // Lines stand each on its own ground: each is softened by itself.
    const lines = [...new Set(parts.map((p) => p.line))];
    const layers = lines.flatMap((line) => {
      const own = parts.flatMap((p, i) => (p.line === line ? [i] : []));
      const boxes = own.map((i) => boundsOfPart(parts[i]));
      const b = joinAll(boxes);
      // What is thrown before the letters begins at its top, behind them at its foot.
      const [from, to] = length >= 0 ? [b.minY, b.maxY] : [b.maxY, b.minY];
      const some: SceneLayer = { ...layer, paths: own.map((i) => layer.paths[i]), bounds: b };
      return softenedAlong([some], deviation, (opacity) => ({
        ...{ from: { x: 0, y: from }, to: { x: 0, y: to } },
        stops: Array.from({ length: 25 }, (_, i) => ({ offset: i / 24, opacity: opacity(i / 24) })),
      }));
    });
    return { ...layer, paths: [], fills: [], layers, bounds: joinAll(layers.map((l) => l.bounds)) };
  },
  apply: (shape, { length, lean, spread, floor }, { kernel, units }) => {
    const parts = shape.parts.map(plain);
    const cast: Part[] = [];
    for (const line of new Set(parts.map((p) => p.line))) {
      const own = parts.filter((p) => p.line === line);
      const boxes = own.map(boundsOfPart);
      const ground = footOf(own) + units(floor);
      const top = Math.min(...boxes.map((b) => b.minY));
      if (!(ground - top > 1e-6)) continue;
      const middle = (Math.min(...boxes.map((b) => b.minX)) + Math.max(...boxes.map((b) => b.maxX))) / 2;
      const light = { ground, height: ground - top, middle, length: length / 100, lean, spread: spread / 100 };
      own.forEach((part, i) => {
        const local = { ...light, ground: ground - part.y, middle: middle - part.x };
        const path = known(part.path, `${kernel.name} ${JSON.stringify(local)}`, () => thrown(part.path, boxes[i], part, local, kernel));
        // A shade is no surface any more.
        if (!path.isEmpty) cast.push({ ...part, path, surface: undefined });
      });
    }
    return { parts: cast };
  },
});

interface Light {
  /** The ground under the line, in the letter's own space, and the height of the line over it. */
  readonly ground: number;
  readonly height: number;
  readonly middle: number;
  readonly length: number;
  readonly lean: number;
  readonly spread: number;
}

/** A letter's shade: what of it stands over the ground, laid down, leant, and widened with its height. */
function thrown(path: Path, box: Bounds, { x, y }: Part, light: Light, kernel: Kernel): Path {
  const { ground, height, middle, length, spread } = light;
  const slant = Math.tan((light.lean * Math.PI) / 180) * Math.abs(length);
  const { minX, maxX, minY } = { minX: box.minX - x - 1, maxX: box.maxX - x + 1, minY: box.minY - y - 1 };
  const above = new PathBuilder().move(minX, minY).line(maxX, minY).line(maxX, ground).line(minX, ground).close().build();
  const standing = box.maxY - y > ground ? kernel.intersect([path, above]) : path;
  if (standing.isEmpty) return standing;
  if (spread === 0)
    // x + slant h, ground + length h, where h is the height over the ground; laid towards the eye it is turned over, and wound anew.
    return kernel.weld(standing.transform([1, 0, -slant, -length, slant * ground, ground * (1 + length)]));
  return kernel.weld(
    kernel.warp(
      standing,
      (px, py, out) => {
        const h = ground - py;
        const k = 1 + (spread * h) / height;
        out[0] = middle + (px - middle) * k + slant * h;
        out[1] = ground + length * h;
        out[2] = k;
        out[3] = 0;
        out[4] = (-(px - middle) * spread) / height - slant;
        out[5] = -length;
      },
      tolerance,
    ),
  );
}
