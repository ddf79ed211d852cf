import { toast } from "sonner";
import type { Photo } from "@/core/photo";
import { api } from "../api/client";
import { addPhoto } from "./edits/items";
import { session } from "./session";
import { useStudio } from "./store";
import { fileOf } from "./work";

/** What a file field for photos takes. */
export const photoFiles = ".png,.jpg,.jpeg,.webp,image/png,image/jpeg,image/webp";

export const isPhoto = (name: string): boolean => /\.(png|jpe?g|webp|gif|tiff?|avif)$/i.test(name);

/** Puts a photo on the shelf; undefined, and said why, where it is not taken. */
export async function keepPhoto(file: File): Promise<Photo | undefined> {
  try {
    const photo = await api.addPhoto(file);
    await session().scene.ask((w) => w.photosChanged());
    const { work } = useStudio.getState();
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
  const { work, change, select, set } = useStudio.getState();
  if (!photo || !work) return;
  const made = addPhoto(work, photo);
  change(() => made.work);
  select([made.id]);
  set({ stage: "words", typing: null });
  toast(`“${photo.name}” came in as a shape that is painted with it. Its paint is under Coats.`);
}
