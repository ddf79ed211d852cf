import { withUnknownBack } from "@/core/input/unknown-kinds";
import { libraryOf } from "@/core/style/library";
import { photosOf } from "@/core/style/photos";
import type { Style } from "@/core/style/schema";
import { api } from "../api/client";
import { download } from "../download";

const asData = (blob: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(new Error("A photo could not be read."));
    reader.readAsDataURL(blob);
  });

/** The photos that styles paint with, as data URLs by their ids; one that is gone is left out. */
async function photosIn(styles: readonly Style[]): Promise<Map<string, string>> {
  const found = new Map<string, string>();
  for (const { id } of styles.flatMap(photosOf)) {
    const blob = found.has(id) ? undefined : await api.photo(id);
    if (blob) found.set(id, await asData(blob));
  }
  return found;
}

const save = (content: unknown, name: string) =>
  download(new Blob([JSON.stringify(content, null, 1)], { type: "application/json" }), `${name}.json`);

/** Saves one style of the shelf as a file, with its photos inside. */
export async function saveStyle(id: string): Promise<void> {
  const { document } = await api.get("styles", id);
  const photos = await photosIn([document]);
  const told = withUnknownBack(document) as object;
  save(photos.size ? { ...told, photos: Object.fromEntries(photos) } : told, `${document.name}.style`);
}

/** Saves several styles of the shelf as one file, with their photos inside, each once. */
export async function saveLibrary(ids: readonly string[], name: string): Promise<void> {
  const styles: Style[] = [];
  for (const id of ids) styles.push((await api.get("styles", id)).document);
  save(libraryOf(styles.map(withUnknownBack), await photosIn(styles)), `${name}.styles`);
}
