/**
 * Where a question changes its answer between a and b, which it answers differently: by halving, to the last digits unless told otherwise.
 */
export function changeBetween(a: number, b: number, question: (t: number) => boolean, halvings = 54): number {
  const before = question(a);
  for (let i = 0; i < halvings; i++) {
    const m = (a + b) / 2;
    if (question(m) === before) a = m;
    else b = m;
  }
  return (a + b) / 2;
}

/**
 * Of intervals that follow one another, the first that reaches to `value`, or the last.
 * @param ends their ends in order, ends[0] the start of the first
 */
export function intervalOf(ends: ArrayLike<number>, count: number, value: number): number {
  let lo = 0;
  let hi = count - 1;
  while (lo < hi) {
    const m = (lo + hi) >> 1;
    if (ends[m + 1] < value) lo = m + 1;
    else hi = m;
  }
  return lo;
}
