import { eachSetting, mapSettings } from "../coat/settings";
import type { Photo } from "../photo";
import type { Style } from "./schema";

/** The photos that a style paints with, each once. */
export function photosOf({ coats }: Style): Photo[] {
  const found = new Map<string, Photo>();
  for (const coat of coats) eachSetting(coat, { photo: (photo) => void (photo && found.set(photo.id, photo)) });
  return [...found.values()];
}

/** The style with others in the place of some photos, by the ids that go. */
export function withPhotos(style: Style, others: ReadonlyMap<string, Photo>): Style {
  if (!photosOf(style).some((p) => others.has(p.id))) return style;
  const coats = style.coats.map((coat) => mapSettings(coat, { photo: (photo) => photo && (others.get(photo.id) ?? photo) }));
  return { ...style, coats };
}
