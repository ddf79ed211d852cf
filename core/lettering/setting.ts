import { empty, isEmpty, join, joinAll, shifted, type Bounds } from "../curves/bounds";
import type { Path } from "../curves/path";
import { memoByIdentity } from "../memo";
import type { Face } from "./face";
import type { HarfBuzz } from "./harfbuzz";
import { visualRuns } from "./runs";

export const alignments = ["left", "centre", "right"] as const;
export type Alignment = (typeof alignments)[number];

/** How a text is set. Lengths are in lettering space: 1000 to the em. */
export interface SettingOptions {
  readonly text: string;
  /** Added between letters, in units. */
  readonly letterSpacing: number;
  /** From baseline to baseline, as a ratio of the em. */
  readonly lineSpacing: number;
  readonly align: Alignment;
}

/** One shaped cluster: a letter, a ligature, or a base with its marks. */
export interface Letter {
  readonly outline: Path;
  readonly x: number;
  readonly y: number;
  readonly line: number;
  /** UTF-16 positions in the text. */
  readonly from: number;
  readonly to: number;
}

/** A place where a caret can stand. */
export interface CaretStop {
  readonly index: number;
  readonly x: number;
  readonly line: number;
}

export interface Line {
  readonly from: number;
  readonly to: number;
  readonly x: number;
  readonly width: number;
  readonly baseline: number;
}

export interface Setting {
  readonly letters: readonly Letter[];
  readonly lines: readonly Line[];
  readonly carets: readonly CaretStop[];
  /** Characters that the face cannot draw, each once. */
  readonly missing: readonly string[];
  /** The inked box; empty where nothing is inked. */
  readonly ink: Bounds;
  /** The box of advances and of the em around each line; never empty. */
  readonly frame: Bounds;
}

interface Cluster {
  from: number;
  to: number;
  advance: number;
  rtl: boolean;
  missing: boolean;
  glyphs: { glyph: number; dx: number; dy: number }[];
}

/** A crafted font can turn one character into thousands of glyphs. */
const mostGlyphsPerCharacter = 64;

const kept = memoByIdentity<Face, Setting>(200);
const keptLines = memoByIdentity<Face, Cluster[]>(400);

/** Sets a text in a face: shaped by HarfBuzz line by line, kerned, spaced and aligned about x = 0. */
export function set(hb: HarfBuzz, face: Face, { text, letterSpacing, lineSpacing, align }: SettingOptions): Setting {
  // Only these: a lettering is given whole, and where it lies must not make it set anew.
  const options = { text, letterSpacing, lineSpacing, align };
  return kept(face, JSON.stringify(options), () => compose(hb, face, options));
}

function compose(hb: HarfBuzz, face: Face, { text, letterSpacing, lineSpacing, align }: SettingOptions): Setting {
  const letters: Letter[] = [];
  const lines: Line[] = [];
  const carets: CaretStop[] = [];
  const missing = new Set<string>();
  let start = 0;
  text.split("\n").forEach((lineText, index) => {
    const clusters = keptLines(face, lineText, () => shapeLine(hb, face, lineText));
    const width = clusters.reduce((sum, c) => sum + c.advance, 0) + letterSpacing * Math.max(0, clusters.length - 1);
    const left = align === "left" ? 0 : align === "right" ? -width : -width / 2;
    const baseline = index * lineSpacing * 1000;
    let x = left;
    for (const c of clusters) {
      const outline = face.combine(c.glyphs);
      if (c.missing) missing.add(lineText.slice(c.from, c.to));
      if (!outline.isEmpty) letters.push({ outline, x, y: baseline, line: index, from: start + c.from, to: start + c.to });
      const steps = c.to - c.from;
      for (let k = 0; k < steps; k++)
        carets.push({ index: start + c.from + k, x: x + (c.advance * (c.rtl ? steps - k : k)) / steps, line: index });
      x += c.advance + letterSpacing;
    }
    const last = clusters.reduce<Cluster | undefined>((a, c) => (!a || c.to > a.to ? c : a), undefined);
    carets.push({ index: start + lineText.length, x: last?.rtl ? left : left + width, line: index });
    lines.push({ from: start, to: start + lineText.length, x: left, width, baseline });
    start += lineText.length + 1;
  });
  const frame = lines
    .map((l): Bounds => ({ minX: l.x, maxX: l.x + Math.max(l.width, 1), minY: l.baseline - face.metrics.capHeight * 1.1, maxY: l.baseline + 220 }))
    .reduce(join, empty);
  const ink = joinAll(letters.map((l) => shifted(l.outline.bounds, l.x, l.y)));
  return { letters, lines, carets: carets.sort((a, b) => a.index - b.index), missing: [...missing], ink, frame: isEmpty(ink) ? frame : join(frame, ink) };
}

function shapeLine(hb: HarfBuzz, face: Face, text: string): Cluster[] {
  const k = 1000 / face.upem;
  const out: Cluster[] = [];
  for (const run of visualRuns(text)) {
    const buffer = new hb.Buffer();
    buffer.addText(text, run.from, run.to - run.from);
    buffer.guessSegmentProperties();
    buffer.setDirection(run.rtl ? hb.Direction.RTL : hb.Direction.LTR);
    hb.shape(face.font, buffer);
    const glyphs = buffer.getGlyphInfosAndPositions();
    if (glyphs.length > mostGlyphsPerCharacter * (run.to - run.from)) continue;
    const starts = [...new Set(glyphs.map((g) => g.cluster))].sort((a, b) => a - b);
    const endOf = new Map(starts.map((s, i) => [s, starts[i + 1] ?? run.to]));
    for (const g of glyphs) {
      let cluster = out.at(-1);
      if (!cluster || cluster.from !== g.cluster) {
        cluster = { from: g.cluster, to: endOf.get(g.cluster)!, advance: 0, rtl: run.rtl, missing: false, glyphs: [] };
        out.push(cluster);
      }
      // Rounded to a thousandth, so that equal letters get equal outlines whatever stands before them.
      const round = (v: number) => Math.round(v * 1000) / 1000;
      cluster.glyphs.push({ glyph: g.codepoint, dx: round(cluster.advance + (g.xOffset ?? 0) * k), dy: round(-(g.yOffset ?? 0) * k) });
      cluster.advance += (g.xAdvance ?? 0) * k;
      if (g.codepoint === 0) cluster.missing = true;
    }
  }
  return out;
}
