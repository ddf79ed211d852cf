import type { OutputTools } from "../../core/output/output-kind";
import { drawPng } from "../raster/draw";
import { newPdf } from "./pdf";

/** What outputs need of the machine. */
export const outputTools: OutputTools = {
  raster: async (svg, { width, height }) => drawPng(svg, width, height),
  pdf: newPdf,
};
