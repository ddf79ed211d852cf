import { open } from "../core/input/open";
import { longestText } from "../core/lettering/options";
import { newLettering, newPiece, type PieceFile } from "../core/piece/schema";
import { Problem } from "../core/problem";
import { shippedFaces } from "../server/faces/shipped";
import { renderPng, renderSvg, type PngRequest } from "../server/render";
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
  ground: boolean;
  out: string;
}

export async function render(options: Options): Promise<void> {
  const kind = /\.(svg|png)$/i.exec(options.out)?.[1].toLowerCase();
  if (!kind) throw new Problem(`${options.out}: the file to write must end in .svg or .png.`);
  const { file, area, inside } = options.piece ? await pieceFrom(options.piece) : await lettered(options);
  const photos = await photosFor(file, inside);
  if (kind === "svg") return writeWhole(options.out, await renderSvg(file, { area, ground: options.ground, photos }));
  const png = await renderPng({ file, area, ground: options.ground, size: { kind: "dpi", dpi: options.dpi ?? file.piece.board.dpi } }, { photos });
  return writeWhole(options.out, png);
}

/** What is drawn, how much of it, and the photos that came in its file. */
interface Wanted {
  file: PieceFile;
  area: PngRequest["area"];
  inside: ReadonlyMap<string, string>;
}

async function pieceFrom(name: string): Promise<Wanted> {
  const opened = open(new TextDecoder().decode(await readUserFile(name)));
  if (opened.kind !== "piece") throw new Problem(`${name} holds a style, not a piece.`);
  const { file, photos: inside } = opened;
  const area = { kind: "board" as const };
  const missing = file.piece.items.flatMap((i) => (i.styleId && !file.styles.some((s) => s.id === i.styleId) ? [i.styleId] : []));
  if (!missing.length) return { file, area, inside };
  const here = (await allStyles()).filter((s) => missing.includes(s.id));
  return { file: { ...file, styles: [...file.styles, ...here] }, area, inside };
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
      id: "terminal", name: words.split("\n")[0].slice(0, 100).trim() || "Lettering",
      board: { width: 1200, height: 800, unit: "px", dpi: 96, ground: null },
      items: [newLettering({ id: "word", text: words, face: found.id, size, letterSpacing: 0, lineSpacing: 1, align: "centre", x: 600, y: 400, turn: 0, styleId: look.id, ownStyle: null })],
    }),
    styles: [look],
  };
  return { file, area: { kind: "items", ids: ["word"] }, inside: new Map() };
}
