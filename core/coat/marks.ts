import type { Mark } from "../params";

/** Shares of a letter's box within which two marks are one: another face has the same place a little elsewhere. */
export const sameMark = 0.1;

/** The marks with one more, or without it where it is there already. */
export function toggledMark(marks: readonly Mark[], { of, x, y }: Mark): Mark[] {
  const others = marks.filter((m) => m.of !== of || Math.hypot(m.x - x, m.y - y) >= sameMark);
  const rounded = (v: number) => Number(v.toFixed(4));
  return others.length < marks.length ? others : [...marks, { of, x: rounded(x), y: rounded(y) }];
}
