import earcut from "earcut";
import { chords, directionAt, valueAt } from "../curves/bezier";
import { contoursOf, stride, type Contour } from "../curves/contour";
import { flatten } from "../curves/flatten";
import type { Kernel } from "../curves/kernel";
import type { Path } from "../curves/path";
import { placeOnEdge, slopesOf, type Edge } from "./bevel";
import type { Point3 } from "./camera";
import { topOf } from "./chisel/top";

/** Triangles of one surface of a body: x to the right, y up, z towards who looks at its face, which lies at 0. */
export interface Surface {
  /** Three numbers a vertex, in units. */
  readonly positions: Float32Array<ArrayBuffer>;
  /** Outwards, of length 1. */
  readonly normals: Float32Array<ArrayBuffer>;
  /** Two numbers a vertex, in units: places of the face's plane, or along the outline and back. */
  readonly places: Float32Array<ArrayBuffer>;
  /** Three vertices a triangle, anticlockwise as they are seen from outside. */
  readonly triangles: Uint32Array<ArrayBuffer>;
}

export const surfaceNames = ["face", "rim", "sides", "back"] as const;
export type SurfaceName = (typeof surfaceNames)[number];

/** A body as the surfaces that close it. */
export type BodyMesh = Readonly<Record<SurfaceName, Surface>>;

/** How far chords lie from the curves, in units. */
const fine = 0.15;

/**
 * A body between its face and its back as triangles: flat ones by ear clipping, sides and the slopes of the edge as strips along the
 * outline.
 * @param outline of the letters, welded: outers positive, counters negative
 * @param edge between face and sides; undefined where it is sharp
 */
export function meshOf(outline: Path, depth: number, edge: Edge | undefined, kernel: Kernel): BodyMesh {
  const rings = contoursOf(outline, true).map(ringOf);
  const around = rings.map((ring) => Float64Array.from(ring.flatMap(({ x, y }) => [x, y])));
  const top = edge ? flatten(topOf(outline, edge.width, kernel), fine) : around;
  return {
    face: flat(top, 0, 1),
    back: flat(around, -depth, -1),
    sides: sidesOf(rings, -(edge?.height ?? 0), -depth),
    rim: edge ? rimOf(outline, edge) : new Sheet().surface(),
  };
}

/** A place of the outline, with the outward normal of what comes after it and of what came before, and how far along it lies. */
interface RingPlace {
  readonly x: number;
  readonly y: number;
  readonly before: readonly [number, number];
  readonly after: readonly [number, number];
}

const direction = new Float64Array(2);
const turned = ({ points, degrees }: Contour, k: number, t: number): readonly [number, number] => {
  directionAt(points, k * stride, degrees[k], t, direction);
  return [direction[1], -direction[0]];
};

function ringOf(contour: Contour): RingPlace[] {
  const { points, degrees, size } = contour;
  const ring: RingPlace[] = [];
  for (let k = 0; k < size; k++) {
    const [o, degree] = [k * stride, degrees[k]];
    const n = degree === 1 ? 1 : Math.max(2, chords(points, o, degree, fine));
    for (let i = 0; i < n; i++) {
      const after = turned(contour, k, i / n);
      const before = i === 0 ? turned(contour, (k + size - 1) % size, 1) : after;
      ring.push({ x: valueAt(points, o, degree, i / n), y: valueAt(points, o + 1, degree, i / n), before, after });
    }
  }
  return ring;
}

function flat(polygons: readonly Float64Array[], z: number, up: number): Surface {
  const sheet = new Sheet();
  for (const group of grouped(polygons)) {
    const all = group.flatMap((p) => [...p]);
    const holes: number[] = [];
    let count = group[0].length / 2;
    for (const p of group.slice(1)) {
      holes.push(count);
      count += p.length / 2;
    }
    const first = sheet.size;
    for (let i = 0; i < all.length; i += 2) sheet.vertex({ x: all[i], y: all[i + 1], z }, { x: 0, y: 0, z: up }, all[i], all[i + 1]);
    const found = earcut(all, holes);
    for (let i = 0; i < found.length; i += 3) sheet.triangle(first + found[i], first + found[i + 1], first + found[i + 2]);
  }
  return sheet.surface();
}

/** Outers each with the counters that lie in them. */
function grouped(polygons: readonly Float64Array[]): Float64Array[][] {
  const outers = polygons.filter((p) => doubleArea(p) > 0).map((p) => ({ p, area: doubleArea(p), group: [p] }));
  for (const hole of polygons) {
    if (doubleArea(hole) >= 0) continue;
    const within = outers.filter(({ p }) => holds(p, hole[0], hole[1])).sort((a, b) => a.area - b.area);
    within[0]?.group.push(hole);
  }
  return outers.map(({ group }) => group);
}

function doubleArea(p: Float64Array): number {
  let sum = 0;
  for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2) sum += p[j] * p[i + 1] - p[i] * p[j + 1];
  return sum;
}

function holds(p: Float64Array, x: number, y: number): boolean {
  let odd = false;
  for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2)
    if (p[i + 1] > y !== p[j + 1] > y && x < p[i] + ((y - p[i + 1]) / (p[j + 1] - p[i + 1])) * (p[j] - p[i])) odd = !odd;
  return odd;
}

function sidesOf(rings: readonly RingPlace[][], from: number, to: number): Surface {
  const sheet = new Sheet();
  for (const ring of rings) {
    let along = 0;
    ring.forEach((a, i) => {
      const b = ring[(i + 1) % ring.length];
      const length = Math.hypot(b.x - a.x, b.y - a.y);
      const pair = (p: RingPlace, [x, y]: readonly [number, number], s: number): [number, number] => [
        sheet.vertex({ ...p, z: from }, { x, y, z: 0 }, s, from),
        sheet.vertex({ ...p, z: to }, { x, y, z: 0 }, s, to),
      ];
      sheet.quad(...pair(a, a.after, along), ...pair(b, b.before, along + length));
      along += length;
    });
  }
  return sheet.surface();
}

function rimOf(outline: Path, edge: Edge): Surface {
  const sheet = new Sheet();
  const { profile, width, height } = edge;
  for (const facet of slopesOf(outline, edge, false)) {
    const walked = facet.walked();
    for (let ring = 0; ring + 1 < profile.length; ring++) {
      const [a, b] = [profile[ring], profile[ring + 1]];
      const [across, up] = [(b.inwards - a.inwards) * width, (b.up - a.up) * height];
      const length = Math.hypot(across, up);
      if (!(length > 1e-9)) continue;
      const pairs = walked.map((s) => {
        const normal = { x: (-s.nx * up) / length, y: (-s.ny * up) / length, z: across / length };
        return [a, b].map((place) => {
          const at = placeOnEdge(s, place, edge);
          return sheet.vertex(at, normal, at.x, at.y);
        });
      });
      for (let i = 1; i < pairs.length; i++) sheet.quad(pairs[i - 1][0], pairs[i - 1][1], pairs[i][0], pairs[i][1]);
    }
  }
  return sheet.surface();
}

/** Collects triangles. */
class Sheet {
  readonly #positions: number[] = [];
  readonly #normals: number[] = [];
  readonly #places: number[] = [];
  readonly #triangles: number[] = [];

  get size(): number {
    return this.#positions.length / 3;
  }

  /** @param at in the plane of the letters, y down @returns its number */
  vertex(at: Point3, normal: Point3, u: number, v: number): number {
    this.#positions.push(at.x, -at.y, at.z);
    this.#normals.push(normal.x, -normal.y, normal.z);
    this.#places.push(u, -v);
    return this.size - 1;
  }

  /** Two pairs, one after the other along a strip. */
  quad(a: number, b: number, c: number, d: number): void {
    this.triangle(a, b, c);
    this.triangle(c, b, d);
  }

  /** Three vertices, in the order in which they are seen from outside, whichever they come in; none where they are one line. */
  triangle(a: number, b: number, c: number): void {
    const p = this.#positions;
    const [u, v] = [b, c].map((k) => [0, 1, 2].map((i) => p[3 * k + i] - p[3 * a + i]));
    const cross = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]];
    if (Math.hypot(...cross) < 1e-9) return;
    const outwards = [a, b, c].reduce((sum, k) => sum + cross.reduce((s, x, i) => s + x * this.#normals[3 * k + i], 0), 0);
    this.#triangles.push(a, ...(outwards > 0 ? [b, c] : [c, b]));
  }

  surface(): Surface {
    return {
      positions: Float32Array.from(this.#positions),
      normals: Float32Array.from(this.#normals),
      places: Float32Array.from(this.#places),
      triangles: Uint32Array.from(this.#triangles),
    };
  }
}
