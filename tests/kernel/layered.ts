import { parseSvgPath } from "../../core/curves/parse-svg-path";
import { scaling, translation, multiply } from "../../core/curves/matrix";
import { Path, PathBuilder } from "../../core/curves/path";
import { neighbourOf } from "./random";
import { bySubtraction, randomStack, wrongPlaces } from "./stacks";
import type { Trial } from "./trial";

/**
 * What layered looks make of letters: shapes that share borders, lie a hair apart, wrap round each other, and are put together again. Each
 * class asks booleans of a trial and says what must hold of them.
 */
export const classes = {
  /** Words moved by next to nothing, and by equal amounts. */
  tiny(t: Trial) {
    const a = t.r.chance(0.4) ? t.word() : t.shape();
    const step = () => t.size * t.r.pick([1, -1]) * 10 ** t.r.between(-9, 0);
    const [x, y] = t.r.chance(0.5) ? [step(), step()] : [step(), 0];
    const copies = Array.from({ length: t.r.whole(1, 3) }, (_, i) => t.moved(a, (i + 1) * x, (i + 1) * y));
    inclusion(t, a, copies[0]);
    t.exclude(a, ...copies);
    t.union(a, ...copies);
  },

  /** Rings of grown and shrunk copies. */
  rings(t: Trial) {
    const a = t.shape();
    const [d, e] = [t.r.between(1, 30), t.r.between(1, 20)];
    const [near, far, inner] = [t.grow(a, d), t.grow(a, d + e), t.grow(a, -e)];
    const outer = t.subtract(far, near);
    t.partition("ring and core", [outer, near], far);
    const edge = t.subtract(a, inner);
    t.partition("edge and heart", [edge, inner], a);
    t.union(outer, edge);
  },

  /** Copies scaled by next to nothing. */
  scaled(t: Trial) {
    const a = t.r.chance(0.4) ? t.word() : t.shape();
    const by = 1 + t.r.pick([1, -1]) * 10 ** t.r.between(-9, -4);
    const { minX, minY } = a.bounds;
    const b = t.r.chance(0.5)
      ? a.transform(scaling(by))
      : a.transform(multiply(translation(minX, minY), multiply(scaling(by), translation(-minX, -minY))));
    inclusion(t, a, b);
    t.exclude(a, b);
  },

  /** Parts of a split, put back together. */
  split(t: Trial) {
    const a = t.shape();
    const b = sized(t, neighbour(t, a), a);
    t.partition("split", [t.intersect(a, b), t.subtract(a, b)], t.kernel.weld(a));
  },

  /** Sweeps less their source, in steps, outlined. */
  swept(t: Trial) {
    const a = t.shape();
    const v = { kind: "vector" as const, x: t.size * t.r.between(-90, 90), y: t.size * t.r.pick([0, t.r.between(-90, 90)]) };
    const silhouette = t.kernel.sweep(a, v).silhouette;
    const side = t.subtract(silhouette, a);
    t.same("sides and source", t.area(t.union(side, a)), t.area(silhouette), side, a);
    const outline = t.subtract(t.grow(silhouette, 6), silhouette);
    t.union(outline, side);
    t.union(silhouette, t.moved(silhouette, v.x, v.y), a);
  },

  /** Shapes clipped by many bands. */
  bands(t: Trial) {
    const a = t.shape();
    const { minX, minY, maxX, maxY } = a.bounds;
    // Bands of a few thousandths of a unit are hairs, which vanish.
    const n = Math.min(t.r.whole(2, 7), Math.max(1, Math.floor((maxY - minY) / 0.008)));
    const slant = t.size * t.r.pick([0, 0, t.r.between(-200, 200)]);
    const wave = t.size * t.r.pick([0, t.r.between(5, 30)]);
    const height = (maxY - minY) / (2 * n);
    const bands = Array.from({ length: n }, (_, i) => {
      const y = minY + 2 * i * height;
      const [l, r, m] = [minX - 1, maxX + 1, (minX + maxX) / 2];
      const edge = (at: number) => (wave ? [l, at, m, at + wave, r, at + slant] : [l, at, m, at + slant / 2, r, at + slant]);
      const [x0, y0, x1, y1, x2, y2] = edge(y);
      const [, v0, , v1, , v2] = edge(y + height);
      return new PathBuilder().move(x0, y0).quad(x1, y1, x2, y2).line(x2, v2).quad(x1, v1, x0, v0).close().build();
    });
    const strips = bands.map((b) => t.intersect(a, b));
    const rest = t.subtract(a, ...bands);
    t.partition("strips and rest", [...strips, rest], t.kernel.weld(a));
  },

  /** Turned by 90 and 180 degrees and laid edge to edge; figure and ground. */
  turned(t: Trial) {
    const a = t.r.chance(0.3) ? t.word() : t.shape();
    const { minX, minY, maxX, maxY } = a.bounds;
    const frame = new PathBuilder().move(minX, minY).line(maxX, minY).line(maxX, maxY).line(minX, maxY).close().build();
    const ground = t.subtract(frame, a);
    t.partition("figure and ground", [ground, t.kernel.weld(a)], frame);
    const degrees = t.r.pick([90, 180, 270]);
    const other = t.turned(t.r.chance(0.5) ? a : ground, degrees, maxX, t.r.pick([minY, maxY, (minY + maxY) / 2]));
    inclusion(t, ground, other);
    t.union(a, other);
  },

  /** Chains of 3 to 6 steps. */
  chain(t: Trial) {
    let a = t.shape();
    for (let n = t.r.whole(3, 6); n > 0 && !a.isEmpty; n--) {
      const step = t.r.whole(0, 5);
      if (step === 0) a = t.grow(a, t.r.pick([4, -4, 12, -2]));
      else if (step === 1) a = t.union(a, t.moved(a, t.size * t.r.pick([0.3, 10, -40]), 0));
      else if (step === 2) a = t.subtract(t.grow(a, t.r.pick([5, 9])), a);
      else a = t.any(a, sized(t, neighbour(t, a), a));
    }
  },

  /** Partitions of stacked shapes, one by one and in one arrangement. */
  partition(t: Trial) {
    const shapes = [t.shape()];
    for (let n = t.r.whole(1, 4); n > 0; n--) shapes.push(sized(t, neighbour(t, t.r.pick(shapes)), shapes[0]));
    const parts = shapes.map((s, i) => (i === 0 ? t.kernel.weld(s) : t.subtract(s, ...shapes.slice(0, i))));
    t.partition("stacked", parts, t.union(...shapes));
    t.kernel
      .stack(shapes.map((s) => ({ path: t.kernel.weld(s) })))
      .forEach(({ path }, i) => t.same(`stack, part ${i}`, t.area(path), t.area(parts[i]), ...shapes));
  },

  /** Inline, gap, shade and outline, all pairs united. */
  gapped(t: Trial) {
    const a = t.r.chance(0.3) ? t.word() : t.letter();
    const gap = t.r.between(3, 14);
    const way = { kind: "vector" as const, x: t.size * t.r.between(-60, 60), y: t.size * t.r.between(-60, 60) };
    const inline = t.subtract(t.grow(a, -t.r.between(2, 8)), t.grow(a, -t.r.between(9, 14)));
    const cleared = t.grow(a, gap);
    const shade = t.subtract(t.kernel.sweep(cleared, way).silhouette, cleared);
    const outline = t.subtract(t.grow(a, gap + 8), t.grow(a, gap + t.r.between(0, 6)));
    const layers = [a, inline, shade, outline];
    for (let i = 0; i < layers.length; i++) for (let j = 0; j < i; j++) t.union(layers[j], layers[i]);
    const apart = t.area(t.union(inline, shade));
    t.same("inline and shade", apart, t.area(inline) + t.area(shade), inline, shade);
  },

  /** Cells, half cells and quarter discs on a lattice. */
  lattice(t: Trial) {
    const cell = t.size * 100;
    const pieces = [
      "M0 0H100V100H0Z",
      "M0 0H100L0 100Z",
      "M0 0H100C100 55.22847498 55.22847498 100 0 100Z",
      "M0 0H50V100H0Z",
      "M100 100C44.77152502 100 0 55.22847498 0 0H100Z",
    ].map(parseSvgPath);
    const some = () =>
      t.kernel.union(
        Array.from({ length: t.r.whole(1, 6) }, () => {
          const p = t.turned(t.r.pick(pieces), t.r.pick([0, 90, 180, 270]), 50, 50).transform(scaling(t.size));
          return t.moved(p, t.r.whole(0, 3) * cell, t.r.whole(0, 3) * cell);
        }),
      );
    const [a, b, c] = [some(), some(), some()];
    inclusion(t, a, b);
    t.partition("cells", [t.intersect(a, b), t.subtract(a, b), t.subtract(b, a)], t.union(a, b));
    t.exclude(a, b, c);
  },

  /** Stacks of shapes with and without labels in common. */
  stack(t: Trial) {
    const letters = [t.letter(), t.letter()].map((l) => l.transform(scaling(1 / t.size)));
    const items = randomStack(t.r, t.kernel, letters).map((i) => ({ ...i, path: t.kernel.weld(i.path.transform(scaling(t.size))) }));
    const parts = t.kernel.stack(items).map((p) => p.path);
    const all = items.map((i) => i.path);
    t.partition("parts", parts, t.union(...all));
    bySubtraction(t.kernel, items).forEach((p, i) => t.same(`part ${i}`, t.area(p), t.area(parts[i]), ...all));
    const places = Array.from({ length: 25 }, () => [t.size * t.r.between(-100, 800), t.size * t.r.between(-700, 700)] as const);
    t.same("places with another label", wrongPlaces(items, parts, places, 0.1 * Math.max(1, t.size)), 0);
  },
} satisfies Record<string, (t: Trial) => void>;

export type ClassName = keyof typeof classes;
export const classNames = Object.keys(classes) as ClassName[];

/** What `a` and `b` cover together and apart. */
function inclusion(t: Trial, a: Path, b: Path): void {
  const [either, both] = [t.area(t.union(a, b)), t.area(t.intersect(a, b))];
  t.same("either and both", either + both, t.area(a) + t.area(b), a, b);
}

/** A shape beside, on or across another; those of `neighbourOf` are made at the size of letters. */
function neighbour(t: Trial, a: Path): Path {
  const large = a.transform(scaling(1 / t.size));
  return neighbourOf(large, t.r, []).transform(scaling(t.size));
}

/** A shape that is no hair, or else another beside `a`: what is thinner than the grid has no area in a weld. */
function sized(t: Trial, shape: Path, a: Path): Path {
  return !shape.isEmpty && t.area(shape) > 500 * t.size * t.size ? shape : t.moved(a, 37 * t.size, 11 * t.size);
}
