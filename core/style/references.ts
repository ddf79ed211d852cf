import { eachSetting, mapSettings } from "../coat/settings";
import type { Coat } from "../coat/schema";
import type { Style } from "./schema";

/** The ids of the other items that a style's coats are made of, each once. */
export function itemsOf({ coats }: Style): string[] {
  const ids = new Set<string>();
  for (const coat of coats) eachSetting(coat, { item: ({ id }) => void (id && ids.add(id)) });
  return [...ids];
}

/** The style with the items that its coats are made of renamed. */
export function withItems(style: Style, rename: (id: string) => string): Style {
  const renamed = style.coats.map((coat) =>
    mapSettings(coat, { item: (ref) => (rename(ref.id) === ref.id ? ref : { ...ref, id: rename(ref.id) }) }),
  );
  return renamed.every((coat, i) => coat === style.coats[i]) ? style : { ...style, coats: renamed };
}

/** The ids of the other coats that a coat is made of, each once. */
export function coatsOf(coat: Coat): string[] {
  const ids = new Set<string>();
  eachSetting(coat, { coat: (id) => void (id && ids.add(id)) });
  return [...ids];
}

/** The coat with the coats that it is made of renamed; where one becomes nothing, none is chosen. */
export const withCoats = (coat: Coat, rename: (id: string) => string): Coat => mapSettings(coat, { coat: rename });
