import { coat, flat, step } from "../demo/build";
import { Coats } from "../core/coat/evaluate";
import type { Part } from "../core/coat/shape";
import { flatten } from "../core/curves/flatten";
import type { Kernel } from "../core/curves/kernel";
import { translation } from "../core/curves/matrix";
import { nearest } from "../core/curves/measure";
import type { Path } from "../core/curves/path";
import type { Sight } from "../core/depth/camera";
import { drawnProfile, profileOf, upAt, type EdgeProfile } from "../core/depth/profile";
import { chance } from "../core/grain/noise";
import { coatsContext } from "./coats";
import { inside } from "./paths";
import { Rays } from "./rays";

/** Ten units of lettering space to a length of the style. */
const width = 2;
const height = 2.5;
export const depth = 12;
const section = [
  { at: 0, value: 25 },
  { at: 40, value: 40 },
  { at: 55, value: 85 },
];

/**
 * What a ray meets, by marching down it through the edge of the face: at each step it is asked how far in from the outline it is, and
 * whether the body reaches up to it there. It knows of no slopes.
 */
function marched(front: Path, rays: Rays, rim: EdgeProfile | "drawn", x: number, y: number): string {
  const { from, way } = rays.ray(x, y);
  const at = (z: number) => {
    const t = (z - from[2]) / way[2];
    return [from[0] + t * way[0], from[1] + t * way[1]] as const;
  };
  const profile = rim === "drawn" ? drawnProfile(section, false) : profileOf(rim);
  const steps = 30;
  // From behind, the back comes first, then the sides, and the edge of the face last.
  if (way[2] > 0) {
    if (rays.inside(...at(-10 * depth))) return "back";
    for (let i = 0; i <= 80; i++) if (rays.inside(...at(-10 * depth + (10 * (depth - height) * i) / 80))) return "side";
    for (let i = 0; i <= steps; i++) {
      const z = -10 * height * (1 - i / steps);
      const [px, py] = at(z);
      if (rays.inside(px, py) && z <= (upAt(profile, nearest(front, px, py)!.distance / (10 * width)) - 1) * 10 * height + 1e-9)
        return "rim";
    }
    return "nothing";
  }
  for (let i = 0; i <= steps; i++) {
    const z = (-10 * height * i) / steps;
    const [px, py] = at(z);
    if (!rays.inside(px, py)) continue;
    const inwards = nearest(front, px, py)!.distance / (10 * width);
    if (i === 0 && inwards >= 1) return "face";
    if (inwards >= 1 || z <= (upAt(profile, inwards) - 1) * 10 * height + 1e-9) return "rim";
  }
  // Below the edge the body is as wide as its outline.
  for (let i = 0; i <= 80; i++) {
    const z = -10 * height - (10 * (depth - height) * i) / 80;
    const [px, py] = at(z);
    if (rays.inside(px, py)) return "side";
  }
  return "nothing";
}

/** Places at which a body with an edge is looked at, how many of them are told wrongly, and what was met there. */
export function lookedOverRim(
  kernel: Kernel,
  front: Path,
  rim: EdgeProfile | "drawn",
  side: "before" | "behind",
  places: number,
  seed: number,
) {
  const b = front.bounds;
  // Letter by letter, each in a space of its own.
  const parts = kernel.split(front).map((path): Part => {
    const { minX: x, minY: y } = path.bounds;
    return { path: path.transform(translation(-x, -y)), x, y, line: 0 };
  });
  const shape = { parts };
  const c = (k: number) => chance(seed, k, 61);
  // From behind so far to a side that its slopes can be seen.
  const swing = side === "behind" ? (seed % 3 ? 1 : -1) * (95 + 35 * c(0)) : 90 * (c(0) - 0.5);
  const turn = { swing, tilt: 80 * (c(1) - 0.5), roll: 0 };
  const perspective = seed % 2 ? 0 : 20 + 60 * c(2);
  const own = coat("T", flat("face"), [
    step("solid", { ...turn, depth, perspective, rim, rimWidth: width, rimHeight: height, profile: section }),
  ]);
  const body = new Coats([own], coatsContext(kernel, shape)).form("t")!;
  const seen = body.parts.map((p: Part) => ({ pass: p.pass ?? "side", polygons: flatten(p.path.transform(translation(p.x, p.y)), 0.2) }));
  const diagonal = Math.hypot(b.maxX - b.minX, b.maxY - b.minY);
  const sight: Sight = {
    ...turn,
    ...{ depth: 10 * depth, eye: perspective > 0 ? (80 * diagonal) / perspective : 0 },
    pivot: { x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 },
  };
  const rays = new Rays(front, sight);
  const met = new Set<string>();
  let [asked, wrong] = [0, 0];
  for (let i = 0; i < places; i++) {
    const x = b.minX - 60 + (b.maxX - b.minX + 120) * chance(i, seed, 1);
    const y = b.minY - 60 + (b.maxY - b.minY + 120) * chance(i, seed, 2);
    const want = marched(front, rays, rim, x, y);
    // Beyond a pixel of letters of 160 pixels from any edge.
    const near = [
      [6, 0],
      [-6, 0],
      [0, 6],
      [0, -6],
    ].map(([dx, dy]) => marched(front, rays, rim, x + dx, y + dy));
    if (near.some((n) => n !== want)) continue;
    asked++;
    met.add(want);
    const got = seen.findLast((s) => inside(s.polygons, x, y))?.pass ?? "nothing";
    if (got !== want) wrong++;
  }
  return { asked, wrong, met };
}
