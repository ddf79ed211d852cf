import type { Matrix } from "../../curves/matrix";

/** PDF knows no exponents: a millionth is the least. */
export const real = (v: number): string => String(Number(v.toFixed(6)) || 0);
/** A coordinate, to a hundredth as in SVG. */
export const place = (v: number): string => String(Math.round(v * 100) / 100 || 0);

export const matrixOf = (m: Matrix): string => m.map(real).join(" ");
