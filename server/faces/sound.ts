import { fontsIn } from "../../core/lettering/collection";
import { Face } from "../../core/lettering/face";
import { loadHarfBuzz } from "../../core/lettering/harfbuzz";
import { Problem } from "../../core/problem";
import { toSfnt } from "./wrapping";

/** A font that was found sound. */
export interface SoundFont {
  /** In the sfnt wrapping. */
  readonly bytes: Uint8Array;
  readonly name: string;
  /** What it says of itself: copyright and licence. */
  readonly says: string;
}

/** Each font in a file. @throws Problem in the user's words where one is not sound */
export async function soundFonts(fileName: string, file: Uint8Array): Promise<SoundFont[]> {
  const hb = await loadHarfBuzz();
  return fontsIn(await toSfnt(file, fileName), fileName).map((bytes) => {
    const face = Face.open(hb, { id: "new", name: fileName, kind: "" }, bytes);
    checkLetters(face, fileName);
    return { bytes, name: nameOf(face, fileName), says: saysOfItself(face) };
  });
}

/** Draws its common letters once, so that a damaged outline is found now and not while lettering. @throws Problem */
function checkLetters(face: Face, fileName: string): void {
  for (const c of "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789&") {
    const glyph = face.glyphOf(c);
    if (glyph !== undefined && face.outline(glyph).coords.some((v) => !Number.isFinite(v)))
      throw new Problem(`${fileName} is damaged: its letter ${c} has points that are nowhere.`);
  }
}

const text = (face: Face, id: number): string =>
  face.tables
    .getName(id, "en")
    .replace(/[\u0000-\u001f\u007f]+/g, " ")
    .trim();

/** Its full name (OpenType specification, name ID 4), or that of its file. */
const nameOf = (face: Face, fileName: string): string => (text(face, 4) || fileName.replace(/\.[^.]+$/, "")).slice(0, 80) || "Face";

/** Copyright, licence and where it is told, from the font's own names (name IDs 0, 13 and 14). */
const saysOfItself = (face: Face): string =>
  [0, 13, 14]
    .map((id) => face.tables.getName(id, "en").trim())
    .filter(Boolean)
    .join("\n\n")
    .slice(0, 100_000) || "The font says nothing of its licence, and none came with it.";
