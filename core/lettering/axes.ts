import type { Face } from "./face";

export interface Axis {
  readonly tag: string;
  readonly name: string;
  readonly min: number;
  readonly default: number;
  readonly max: number;
}
/** A place on the axes that the face itself names: Light, Condensed Black. */
export interface NamedPlace {
  readonly name: string;
  readonly axes: Readonly<Record<string, number>>;
}

/** The registered axes by plain names (OpenType specification, design-variation axis tag registry), for faces that do not name theirs. */
const plainNames: Readonly<Record<string, string>> = { wght: "Weight", wdth: "Width", opsz: "Optical size", slnt: "Slant", ital: "Italic" };

/** The axes of a variable face; none of a still one. */
export function axesOf(face: Face): Axis[] {
  const { tables } = face;
  return Object.entries(tables.getAxisInfos())
    .sort(([, a], [, b]) => a.axisIndex - b.axisIndex)
    .filter(([, a]) => a.max > a.min && (a.flags & 1) === 0)
    .map(([tag, a]) => ({
      tag,
      name: tables.getName(a.nameId, "en") || plainNames[tag] || tag,
      min: a.min,
      default: face.info.axes?.[tag] ?? a.default,
      max: a.max,
    }));
}

/** The named instances, from the table “fvar” (OpenType specification, fvar: the order of axes, then records of a name and a place). */
export function namedPlacesOf(face: Face): NamedPlace[] {
  const bytes = face.tables.referenceTable("fvar")?.slice();
  if (!bytes || bytes.length < 16) return [];
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const [start, axisCount, axisSize, count, size] = [4, 8, 10, 12, 14].map((at) => view.getUint16(at));
  const first = start + axisCount * axisSize;
  if (axisCount > 64 || count > 2000 || first + count * size > bytes.length || size < 4 + 4 * axisCount) return [];
  const tags = Array.from({ length: axisCount }, (_, i) =>
    String.fromCharCode(...bytes.subarray(start + i * axisSize, start + i * axisSize + 4)),
  );
  return Array.from({ length: count }, (_, i): NamedPlace => {
    const at = first + i * size;
    const axes = Object.fromEntries(tags.map((tag, k) => [tag, view.getInt32(at + 4 + 4 * k) / 65536]));
    return { name: face.tables.getName(view.getUint16(at), "en") || `Instance ${i + 1}`, axes };
  });
}
