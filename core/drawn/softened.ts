import { trackPoint, type Track } from "../curves/track";

const { ceil, floor, max, min, round, sqrt } = Math;

/**
 * A closed line with its corners let go: the mean of the places within `half` units along it, taken twice, as a uniform cubic B-spline
 * through a table of them.
 * @param step units between places of the table
 * @returns writes x, y and the unit direction at a length
 */
export function softened(track: Track, half: number, step = 1.5): (s: number, out: Float64Array) => void {
  const m = max(64, ceil(track.length / step));
  // On a line that is shorter than what is let go the mean is that of all of it, and no more.
  const window = min((m - 1) >> 1, max(1, round((half / track.length) * m)));
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
    const [ff, gg] = [f * f, g * g];
    // Uniform cubic B-spline: the weights of four neighbours, and the slopes of these.
    const [w0, w1, w2, w3] = [(gg * g) / 6, (3 * ff * f - 6 * ff + 4) / 6, (3 * gg * g - 6 * gg + 4) / 6, (ff * f) / 6];
    const [s0, s1, s2, s3] = [-gg / 2, (3 * ff - 4 * f) / 2, (4 * g - 3 * gg) / 2, ff / 2];
    const [a, b, c, d] = [(i + m - 1) % m, i % m, (i + 1) % m, (i + 2) % m];
    const x = w0 * xs[a] + w1 * xs[b] + w2 * xs[c] + w3 * xs[d];
    const y = w0 * ys[a] + w1 * ys[b] + w2 * ys[c] + w3 * ys[d];
    const dx = s0 * xs[a] + s1 * xs[b] + s2 * xs[c] + s3 * xs[d];
    const dy = s0 * ys[a] + s1 * ys[b] + s2 * ys[c] + s3 * ys[d];
    const l = sqrt(dx * dx + dy * dy) || 1;
    out[0] = x;
    out[1] = y;
    out[2] = dx / l;
    out[3] = dy / l;
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
