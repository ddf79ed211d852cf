import type { Kernel } from "../curves/kernel";
import { contoursOf } from "../curves/contour";
import { lengthOf } from "../curves/length";
import { stride } from "../curves/contour";
import type { Path } from "../curves/path";
import { axesOf } from "./axes";
import type { Face } from "./face";

/** What is measured on a face's outlines and tables. Lengths are thousandths of the em. */
export interface Measured {
  readonly stem: number;
  readonly bar: number;
  readonly capHeight: number;
  readonly xHeight: number;
  /** Thick to thin: stem by bar, or bar by stem, whichever is more than 1. */
  readonly contrast: number;
  /** Mean advance of small letters, or of capitals where there are none. */
  readonly width: number;
  /** Nodes to a letter, on the average. */
  readonly nodes: number;
  /** How much longer the outlines are than smooth ones that follow them, in percent: 0 of clean letters, some of worn ones. */
  readonly roughness: number;
  readonly scripts: readonly string[];
  readonly axes: number;
}

/** Common letters of each script: a face that has most of them can set its words. Common practice. */
const scriptLetters: Readonly<Record<string, string>> = {
  Latin: "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ",
  "Latin, accented": "àáâäãåæçèéêëìíîïñòóôöõøùúûüýßÄÖÜÉÑÇØÅ",
  "Latin, Central European": "ąćęłńśźżčďěňřšťůžőűășțĄŁŠŽČŘ",
  Greek: "αβγδεζηθικλμνξοπρστυφχψωΑΒΓΔΩ",
  Cyrillic: "абвгдежзийклмнопрстуфхцчшщыьэюяАБВГДЖ",
  Arabic: "ابتثجحخدذرزسشصضطظعغفقكلمنهوي",
  Hebrew: "אבגדהוזחטיכלמנסעפצקרשת",
  Devanagari: "अआइईउऊएओकखगघचछजझटठडढतथदधनपफबभमयरलवशसह",
  Thai: "กขคงจฉชซดตถทนบปผพฟมยรลวสหอ",
};
const enough = 0.9;

/** How far a smooth outline may lie from the drawn one, in units: worn edges are deeper than that, fitted curves are not. */
const smoothing = 6;

export function measureFace(face: Face, kernel: Kernel): Measured {
  const { stem, bar, capHeight, xHeight } = face.metrics;
  const letters = [..."nobgaesRSKABEM", ..."بسعम"].map((c) => face.glyphOf(c)).filter((g): g is number => g !== undefined);
  const outlines = letters.map((g) => face.outline(g)).filter((p) => !p.isEmpty);
  const small = [..."nobgaes"].map((c) => face.glyphOf(c)).filter((g): g is number => g !== undefined);
  const advances = (small.length ? small : letters).map((g) => (face.font.glyphHAdvance(g) * 1000) / face.upem);
  const drawn = sum(outlines.map(perimeter));
  const smooth = sum(outlines.map((p) => perimeter(kernel.simplify(p, smoothing))));
  return {
    stem,
    bar,
    capHeight,
    xHeight,
    contrast: Math.max(stem / bar, bar / stem),
    width: mean(advances),
    nodes: mean(outlines.map((p) => p.nodes)),
    roughness: smooth > 0 ? Math.max(0, (100 * (drawn - smooth)) / smooth) : 0,
    scripts: Object.entries(scriptLetters)
      .filter(([, all]) => [...all].filter((c) => face.glyphOf(c)).length >= enough * [...all].length)
      .map(([name]) => name),
    axes: axesOf(face).length,
  };
}

const sum = (all: readonly number[]): number => all.reduce((a, b) => a + b, 0);
const mean = (all: readonly number[]): number => (all.length ? sum(all) / all.length : 0);

const perimeter = (path: Path): number =>
  sum(contoursOf(path, true).map((c) => sum(Array.from(c.degrees, (d, k) => lengthOf(c.points, k * stride, d, 0, 1)))));
