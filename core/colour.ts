import { clampRgb, formatHex, interpolate, parse } from "culori";
import { z } from "zod";

/** A colour as #rrggbb in sRGB. Any CSS colour is read; what lies outside sRGB is brought to its edge. */
export const colourSchema = z.string().max(100).transform((text, context) => {
  const hex = toHex(text);
  if (!hex) context.addIssue({ code: "custom", message: `“${text}” is not a colour.` });
  return hex ?? z.NEVER;
}).pipe(z.string());

/** The colour as #rrggbb, or undefined where `text` is no CSS colour. */
export function toHex(text: string): string | undefined {
  const colour = parse(text.trim());
  return colour ? formatHex(clampRgb(colour)) : undefined;
}

/** The colour at `t` of the way from a to b, mixed in OKLab so that no step looks muddier than its neighbours. */
export function mixOklab(a: string, b: string, t: number): string {
  return formatHex(clampRgb(interpolate([a, b], "oklab")(t)));
}
