import { Resvg } from "@resvg/resvg-js";
import { checkSize } from "../../core/picture-size";
import { Problem } from "../../core/problem";

/**
 * An SVG as PNG, drawn in this process, which does nothing else meanwhile.
 * @param height undefined where it follows from the drawing's own shape
 * @throws Problem where it is too large, or cannot be drawn
 */
export function drawPng(svg: string, width: number, height?: number): Uint8Array {
  if (height !== undefined) checkSize(width, height);
  try {
    return new Resvg(svg, { fitTo: { mode: "width", value: width }, font: { loadSystemFonts: false }, logLevel: "off" }).render().asPng();
  } catch {
    throw new Problem("The picture could not be drawn.");
  }
}
