import { guideKinds } from "./bend/guides";
import { finishKinds } from "./coat/finishes";
import { formStepKinds } from "./coat/forms";
import { layKinds } from "./coat/lays";
import { paintKinds } from "./coat/paints";
import { outputKinds } from "./output/outputs";
import type { Kind, Param, Params } from "./params";
import { shapeKinds } from "./shape/kinds";

export const kindGroups = ["form", "paint", "lay", "finish", "guide", "shape", "output"] as const;
export type KindGroup = (typeof kindGroups)[number];

const registries: Readonly<Record<KindGroup, readonly Kind[]>> = {
  form: formStepKinds,
  paint: paintKinds,
  lay: layKinds,
  finish: finishKinds,
  guide: guideKinds,
  shape: shapeKinds,
  output: outputKinds,
};

/** A kind as it is told to others: data alone. */
export interface KindListed {
  readonly group: KindGroup;
  readonly kind: string;
  readonly label: string;
  readonly hint: string;
  /** The settings as they are described; whether one is shown only beside certain others is said by `depends`. */
  readonly params: Readonly<Record<string, Omit<Param, "when"> & { readonly depends?: true }>>;
}

/** Every kind of everything that is chosen by its name, from the registries, in the order they are offered. */
export const listKinds = (): KindListed[] =>
  kindGroups.flatMap((group) =>
    registries[group].map(({ kind, label, hint, params }) => ({ group, kind, label, hint, params: told(params) })),
  );

const told = (params: Params): KindListed["params"] =>
  Object.fromEntries(Object.entries(params).map(([name, { when, ...said }]) => [name, when ? { ...said, depends: true as const } : said]));

const unitOf = (p: Param): string => {
  switch (p.type) {
    case "length":
    case "lengths":
      return "hundredths of the measure";
    case "angle":
      return "degrees";
    case "number":
      return p.suffix ?? "";
    case "direction":
      return "degrees, hundredths of the measure";
    default:
      return "";
  }
};

/** What a setting may be, in a few words. */
export function rangeOf(p: Param): string {
  const unit = unitOf(p);
  switch (p.type) {
    case "length":
    case "number":
    case "angle":
      return `${p.min} to ${p.max}${unit ? ` ${unit}` : ""}`;
    case "choice":
      return p.options.map((o) => o.value).join(", ");
    case "direction":
      return `an angle and up to ${p.max} (${unit})`;
    case "toggle":
      return "on or off";
    case "lengths":
      return `up to 16 ${unit}`;
    default:
      return said[p.type];
  }
}

const said: Readonly<Record<string, string>> = {
  ink: "an ink of the style",
  stops: "inks, each with its place and opacity",
  place: "a place in the span",
  strand: "a drawn curve",
  strands: "drawn curves",
  shape: "a shape of the board",
  coat: "another coat of the style",
  item: "another item of the board, and what of it",
  photo: "a photo",
  seed: "a whole number",
  size: "pixels, or a size in print",
  list: "rows of settings",
  profile: "a width along something",
  marks: "places on letters",
  held: "data that is kept as it came",
};

/** A default in a few words; empty where it is nothing or more than that. */
export function defaultOf(p: Param): string {
  switch (p.type) {
    case "direction":
      return `${p.default.angle}°, ${p.default.distance}`;
    case "toggle":
      return p.default ? "on" : "off";
    case "length":
    case "number":
    case "angle":
    case "seed":
    case "choice":
    case "ink":
      return String(p.default);
    default:
      return "";
  }
}
