import type { Bent } from "../bend/bent";
import { bend, shapeOf } from "../bend/bend";
import { joinedLetters } from "../coat/join-letters";
import type { PointMap } from "../coat/form-step";
import { noShape, type Shape } from "../coat/shape";
import type { Bounds } from "../curves/bounds";
import { invert, multiply, type Matrix } from "../curves/matrix";
import type { Path } from "../curves/path";
import type { Face, FaceMetrics } from "../lettering/face";
import { set, type Setting } from "../lettering/setting";
import { memoByIdentity } from "../memo";
import { outlineOf } from "../shape/outline";
import type { Engine } from "./tools";
import { viewOf, type View } from "./perspective-view";
import { isShape, itemMatrix, type Item, type ShapeItem } from "./schema";

interface PlacedItem {
  readonly id: string;
  readonly matrix: Matrix;
  readonly view: View | undefined;
  /** The inked box in the item's own space, before the view; empty where nothing is inked. */
  readonly ink: Bounds;
}
/** A lettering as it was set and bent, for handles and carets. */
export interface PlacedLettering extends PlacedItem {
  readonly kind: "lettering";
  readonly setting: Setting;
  readonly bent: Bent;
  readonly face: Face;
  /** Where its letters are seen, where a coat turns them; before the view. */
  readonly stance?: PointMap;
}
export interface PlacedShape extends PlacedItem {
  readonly kind: "shape";
  readonly outline: Path;
}
export type Placed = PlacedLettering | PlacedShape;

/** An item with what its coats start from. */
export interface Bare {
  readonly item: Item;
  readonly placed: Placed;
  readonly letters: Shape;
  readonly ground: Shape;
  readonly metrics: FaceMetrics;
}

/** What the lengths of a style are relative to on a shape, which has no letters: the proportions of a common heavy face. */
export const shapeMetrics: FaceMetrics = { capHeight: 700, xHeight: 500, stem: 160, bar: 140 };

const lettersOf = memoByIdentity<Bent, Shape>(1);
const groundOf = memoByIdentity<Path, Shape>(1);
const moved = memoByIdentity<Path, Path>(8);

const asShape = (path: Path | undefined): Shape =>
  path && !path.isEmpty ? groundOf(path, "", () => ({ parts: [{ path, x: 0, y: 0, line: 0 }] })) : noShape;

/** To a millionth, so that what moves together keeps its outline. */
export const placeKey = (m: Matrix): string => m.map((v) => v.toFixed(6)).join();

/** The number of the word that a character belongs to. */
const wordAt = (text: string, at: number): number => text.slice(0, at).trimStart().split(/\s+/u).length - 1;

type Timed = <R>(stage: string, work: () => R) => R;

/** Sets and bends an item's letters, or draws its shape. @param shapes those of the board, which words run along and fill */
export function place(item: Item, shapes: ReadonlyMap<string, ShapeItem>, engine: Engine, timed: Timed): Bare {
  const matrix = itemMatrix(item);
  if (isShape(item)) {
    const outline = outlineOf(item.shape, item);
    const ink = outline.bounds;
    return {
      item,
      placed: { kind: "shape", id: item.id, matrix, outline, ink, view: viewOf(item, ink) },
      letters: asShape(outline),
      ground: noShape,
      metrics: shapeMetrics,
    };
  }
  const face = (engine.face(item.face) ?? engine.standIn).at(item.axes);
  const setting = timed("letters", () => set(engine.hb, engine.face(item.face) ?? engine.standIn, item));
  /** The outline of a shape of the board in this item's space. */
  const outline = (id: string): Path | undefined => {
    const shape = shapes.get(id);
    if (!shape) return undefined;
    const drawn = outlineOf(shape.shape, shape);
    const m = multiply(invert(matrix), itemMatrix(shape));
    return moved(drawn, placeKey(m), () => drawn.transform(m));
  };
  const bent = timed("bend", () => bend(setting, item.bend, { kernel: engine.kernel, capHeight: face.metrics.capHeight, outline }));
  const letters = lettersOf(bent, String(item.joined), () => {
    const parts = bent.letters.map((l) => ({
      path: l.outline,
      x: l.x,
      y: l.y,
      line: l.line,
      letter: l.key,
      text: item.text.slice(l.from, l.to),
      word: wordAt(item.text, l.from),
      ...(l.inks ? { inks: l.inks } : {}),
    }));
    return { parts: item.joined ? joinedLetters(parts, engine.kernel) : parts };
  });
  const shape = shapeOf(item.bend);
  const placed: Placed = { kind: "lettering", id: item.id, setting, bent, matrix, face, ink: bent.ink, view: viewOf(item, bent.ink) };
  return { item, placed, letters, ground: asShape(shape === undefined ? undefined : outline(shape)), metrics: face.metrics };
}
