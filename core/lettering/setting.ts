import { empty, isEmpty, join, joinAll, shifted, type Bounds } from "../curves/bounds";
import type { Path } from "../curves/path";
import { memoByIdentity } from "../memo";
import { keysOf } from "./change-text";
import type { Face } from "./face";
import { fitLine, spaced, type LineFit } from "./fit-line";
import type { HarfBuzz } from "./harfbuzz";
import { layLine, type Row } from "./lay-line";
import type { LetterChange, SettingValues } from "./options";
import { hang } from "./profile";
import { shapeLine } from "./shape-line";
import { evenGaps, type Piece } from "./spacing";

/** One shaped cluster: a letter, a ligature, or a base with its marks. */
export interface Letter {
  readonly outline: Path;
  readonly x: number;
  readonly y: number;
  readonly line: number;
  /** UTF-16 positions in the text. */
  readonly from: number;
  readonly to: number;
  /** What chance is drawn from for it: its own, whatever is typed around it. */
  readonly key: number;
  /** Inks that are another ink in this letter; undefined for most. */
  readonly inks?: Readonly<Record<string, string>>;
}

/** A place where a caret can stand: a line from below the baseline to above the capitals. */
export interface CaretStop {
  readonly index: number;
  readonly line: number;
  readonly foot: { readonly x: number; readonly y: number };
  readonly head: { readonly x: number; readonly y: number };
}

export interface Line {
  readonly from: number;
  readonly to: number;
  readonly x: number;
  readonly width: number;
  readonly baseline: number;
  /** How large the line is against the lettering's size. */
  readonly scale: number;
  /** The inked box; empty where nothing is inked. */
  readonly ink: Bounds;
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

/** How far a caret reaches below the baseline and above the capitals, in units. */
const caretReach = 120;

const kept = memoByIdentity<Face, Setting>(200);

/**
 * Sets a text in a face: shaped line by line, spaced, fitted and aligned about x = 0, the first baseline at y = 0. In lettering space,
 * 1000 units to the em, y down.
 */
export function set(hb: HarfBuzz, face: Face, values: SettingValues): Setting {
  const {
    text,
    axes,
    features,
    language,
    direction,
    letterSpacing,
    wordSpacing,
    lineSpacing,
    align,
    optical,
    gaps,
    stretch,
    lines,
    letters,
    keys,
    loosen,
  } = values;
  // Only these: a lettering is given whole, and where it lies must not make it set anew. Its size counts for lines of a given width.
  const size = lines.some((l) => l.width !== null) ? values.size : 0;
  const key = JSON.stringify([
    text,
    axes,
    features,
    language,
    direction,
    letterSpacing,
    wordSpacing,
    lineSpacing,
    align,
    optical,
    gaps,
    stretch,
    lines,
    letters,
    keys,
    loosen,
    size,
  ]);
  return kept(face, key, () => compose(hb, face.at(axes), values));
}

const blank = /^\s+$/u;
/** Each as long as the space that stands for it, so that places in the text stay (Unicode 16, chapter 23.1: C0 and C1 controls). */
const controls = /\p{Cc}/gu;

function compose(hb: HarfBuzz, face: Face, values: SettingValues): Setting {
  // What a keyboard or a clipboard brings besides letters, a tab above all, is set as a space: no face has letters for it.
  const texts = values.text.split("\n").map((t) => t.replace(controls, " "));
  const starts = texts.map((_, i) => texts.slice(0, i).reduce((n, t) => n + t.length + 1, 0));
  const keys = keysOf(values);
  const changes = new Map(values.letters.map((l) => [l.at, l]));
  const rows = fitted(rowsOf(hb, face, values, texts, starts, changes), hb, values, texts, starts, changes);

  const letters: Letter[] = [];
  const lines: Line[] = [];
  const carets: CaretStop[] = [];
  const missing = new Set<string>();
  let baseline = 0;
  rows.forEach((row, index) => {
    const laid = layLine(row);
    const k = row.scale;
    if (index > 0) baseline += values.lineSpacing * 1000 * k;
    const left = startOf(row, laid, values);
    const [low, high] = [baseline + caretReach * k, baseline - (face.metrics.capHeight + caretReach) * k];
    const caret = (at: number, x: number): CaretStop => ({
      index: starts[index] + at,
      line: index,
      foot: { x, y: low },
      head: { x, y: high },
    });
    row.pieces.forEach(({ cluster: c, advance }, i) => {
      if (c.missing) missing.add(texts[index].slice(c.from, c.to));
      const { outline, x, y } = laid.letters[i];
      const inks = row.changes[i]?.inks;
      const place = {
        line: index,
        from: starts[index] + c.from,
        to: starts[index] + c.to,
        key: keys[starts[index] + c.from],
        ...(inks && Object.keys(inks).length ? { inks } : {}),
      };
      if (!outline.isEmpty) letters.push({ outline, x: left + x, y: baseline + y, ...place });
      const steps = c.to - c.from;
      for (let s = 0; s < steps; s++)
        carets.push(caret(c.from + s, left + laid.starts[i] + (advance * k * (c.rtl ? steps - s : s)) / steps));
    });
    const last = row.pieces.reduce<Piece | undefined>((a, p) => (!a || p.cluster.to > a.cluster.to ? p : a), undefined);
    carets.push(caret(texts[index].length, last?.cluster.rtl ? left : left + laid.width));
    lines.push({
      from: starts[index],
      to: starts[index] + texts[index].length,
      x: left,
      width: laid.width,
      baseline,
      scale: k,
      ink: isEmpty(laid.ink) ? empty : shifted(laid.ink, left, baseline),
    });
  });
  const frame = lines
    .map((l): Bounds => ({
      minX: l.x,
      maxX: l.x + Math.max(l.width, 1),
      minY: l.baseline - face.metrics.capHeight * 1.1 * l.scale,
      maxY: l.baseline + 220 * l.scale,
    }))
    .reduce(join, empty);
  const ink = joinAll(lines.map((l) => l.ink));
  return {
    letters,
    lines,
    carets: carets.sort((a, b) => a.index - b.index),
    missing: [...missing],
    ink,
    frame: isEmpty(ink) ? frame : join(frame, ink),
  };
}

/** Lines of text, shaped and spaced. */
function rowsOf(
  hb: HarfBuzz,
  face: Face,
  values: SettingValues,
  texts: readonly string[],
  starts: readonly number[],
  changes: ReadonlyMap<number, LetterChange>,
): Row[] {
  const natural = texts.map((text, i) => piecesOf(hb, face, values, text, starts[i], changes));
  const even = values.gaps === "even" ? evenGaps(natural, face.metrics.capHeight) : natural;
  let first = 0;
  return even.map((pieces, i): Row => {
    const own = pieces.map((p) => changes.get(starts[i] + p.cluster.from));
    const row: Row = {
      face,
      changes: own,
      loosen: values.loosen,
      first,
      stretch: values.stretch,
      scale: 1,
      pieces: pieces.map((p, k) => ({
        ...p,
        advance:
          p.advance * values.stretch +
          (own[k]?.space ?? 0) +
          (k < pieces.length - 1 ? values.letterSpacing : 0) +
          (p.blank ? values.wordSpacing : 0),
      })),
    };
    first += pieces.length;
    return row;
  });
}

function piecesOf(
  hb: HarfBuzz,
  face: Face,
  { features, language, direction }: SettingValues,
  text: string,
  start: number,
  changes: ReadonlyMap<number, LetterChange>,
): Piece[] {
  const alternates = [...changes.values()].flatMap((c) =>
    c.alternate && c.at >= start && c.at < start + text.length ? [{ at: c.at - start, ...c.alternate }] : [],
  );
  return shapeLine(hb, face, text, { features, language, direction, alternates }).map((cluster) => ({
    cluster,
    outline: face.combine(cluster.glyphs),
    blank: blank.test(text.slice(cluster.from, cluster.to)),
    advance: cluster.advance,
  }));
}

/** The lines at the widths that were asked for, and, where they are justified, at that of the widest. */
function fitted(
  rows: readonly Row[],
  hb: HarfBuzz,
  values: SettingValues,
  texts: readonly string[],
  starts: readonly number[],
  changes: ReadonlyMap<number, LetterChange>,
): Row[] {
  const perPixel = 1000 / values.size;
  const wanted = (i: number): { width: number; by: LineFit } | undefined => {
    const line = values.lines[i];
    return line?.width != null ? { width: line.width * perPixel, by: line.by } : undefined;
  };
  const sized = rows.map((row, i) => {
    const to = wanted(i);
    return to
      ? fitLine(row, to.width, to.by, (face) => ({ ...rowsOf(hb, face, values, [texts[i]], [starts[i]], changes)[0], first: row.first }))
      : row;
  });
  if (values.align !== "justified") return sized;
  const widths = sized.map((row) => widthOf(layLine(row).ink));
  const widest = Math.max(...widths);
  return sized.map((row, i) => {
    if (wanted(i) || !(widths[i] > 0)) return row;
    // Between the words where there are several, else between the letters.
    const words = row.pieces.some((p, k) => p.blank && k > 0 && k < row.pieces.length - 1);
    return spaced(row, widest, words ? (k) => row.pieces[k].blank : undefined);
  });
}

const widthOf = (b: Bounds): number => Math.max(0, b.maxX - b.minX);

/** Where a line starts so that it is aligned about x = 0: by its advances, or by its ink where that was measured. */
function startOf(row: Row, laid: ReturnType<typeof layLine>, { align, optical, lines }: SettingValues): number {
  let [left, right] = [0, laid.width];
  const measured = align === "justified" || lines.some((l) => l.width !== null) || optical;
  if (measured && !isEmpty(laid.ink)) [left, right] = [laid.ink.minX, laid.ink.maxX];
  if (optical && !isEmpty(laid.ink)) {
    const inked = laid.letters.filter((l) => !l.outline.isEmpty);
    const height = row.face.metrics.capHeight * row.scale;
    left += hang(inked[0].outline, height, "left");
    right -= hang(inked.at(-1)!.outline, height, "right");
  }
  if (align === "left" || align === "justified") return 0 - left;
  return align === "right" ? -right : -(left + right) / 2;
}
