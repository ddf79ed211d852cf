import { Face } from "../../core/lettering/face";
import { loadHarfBuzz } from "../../core/lettering/harfbuzz";
import type { Path } from "../../core/curves/path";
import { readFace } from "../../server/faces/read";
import { shippedFaces } from "../../server/faces/shipped";

/** Faces of six kinds: grotesque, slab, condensed, joined script, blackletter and old-style. */
export const benchFaces = ["archivo-black", "alfa-slab", "league-gothic", "pacifico", "unifrakturcook", "fraunces"] as const;

export async function openFace(id: string): Promise<Face> {
  const info = shippedFaces.find((f) => f.id === id)!;
  return Face.open(await loadHarfBuzz(), info, (await readFace(id))!.bytes);
}

/** The outlines of some letters, each from its own origin. */
export const outlines = (face: Face, text: string): Path[] =>
  [...text]
    .map((c) => face.glyphOf(c))
    .filter((g) => g !== undefined)
    .map((g) => face.outline(g))
    .filter((p) => !p.isEmpty);

/** How many glyphs a face has: the number at byte 4 of the table "maxp" (OpenType 1.9). */
export function glyphCount(face: Face): number {
  const maxp = face.tables.referenceTable("maxp")!;
  return new DataView(maxp.buffer, maxp.byteOffset).getUint16(4);
}
