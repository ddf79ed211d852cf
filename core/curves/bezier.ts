/**
 * Bezier segments of degree 1, 2 and 3 as runs of coordinates x0 y0 x1 y1 ... inside a larger array `p`, from index
 * `o` on. Functions of one coordinate take `o` for x and `o + 1` for y, so that no small object is made per point.
 */

export type Degree = 1 | 2 | 3;

/** The length of a vector. Math.hypot takes many times as long, for the sake of sizes that no outline has. */
export const norm = (x: number, y: number): number => Math.sqrt(x * x + y * y);

/** One coordinate at t in [0, 1]; exact at both ends. */
export function valueAt(p: ArrayLike<number>, o: number, degree: number, t: number): number {
  const u = 1 - t;
  if (degree === 1) return u * p[o] + t * p[o + 2];
  if (degree === 2) return u * u * p[o] + 2 * u * t * p[o + 2] + t * t * p[o + 4];
  return u * u * u * p[o] + 3 * u * u * t * p[o + 2] + 3 * u * t * t * p[o + 4] + t * t * t * p[o + 6];
}

/** The first derivative by t of one coordinate. */
export function slopeAt(p: ArrayLike<number>, o: number, degree: number, t: number): number {
  if (degree === 1) return p[o + 2] - p[o];
  const u = 1 - t;
  if (degree === 2) return 2 * (u * (p[o + 2] - p[o]) + t * (p[o + 4] - p[o + 2]));
  return 3 * (u * u * (p[o + 2] - p[o]) + 2 * u * t * (p[o + 4] - p[o + 2]) + t * t * (p[o + 6] - p[o + 4]));
}

/** The second derivative by t of one coordinate. */
export function bendAt(p: ArrayLike<number>, o: number, degree: number, t: number): number {
  if (degree === 1) return 0;
  if (degree === 2) return 2 * (p[o] - 2 * p[o + 2] + p[o + 4]);
  return 6 * ((1 - t) * (p[o] - 2 * p[o + 2] + p[o + 4]) + t * (p[o + 2] - 2 * p[o + 4] + p[o + 6]));
}

/**
 * Signed curvature at t, 1 / unit: positive where the curve turns from x towards y. Infinite or NaN where the curve
 * stands still. Do Carmo, Differential Geometry of Curves and Surfaces, section 1-5, exercise 12.
 */
export function curvatureAt(p: ArrayLike<number>, o: number, degree: number, t: number): number {
  const dx = slopeAt(p, o, degree, t);
  const dy = slopeAt(p, o + 1, degree, t);
  const speed2 = dx * dx + dy * dy;
  return (dx * bendAt(p, o + 1, degree, t) - dy * bendAt(p, o, degree, t)) / (speed2 * Math.sqrt(speed2));
}

/**
 * The direction of travel at t, also where the derivative vanishes because control points coincide: the limit from
 * inside the segment.
 * @param out receives the unit vector at [0], [1]; 0, 0 where the whole segment is a point
 */
export function directionAt(p: ArrayLike<number>, o: number, degree: number, t: number, out: Float64Array): void {
  let dx = slopeAt(p, o, degree, t);
  let dy = slopeAt(p, o + 1, degree, t);
  let length = Math.sqrt(dx * dx + dy * dy);
  const n = 2 * degree;
  const size = Math.abs(p[o + n] - p[o]) + Math.abs(p[o + n + 1] - p[o + 1]) + Math.abs(p[o + 2] - p[o]) + Math.abs(p[o + 3] - p[o + 1]);
  if (length <= 1e-9 * size || length === 0) {
    // Towards the next control point that is somewhere else, from either end.
    const back = t > 0.5;
    const from = back ? o + n : o;
    for (let k = 1; k <= degree; k++) {
      const at = back ? from - 2 * k : from + 2 * k;
      dx = back ? p[from] - p[at] : p[at] - p[from];
      dy = back ? p[from + 1] - p[at + 1] : p[at + 1] - p[from + 1];
      length = Math.sqrt(dx * dx + dy * dy);
      if (length > 1e-9 * size) break;
    }
  }
  out[0] = length > 0 ? dx / length : 0;
  out[1] = length > 0 ? dy / length : 0;
}

const work = new Float64Array(16);

/**
 * The part of a segment from t = a to t = b as a segment of the same degree, by de Casteljau's algorithm. With
 * a > b it runs backwards. The ends are bitwise those of `valueAt`, and of the control points at t = 0 and 1.
 * @param out receives 2 (degree + 1) numbers from index `at` on; may be `p` itself
 */
export function cut(p: ArrayLike<number>, o: number, degree: number, a: number, b: number, out: { [i: number]: number }, at: number): void {
  const n = 2 * degree + 2;
  for (let i = 0; i < n; i++) work[i] = p[o + i];
  if (a > b) {
    reverse(work, degree);
    cutForward(degree, 1 - a, 1 - b);
  } else cutForward(degree, a, b);
  const x0 = valueAt(p, o, degree, a);
  const y0 = valueAt(p, o + 1, degree, a);
  const x1 = valueAt(p, o, degree, b);
  const y1 = valueAt(p, o + 1, degree, b);
  for (let i = 2; i < n - 2; i++) out[at + i] = work[i];
  out[at] = x0;
  out[at + 1] = y0;
  out[at + n - 2] = x1;
  out[at + n - 1] = y1;
}

function cutForward(degree: number, a: number, b: number): void {
  // Keep the part before b, then of that the part after a / b.
  if (b < 1)
    for (let level = 1; level <= degree; level++)
      for (let k = 2 * degree + 1; k >= 2 * level; k--) work[k] = work[k - 2] + (work[k] - work[k - 2]) * b;
  if (a > 0) {
    const t = b > 0 ? a / b : 0;
    for (let level = 1; level <= degree; level++)
      for (let k = 0; k <= 2 * (degree - level) + 1; k++) work[k] = work[k] + (work[k + 2] - work[k]) * t;
  }
}

function reverse(q: Float64Array, degree: number): void {
  for (let i = 0, j = 2 * degree; i < j; i += 2, j -= 2) {
    const x = q[i];
    const y = q[i + 1];
    q[i] = q[j];
    q[i + 1] = q[j + 1];
    q[j] = x;
    q[j + 1] = y;
  }
}

/**
 * How many equal steps of t keep the chords of a segment within `tolerance` of it. The distance of a chord over a step h is at
 * most h^2 / 8 times the largest second derivative (Sederberg, Computer Aided Geometric Design, section 10.6).
 */
export function chords(p: ArrayLike<number>, o: number, degree: number, tolerance: number): number {
  if (degree === 1) return 1;
  const ax = p[o] - 2 * p[o + 2] + p[o + 4];
  const ay = p[o + 1] - 2 * p[o + 3] + p[o + 5];
  let bend2 = ax * ax + ay * ay;
  if (degree === 2) return Math.max(1, Math.ceil(Math.sqrt(Math.sqrt(bend2) / (4 * tolerance))));
  const bx = p[o + 2] - 2 * p[o + 4] + p[o + 6];
  const by = p[o + 3] - 2 * p[o + 5] + p[o + 7];
  bend2 = Math.max(bend2, bx * bx + by * by);
  return Math.max(1, Math.ceil(Math.sqrt((0.75 * Math.sqrt(bend2)) / tolerance)));
}

/**
 * The parameter of the point of a segment next to (x, y), by Newton's method from `t` on; stays within [0, 1].
 * Finds the foot of the perpendicular near `t`, not the nearest of several.
 */
export function footNear(p: ArrayLike<number>, o: number, degree: number, x: number, y: number, t: number): number {
  for (let i = 0; i < 6; i++) {
    const ex = valueAt(p, o, degree, t) - x;
    const ey = valueAt(p, o + 1, degree, t) - y;
    const dx = slopeAt(p, o, degree, t);
    const dy = slopeAt(p, o + 1, degree, t);
    const speed = dx * dx + dy * dy;
    let slope = speed + ex * bendAt(p, o, degree, t) + ey * bendAt(p, o + 1, degree, t);
    // Close to the centre of curvature the second-order term cancels the first: step as on a straight line there.
    if (slope < 0.3 * speed) slope = speed;
    if (slope < 1e-18) break;
    const step = (ex * dx + ey * dy) / slope;
    t = Math.min(1, Math.max(0, t - step));
    if (Math.abs(step) < 1e-11) break;
  }
  return t;
}
