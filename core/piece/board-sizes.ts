import type { Unit } from "../units";

/** A size of board that designers meet. */
export interface BoardSize {
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly unit: Unit;
  readonly dpi: number;
}

/**
 * Common sizes: paper by ISO 216 (A series) and by ANSI/ASME Y14.1 (Letter, Tabloid); cards, stickers and screens as printers and
 * displays commonly have them (common practice).
 */
export const boardSizes: readonly { readonly group: string; readonly sizes: readonly BoardSize[] }[] = [
  {
    group: "Square",
    sizes: [
      { name: "Square, 1080 px", width: 1080, height: 1080, unit: "px", dpi: 96 },
      { name: "Square, 2000 px", width: 2000, height: 2000, unit: "px", dpi: 96 },
      { name: "Square, 210 mm", width: 210, height: 210, unit: "mm", dpi: 300 },
      { name: "Square, 12 in", width: 12, height: 12, unit: "in", dpi: 300 },
    ],
  },
  {
    group: "Screen",
    sizes: [
      { name: "HD, 1280 x 720", width: 1280, height: 720, unit: "px", dpi: 96 },
      { name: "Full HD, 1920 x 1080", width: 1920, height: 1080, unit: "px", dpi: 96 },
      { name: "4K, 3840 x 2160", width: 3840, height: 2160, unit: "px", dpi: 96 },
      { name: "Upright, 1080 x 1920", width: 1080, height: 1920, unit: "px", dpi: 96 },
    ],
  },
  {
    group: "Print",
    sizes: [
      { name: "A5", width: 148, height: 210, unit: "mm", dpi: 300 },
      { name: "A4", width: 210, height: 297, unit: "mm", dpi: 300 },
      { name: "A3", width: 297, height: 420, unit: "mm", dpi: 300 },
      { name: "A2", width: 420, height: 594, unit: "mm", dpi: 300 },
      { name: "Letter", width: 8.5, height: 11, unit: "in", dpi: 300 },
      { name: "Tabloid", width: 11, height: 17, unit: "in", dpi: 300 },
      { name: "Poster, 24 x 36 in", width: 24, height: 36, unit: "in", dpi: 150 },
      { name: "Business card, 85 x 55 mm", width: 85, height: 55, unit: "mm", dpi: 300 },
    ],
  },
  {
    group: "Sticker and label",
    sizes: [
      { name: "Round or square, 2 in", width: 2, height: 2, unit: "in", dpi: 300 },
      { name: "Round or square, 3 in", width: 3, height: 3, unit: "in", dpi: 300 },
      { name: "Bumper, 11.5 x 3 in", width: 11.5, height: 3, unit: "in", dpi: 300 },
      { name: "Label, 100 x 70 mm", width: 100, height: 70, unit: "mm", dpi: 300 },
    ],
  },
];
