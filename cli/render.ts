import { open } from "../core/input/open";
import { longestText } from "../core/lettering/options";
import type { Area } from "../core/output/output-kind";
import { newOutput, outputKinds, type OutputStep } from "../core/output/outputs";
import type { PictureSize } from "../core/picture-size";
import { facesOf, newLettering, newPiece, type Piece, type PieceFile } from "../core/piece/schema";
import { Problem } from "../core/problem";
import type { Style } from "../core/style/schema";
import { findFace } from "../server/faces/find";
import { shippedFaces } from "../server/faces/shipped";
import { writeFileHere } from "../server/render";
import { readUserFile, writeWhole } from "./files";
import { photosFor } from "./photos";
import { allStyles, findStyle } from "./styles";

interface Options {
  text?: string;
  face?: string;
  style?: string;
  size: number;
  piece?: string;
  dpi?: number;
  times?: number;
  width?: number;
  ground: boolean;
  as?: string;
  out: string;
}

export async function render(options: Options): Promise<void> {
  const output = outputFor(options);
  const { file, area, inside } = options.piece ? await pieceFrom(options.piece) : await lettered(options);
  const photos = await photosFor(file, inside);
  await writeWhole(options.out, await writeFileHere({ file, area, ground: options.ground, output }, { photos }));
}

/** Which output the file's name asks for, and how it is set. */
function outputFor(options: Options): OutputStep {
  const fitting = outputKinds.filter((k) => options.out.toLowerCase().endsWith(`.${k.extension}`));
  const known = [...new Set(outputKinds.map((k) => `.${k.extension}`))];
  if (!fitting.length)
    throw new Problem(`${options.out}: the file to write must end in ${known.slice(0, -1).join(", ")} or ${known[known.length - 1]}.`);
  const kind = options.as === undefined ? fitting[0] : fitting.find((k) => k.kind === options.as);
  if (!kind) throw new Problem(`${options.out} can be ${fitting.map((k) => k.kind).join(" or ")}, not ${options.as}.`);
  const { dpi } = options;
  if ("size" in kind.params) return newOutput(kind.kind, { size: sizeOf(options) });
  return newOutput(kind.kind, "dpi" in kind.params && dpi !== undefined ? { dpi } : {});
}

function sizeOf({ dpi, times, width }: Options): PictureSize | null {
  if (times !== undefined && width !== undefined) throw new Problem("Either --times or --width says how large the picture is, not both.");
  if (width !== undefined) return { kind: "width", width: Math.round(width), dpi };
  if (times !== undefined) return { kind: "times", times, dpi };
  return dpi === undefined ? null : { kind: "dpi", dpi };
}

/** What is drawn, how much of it, and the photos that came in its file. */
interface Wanted {
  file: PieceFile;
  area: Area;
  inside: ReadonlyMap<string, string>;
}

async function pieceFrom(name: string): Promise<Wanted> {
  const opened = open(new TextDecoder().decode(await readUserFile(name)));
  if (opened.kind !== "piece") throw new Problem(`${name} holds a style, not a piece.`);
  const { file, photos: inside } = opened;
  await checkFaces(name, file.piece);
  return { file: { ...file, styles: await stylesFor(name, file) }, area: { kind: "board" }, inside };
}

/**
 * The styles that a piece's items follow: those in its file, and those at hand.
 * @throws Problem where one is in neither: the item would be drawn bare
 */
async function stylesFor(name: string, { piece, styles }: PieceFile): Promise<Style[]> {
  const followed = new Set(piece.items.flatMap((i) => (i.styleId && !i.ownStyle ? [i.styleId] : [])));
  const missing = [...followed].filter((id) => !styles.some((s) => s.id === id));
  if (!missing.length) return [...styles];
  const here = (await allStyles()).filter((s) => missing.includes(s.id));
  const nowhere = missing.filter((id) => !here.some((s) => s.id === id));
  if (nowhere.length)
    throw new Problem(
      `${name} follows the style ${nowhere.map((id) => `“${id}”`).join(", ")}, which is neither in the file nor at hand. Nothing was written.`,
    );
  return [...styles, ...here];
}

/** @throws Problem where a piece is set in a face that is not at hand: another would stand in for it */
async function checkFaces(name: string, piece: Piece): Promise<void> {
  const faces = await Promise.all(facesOf(piece.items).map(async (id) => ({ id, there: (await findFace(id)) !== undefined })));
  const missing = faces.filter((f) => !f.there).map((f) => `“${f.id}”`);
  if (missing.length) throw new Problem(`${name} is set in the face ${missing.join(", ")}, which is not at hand. Nothing was written.`);
}

/** A piece of one lettering; its ink is what is drawn. */
async function lettered({ text, face, style, size }: Options): Promise<Wanted> {
  if (text === undefined || !face || !style) throw new Problem("Either --piece, or --text with --face and --style is needed.");
  const words = text.replace(/\\n/g, "\n");
  if (!words.trim()) throw new Problem("The text is empty: there is nothing to letter.");
  if (words.length > longestText) throw new Problem(`The text has ${words.length} characters; a lettering holds at most ${longestText}.`);
  const wanted = face.trim().toLowerCase();
  const found = shippedFaces.find((f) => f.name.toLowerCase() === wanted || f.id === wanted);
  if (!found) throw new Problem(`There is no face called “${face}”. The command “faces” lists them.`);
  const look = await findStyle(style);
  const file: PieceFile = {
    format: "vextal.file",
    version: 1,
    piece: newPiece({
      id: "terminal",
      name: words.split("\n")[0].slice(0, 100).trim() || "Lettering",
      board: { width: 1200, height: 800, unit: "px", dpi: 96, ground: null },
      items: [
        newLettering({
          id: "word",
          text: words,
          face: found.id,
          size,
          letterSpacing: 0,
          lineSpacing: 1,
          align: "centre",
          x: 600,
          y: 400,
          turn: 0,
          styleId: look.id,
          ownStyle: null,
        }),
      ],
    }),
    styles: [look],
  };
  return { file, area: { kind: "items", ids: ["word"] }, inside: new Map() };
}
