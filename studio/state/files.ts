import { toast } from "sonner";
import { addFaces } from "./faces";
import { bringSvg } from "./commands";
import { editLettering } from "./edits/items";
import { bringPhoto, isPhoto } from "./photos";
import { useStudio } from "./store";
import { letteringOf } from "./work";

const isFont = (name: string): boolean => /\.(ttf|otf|woff2?|ttc|otc)$/i.test(name);

/** Takes what is dropped on the bench: fonts become faces, the selected lettering is set in them; SVG files become shapes, photos shapes that are painted with them. */
export async function dropFiles(files: readonly File[]): Promise<void> {
  const fonts = files.filter((f) => isFont(f.name));
  const licence = files.find((f) => /\.(txt|md)$/i.test(f.name));
  if (fonts.length) {
    const [first] = await addFaces(fonts, licence ? await licence.text() : "");
    const { work, selection, change } = useStudio.getState();
    if (first && work && letteringOf(work, selection.at(-1))) change((w) => editLettering(w, selection, (l) => ([l.face, l.axes] = [first.id, {}])));
  }
  for (const f of files) {
    if (isFont(f.name) || f === licence) continue;
    if (/\.svg$/i.test(f.name)) await bringSvg(await f.text(), f.name);
    else if (isPhoto(f.name)) await bringPhoto(f);
    else toast.error(`“${f.name}” is no font, no SVG and no photo; nothing was changed.`);
  }
}
