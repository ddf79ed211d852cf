import { PathBuilder, type Path } from "../curves/path";
import type { Face } from "./face";
import { featureName, isAlternate, onByDefault } from "./feature-names";
import type { HarfBuzz } from "./harfbuzz";
import type { SettingValues } from "./options";
import { shapeLine, type Cluster, type Shaping } from "./shape-line";

/** A feature of a face and what it does to a word. */
export interface FeatureUse {
  readonly tag: string;
  readonly name: string;
  /** Whether it is on in this setting. */
  readonly on: boolean;
  /** Parts of the word that look or stand otherwise with it turned the other way. */
  readonly changes: readonly string[];
  /** The word with it turned the other way; undefined where nothing changes. */
  readonly picture?: Path;
}

/** Another form of a letter: the feature and value that give it. */
export interface Alternate {
  readonly tag: string;
  readonly value: number;
  readonly name: string;
  readonly outline: Path;
}

type Asked = Pick<SettingValues, "features" | "language" | "direction">;

/** A crafted font can list thousands. */
const mostFeatures = 120;
const mostValues = 40;

const tagsOf = (face: Face): string[] =>
  [...new Set([...face.tables.getTableFeatureTags("GSUB"), ...face.tables.getTableFeatureTags("GPOS")])].sort().slice(0, mostFeatures);

/** The features that a letterer can choose in this face, those that change the present text first. */
export function featuresOf(hb: HarfBuzz, face: Face, text: string, asked: Asked): FeatureUse[] {
  const line = text.split("\n").reduce((a, b) => (b.trim().length > a.trim().length ? b : a), "");
  const shaping = (features: Readonly<Record<string, number>>): Shaping => ({
    features,
    language: asked.language,
    direction: asked.direction,
    alternates: [],
  });
  const now = shapeLine(hb, face, line, shaping(asked.features));
  return tagsOf(face)
    .flatMap((tag): FeatureUse[] => {
      const name = nameIn(face, tag) ?? featureName(tag);
      if (!name || !featureName(tag)) return [];
      const on = (asked.features[tag] ?? (onByDefault.has(tag) ? 1 : 0)) > 0;
      const other = shapeLine(hb, face, line, shaping({ ...asked.features, [tag]: on ? 0 : 1 }));
      const changes = differing(line, now, other);
      return [{ tag, name, on, changes, ...(changes.length ? { picture: pictureOf(face, other) } : {}) }];
    })
    .sort((a, b) => Number(b.changes.length > 0) - Number(a.changes.length > 0));
}

/** The name that the face itself gives a stylistic set or a variant of a character. */
function nameIn(face: Face, tag: string): string | undefined {
  if (!/^(ss|cv)\d\d$/.test(tag)) return undefined;
  const at = face.tables.getTableFeatureTags("GSUB").indexOf(tag);
  const id = at < 0 ? undefined : face.tables.getFeatureNameIds("GSUB", at)?.uiLabelNameId;
  const name = id === undefined ? "" : face.tables.getName(id, "en");
  return name ? name.slice(0, 60) : undefined;
}

function differing(text: string, a: readonly Cluster[], b: readonly Cluster[]): string[] {
  const key = (c: Cluster) => JSON.stringify([c.to, c.advance, c.glyphs]);
  const had = new Map(a.map((c) => [c.from, key(c)]));
  return [...new Set(b.filter((c) => had.get(c.from) !== key(c)).map((c) => text.slice(c.from, c.to)))];
}

function pictureOf(face: Face, clusters: readonly Cluster[]): Path {
  const out = new PathBuilder();
  let x = 0;
  for (const c of clusters) {
    out.add(face.combine(c.glyphs), x, 0);
    x += c.advance;
  }
  return out.build();
}

/** The other forms that the face has of the letter at a place of the text, each once. */
export function alternatesOf(hb: HarfBuzz, face: Face, text: string, at: number, asked: Asked): Alternate[] {
  const start = text.lastIndexOf("\n", at - 1) + 1;
  const line = text.slice(start).split("\n")[0];
  const shaped = (alternates: Shaping["alternates"]) =>
    shapeLine(hb, face, line, { ...asked, alternates }).find((c) => c.from <= at - start && c.to > at - start);
  const plain = shaped([]);
  if (!plain) return [];
  const glyphs = (c: Cluster) => c.glyphs.map((g) => g.glyph).join();
  const seen = new Set([glyphs(plain)]);
  const found: Alternate[] = [];
  for (const tag of tagsOf(face).filter(isAlternate)) {
    for (let value = 1; value <= mostValues; value++) {
      const other = shaped([{ at: plain.from, tag, value }]);
      // A value beyond the last form gives the plain letter again.
      if (!other || glyphs(other) === glyphs(plain)) break;
      if (!seen.has(glyphs(other))) {
        seen.add(glyphs(other));
        found.push({ tag, value, name: nameIn(face, tag) ?? featureName(tag) ?? "Alternate", outline: face.combine(other.glyphs) });
      }
      if (/^ss|smcp|num$|zero/.test(tag)) break;
    }
  }
  return found;
}
