import type { Matrix } from "../curves/matrix";

/** Short and exact enough: seven significant digits. */
export const number = (v: number): string => String(Number(v.toPrecision(7)));

export const matrixText = (m: Matrix): string => `matrix(${m.map(number).join(" ")})`;
