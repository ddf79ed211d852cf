import { flatten } from "../core/curves/flatten";
import { CurveKernel } from "../core/curves/kernel";
import type { Path } from "../core/curves/path";
import { cameraOf, type Camera, type Sight } from "../core/depth/camera";
import type { SeenSides } from "../core/depth/solid";
import { sideWays } from "../core/depth/tones";
import { chance } from "../core/grain/noise";
import { inside } from "./paths";
import { Rays, type Met } from "./rays";

const kernel = new CurveKernel();

const middleOf = ({ minX, minY, maxX, maxY }: Path["bounds"]) => ({ x: (minX + maxX) / 2, y: (minY + maxY) / 2 });

/** A sight by chance: from before and behind, far and near. */
export function sightOf(front: Path, seed: number): Sight {
  const c = (k: number) => chance(seed, k, 91);
  const b = front.bounds;
  const diagonal = Math.hypot(b.maxX - b.minX, b.maxY - b.minY);
  return {
    ...{ swing: (seed % 5 === 0 ? 180 : 0) + 130 * (c(0) - 0.5), tilt: 120 * (c(1) - 0.5), roll: 40 * (c(2) - 0.5) },
    ...{ depth: 20 + 400 * c(3), eye: seed % 3 === 0 ? 0 : diagonal * (0.85 + 3 * c(4)), pivot: middleOf(b) },
  };
}

const toPicture = (path: Path, { matrix, map }: Camera) => (matrix ? path.transform(matrix) : kernel.warp(path, map, 0.02));

const told = (met: Met) => (met === undefined || typeof met === "string" ? met : sideWays.of(met));

/** Whether a side is so near to where two ways meet that a chord is no judge. */
const doubtful = (met: Met) => typeof met === "object" && Math.abs(1.15 * Math.abs(met.x) - Math.abs(met.y)) < 0.05;

/** Units: far within a pixel. */
const chord = 0.3;

/** Places at which a body is looked at, and how many of them are told wrongly. */
export function looked(front: Path, sight: Sight, sides: readonly SeenSides[], painted: boolean, places: number, seed: number) {
  const camera = cameraOf(sight);
  const rays = new Rays(front, sight);
  const face = flatten(toPicture(front, camera), chord);
  const shapes = sides.map((s) => ({ side: s.side, polygons: flatten(toPicture(s.path, camera), chord) }));
  const whole = toPicture(kernel.sweep(front, camera.way).silhouette, camera).bounds;
  // A pixel of letters of 160 pixels.
  const pixel = painted ? 12 : 6;
  let [asked, wrong] = [0, 0];
  for (let i = 0; i < places; i++) {
    const x = whole.minX + (whole.maxX - whole.minX) * chance(i, seed, 1);
    const y = whole.minY + (whole.maxY - whole.minY) * chance(i, seed, 2);
    const met = rays.at(x, y);
    const around = [
      [pixel, 0],
      [-pixel, 0],
      [0, pixel],
      [0, -pixel],
    ].map(([dx, dy]) => rays.at(x + dx, y + dy));
    if ([met, ...around].some(doubtful) || around.some((a) => told(a) !== told(met))) continue;
    asked++;
    const here = shapes.filter((s) => inside(s.polygons, x, y)).map((s) => s.side);
    const want = told(met);
    const got = inside(face, x, y) ? (camera.behind ? "back" : "front") : painted ? here.at(-1) : here.length > 1 ? "several" : here[0];
    if (want !== got) wrong++;
  }
  return { asked, wrong };
}
