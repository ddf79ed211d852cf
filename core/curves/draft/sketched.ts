import { directionAt, valueAt } from "../bezier";
import { stride, type Contour } from "../contour";
import type { Cap } from "../offset/joins";
import { widthAt, type TaperStop } from "../offset/taper";
import { Path, Verb } from "../path";

/** Places that a curve is drawn with. */
const places = 5;
/** Segments that meet at less than some 8 degrees go on: the cosine. */
const straight = 0.99;
/** Turns at which a round end has corners, as shares of the half circle. */
const roundness = [1 / 4, 1 / 2, 3 / 4];
const direction = new Float64Array(2);

/**
 * Lines as thick as a pen, for a picture while something is dragged and where cutting would be too much work: one polygon along both sides
 * of each. A closed one has a slit where it begins: what a polygon winds about is the sum of what its steps do, however often the line
 * crosses itself.
 */
export function sketched(lines: readonly Contour[], width: number, cap: Cap, taper: readonly TaperStop[] = []): Path {
  const sheet = new Sheet(lines);
  for (const line of lines) draw(sheet, line, width, cap, taper);
  return sheet.path();
}

/** Room for all that is drawn, taken once: hatchings have hundreds of strokes, and are drawn anew at every move of a hand. */
class Sheet {
  readonly #verbs: Uint8Array;
  readonly #coords: Float64Array;
  /** The other side of the line that is being drawn, which comes last. */
  readonly left: Float64Array;
  #verb = 0;
  #at = 0;

  constructor(lines: readonly Contour[]) {
    const sides = lines.map((l) => 2 * (places + 1) * l.size);
    const points = sides.reduce((a, b) => a + b + 2 * roundness.length, 0);
    this.#verbs = new Uint8Array(points + lines.length);
    this.#coords = new Float64Array(2 * points);
    this.left = new Float64Array(Math.max(0, ...sides));
  }

  point(x: number, y: number, first = false): void {
    this.#verbs[this.#verb++] = first ? Verb.Move : Verb.Line;
    this.#coords[this.#at++] = x;
    this.#coords[this.#at++] = y;
  }
  close(): void {
    this.#verbs[this.#verb++] = Verb.Close;
  }
  path(): Path {
    return this.#verb ? new Path(this.#verbs.slice(0, this.#verb), this.#coords.slice(0, this.#at)) : Path.empty;
  }
}

function draw(sheet: Sheet, c: Contour, width: number, cap: Cap, taper: readonly TaperStop[]): void {
  const { left } = sheet;
  let n = 0;
  let [beginX, beginY, rightX, rightY, lastX, lastY] = [0, 0, 0, 0, 0, 0];
  for (let k = 0; k < c.size; k++) {
    const steps = c.degrees[k] === 1 ? 1 : places;
    for (let i = 0; i <= steps; i++) {
      const t = i / steps;
      directionAt(c.points, k * stride, c.degrees[k], t, direction);
      // Where a segment begins as the one before it ends its sides are there already; at a corner they are set anew.
      if (i === 0 && k > 0 && direction[0] * lastX + direction[1] * lastY > straight) continue;
      lastX = direction[0];
      lastY = direction[1];
      const half = (taper.length ? widthAt(taper, (k + t) / c.size) : width) / 2;
      const x = valueAt(c.points, k * stride, c.degrees[k], t);
      const y = valueAt(c.points, k * stride + 1, c.degrees[k], t);
      rightX = x + direction[1] * half;
      rightY = y - direction[0] * half;
      if (n === 0) [beginX, beginY] = [rightX, rightY];
      sheet.point(rightX, rightY, n === 0);
      left[n++] = x - direction[1] * half;
      left[n++] = y + direction[0] * half;
    }
  }
  if (!c.closed) endOf(sheet, rightX, rightY, left[n - 2], left[n - 1], cap);
  for (let i = n - 2; i >= 0; i -= 2) sheet.point(left[i], left[i + 1]);
  if (!c.closed) endOf(sheet, left[0], left[1], beginX, beginY, cap);
  sheet.close();
}

/** The end of a line, from its right side to its left, seen along its way. */
function endOf(sheet: Sheet, ax: number, ay: number, bx: number, by: number, cap: Cap): void {
  if (cap === "butt") return;
  const [mx, my] = [(ax + bx) / 2, (ay + by) / 2];
  const [ux, uy] = [ax - mx, ay - my];
  // Ahead, as far as the line is thick on either side.
  const [vx, vy] = [-uy, ux];
  if (cap === "square") {
    sheet.point(ax + vx, ay + vy);
    sheet.point(bx + vx, by + vy);
    return;
  }
  for (const share of roundness) {
    const [cos, sin] = [Math.cos(Math.PI * share), Math.sin(Math.PI * share)];
    sheet.point(mx + ux * cos + vx * sin, my + uy * cos + vy * sin);
  }
}
