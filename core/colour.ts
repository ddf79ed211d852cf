import "culori/css";
import { type Color, clampRgb, formatHex, interpolate, parse, wcagContrast } from "culori/fn";
import * as z from "zod";
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

const commonLight = "#fff6e5";

/** The tint that a lamp of a colour gives to what it lights, against common daylight; undefined where it gives none. */
export function tintOf(lamp: string): string | undefined {
  const [l, d] = [rgbOf(lamp), rgbOf(commonLight)];
  const against = l.map((v, i) => v / d[i]);
  const most = Math.max(...against, 1e-6);
  const tint = against.map((v) => v / most);
  // Less than an eye can tell.
  return tint.every((v) => v > 0.985) ? undefined : hexOf(tint);
}

/** A colour under a light that takes some of it away: by so much of it as the amount says, from 0 to 1 (W3C Compositing 1, multiply). */
export function tinted(colour: string, tint: string, amount: number): string {
  const light = rgbOf(tint);
  return hexOf(rgbOf(colour).map((v, i) => v * (1 - amount + amount * light[i])));
}

const rgbOf = (colour: string): number[] => [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16) / 255);
const hexOf = ([r, g, b]: readonly number[]): string => formatHex({ mode: "rgb", r, g, b });

/** How far two colours stand out from each other, 1 to 21 (WCAG 2, contrast ratio). */
export const contrast = (a: string, b: string): number => wcagContrast(a, b);
