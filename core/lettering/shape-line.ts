import { memoByIdentity } from "../memo";
import type { Face } from "./face";
import type { HarfBuzz } from "./harfbuzz";
import { visualRuns } from "./runs";

/** What of a setting decides which glyphs a line has. */
export interface Shaping {
  readonly features: Readonly<Record<string, number>>;
  readonly language: string | null;
  readonly direction: "auto" | "ltr" | "rtl";
  /** Features of single letters, by UTF-16 position in the line. */
  readonly alternates: readonly { readonly at: number; readonly tag: string; readonly value: number }[];
}

export const plainShaping: Shaping = { features: {}, language: null, direction: "auto", alternates: [] };

/** Glyphs that stand for a stretch of text together: a letter, a ligature, or a base with its marks. */
export interface Cluster {
  readonly from: number;
  readonly to: number;
  /** In lettering space: 1000 to the em. */
  readonly advance: number;
  readonly rtl: boolean;
  readonly missing: boolean;
  readonly glyphs: readonly { readonly glyph: number; readonly dx: number; readonly dy: number }[];
}

/** A crafted font can turn one character into thousands of glyphs. */
const mostGlyphsPerCharacter = 64;
/** Features are passed on the stack of the shaping library, which holds some thousands. */
const mostFeatures = 400;

const keptLines = memoByIdentity<Face, readonly Cluster[]>(400);

/** The clusters of a line of text in a face, from left to right as they stand. */
export const shapeLine = (hb: HarfBuzz, face: Face, text: string, shaping: Shaping = plainShaping): readonly Cluster[] =>
  keptLines(face, JSON.stringify([text, shaping]), () => shape(hb, face, text, shaping));

function shape(hb: HarfBuzz, face: Face, text: string, { features, language, direction, alternates }: Shaping): Cluster[] {
  const k = 1000 / face.upem;
  // Rounded to a thousandth, so that equal letters get equal outlines whatever stands before them.
  const round = (v: number) => Math.round(v * 1000) / 1000;
  const wanted = [
    ...Object.entries(features).map(([tag, value]) => new hb.Feature(tag, value)),
    ...alternates.map((a) => new hb.Feature(a.tag, a.value, a.at, a.at + 1)),
  ].slice(0, mostFeatures);
  const out: Cluster[] = [];
  for (const run of visualRuns(text, direction)) {
    const buffer = new hb.Buffer();
    buffer.addText(text, run.from, run.to - run.from);
    buffer.guessSegmentProperties();
    buffer.setDirection(run.rtl ? hb.Direction.RTL : hb.Direction.LTR);
    if (language) buffer.setLanguage(language);
    hb.shape(face.font, buffer, wanted);
    const glyphs = buffer.getGlyphInfosAndPositions();
    if (glyphs.length > mostGlyphsPerCharacter * (run.to - run.from)) continue;
    const starts = [...new Set(glyphs.map((g) => g.cluster))].sort((a, b) => a - b);
    const endOf = new Map(starts.map((s, i) => [s, starts[i + 1] ?? run.to]));
    let open:
      | { from: number; to: number; advance: number; rtl: boolean; missing: boolean; glyphs: { glyph: number; dx: number; dy: number }[] }
      | undefined;
    for (const g of glyphs) {
      if (!open || open.from !== g.cluster) {
        open = { from: g.cluster, to: endOf.get(g.cluster)!, advance: 0, rtl: run.rtl, missing: false, glyphs: [] };
        out.push(open);
      }
      open.glyphs.push({ glyph: g.codepoint, dx: round(open.advance + (g.xOffset ?? 0) * k), dy: round(-(g.yOffset ?? 0) * k) });
      open.advance += (g.xAdvance ?? 0) * k;
      if (g.codepoint === 0) open.missing = true;
    }
  }
  return out;
}
