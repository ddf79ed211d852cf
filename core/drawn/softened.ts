import { trackPoint, type Track } from "../curves/track";

const { ceil, floor, max, round, sqrt } = Math;

/**
 * A closed line with its corners let go: the mean of the places within `half` units along it, taken twice, as a uniform cubic B-spline
 * through a table of them.
 * @param step units between places of the table
 * @returns writes x, y and the unit direction at a length
 */
export function softened(track: Track, half: number, step = 1.5): (s: number, out: Float64Array) => void {
  const m = max(64, ceil(track.length / step));
  const window = max(1, round((half / track.length) * m));
  const p = trackPoint();
  let [xs, ys] = [new Float64Array(m), new Float64Array(m)];
  for (let i = 0; i < m; i++) {
    track.at((i * track.length) / m, p);
    [xs[i], ys[i]] = [p[0], p[1]];
  }
  for (let pass = 0; pass < 2; pass++) [xs, ys] = [mean(xs, window), mean(ys, window)];
  return (s, out) => {
    const u = (s / track.length - floor(s / track.length)) * m;
    const i = floor(u);
    const f = u - i;
    const g = 1 - f;
    const weights = [g ** 3 / 6, (3 * f ** 3 - 6 * f * f + 4) / 6, (3 * g ** 3 - 6 * g * g + 4) / 6, f ** 3 / 6];
    const slopes = [(-g * g) / 2, (3 * f * f - 4 * f) / 2, (4 * g - 3 * g * g) / 2, (f * f) / 2];
    let [x, y, dx, dy] = [0, 0, 0, 0];
    for (let k = 0; k < 4; k++) {
      const at = (i + k - 1 + m) % m;
      x += weights[k] * xs[at];
      y += weights[k] * ys[at];
      dx += slopes[k] * xs[at];
      dy += slopes[k] * ys[at];
    }
    const l = sqrt(dx * dx + dy * dy) || 1;
    [out[0], out[1], out[2], out[3]] = [x, y, dx / l, dy / l];
  };
}

/** The mean of each with `window` neighbours on either side, in a ring. */
function mean(values: Float64Array, window: number): Float64Array<ArrayBuffer> {
  const m = values.length;
  const out = new Float64Array(m);
  let sum = 0;
  for (let i = -window; i <= window; i++) sum += values[(i + m * 4) % m];
  for (let i = 0; i < m; i++) {
    out[i] = sum / (2 * window + 1);
    sum += values[(i + window + 1) % m] - values[(i - window + m) % m];
  }
  return out;
}
