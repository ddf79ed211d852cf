import type { Bent } from "../bend/bent";
import { bend, shapeOf } from "../bend/bend";
import { coatLayer, coatShape } from "../coat/build";
import { joinedLetters } from "../coat/join-letters";
import { noShape, type Shape } from "../coat/shape";
import type { Bounds } from "../curves/bounds";
import type { Kernel } from "../curves/kernel";
import { invert, multiply, type Matrix } from "../curves/matrix";
import type { Path } from "../curves/path";
import type { Face, FaceMetrics } from "../lettering/face";
import type { HarfBuzz } from "../lettering/harfbuzz";
import { set, type Setting } from "../lettering/setting";
import { memoByIdentity } from "../memo";
import type { Scene, SceneItem, SceneLayer } from "../scene/scene";
import { outlineOf } from "../shape/outline";
import { inkLookup } from "../style/inks";
import { unitsPerLength } from "../style/measure";
import type { Style } from "../style/schema";
import { toPx } from "../units";
import { viewOf, seenLayer, type View } from "./perspective-view";
import { isShape, itemMatrix, type Item, type Piece } from "./schema";

/** All that turns a piece into a scene besides the piece itself. */
export interface Engine {
  readonly hb: HarfBuzz;
  readonly kernel: Kernel;
  /** An opened face; undefined where it is not here. */
  readonly face: (id: string) => Face | undefined;
  /** The face that stands in for one that is not here. */
  readonly standIn: Face;
}

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
}
export interface PlacedShape extends PlacedItem {
  readonly kind: "shape";
  readonly outline: Path;
}
export type Placed = PlacedLettering | PlacedShape;

export interface Compiled {
  readonly scene: Scene;
  /** One for each item of the piece, those that are hidden too. */
  readonly placed: readonly Placed[];
  /** Milliseconds by stage, where a clock was given. */
  readonly times: Readonly<Record<string, number>>;
}

/** The style that an item shows: its own coats before the linked ones. */
export const styleOf = (l: Pick<Item, "ownStyle" | "styleId">, styles: ReadonlyMap<string, Style>): Style | undefined =>
  l.ownStyle ?? (l.styleId ? styles.get(l.styleId) : undefined);

/** What the lengths of a style are relative to on a shape, which has no letters: the proportions of a common heavy face. */
export const shapeMetrics: FaceMetrics = { capHeight: 700, xHeight: 500, stem: 160, bar: 140 };

const lettersOf = memoByIdentity<Bent, Shape>(1);
const groundOf = memoByIdentity<Path, Shape>(1);
const moved = memoByIdentity<Path, Path>(8);

const asShape = (path: Path | undefined): Shape =>
  path && !path.isEmpty ? groundOf(path, "", () => ({ parts: [{ path, x: 0, y: 0, line: 0 }] })) : noShape;

export const labelOf = (item: Item): string =>
  isShape(item) ? item.name || "Shape" : item.text.replace(/\s+/g, " ").trim() || "Empty lettering";

/**
 * Piece and styles to scene. Pure: the same input gives the same objects wherever nothing changed, since every stage
 * keeps its results by the identity of what it was given.
 * @param clock milliseconds, to fill `times`
 */
export function compile(piece: Piece, styles: ReadonlyMap<string, Style>, engine: Engine, clock: () => number = () => 0): Compiled {
  const times: Record<string, number> = { letters: 0, bend: 0, form: 0, paint: 0 };
  const timed = <R>(stage: string, work: () => R): R => {
    const start = clock();
    const result = work();
    times[stage] += clock() - start;
    return result;
  };
  const width = toPx(piece.board.width, piece.board.unit);
  const height = toPx(piece.board.height, piece.board.unit);
  const shapes = new Map(piece.items.filter(isShape).map((s) => [s.id, s]));

  /** The outline of a shape of the board in the space of another item. */
  const outlineFor =
    (to: Matrix) =>
    (id: string): Path | undefined => {
      const shape = shapes.get(id);
      if (!shape) return undefined;
      const outline = outlineOf(shape.shape, shape);
      const m = multiply(invert(to), itemMatrix(shape));
      // To a millionth, so that what moves together keeps its outline.
      return moved(outline, m.map((v) => v.toFixed(6)).join(), () => outline.transform(m));
    };

  const place = (item: Item): { placed: Placed; letters: Shape; ground: Shape; metrics: FaceMetrics } => {
    const matrix = itemMatrix(item);
    if (isShape(item)) {
      const outline = outlineOf(item.shape, item);
      const ink = outline.bounds;
      return {
        placed: { kind: "shape", id: item.id, matrix, outline, ink, view: viewOf(item, ink) },
        letters: asShape(outline),
        ground: noShape,
        metrics: shapeMetrics,
      };
    }
    const face = (engine.face(item.face) ?? engine.standIn).at(item.axes);
    const setting = timed("letters", () => set(engine.hb, engine.face(item.face) ?? engine.standIn, item));
    const outline = outlineFor(matrix);
    const bent = timed("bend", () => bend(setting, item.bend, { kernel: engine.kernel, capHeight: face.metrics.capHeight, outline }));
    const letters = lettersOf(bent, String(item.joined), () => {
      const parts = bent.letters.map((l) => ({ path: l.outline, x: l.x, y: l.y, line: l.line, ...(l.inks ? { inks: l.inks } : {}) }));
      return { parts: item.joined ? joinedLetters(parts, engine.kernel) : parts };
    });
    const shape = shapeOf(item.bend);
    const placed: Placed = { kind: "lettering", id: item.id, setting, bent, matrix, face, ink: bent.ink, view: viewOf(item, bent.ink) };
    return { placed, letters, ground: asShape(shape === undefined ? undefined : outline(shape)), metrics: face.metrics };
  };

  const placed: Placed[] = [];
  const items: SceneItem[] = [];
  for (const item of piece.items) {
    const { placed: at, letters, ground, metrics } = place(item);
    placed.push(at);
    if (item.hidden) continue;
    const style = styleOf(item, styles);
    items.push({
      id: item.id,
      label: labelOf(item),
      matrix: at.matrix,
      layers: style ? layersOf(item, style, at, letters, ground, metrics) : [],
    });
  }

  function layersOf(item: Item, style: Style, at: Placed, letters: Shape, ground: Shape, metrics: FaceMetrics): SceneLayer[] {
    const scale = unitsPerLength(style.measure, metrics, item.size);
    const formContext = { kernel: engine.kernel, letters, ground, units: (length: number) => length * scale };
    const inks = JSON.stringify(style.inks);
    const paintContext = { ink: inkLookup(style.inks), board: { width, height, toItem: invert(at.matrix) } };
    return style.coats
      .filter((coat) => coat.on)
      .map((coat) => {
        const shape = timed("form", () => coatShape(coat, scale, formContext));
        return timed("paint", () => seenLayer(coatLayer(coat.id, coat, shape, inks, paintContext), at.view, engine.kernel));
      });
  }
  return { scene: { width, height, ground: piece.board.ground, items }, placed, times };
}
