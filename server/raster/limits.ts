import { Problem } from "../../core/problem";

/** The largest picture: 16,384 pixels a side, 100 million in all (400 MB before it is packed). */
export const mostSide = 16_384;
export const mostPixels = 100_000_000;

/** @throws Problem where a picture of this size is not drawn */
export function checkSize(width: number, height: number): void {
  const whole = Number.isInteger(width) && Number.isInteger(height) && width >= 1 && height >= 1;
  if (!whole) throw new Problem("A picture is at least 1 pixel wide and high.");
  if (width > mostSide || height > mostSide || width * height > mostPixels)
    throw new Problem(
      `${width} x ${height} pixels is too large: a picture has at most ${mostSide} a side and ${mostPixels / 1e6} million in all. Choose a lower dpi, or export an SVG.`,
    );
}
