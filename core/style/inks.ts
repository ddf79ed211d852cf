import type { Coat, Ink } from "../coat/schema";
import { eachSetting, mapSettings } from "../coat/settings";
import { withCoats } from "./references";
import type { Style } from "./schema";

/** The ids of the inks that a coat refers to, each once. */
export function inksOf(coat: Coat): string[] {
  const ids = new Set<string>();
  eachSetting(coat, {
    ink: (id) => void ids.add(id),
    stops: (stops) => {
      for (const s of stops) ids.add(s.ink);
    },
  });
  return [...ids];
}

/** The coat with its inks renamed. */
export const withInks = (coat: Coat, rename: (id: string) => string): Coat =>
  mapSettings(coat, { ink: rename, stops: (stops) => stops.map((s) => ({ ...s, ink: rename(s.ink) })) });

/** The style with the inks that its coats' settings suggest and that it does not have yet. */
export function withSuggested(style: Style): Style {
  const missing = new Map<string, Ink>();
  for (const coat of style.coats)
    eachSetting(coat, {
      ink: (id, { suggests, others, default: own }) => {
        const said = id === own ? suggests : others?.[id];
        if (said && !style.inks.some((i) => i.id === id)) missing.set(id, { id, ...said });
      },
    });
  return missing.size ? { ...style, inks: [...style.inks, ...missing.values()] } : style;
}

/** Where an ink is missing: seen, and not mistaken for a choice. */
const unknownInk = "#808080";

export function inkLookup(inks: readonly Ink[]): (id: string) => string {
  const colours = new Map(inks.map((i) => [i.id, i.colour]));
  return (id) => colours.get(id) ?? unknownInk;
}

/** What inks are called, by their ids. */
export function inkNames(inks: readonly Ink[]): (id: string) => string | undefined {
  const names = new Map(inks.map((i) => [i.id, i.name]));
  return (id) => names.get(id);
}

/**
 * Brings a coat copied elsewhere into a style: inks of the same name and colour are shared, others are added under
 * an id that is free here.
 */
export function pasteCoat(style: Style, coat: Coat, inks: readonly Ink[], newId: () => string): Style {
  const added: Ink[] = [];
  const rename = new Map<string, string>();
  for (const id of inksOf(coat)) {
    const ink = inks.find((i) => i.id === id) ?? { id, name: "Ink", colour: unknownInk };
    const same = style.inks.find((i) => i.name === ink.name && i.colour === ink.colour);
    const taken = [...style.inks, ...added].some((i) => i.id === ink.id);
    const to = same?.id ?? (taken ? newId() : ink.id);
    rename.set(id, to);
    if (!same) added.push({ ...ink, id: to });
  }
  const here = (id: string) => (style.coats.some((c) => c.id === id) ? id : "");
  return {
    ...style,
    inks: [...style.inks, ...added],
    // What it was made of among the coats that it comes from is not here: none is chosen, unless it comes back to its own style.
    coats: [
      ...style.coats,
      withCoats(
        withInks({ ...coat, id: newId() }, (id) => rename.get(id) ?? id),
        here,
      ),
    ],
  };
}
