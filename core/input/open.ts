import { vextalNamespace, xlinkNamespace } from "../output/svg";
import { pieceFileSchema, pieceFormat, pieceSchema, pieceVersion, type PieceFile } from "../piece/schema";
import { firstFault, Problem } from "../problem";
import { styleFormat, styleSchema, styleVersion, type Style } from "../style/schema";
import { readMarkup } from "./markup";
import { libraryFormat, libraryVersion, photoData } from "../style/library";
import { withUnknownAside } from "./unknown-kinds";
import { withSoundIds } from "./sound-ids";
import { migrate, type Migration } from "./versions";

export type Opened =
  | {
      readonly kind: "piece";
      readonly file: PieceFile;
      /** Photos that lie in the file, as data URLs by their ids. */
      readonly photos: ReadonlyMap<string, string>;
    }
  | {
      /** One style, or several of a library. */
      readonly kind: "styles";
      readonly styles: readonly Style[];
      readonly photos: ReadonlyMap<string, string>;
    };

/** Larger files than this are no pieces or styles of ours; an SVG holds its photos too. */
const mostCharacters = 20_000_000;
const mostWithPhotos = 200_000_000;

/**
 * Reads a piece file, a style file, a library, or an SVG that carries its piece.
 * @throws Problem saying what is wrong and where
 */
export function open(text: string): Opened {
  const isSvg = text.trimStart().startsWith("<");
  const most = isSvg || text.includes(`"data:image/`) ? mostWithPhotos : mostCharacters;
  if (text.length > most) throw new Problem(`This file is over ${most / 1e6} MB, far more than a piece or a style holds.`);
  const { piece: json, photos } = isSvg ? insideSvg(text) : { piece: text, photos: new Map<string, string>() };
  let document: unknown;
  try {
    document = JSON.parse(json);
  } catch {
    if (isSvg) throw new Problem("The piece inside this SVG is damaged.");
    const begun = text.trimStart().startsWith("{");
    throw new Problem(
      begun
        ? "This file is damaged: it begins as a piece or a style, and does not end as one."
        : "This file is neither a piece, a style, nor an SVG with its piece inside.",
    );
  }
  const opened = openDocument(document);
  return opened.kind === "piece" ? { ...opened, photos } : opened;
}

/** As `open`, of parsed JSON. */
export function openDocument(document: unknown): Opened {
  const format = (document as { format?: unknown } | null)?.format;
  switch (format) {
    case styleFormat:
      return { kind: "styles", styles: [openStyle(document)], photos: photosIn(document) };
    case libraryFormat: {
      const { styles } = migrate(document, "library", libraryVersion);
      if (!Array.isArray(styles)) throw new Problem("This library is damaged: it holds no styles.");
      return { kind: "styles", styles: styles.map(openStyle), photos: photosIn(document) };
    }
    case pieceFormat:
      return { kind: "piece", file: { format: "vextal.file", version: 1, piece: openPiece(document), styles: [] }, photos: new Map() };
    case "vextal.file": {
      const outer = migrate(document, "piece file", 1) as { piece?: unknown; styles?: unknown };
      const styles = Array.isArray(outer.styles) ? outer.styles.map(openStyle) : outer.styles;
      return {
        kind: "piece",
        file: parse(pieceFileSchema, { ...outer, piece: openPiece(outer.piece), styles }, "piece file"),
        photos: new Map(),
      };
    }
    default:
      throw new Problem("This file is neither a piece nor a style of Vextal: it names no format that is known here.");
  }
}

/** From each version of the style format to the next; there is one so far. */
const styleMigrations: readonly Migration[] = [];

const presentStyle = (document: unknown): unknown => withUnknownAside(migrate(document, "style", styleVersion, styleMigrations));

/** The photos that a file of styles brings; others than pictures are left out. */
function photosIn(document: unknown): ReadonlyMap<string, string> {
  const { photos } = document as { readonly photos?: unknown };
  const read = photoData.safeParse(photos ?? {});
  if (!read.success) throw new Problem("The photos in this file are damaged.");
  return new Map(Object.entries(read.data));
}

export const openStyle = (document: unknown): Style => parse(styleSchema, withSoundIds(presentStyle(document)), "style");

/** From each version of the piece format to the next. */
const pieceMigrations: readonly Migration[] = [
  // 1 to 2: bends, poses, single letters and shapes came in; what a piece does not say of them is as it was.
  (piece) => piece,
  // 2 to 3: the lamp came in; nothing was lit by one before.
  (piece) => piece,
];

/** A piece of the present format; the styles inside it have a format of their own, and are brought forward, too. */
function presentPiece(document: unknown): unknown {
  const piece = migrate(document, "piece", pieceVersion, pieceMigrations);
  const { items } = piece;
  if (!Array.isArray(items)) return piece;
  const dressed = (item: { ownStyle?: unknown } | null) => (item?.ownStyle ? { ...item, ownStyle: presentStyle(item.ownStyle) } : item);
  return { ...piece, items: items.map(dressed) };
}

export const openPiece = (document: unknown) => parse(pieceSchema, withSoundIds(presentPiece(document)), "piece");

function parse<T>(
  schema: { safeParse(v: unknown): { success: true; data: T } | { success: false; error: Parameters<typeof firstFault>[0] } },
  value: unknown,
  what: string,
): T {
  const result = schema.safeParse(value);
  if (!result.success) throw new Problem(`This ${what} is damaged ${firstFault(result.error)}`);
  return result.data;
}

/** The piece's JSON from the metadata of an SVG, and its photos. */
function insideSvg(svg: string): { piece: string; photos: Map<string, string> } {
  let inside = false;
  const piece: string[] = [];
  let found = false;
  const photos = new Map<string, string>();
  readMarkup(svg, {
    open: (tag) => {
      if (tag.uri === vextalNamespace && tag.local === "made") inside = found = true;
      if (tag.local !== "image") return;
      const said = (uri: string, local: string) => Object.values(tag.attributes).find((a) => a.uri === uri && a.local === local)?.value;
      const photo = said(vextalNamespace, "photo");
      const data = photo && said(xlinkNamespace, "href");
      if (photo && data && /^data:image\/(png|jpeg);base64,/.test(data)) photos.set(photo, data);
    },
    close: (tag) => {
      if (tag.uri === vextalNamespace && tag.local === "made") inside = false;
    },
    text: (t) => {
      if (inside) piece.push(t);
    },
  });
  if (!found || !piece.join("").trim())
    throw new Problem("This SVG carries no piece inside: it was not exported as “SVG with the piece inside”.");
  return { piece: piece.join(""), photos };
}
