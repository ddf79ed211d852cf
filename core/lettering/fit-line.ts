import type { Face } from "./face";
import { layLine, type Row } from "./lay-line";
import type { lineFits } from "./options";

export type LineFit = (typeof lineFits)[number];

/** The tag of the width axis (OpenType specification, design-variation axis tag registry). */
const widthAxis = "wdth";

const inkWidth = (row: Row): number => {
  const { ink } = layLine(row);
  return Math.max(0, ink.maxX - ink.minX);
};

/**
 * A line whose ink is exactly `width` units wide. By size all is scaled; by spacing the same is added between all letters; by the width
 * axis of a variable face the letters themselves grow wider, and what the axis cannot reach is left to spacing. A line without ink, or
 * of one letter where spacing is asked for, stays as it is.
 * @param reshape the line with the face at another place of its axes
 */
export function fitLine(row: Row, width: number, by: LineFit, reshape: (face: Face) => Row): Row {
  const now = inkWidth(row);
  if (!(now > 0)) return row;
  if (by === "size") return { ...row, scale: (row.scale * width) / now };
  if (by === "axis") return spaced(onAxis(row, width, reshape), width);
  return spaced(row, width);
}

/** The same added to every advance, so that the ink becomes `width` wide. */
export function spaced(row: Row, width: number, at: (index: number) => boolean = () => true): Row {
  const between = row.pieces
    .map((_, i) => i)
    .slice(0, -1)
    .filter(at);
  if (!between.length) return row;
  const add = (width - inkWidth(row)) / row.scale / between.length;
  const chosen = new Set(between);
  return { ...row, pieces: row.pieces.map((p, i) => (chosen.has(i) ? { ...p, advance: p.advance + add } : p)) };
}

function onAxis(row: Row, width: number, reshape: (face: Face) => Row): Row {
  const axis = row.face.tables.getAxisInfos()[widthAxis];
  if (!axis) return row;
  // To a thousandth of the axis: the rest is a matter of spacing, and places that a drag passes again are found open.
  const place = (t: number) => axis.min + (axis.max - axis.min) * (Math.round(t * 1000) / 1000);
  const at = (t: number) => reshape(row.face.at({ ...row.face.axes, [widthAxis]: place(t) }));
  let [low, high] = [0, 1];
  if (inkWidth(at(0)) >= width) return at(0);
  if (inkWidth(at(1)) <= width) return at(1);
  for (let i = 0; i < 10; i++) {
    const middle = (low + high) / 2;
    if (inkWidth(at(middle)) < width) low = middle;
    else high = middle;
  }
  return at((low + high) / 2);
}
