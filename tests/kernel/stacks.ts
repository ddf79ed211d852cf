import { cut } from "../../core/curves/bezier";
import { ContourBuilder, contoursOf, pathOf, stride, type Contour } from "../../core/curves/contour";
import type { CurveKernel, SideFace, StackItem } from "../../core/curves/kernel";
import { nearest, windingAbout } from "../../core/curves/measure";
import type { Path } from "../../core/curves/path";
import { neighbourOf, randomShape, type Random } from "./random";

export type Item = StackItem<string>;

/** Shapes that lie over, on, beside and along one another, some of them with labels in common. */
export function randomStack(r: Random, kernel: CurveKernel, letters: readonly Path[]): Item[] {
  const items: Item[] = [];
  for (let n = r.whole(2, 7); n > 0; n--) {
    const last = items.length ? r.pick(items).path : undefined;
    const shape = last && r.chance(0.7) ? neighbourOf(last, r, letters) : randomShape(r, letters);
    // Clean, so that it winds once about what it covers: how a shape winds about itself is not what is asked here.
    items.push({ path: kernel.weld(shape), label: r.chance(0.6) ? r.pick(["a", "b", "c"]) : undefined });
  }
  return items;
}

/**
 * The letters of a word and the sides of the solid that they are swept to, by the tone that their direction gives; nearest first. The
 * letters are cut where their sides begin and end: a curve and a part of it are flattened differently, and would cross by a hair many
 * times.
 */
export function solidOf(
  kernel: CurveKernel,
  letters: readonly Path[],
  way: { readonly x: number; readonly y: number },
  tones = 12,
): Item[] {
  const sides: { path: Path; label: string; depth: number }[] = [];
  const faces = letters.map((letter) => {
    const found = kernel.sweep(letter, { kind: "vector", ...way }).sides;
    for (const { path } of found) {
      // From the start of the source along the way, beside the source, back to its end.
      const [x0, y0] = path.coords;
      const [x1, y1] = path.coords.subarray(path.coords.length - 2);
      const tone = Math.round(((Math.atan2(y1 - y0, x1 - x0) / Math.PI + 1) / 2) * tones) % tones;
      sides.push({ path, label: `side ${tone}`, depth: x0 * way.x + y0 * way.y });
    }
    return { path: cutAt(kernel.weld(letter), found), label: "face" };
  });
  sides.sort((a, b) => b.depth - a.depth);
  return [...faces, ...sides];
}

/** A path whose segments are cut where parts of them begin and end. */
function cutAt(path: Path, parts: readonly SideFace[]): Path {
  const out: Contour[] = contoursOf(path, true).map((c, contour) => {
    const b = new ContourBuilder();
    b.move(c.points[0], c.points[1]);
    for (let k = 0; k < c.size; k++) {
      const ends = parts.flatMap((s) => (s.contour === contour && s.segment === k ? [s.from, s.to] : []));
      const places = [...new Set([0, ...ends, 1])].sort((p, q) => p - q);
      for (let i = 0; i + 1 < places.length; i++) {
        const piece = new Float64Array(8);
        cut(c.points, k * stride, c.degrees[k], places[i], places[i + 1], piece, 0);
        b.segment(piece, 0, c.degrees[k]);
      }
    }
    return b.build(true);
  });
  return pathOf(out);
}

/** What each part is by its definition: one subtraction a shape, and one union a label. */
export function bySubtraction(kernel: CurveKernel, items: readonly Item[]): Path[] {
  const parts = new Map<string | number, Path[]>();
  items.forEach(({ path, label }, i) => {
    const seen = kernel.subtract(
      path,
      items.slice(0, i).map((n) => n.path),
    );
    const key = label ?? i;
    parts.set(key, [...(parts.get(key) ?? []), seen]);
  });
  return [...parts.values()].map((p) => kernel.union(p));
}

/**
 * A raster of labels, worked out by counting windings: at how many of the places that lie clear of all outlines another part is seen than
 * the nearest item says.
 * @param clear how far from an outline is clear of it, in units
 */
export function wrongPlaces(
  items: readonly Item[],
  parts: readonly Path[],
  places: readonly (readonly [number, number])[],
  clear: number,
): number {
  const numbers = new Map<string | number, number>();
  const partOf = items.map(({ label }, i) => {
    const key = label ?? i;
    if (!numbers.has(key)) numbers.set(key, numbers.size);
    return numbers.get(key)!;
  });
  const winds = (path: Path, x: number, y: number) => windingAbout(contoursOf(path, true), x, y) > 0;
  return places.filter(([x, y]) => {
    const first = items.findIndex((i) => winds(i.path, x, y));
    const seen = parts.flatMap((p, i) => (winds(p, x, y) ? [i] : []));
    if (first < 0 ? seen.length === 0 : seen.length === 1 && seen[0] === partOf[first]) return false;
    return items.every((i) => i.path.isEmpty || nearest(i.path, x, y)!.distance > clear);
  }).length;
}
