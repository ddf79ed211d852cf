import type { Face as HbFace, Font } from "harfbuzzjs";
import { isEmpty } from "../curves/bounds";
import { flatten } from "../curves/flatten";
import { Path, PathBuilder } from "../curves/path";
import { spansAt } from "../curves/polygon";
import { memoByKey } from "../memo";
import { Problem } from "../problem";
import { checkSfnt } from "./font-check";
import type { HarfBuzz } from "./harfbuzz";

/** What is known of a face before its file is read. */
export interface FaceInfo {
  readonly id: string;
  readonly name: string;
  /** The kind of letter, in the trade's words: slab, blackletter, brush... */
  readonly kind: string;
  /** Settings of a variable face's axes, by tag. */
  readonly axes?: Readonly<Record<string, number>>;
}

/** The face that new letterings start with, and that stands in for one that is not here. */
export const firstFace = "archivo-black";

/** Sizes in thousandths of the em, measured on the outlines: tables are often wrong. */
export interface FaceMetrics {
  readonly capHeight: number;
  readonly xHeight: number;
  /** Width of the left stem of H, or of the nearest letter that the face has. */
  readonly stem: number;
  /** Thickness of the bar of H, or of the nearest letter that has a level stroke. */
  readonly bar: number;
}

/** Outlines over this many commands come from damaged fonts and would stop everything. */
const mostCommands = 20_000;

/** Places on the axes that stay open: a drag passes many, and each holds memory of the shaping library. */
const mostPlaces = 24;

/** A font file opened for shaping and drawing. Outlines are in lettering space: 1000 units to the em, y down. */
export class Face {
  readonly font: Font;
  readonly upem: number;
  readonly #hb: HarfBuzz;
  readonly #places = memoByKey<Face>(mostPlaces);
  readonly #outlines = new Map<number, Path>();
  readonly #combined = new Map<string, Path>();
  #metrics: FaceMetrics | undefined;

  /** Opens a font's file. @throws Problem where the file is no sound font */
  static open(hb: HarfBuzz, info: FaceInfo, bytes: Uint8Array): Face {
    checkSfnt(bytes, info.name);
    const face = new Face(hb, info, new hb.Face(new hb.Blob(bytes)), info.axes ?? {});
    face.#check();
    return face;
  }

  private constructor(
    hb: HarfBuzz,
    readonly info: FaceInfo,
    /** The tables of its file. */
    readonly tables: HbFace,
    /** Where it stands on the axes of a variable face. */
    readonly axes: Readonly<Record<string, number>>,
  ) {
    this.#hb = hb;
    this.upem = tables.upem;
    this.font = new hb.Font(tables);
    const places = Object.entries(axes);
    if (places.length) this.font.setVariations(places.map(([tag, value]) => new hb.Variation(tag, value)));
  }

  /** The same face at another place of its axes, the same object each time; what is not named stays as the face has it. */
  at(axes: Readonly<Record<string, number>>): Face {
    const wanted = Object.entries(axes).filter(([tag, v]) => this.axes[tag] !== v);
    if (!wanted.length) return this;
    const all = { ...this.axes, ...axes };
    return this.#places(JSON.stringify(all), () => new Face(this.#hb, this.info, this.tables, all));
  }

  /** @throws Problem where it draws nothing that a face is measured by */
  #check(): void {
    const { info } = this;
    const sample = ["H", "n", "o", "ا", "क", "1"].find((c) => this.glyphOf(c) && !this.outline(this.glyphOf(c)!).isEmpty);
    if (!sample) throw new Problem(`${info.name} draws none of the letters that Vextal measures a face by.`);
  }

  /** Whether a letter can be set; undefined where the face has no glyph for it. */
  glyphOf(character: string): number | undefined {
    return this.font.nominalGlyph(character.codePointAt(0)!) || undefined;
  }

  outline(glyph: number): Path {
    let path = this.#outlines.get(glyph);
    if (!path) this.#outlines.set(glyph, (path = this.#draw(glyph)));
    return path;
  }

  /** Several glyphs of one cluster (a base and its marks, say) as one outline, the same object each time. */
  combine(parts: readonly { glyph: number; dx: number; dy: number }[]): Path {
    if (parts.length === 1 && parts[0].dx === 0 && parts[0].dy === 0) return this.outline(parts[0].glyph);
    const key = parts.map((p) => `${p.glyph},${p.dx},${p.dy}`).join(";");
    let path = this.#combined.get(key);
    if (!path) {
      const all = new PathBuilder();
      for (const p of parts) all.add(this.outline(p.glyph), p.dx, p.dy);
      this.#combined.set(key, (path = all.build()));
    }
    return path;
  }

  get metrics(): FaceMetrics {
    return (this.#metrics ??= {
      capHeight: this.#height(["H", "E", "I", "ल", "ا", "n"], 700),
      xHeight: this.#height(["x", "z", "v", "n"], 500),
      stem: this.#stem(),
      bar: this.#bar(),
    });
  }

  #draw(glyph: number): Path {
    const k = 1000 / this.upem;
    const out = new PathBuilder();
    let commands = 0;
    let [startX, startY] = [0, 0];
    let pending: (() => void) | undefined;
    const next = () => {
      if (++commands > mostCommands) throw new Problem(`${this.info.name} is damaged: one of its letters has over ${mostCommands} points.`);
      pending?.();
      pending = undefined;
    };
    const funcs = new this.#hb.DrawFuncs();
    funcs.setMoveToFunc((x, y) => {
      next();
      out.move((startX = x * k), (startY = -y * k));
    });
    funcs.setLineToFunc((x, y) => {
      next();
      // HarfBuzz draws a line back to the start before it closes; it adds a node and no shape.
      if (x * k === startX && -y * k === startY) pending = () => out.line(startX, startY);
      else out.line(x * k, -y * k);
    });
    funcs.setQuadraticToFunc((cx, cy, x, y) => {
      next();
      out.quad(cx * k, -cy * k, x * k, -y * k);
    });
    funcs.setCubicToFunc((ax, ay, bx, by, x, y) => {
      next();
      out.cubic(ax * k, -ay * k, bx * k, -by * k, x * k, -y * k);
    });
    funcs.setClosePathFunc(() => {
      pending = undefined;
      out.close();
    });
    this.font.drawGlyph(glyph, funcs);
    const path = out.build();
    const b = path.bounds;
    if (!isEmpty(b) && !(Math.max(-b.minX, b.maxX, -b.minY, b.maxY) < 50_000))
      throw new Problem(`${this.info.name} is damaged: one of its letters is over fifty times the em.`);
    return path;
  }

  #height(letters: readonly string[], otherwise: number): number {
    for (const c of letters) {
      const glyph = this.glyphOf(c);
      const b = glyph ? this.outline(glyph).bounds : undefined;
      if (b && !isEmpty(b) && b.minY < 0) return -b.minY;
    }
    return otherwise;
  }

  #stem(): number {
    for (const c of ["H", "n", "l", "ا", "क"]) {
      const glyph = this.glyphOf(c);
      if (!glyph) continue;
      const outline = this.outline(glyph);
      if (outline.isEmpty) continue;
      const { minY, maxY } = outline.bounds;
      // A quarter up, clear of serifs and of the bar.
      const span = spansAt(flatten(outline, 0.1), maxY - (maxY - minY) * 0.27)[0];
      if (span && span[1] - span[0] > 5) return span[1] - span[0];
    }
    return 100;
  }

  #bar(): number {
    for (const [c, at] of [
      ["H", 0.5],
      ["E", 0.7],
      ["t", 0.25],
      ["ल", 0.5],
    ] as const) {
      const glyph = this.glyphOf(c);
      if (!glyph) continue;
      const outline = this.outline(glyph);
      if (outline.isEmpty) continue;
      const { minX, maxX } = outline.bounds;
      // The same look as at a stem, with the letter laid on its side.
      const spans = spansAt(flatten(outline.transform([0, 1, 1, 0, 0, 0]), 0.1), minX + (maxX - minX) * at);
      const thinnest = Math.min(...spans.map(([a, b]) => b - a).filter((w) => w > 3));
      if (Number.isFinite(thinnest)) return thinnest;
    }
    return this.#stem();
  }
}
