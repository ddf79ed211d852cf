import { formStepKind } from "../coat/forms";
import { layKind } from "../coat/lays";
import { paintKind } from "../coat/paints";
import type { Params, Step, Stop } from "../params";
import type { Coat, Ink } from "../coat/schema";
import type { Style } from "./schema";

const settings = (coat: Coat): [Step, Params][] => [
  ...coat.form.map((s): [Step, Params] => [s, formStepKind(s.kind).params]),
  [coat.paint, paintKind(coat.paint.kind).params],
  [coat.lay, layKind(coat.lay.kind).params],
];

/** The ids of the inks that a coat refers to, each once. */
export function inksOf(coat: Coat): string[] {
  const ids = new Set<string>();
  for (const [step, params] of settings(coat))
    for (const [name, p] of Object.entries(params)) {
      if (p.type === "ink") ids.add(step[name] as string);
      if (p.type === "stops") for (const s of step[name] as Stop[]) ids.add(s.ink);
    }
  return [...ids];
}

/** The coat with its inks renamed. */
export function withInks(coat: Coat, rename: (id: string) => string): Coat {
  const change = <S extends Step>(step: S, params: Params): S => {
    const out: Record<string, unknown> = { ...step };
    for (const [name, p] of Object.entries(params)) {
      if (p.type === "ink") out[name] = rename(step[name] as string);
      if (p.type === "stops") out[name] = (step[name] as Stop[]).map((s) => ({ ...s, ink: rename(s.ink) }));
    }
    return out as S;
  };
  return {
    ...coat,
    form: coat.form.map((s) => change(s, formStepKind(s.kind).params)),
    paint: change(coat.paint, paintKind(coat.paint.kind).params),
    lay: change(coat.lay, layKind(coat.lay.kind).params),
  };
}

/** Where an ink is missing: seen, and not mistaken for a choice. */
const unknownInk = "#808080";

export function inkLookup(inks: readonly Ink[]): (id: string) => string {
  const colours = new Map(inks.map((i) => [i.id, i.colour]));
  return (id) => colours.get(id) ?? unknownInk;
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
  return {
    ...style,
    inks: [...style.inks, ...added],
    coats: [...style.coats, withInks({ ...coat, id: newId() }, (id) => rename.get(id) ?? id)],
  };
}
