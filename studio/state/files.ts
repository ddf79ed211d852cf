import { toast } from "sonner";
import { addFaces } from "./faces";
import { longestText } from "@/core/lettering/options";
import { addWords, bringSvg } from "./commands";
import { editLettering } from "./edits/items";
import { openFile } from "../shelf/actions";
import { applyStyle } from "./edits/style";
import { fetchStyle } from "./session";
import { bringPhoto, dealPhotos, isPhoto } from "./photos";
import { studioNow } from "./store";
import { letteringOf } from "./work";

const isFont = (name: string): boolean => /\.(ttf|otf|woff2?|ttc|otc)$/i.test(name);

const isText = (name: string): boolean => /\.(txt|md)$/i.test(name);

/** The words of a text file become a lettering. */
async function bringText(file: File): Promise<void> {
  const words = (await file.text()).replace(/^\ufeff/, "").trim();
  if (!words) return void toast.error(`“${file.name}” holds no words.`);
  if (words.length > longestText)
    return void toast.error(
      `“${file.name}” has ${words.length.toLocaleString("en")} characters; a lettering holds at most ${longestText.toLocaleString("en")}.`,
    );
  addWords(words);
}

/** Styles from a file go onto the shelf; a single one onto what is selected, too. */
async function bringStyles(file: File): Promise<void> {
  try {
    const opened = await openFile(file);
    if (opened.kind === "piece") return void toast(`“${opened.name}” is on the shelf.`);
    const { selection, change } = studioNow();
    const style = opened.styles.length === 1 && selection.length ? await fetchStyle(opened.styles[0].id) : undefined;
    if (style) change((w) => applyStyle(w, selection, style));
    toast(
      opened.styles.length === 1
        ? `The style “${opened.styles[0].name}” is on the shelf.`
        : `${opened.styles.length} new styles are on the shelf.`,
    );
  } catch (error) {
    toast.error((error as Error).message);
  }
}

/**
 * Takes what is dropped on the bench: fonts become faces, the selected lettering is set in them; SVG files become shapes, photos shapes
 * that are painted with them, texts letterings. Several photos at once are dealt out to the letters of a selected lettering.
 * A text beside a font is its licence.
 */
export async function dropFiles(files: readonly File[]): Promise<void> {
  const fonts = files.filter((f) => isFont(f.name));
  const licence = files.find((f) => isText(f.name));
  if (fonts.length) {
    const [first] = await addFaces(fonts, licence ? await licence.text() : "");
    const { work, selection, change } = studioNow();
    if (first && work && letteringOf(work, selection.at(-1)))
      change((w) => editLettering(w, selection, (l) => ([l.face, l.axes] = [first.id, {}])));
  }
  const pictures = files.filter((f) => isPhoto(f.name));
  const dealt = pictures.length > 1 && (await dealPhotos(pictures));
  for (const f of files) {
    if (isFont(f.name) || (f === licence && fonts.length)) continue;
    if (isText(f.name)) await bringText(f);
    else if (/\.svg$/i.test(f.name)) await bringSvg(await f.text(), f.name);
    else if (isPhoto(f.name)) {
      if (!dealt) await bringPhoto(f);
    } else if (/\.json$/i.test(f.name)) await bringStyles(f);
    else toast.error(`“${f.name}” is no font, SVG, photo, style or text; nothing was changed.`);
  }
}
