import { chords, valueAt } from "../../curves/bezier";
import { stride, type Contour } from "../../curves/contour";

const { max, min, sqrt } = Math;

/**
 * A wall that turns less than this from a place's own is its own surface: kinks that no eye sees, at the joints of curves, must not push a
 * ball out. As the sine and 1 less the cosine of some degrees.
 */
const level = 0.06;
const kink = 0.0075;
/** The same for the chord of a curve, whose distance is not known as well: by a ball on its own curve only vertices are asked. */
const bent = 0.1;
/** Vertices that are looked at or left out together. */
const block = 12;

/**
 * The outline of a letter as what stands around a ball that rolls along it from within: vertices, which lie on it exactly, and the chords
 * between them.
 */
export class Walls {
  readonly #x: Float64Array;
  readonly #y: Float64Array;
  /** Of the edge from a vertex on: its direction, its length, and how much it must be turned to stand in the way. */
  readonly #dx: Float64Array;
  readonly #dy: Float64Array;
  readonly #length: Float64Array;
  readonly #least: Float64Array;
  /** Boxes of blocks of vertices, with the edges from them on: minX, minY, maxX, maxY. */
  readonly #boxes: Float64Array;
  readonly #size: number;
  #near = 0;

  /**
   * @param contours that do not cross, outers positive, counters negative
   * @param fine how far chords may lie from their curves, in units
   * @param fewest how many a curve has at least
   */
  constructor(contours: readonly Contour[], fine: number, fewest: number) {
    const x: number[] = [];
    const y: number[] = [];
    const length: number[] = [];
    const dx: number[] = [];
    const dy: number[] = [];
    const least: number[] = [];
    const ends: number[] = [];
    for (const { points, degrees, size } of contours)
      for (let k = 0; k < size; k++) {
        const [o, degree] = [k * stride, degrees[k]];
        const n = degree === 1 ? 1 : max(fewest, chords(points, o, degree, fine));
        for (let i = 0; i < n; i++) {
          x.push(valueAt(points, o, degree, i / n));
          y.push(valueAt(points, o + 1, degree, i / n));
          const next = (i + 1) / n;
          const [ex, ey] = [valueAt(points, o, degree, next), valueAt(points, o + 1, degree, next)];
          const [wx, wy] = [ex - x[x.length - 1], ey - y[y.length - 1]];
          const way = sqrt(wx * wx + wy * wy);
          length.push(way);
          dx.push(wx / (way || 1));
          dy.push(wy / (way || 1));
          least.push(degree === 1 ? kink : bent);
          ends.push(ex, ey);
        }
      }
    this.#x = Float64Array.from(x);
    this.#y = Float64Array.from(y);
    this.#dx = Float64Array.from(dx);
    this.#dy = Float64Array.from(dy);
    this.#length = Float64Array.from(length);
    this.#least = Float64Array.from(least);
    this.#size = x.length;
    const blocks = Math.ceil(x.length / block);
    this.#boxes = new Float64Array(4 * blocks).fill(-Infinity);
    for (let b = 0; b < blocks; b++) {
      let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
      for (let i = b * block; i < min(x.length, (b + 1) * block); i++) {
        minX = min(minX, x[i], ends[2 * i]);
        minY = min(minY, y[i], ends[2 * i + 1]);
        maxX = max(maxX, x[i], ends[2 * i]);
        maxY = max(maxY, y[i], ends[2 * i + 1]);
      }
      this.#boxes.set([minX, minY, maxX, maxY], 4 * b);
    }
  }

  /**
   * The radius of the largest ball inside that touches the outline at a place: the least of those that reach to each wall (shrinking ball,
   * Ma and others, 3D medial axis point approximation, 2012; here each wall says at once how large the ball may be).
   * @param nx inwards, a unit of length
   */
  reach(x: number, y: number, nx: number, ny: number, most: number): number {
    let r = this.#within(this.#near, x, y, nx, ny, most);
    const blocks = this.#boxes.length / 4;
    for (let b = 0; b < blocks; b++) {
      if (b === this.#near) continue;
      const [cx, cy] = [x + r * nx, y + r * ny];
      const o = 4 * b;
      const px = max(this.#boxes[o] - cx, 0, cx - this.#boxes[o + 2]);
      const py = max(this.#boxes[o + 1] - cy, 0, cy - this.#boxes[o + 3]);
      if (px * px + py * py >= r * r) continue;
      const own = this.#within(b, x, y, nx, ny, r);
      if (own < r) {
        r = own;
        this.#near = b;
      }
    }
    return r;
  }

  #within(b: number, x: number, y: number, nx: number, ny: number, most: number): number {
    let r = most;
    const end = min(this.#size, (b + 1) * block);
    for (let i = b * block; i < end; i++) {
      const [qx, qy] = [this.#x[i] - x, this.#y[i] - y];
      const away = nx * qx + ny * qy;
      const square = qx * qx + qy * qy;
      // A ball through the place that touches there and reaches the vertex.
      if (square > 1e-10 && away > level * sqrt(square)) {
        const own = square / (2 * away);
        if (own < r) r = own;
      }
      const length = this.#length[i];
      // One that touches the line: its middle is as far from it as from the place.
      const [mx, my] = [-this.#dy[i], this.#dx[i]];
      const bend = 1 - (nx * mx + ny * my);
      if (bend < this.#least[i]) continue;
      const own = -(qx * mx + qy * my) / bend;
      if (own <= 1e-9 || own >= r) continue;
      const [tx, ty] = [own * (nx - mx) - qx, own * (ny - my) - qy];
      const along = tx * this.#dx[i] + ty * this.#dy[i];
      if (along >= 0 && along <= length) r = own;
    }
    return r;
  }
}
