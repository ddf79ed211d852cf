import { firstFace } from "../core/lettering/face";
import { memoByKey } from "../core/memo";
import { looksOf, newLettering, newPiece } from "../core/piece/schema";
import { photosOf } from "../core/style/photos";
import type { Style } from "../core/style/schema";
import type { Database } from "./db/open";
import { get, linkedStyles, type Shelf } from "./documents";
import { inTurn } from "./http/turns";
import { countPhotos } from "./photos/store";
import { renderSvg } from "./render";

const kept = memoByKey<Promise<string>>(60);

/** Pictures on the shelf are about 300 pixels wide, on screens of up to twice as many. */
const photoSide = 800;

export interface Picture {
  readonly svg: string;
  /** Changes when the picture may have changed. */
  readonly tag: string;
}

/** The live picture of a piece or a style. @throws NotFound */
export async function picture(db: Database, shelf: Shelf, id: string): Promise<Picture> {
  if (shelf === "styles") {
    const { document, revision } = await get(db, "styles", id);
    const tag = `s${revision}${await photosHere(db, [document])}`;
    return { tag, svg: await kept(`${id} ${tag}`, () => inTurn(() => stylePicture(document))) };
  }
  const { document: piece, revision } = await get(db, "pieces", id);
  const styles = await linkedStyles(db, piece);
  const tag = `p${revision}${styles.map((s) => `.${s.document.id}.${s.revision}`).join("")}${await photosHere(db, looksOf(piece, styles.map((s) => s.document)))}`;
  return { tag, svg: await kept(`${id} ${tag}`, () => inTurn(() => renderSvg({ piece, styles: styles.map((s) => s.document) }, {}, photoSide))) };
}

/** For the tag: a photo that comes back changes the picture, and the piece does not. */
async function photosHere(db: Database, styles: readonly Style[]): Promise<string> {
  const ids = [...new Set(styles.flatMap(photosOf).map((p) => p.id))];
  return ids.length ? `.photos${await countPhotos(db, ids)}` : "";
}

/** A style on the first word of its own name. */
function stylePicture(style: Style): Promise<string> {
  const text = [...(style.name.split(/\s+/)[0] ?? "Aa")].slice(0, 14).join("");
  const piece = newPiece({
    id: "picture", name: style.name,
    board: { width: 600, height: 400, unit: "px", dpi: 96, ground: null },
    items: [newLettering({
      id: "word", text, face: style.madeWith?.face ?? firstFace, size: 200, letterSpacing: 0, lineSpacing: 1,
      align: "centre", x: 300, y: 250, turn: 0, styleId: style.id, ownStyle: null,
    })],
  });
  return renderSvg({ piece, styles: [style] }, { area: { kind: "items", ids: ["word"] } }, photoSide);
}
