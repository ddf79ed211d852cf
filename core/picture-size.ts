import * as z from "zod";
import { Problem } from "./problem";
import type { Unit } from "./units";

/** How large a picture is asked to be. */
export const pictureSizeSchema = z.discriminatedUnion("kind", [
  /**
   * A resolution, in pixels to the inch: of a board in inches, millimetres or points the pixels follow; of a board in pixels, how large it
   * prints.
   */
  z.object({ kind: z.literal("dpi"), dpi: z.number().min(1).max(4800) }),
  /** So many times the board's pixels, 96 to the inch. */
  z.object({ kind: z.literal("times"), times: z.number().min(0.01).max(100), dpi: z.number().min(1).max(4800).optional() }),
  /** A width in pixels. */
  z.object({ kind: z.literal("width"), width: z.number().int().min(1).max(1e6), dpi: z.number().min(1).max(4800).optional() }),
  /** A width in print, in inches, at a resolution. */
  z.object({ kind: z.literal("print"), width: z.number().min(0.01).max(1e4), dpi: z.number().min(1).max(4800) }),
]);
export type PictureSize = z.infer<typeof pictureSizeSchema>;

/** Pixels of a picture, and its resolution in pixels to the inch, which says how large it prints. */
export interface Pixels {
  readonly width: number;
  readonly height: number;
  readonly dpi: number;
}

const pxPerInch = 96;

/** The largest picture: 16,384 pixels a side, 100 million in all (400 MB before it is packed). */
export const mostSide = 16_384;
export const mostPixels = 100_000_000;

/** Why a picture of this size is not drawn; null where it is. */
export function tooLarge(width: number, height: number): string | null {
  if (width <= mostSide && height <= mostSide && width * height <= mostPixels) return null;
  return `${width} x ${height} pixels is too large: a picture has at most ${mostSide} a side and ${mostPixels / 1e6} million in all. Choose a lower dpi, or export an SVG.`;
}

/** @throws Problem where a picture of this size is not drawn */
export function checkSize(width: number, height: number): void {
  const whole = Number.isInteger(width) && Number.isInteger(height) && width >= 1 && height >= 1;
  const why = whole ? tooLarge(width, height) : "A picture is at least 1 pixel wide and high.";
  if (why) throw new Problem(why);
}

/**
 * The pixels of a picture of a part of a board. What is drawn in pixels keeps its pixels, whatever it prints at; what is drawn in inches or
 * millimetres has a size in print, and gets its pixels from the resolution (CSS Values 4, section 6.2: 96 px are an inch).
 * @param asked null for the board's own pixels or resolution
 * @param w,h of the part, in board pixels, above 0
 */
export function picturePixels(
  asked: PictureSize | null,
  w: number,
  h: number,
  board: { readonly unit: Unit; readonly dpi: number },
): Pixels {
  const size = asked ?? { kind: "dpi", dpi: board.dpi };
  const inPixels = board.unit === "px";
  const of = (across: number, dpi: number): Pixels => {
    const width = Math.max(1, Math.round(across));
    return { width, height: Math.max(1, Math.round((across * h) / w)), dpi };
  };
  switch (size.kind) {
    case "dpi":
      return of(inPixels ? w : (w / pxPerInch) * size.dpi, size.dpi);
    case "times":
      return of(w * size.times, size.dpi ?? (inPixels ? board.dpi : pxPerInch * size.times));
    case "width":
      return of(size.width, size.dpi ?? (inPixels ? board.dpi : (size.width / w) * pxPerInch));
    case "print":
      return of(size.width * size.dpi, size.dpi);
  }
}

/** How wide and high a picture prints, in inches. */
export const printed = ({ width, height, dpi }: Pixels): { width: number; height: number } => ({
  width: width / dpi,
  height: height / dpi,
});
