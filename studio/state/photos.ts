import { toast } from "sonner";
import type { Photo } from "@/core/photo";
import { api } from "../api/client";
import { addPhoto } from "./edits/items";
import { editCoat } from "./edits/style";
import { session } from "./session";
import { studioNow } from "./store";
import { sayUndoable } from "./undoable";
import { fileOf, itemOf, shownStyle } from "./work";
import { newRow } from "@/core/params";
import { newPaint } from "@/core/coat/schema";
import { photos as photosPaint } from "@/core/coat/paints/photos";
import type { Style } from "@/core/style/schema";

/** What a file field for photos takes. */
export const photoFiles = ".png,.jpg,.jpeg,.webp,image/png,image/jpeg,image/webp";

export const isPhoto = (name: string): boolean => /\.(png|jpe?g|webp|gif|tiff?|avif)$/i.test(name);

/** Puts a photo on the shelf; undefined, and said why, where it is not taken. */
export async function keepPhoto(file: File): Promise<Photo | undefined> {
  try {
    const photo = await api.addPhoto(file);
    await session().scene.ask((w) => w.photosChanged());
    const { work } = studioNow();
    if (work) session().scene.request(fileOf(work));
    return photo;
  } catch (error) {
    toast.error((error as Error).message, { duration: 10_000 });
    return undefined;
  }
}

/** Brings a photo onto the board, behind everything. */
export async function bringPhoto(file: File): Promise<void> {
  const photo = await keepPhoto(file);
  const { work, change, select, set } = studioNow();
  if (!photo || !work) return;
  const made = addPhoto(work, photo);
  change(() => made.work);
  select([made.id]);
  set({ stage: "words", typing: null });
  toast(`“${photo.name}” came in as a shape that is painted with it. Its paint is under Coats.`);
}

/** The coat that photos are dealt out to: the chosen one, or else the foremost that paints the bare letters. */
function faceOf({ coats }: Style, chosen: string | null) {
  const bare = coats.filter((c) => c.on && c.lay.kind === "fill" && c.form.filter((s) => s.on).length === 1);
  return coats.find((c) => c.id === chosen) ?? bare.at(-1) ?? coats.at(-1);
}

/** Several photos dropped at once: dealt out to the letters of the selected lettering. @returns whether there is one */
export async function dealPhotos(files: readonly File[]): Promise<boolean> {
  const target = () => {
    const { work, selection } = studioNow();
    const item = work && itemOf(work, selection.at(-1));
    return work && item?.kind === "lettering" ? shownStyle(work, item) : undefined;
  };
  if (!target()) return false;
  const kept: Photo[] = [];
  for (const file of files) {
    const photo = await keepPhoto(file);
    if (photo) kept.push(photo);
  }
  const style = target();
  const coat = style && faceOf(style, studioNow().coatId);
  if (!coat || !kept.length) return true;
  const { params } = photosPaint;
  const rows = kept.slice(0, params.photos.most).map((photo) => newRow(params.photos, { photo }));
  const { changeStyle, set } = studioNow();
  changeStyle((s) => editCoat(s, coat.id, (c) => ({ ...c, paint: newPaint("photos", { photos: rows }) })));
  set({ coatId: coat.id, stage: "coats" });
  sayUndoable(`${rows.length} photos were dealt out to the letters of “${coat.name}”.`);
  return true;
}
