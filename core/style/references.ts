import { mapSettings } from "../coat/settings";
import type { Coat } from "../coat/schema";
import type { Style } from "./schema";

/** The style with the items that its coats are made of renamed. */
export function withItems(style: Style, rename: (id: string) => string): Style {
  const renamed = style.coats.map((coat) =>
    mapSettings(coat, { item: (ref) => (rename(ref.id) === ref.id ? ref : { ...ref, id: rename(ref.id) }) }),
  );
  return renamed.every((coat, i) => coat === style.coats[i]) ? style : { ...style, coats: renamed };
}

/** The coat with the coats that it is made of renamed; where one becomes nothing, none is chosen. */
export const withCoats = (coat: Coat, rename: (id: string) => string): Coat => mapSettings(coat, { coat: rename });
