import { Euler, Matrix4, OrthographicCamera, PerspectiveCamera, Vector3 } from "three";
import { flatten } from "../core/curves/flatten";
import type { Path } from "../core/curves/path";
import type { Sight } from "../core/depth/camera";

/** What a ray meets first: the front or the back of a body, or one of its sides, as the outward normal in the body's plane. */
export type Met = "front" | "back" | { readonly x: number; readonly y: number } | undefined;

/**
 * A body looked at by casting rays: three.js says where a ray runs, and each edge of the outline is a wall that is tried by itself. It
 * knows of no sweep, no order and no booleans.
 */
export class Rays {
  readonly #polygons: readonly Float64Array[];
  readonly #camera: PerspectiveCamera | OrthographicCamera;
  readonly #toBody = new Matrix4();
  readonly #toWorld = new Matrix4();

  constructor(
    front: Path,
    private readonly sight: Sight,
  ) {
    this.#polygons = flatten(front, 0.3);
    // Its y runs up: turns about the level axis and about the line of sight run the other way round.
    const rad = Math.PI / 180;
    this.#toWorld.makeRotationFromEuler(new Euler(-sight.tilt * rad, sight.swing * rad, -sight.roll * rad, "ZXY"));
    this.#toBody.copy(this.#toWorld).invert();
    const far = 1e5;
    if (sight.eye > 0) {
      this.#camera = new PerspectiveCamera((2 * Math.atan(1 / sight.eye)) / rad, 1, 1, far);
      this.#camera.position.set(0, 0, sight.eye);
    } else {
      this.#camera = new OrthographicCamera(-1, 1, 1, -1, 1, far);
      this.#camera.position.set(0, 0, far / 2);
    }
    this.#camera.updateMatrixWorld();
    this.#camera.updateProjectionMatrix();
  }

  /** Where a place of the body is seen, as three.js projects it. */
  project(x: number, y: number, z: number): { x: number; y: number } {
    const { pivot, depth } = this.sight;
    const p = new Vector3(x - pivot.x, -(y - pivot.y), z + depth / 2).applyMatrix4(this.#toWorld).project(this.#camera);
    return { x: pivot.x + p.x, y: pivot.y - p.y };
  }

  /** Where a ray runs in the frame of the letters: y down, the front at 0. */
  ray(x: number, y: number): { from: readonly [number, number, number]; way: readonly [number, number, number] } {
    const { pivot, depth } = this.sight;
    const near = new Vector3(x - pivot.x, -(y - pivot.y), -1).unproject(this.#camera);
    const far = new Vector3(x - pivot.x, -(y - pivot.y), 0.9).unproject(this.#camera);
    const o = near.applyMatrix4(this.#toBody);
    const d = far.applyMatrix4(this.#toBody).sub(o);
    return { from: [o.x + pivot.x, -o.y + pivot.y, o.z - depth / 2], way: [d.x, -d.y, d.z] };
  }

  /** @param x in the picture @param y in the picture */
  at(x: number, y: number): Met {
    const { depth } = this.sight;
    const {
      from: [ox, oy, oz],
      way: [dx, dy, dz],
    } = this.ray(x, y);
    let first = Infinity;
    let met: Met;
    for (const [z, what] of [
      [0, "front"],
      [-depth, "back"],
    ] as const) {
      const t = (z - oz) / dz;
      if (t > 0 && t < first && this.inside(ox + t * dx, oy + t * dy)) [first, met] = [t, what];
    }
    for (const p of this.#polygons)
      for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2) {
        const [ex, ey] = [p[i] - p[j], p[i + 1] - p[j + 1]];
        const det = dx * ey - dy * ex;
        if (Math.abs(det) < 1e-12) continue;
        const t = ((p[j] - ox) * ey - (p[j + 1] - oy) * ex) / det;
        if (t <= 0 || t >= first) continue;
        const along = ((p[j] - ox) * dy - (p[j + 1] - oy) * dx) / det;
        const z = oz + t * dz;
        if (along < 0 || along > 1 || z > 0 || z < -depth) continue;
        const length = Math.hypot(ex, ey);
        [first, met] = [t, { x: ey / length, y: -ex / length }];
      }
    return met;
  }

  inside(x: number, y: number): boolean {
    let odd = false;
    for (const p of this.#polygons)
      for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2)
        if (p[i + 1] > y !== p[j + 1] > y && x < p[i] + ((y - p[i + 1]) / (p[j + 1] - p[i + 1])) * (p[j] - p[i])) odd = !odd;
    return odd;
  }
}
