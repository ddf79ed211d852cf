import { open } from "../core/input/open";
import { checkSfnt } from "../core/lettering/font-check";
import { Face } from "../core/lettering/face";
import { loadHarfBuzz } from "../core/lettering/harfbuzz";
import { Problem } from "../core/problem";
import { toSfnt } from "../server/faces/wrapping";
import { readUserFile } from "./files";

/** @returns one line that says what the file is @throws Problem saying where it is not sound */
export async function check(file: string): Promise<string> {
  const bytes = await readUserFile(file);
  const start = String.fromCharCode(...bytes.subarray(0, 4));
  const text = /^\s*[<{[]/.test(start.replace(/^\u00ef\u00bb\u00bf/, ""));
  if (!text || /\.(ttf|otf|woff2?)$/i.test(file)) return checkFont(file, bytes);
  try {
    const opened = open(new TextDecoder().decode(bytes));
    if (opened.kind === "styles") {
      const [style, ...others] = opened.styles;
      if (style && !others.length) return `${file}: a sound style, “${style.name}”, ${style.coats.length} coats.`;
      return `${file}: a sound library of ${opened.styles.length} styles.`;
    }
    const { piece, styles } = opened.file;
    return `${file}: a sound piece, “${piece.name}”, ${piece.items.length} letterings, ${styles.length} styles inside.`;
  } catch (error) {
    throw new Problem(`${file}: ${(error as Error).message}`);
  }
}

async function checkFont(file: string, bytes: Uint8Array): Promise<string> {
  const sfnt = await toSfnt(bytes, file);
  checkSfnt(sfnt, file);
  const face = Face.open(await loadHarfBuzz(), { id: "checked", name: file, kind: "" }, sfnt);
  const { capHeight, stem } = face.metrics;
  return `${file}: a sound font, ${face.upem} units to the em, capitals ${Math.round(capHeight)} and stems ${Math.round(stem)} thousandths of the em.`;
}
