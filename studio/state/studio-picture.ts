import { produce } from "immer";
import { toast } from "sonner";
import type { Bounds } from "@/core/curves/bounds";
import { labelOf } from "@/core/piece/label";
import type { Item } from "@/core/piece/schema";
import { studioFingerprint, type StudioPicture, type StudioSettings } from "@/core/piece/studio-picture";
import { inkLookup } from "@/core/style/inks";
import type { Style } from "@/core/style/schema";
import type { StudioBody, StudioLook, StudioOrder } from "@/worker/studio/order";
import type { StudioPrint } from "@/worker/studio/take";
import { keepPhoto } from "./photos";
import { session } from "./session";
import { studioNow } from "./store";
import { fileOf, itemOf, shownStyle, type Work } from "./work";

/** Exposures by quality. */
const exposures = { quick: 6, fine: 24, finest: 72 } as const;
/** Of a picture that is only looked at while its settings are tried. */
const tried = { side: 900, exposures: 16 } as const;

/** The body that is photographed. @throws Error with a message for the user */
export const bodyFor = (work: Work, item: string, coat: string): Promise<StudioBody> =>
  session().scene.ask((w) => w.body(fileOf(work), { item, coat }));

/** @param full at its own size and quality; else small, to be looked at */
export function orderFor(body: StudioBody, settings: StudioSettings, style: Style, full: boolean): StudioOrder {
  const colour = inkLookup(style.inks);
  const surface = ({ material, ink }: StudioSettings["face"]) => ({ material, colour: colour(ink) });
  const [face, rim, sides] = [settings.face, settings.rim, settings.sides].map(surface);
  const look: StudioLook = {
    surfaces: { face, rim, sides, back: face },
    shadow: settings.shadow / 100,
    softness: settings.softness / 100,
    room: settings.room / 100,
  };
  return { body, look, ...(full ? { side: settings.side, exposures: exposures[settings.quality] } : tried) };
}

const put = (id: string, change: (item: Item) => void): void =>
  studioNow().change((w) => produce(w, (d) => void d.piece.items.forEach((i) => i.id === id && change(i as Item))));

/**
 * Keeps a picture and lays it on the item that it was taken of.
 * @param of the work that it was taken from
 * @returns whether it lies there
 */
export async function layPicture(of: Work, id: string, settings: StudioSettings, { png, box }: StudioPrint): Promise<boolean> {
  const item = itemOf(of, id);
  const style = shownStyle(of, item);
  if (!item || !style) return false;
  const photo = await keepPhoto(new File([png], `${labelOf(item).slice(0, 60)} - studio picture.png`, { type: "image/png" }));
  if (!photo) return false;
  const made = studioFingerprint(item, style, of.piece.lamp, settings);
  put(id, (i) => void (i.studio = { settings, photo, box: edges(box), of: made, shown: true }));
  toast("The studio picture stands in for its coat. The words stay words below it.");
  return true;
}

const edges = ({ minX, minY, maxX, maxY }: Bounds): StudioPicture["box"] => ({ minX, minY, maxX, maxY });

export const showPicture = (id: string, shown: boolean): void => put(id, (i) => void (i.studio && (i.studio.shown = shown)));
export const dropPicture = (id: string): void => put(id, (i) => void (i.studio = null));
