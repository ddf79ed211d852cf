import { nanoid } from "nanoid";
import { firstFace } from "@/core/lettering/face";
import { untitled } from "@/core/piece/name";
import type { Photo } from "@/core/photo";
import { itemWithPhotos, photosShown } from "@/core/piece/photos";
import { newLettering, newPiece as makePiece } from "@/core/piece/schema";
import { photosOf, withPhotos } from "@/core/style/photos";
import type { Style } from "@/core/style/schema";
import { openText } from "../engine/open-file";
import { api, ApiProblem, ifThere } from "../api/client";
import { plainStyle } from "../state/edits/style";

/** What a style is first seen on. */
const firstWord = "Brindlemoor";

/** A new board; with a style, a first lettering wears it. */
export async function newPiece(style?: { id: string; face?: string }): Promise<string> {
  const piece = makePiece({
    id: nanoid(12),
    name: style ? firstWord : untitled,
    named: false,
    board: { width: 1200, height: 800, unit: "px", dpi: 96, ground: "#f4efe4" },
    items: [
      newLettering({
        id: nanoid(8),
        text: style ? firstWord : "",
        face: style?.face ?? firstFace,
        size: style ? 160 : 220,
        letterSpacing: 0,
        lineSpacing: 1,
        align: "centre",
        x: 600,
        y: 450,
        turn: 0,
        styleId: style?.id ?? null,
        ownStyle: style ? null : plainStyle("Plain", firstFace),
      }),
    ],
  });
  await api.create("pieces", piece);
  return piece.id;
}

/**
 * Puts a piece or style file on the shelf. What is there already under the same id stays as it is: the file's comes
 * in as a copy beside it.
 * @throws Error with a message for the user
 */
export async function openFile(
  file: File,
): Promise<{ kind: "piece"; id: string; name: string } | { kind: "styles"; styles: readonly Style[] }> {
  const opened = await openText(await file.text());
  if (opened.kind === "styles") {
    const photos = await photosFrom(opened.styles.flatMap(photosOf), opened.photos);
    const styles: Style[] = [];
    for (const style of opened.styles.map((s) => withPhotos(s, photos))) {
      // A library that is opened again brings in what is not there yet.
      const there = opened.styles.length > 1 && (await ifThere(api.get("styles", style.id)));
      if (there && JSON.stringify(there.document) === JSON.stringify(style)) continue;
      styles.push(await created("styles", style));
    }
    return { kind: "styles", styles };
  }
  const photos = await photosFrom(photosShown(opened.file.piece, opened.file.styles), opened.photos);
  const renamed = new Map<string, string>();
  for (const style of opened.file.styles.map((s) => withPhotos(s, photos))) {
    const there = await ifThere(api.get("styles", style.id));
    if (there && JSON.stringify(there.document) === JSON.stringify(style)) continue;
    renamed.set(style.id, (await created("styles", style)).id);
  }
  const { piece } = opened.file;
  const items = piece.items.map((i) => itemWithPhotos({ ...i, styleId: (i.styleId && renamed.get(i.styleId)) ?? i.styleId }, photos));
  const made = await created("pieces", { ...piece, items });
  return { kind: "piece", id: made.id, name: made.name };
}

/** Brings in the photos that lie in a file and are not here. @returns what they are here, by the ids that the file says */
async function photosFrom(named: readonly Photo[], inside: ReadonlyMap<string, string>): Promise<Map<string, Photo>> {
  const found = new Map<string, Photo>();
  for (const { id, name } of named) {
    const data = inside.get(id);
    if (!data || found.has(id) || (await api.hasPhoto(id))) continue;
    const [head, bytes] = data.split(",");
    found.set(id, await api.addPhoto(new File([Uint8Array.from(atob(bytes), (c) => c.charCodeAt(0))], name, { type: head.slice(5, -7) })));
  }
  return found;
}

async function created<S extends "pieces" | "styles">(shelf: S, document: Parameters<typeof api.create<S>>[1]) {
  try {
    return (await api.create(shelf, document, true)).document;
  } catch (error) {
    if (!(error instanceof ApiProblem) || error.status !== 409) throw error;
    return (await api.create(shelf, { ...document, id: nanoid(12), name: `${document.name.slice(0, 60)} (from file)` })).document;
  }
}
