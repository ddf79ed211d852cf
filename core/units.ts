/** CSS Values 4, section 6.2: 1 in = 96 px = 72 pt = 25.4 mm. */
export const units = ["px", "pt", "mm", "in"] as const;
export type Unit = (typeof units)[number];

export const pxPer: Readonly<Record<Unit, number>> = { px: 1, pt: 96 / 72, mm: 96 / 25.4, in: 96 };

export const toPx = (value: number, unit: Unit): number => value * pxPer[unit];
export const fromPx = (px: number, unit: Unit): number => px / pxPer[unit];

/** Pixels of a picture of `px` CSS pixels at `dpi`: a length of l inches has l x dpi pixels. */
export const pixelsAt = (px: number, dpi: number): number => Math.max(1, Math.round((px / 96) * dpi));

/** Decimals that show a length of this unit to about a tenth of a pixel. */
export const decimalsOf: Readonly<Record<Unit, number>> = { px: 1, pt: 1, mm: 2, in: 3 };
