import { pxPer, type Unit } from "@/core/units";
import type { UnitFactors } from "../parts/number-expression";

/** How many of a field's own unit one of each unit is, where one of its own is `px` pixels. */
export const factorsOf = (px: number): UnitFactors => ({
  ...Object.fromEntries(Object.entries(pxPer).map(([unit, k]) => [unit, k / px])),
  cm: (10 * pxPer.mm) / px,
  '"': pxPer.in / px,
});

export const unitFactors = (unit: Unit): UnitFactors => factorsOf(pxPer[unit]);
