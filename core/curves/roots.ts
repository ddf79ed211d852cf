import { changeBetween } from "./halving";

/** A polynomial over [0, 1] by its coefficients in the Bernstein basis: what control points are to a curve. */
export type Bernstein = readonly number[];

const binomial = (n: number, k: number): number => {
  let b = 1;
  for (let i = 1; i <= k; i++) b = (b * (n - k + i)) / i;
  return b;
};

/** The product; Farouki and Rajan, Algorithms for polynomials in Bernstein form, CAGD 5 (1988), equation 44. */
export function times(p: Bernstein, q: Bernstein): number[] {
  const m = p.length - 1;
  const n = q.length - 1;
  return Array.from({ length: m + n + 1 }, (_, k) => {
    let sum = 0;
    for (let i = Math.max(0, k - n); i <= Math.min(m, k); i++) sum += binomial(m, i) * binomial(n, k - i) * p[i] * q[k - i];
    return sum / binomial(m + n, k);
  });
}

/** The sum of two polynomials of the same degree. */
export const plus = (p: Bernstein, q: Bernstein): number[] => p.map((c, i) => c + q[i]);

/** The difference of two polynomials of the same degree. */
export const minus = (p: Bernstein, q: Bernstein): number[] => p.map((c, i) => c - q[i]);

/** The derivative, of one degree less. */
export const derivative = (p: Bernstein): number[] => p.slice(1).map((c, i) => (p.length - 1) * (c - p[i]));

/**
 * Where a polynomial changes its sign inside (0, 1), in order: by halving for as long as the coefficients change sign more than once
 * (they change at least as often as the polynomial), then by bisection.
 */
export function signChanges(p: Bernstein): number[] {
  const roots: number[] = [];
  isolate(p, 0, 1, 0, roots);
  return roots;
}

function isolate(p: Bernstein, a: number, b: number, depth: number, roots: number[]): void {
  let changes = 0;
  let last = 0;
  for (const c of p) {
    const s = Math.sign(c);
    if (s !== 0 && last !== 0 && s !== last) changes++;
    if (s !== 0) last = s;
  }
  if (changes === 0) return;
  const ends = p[0] !== 0 && p[p.length - 1] !== 0;
  if (changes === 1 && ends) {
    roots.push(a + (b - a) * changeBetween(0, 1, (t) => at(p, t) < 0));
    return;
  }
  if (depth > 48) return;
  const [left, right] = halves(p);
  const m = (a + b) / 2;
  isolate(left, a, m, depth + 1, roots);
  // A root in the very middle is an end of both halves, and neither would count it.
  if (right[0] === 0 && Math.sign(firstOf(left, true)) * Math.sign(firstOf(right, false)) < 0) roots.push(m);
  isolate(right, m, b, depth + 1, roots);
}

/** The coefficient next to the common end that is not 0. */
function firstOf(p: Bernstein, fromEnd: boolean): number {
  for (let i = 0; i < p.length; i++) {
    const c = p[fromEnd ? p.length - 1 - i : i];
    if (c !== 0) return c;
  }
  return 0;
}

function halves(p: Bernstein): [number[], number[]] {
  const work = [...p];
  const left = [p[0]];
  const right = [p[p.length - 1]];
  for (let level = p.length - 1; level > 0; level--) {
    for (let i = 0; i < level; i++) work[i] = (work[i] + work[i + 1]) / 2;
    left.push(work[0]);
    right.unshift(work[level - 1]);
  }
  return [left, right];
}

/** The value at t, by de Casteljau's algorithm. */
export function at(p: Bernstein, t: number): number {
  const work = [...p];
  for (let level = p.length - 1; level > 0; level--) for (let i = 0; i < level; i++) work[i] += (work[i + 1] - work[i]) * t;
  return work[0];
}
