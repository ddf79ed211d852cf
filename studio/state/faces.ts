import { toast } from "sonner";
import { api, type FaceEntry } from "../api/client";
import { queries } from "../queries";
import { session } from "./session";
import { fileOf } from "./work";
import { studioNow } from "./store";

/** Everything that knows of faces is told, and the scene is drawn anew. */
async function changed(): Promise<void> {
  await queries.invalidateQueries({ queryKey: ["faces"] });
  await queries.invalidateQueries({ queryKey: ["measured"] });
  await session().scene.ask((w) => w.facesChanged());
  const { work } = studioNow();
  if (work) session().scene.request(fileOf(work));
}

/** Brings font files in. What cannot be read is said, file by file, and keeps nothing else out. */
export async function addFaces(files: readonly File[], licence: string): Promise<FaceEntry[]> {
  const added: FaceEntry[] = [];
  for (const file of files) {
    try {
      added.push(...(await api.addFace(file, licence)));
    } catch (error) {
      toast.error((error as Error).message, { duration: 10_000 });
    }
  }
  if (added.length) {
    await changed();
    toast(added.length === 1 ? `The face ${added[0].name} came in.` : `${added.length} faces came in.`);
  }
  return added;
}

/** Takes a face away. Letterings that are set in it keep their settings and show a stand-in. */
export async function removeFace(id: string): Promise<void> {
  await api.removeFace(id);
  await changed();
}
