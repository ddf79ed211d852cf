const { abs } = Math;

const golden = 0.618034;

/**
 * Where a function that falls and rises is lowest between two places, and how low, by the golden section (Kiefer, 1953).
 * @param near how well the place is known
 */
export function lowestOf(f: (t: number) => number, from: number, to: number, near: number): [number, number] {
  let [a, b] = [from, to];
  let [c, d] = [b - golden * (b - a), a + golden * (b - a)];
  let [fc, fd] = [f(c), f(d)];
  while (b - a > near) {
    if (fc < fd) {
      [b, d, fd] = [d, c, fc];
      c = b - golden * (b - a);
      fc = f(c);
    } else {
      [a, c, fc] = [c, d, fd];
      d = a + golden * (b - a);
      fd = f(d);
    }
  }
  return fc < fd ? [c, fc] : [d, fd];
}

/**
 * Where a function vanishes between two places, by the Illinois form of false position (Dowell and Jarratt, 1971).
 * @param fa what it is at `a`, and `fb` at `b`: of two signs
 * @param near how well the place is known, and how near the value is to 0
 */
export function rootOf(f: (t: number) => number, a: number, b: number, fa: number, fb: number, near: number): number {
  let side = 0;
  for (let i = 0; i < 60 && abs(b - a) > near; i++) {
    const c = (fa * b - fb * a) / (fa - fb);
    const fc = f(c);
    if (abs(fc) < near / 4) return c;
    if (fc > 0 === fa > 0) {
      [a, fa] = [c, fc];
      if (side === -1) fb /= 2;
      side = -1;
    } else {
      [b, fb] = [c, fc];
      if (side === 1) fa /= 2;
      side = 1;
    }
  }
  return (a + b) / 2;
}
