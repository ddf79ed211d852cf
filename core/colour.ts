import { type Color, clampRgb, formatHex, interpolate, parse, wcagContrast } from "culori";
import { z } from "zod";
import { memoByKey } from "./memo";

/** A colour as documents hold it: #rrggbb in sRGB. */
export const colourSchema = z.string().regex(/^#[0-9a-f]{6}$/i, "A colour is written as #rrggbb.");

/** Any CSS colour as #rrggbb, brought to the edge of sRGB where it lies outside; undefined where `text` is none. */
export function toHex(text: string): string | undefined {
  const colour = parse(text.trim());
  return colour ? formatHex(clampRgb(colour)) : undefined;
}

/** The colour at `t` of the way from a to b, mixed straight through sRGB, as SVG does. */
export const mixSrgb = (a: string, b: string, t: number): string => mixed(a, b, "rgb", t);

/** The colour at `t` of the way from a to b, mixed in OKLab so that no step looks muddier than its neighbours. */
export const mixOklab = (a: string, b: string, t: number): string => mixed(a, b, "oklab", t);

/** The ways between pairs of colours: hundreds of slopes or copies ask for places on the same few. */
const ways = memoByKey<(t: number) => Color>(64);

function mixed(a: string, b: string, mode: "rgb" | "oklab", t: number): string {
  return formatHex(clampRgb(ways(`${mode} ${a} ${b}`, () => interpolate([a, b], mode))(t)));
}

/** How far two colours stand out from each other, 1 to 21 (WCAG 2, contrast ratio). */
export const contrast = (a: string, b: string): number => wcagContrast(a, b);
