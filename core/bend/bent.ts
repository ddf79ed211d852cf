import { corners, isEmpty, join, joinAll, shifted, type Bounds } from "../curves/bounds";
import type { Point } from "../curves/matrix";
import type { Path } from "../curves/path";
import { memoByIdentity } from "../memo";
import type { Kernel, NamedWarp, Warp } from "../curves/kernel";
import type { CaretStop, Letter, Setting } from "../lettering/setting";

/** A letter after bending, with the box it is aimed at: four corners, clockwise from its top left. */
export interface BentLetter extends Letter {
  readonly quad: readonly Point[];
}

/** A setting after bending, in lettering space. */
export interface Bent {
  readonly letters: readonly BentLetter[];
  readonly carets: readonly CaretStop[];
  /** The inked box; empty where nothing is inked. */
  readonly ink: Bounds;
  /** Never empty. */
  readonly frame: Bounds;
  /** Lines to show on the bench: a guide, the edges of a shape. */
  readonly marks: readonly Path[];
  /** What the user should know. */
  readonly messages: readonly string[];
}

/** How far a bent outline may lie from its true image, in units. */
export const bendTolerance = 0.04;

export const quadOf = (l: Letter): Point[] => corners(shifted(l.outline.bounds, l.x, l.y));

/** The setting as it is. */
export const unbent = (setting: Setting): Bent => ({
  letters: setting.letters.map((l) => ({ ...l, quad: quadOf(l) })),
  carets: setting.carets,
  ink: setting.ink,
  frame: setting.frame,
  marks: [],
  messages: [],
});

/** Puts together what a bend gave. */
export function bentFrom(
  setting: Setting,
  letters: readonly BentLetter[],
  carets: readonly CaretStop[],
  marks: readonly Path[] = [],
  messages: readonly string[] = [],
): Bent {
  const ink = joinAll(letters.map((l) => shifted(l.outline.bounds, l.x, l.y)));
  const feet = carets.flatMap((c) => [c.foot, c.head]).map((p): Bounds => ({ minX: p.x, maxX: p.x, minY: p.y, maxY: p.y }));
  const frame = joinAll(feet);
  const around = isEmpty(frame) ? setting.frame : frame;
  return { letters, carets, ink, frame: isEmpty(ink) ? around : join(around, ink), marks, messages };
}

const kept = memoByIdentity<Path, Path>();
/** Places of a bend that are remembered for each letter: a step back and forth costs nothing, and a long drag keeps little. */
const remembered = 4;

/** A setting with its outlines bent by a smooth map of each line. */
export function warped(
  setting: Setting,
  kernel: Kernel,
  lineWarp: (line: number) => NamedWarp,
  marks: readonly Path[] = [],
  messages: readonly string[] = [],
): Bent {
  const point = new Float64Array(6);
  const image = (warp: Warp, p: Point): Point => {
    warp(p.x, p.y, point);
    return { x: point[0], y: point[1] };
  };
  // A letter that stands in a text many times is bent anew at each of its places.
  const count = new Map<Path, number>();
  for (const l of setting.letters) count.set(l.outline, (count.get(l.outline) ?? 0) + 1);
  const letters = setting.letters.map((l): BentLetter => {
    const map = lineWarp(l.line);
    const outline = kept(
      l.outline,
      `${kernel.name} ${map.key} ${l.x} ${l.y}`,
      () => kernel.bent(l.outline, l, map, bendTolerance),
      (kernel.name === "draft" ? 1 : remembered) * count.get(l.outline)!,
    );
    return { ...l, outline, x: 0, y: 0, quad: quadOf(l).map((p) => image(map.warp, p)) };
  });
  const carets = setting.carets.map((c): CaretStop => {
    const { warp } = lineWarp(c.line);
    return { ...c, foot: image(warp, c.foot), head: image(warp, c.head) };
  });
  return bentFrom(setting, letters, carets, marks, messages);
}

/** The ink of a line, or its frame where nothing is inked; never without width and height. */
export function lineBox(setting: Setting, line: number): Bounds {
  const { ink, x, width, baseline, scale } = setting.lines[line];
  const box = isEmpty(ink) ? { minX: x, maxX: x + width, minY: baseline - 700 * scale, maxY: baseline } : ink;
  return solid(box);
}

/** A box that something can be divided by. */
export const solid = (b: Bounds): Bounds =>
  isEmpty(b)
    ? { minX: 0, minY: -700, maxX: 1, maxY: 0 }
    : { minX: b.minX, minY: b.minY, maxX: Math.max(b.maxX, b.minX + 1), maxY: Math.max(b.maxY, b.minY + 1) };
