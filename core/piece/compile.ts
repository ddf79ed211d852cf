import { coatLayer, coatShape } from "../coat/build";
import type { Shape } from "../coat/shape";
import { invert, multiply, rotation, scaling, translation, type Matrix } from "../curves/matrix";
import type { CurveKernel } from "../curves/kernel";
import type { Face } from "../lettering/face";
import type { HarfBuzz } from "../lettering/harfbuzz";
import { set, type Setting } from "../lettering/setting";
import { memoByIdentity } from "../memo";
import type { Scene, SceneItem } from "../scene/scene";
import { inkLookup } from "../style/inks";
import { unitsPerLength } from "../style/measure";
import type { Style } from "../style/schema";
import { toPx } from "../units";
import type { Lettering, Piece } from "./schema";

/** All that turns a piece into a scene besides the piece itself. */
export interface Engine {
  readonly hb: HarfBuzz;
  readonly kernel: CurveKernel;
  /** An opened face; undefined where it is not here. */
  readonly face: (id: string) => Face | undefined;
  /** The face that stands in for one that is not here. */
  readonly standIn: Face;
}

/** A lettering as it was set, for handles and carets. */
export interface Placed {
  readonly id: string;
  readonly setting: Setting;
  readonly matrix: Matrix;
  readonly face: Face;
}

export interface Compiled {
  readonly scene: Scene;
  readonly placed: readonly Placed[];
  /** Milliseconds by stage, where a clock was given. */
  readonly times: Readonly<Record<string, number>>;
}

/** From lettering space to the board. */
export const letteringMatrix = (l: Lettering): Matrix =>
  multiply(translation(l.x, l.y), multiply(rotation(l.turn), scaling(l.size / 1000)));

/** The style that a lettering shows: its own coats before the linked ones. */
export const styleOf = (l: Lettering, styles: ReadonlyMap<string, Style>): Style | undefined =>
  l.ownStyle ?? (l.styleId ? styles.get(l.styleId) : undefined);

const lettersOf = memoByIdentity<Setting, Shape>(1);

/**
 * Piece and styles to scene. Pure: the same input gives the same objects wherever nothing changed, since every stage
 * keeps its results by the identity of what it was given.
 * @param clock milliseconds, to fill `times`
 */
export function compile(piece: Piece, styles: ReadonlyMap<string, Style>, engine: Engine, clock: () => number = () => 0): Compiled {
  const times: Record<string, number> = { letters: 0, form: 0, paint: 0 };
  const timed = <R>(stage: string, work: () => R): R => {
    const start = clock();
    const result = work();
    times[stage] += clock() - start;
    return result;
  };
  const width = toPx(piece.board.width, piece.board.unit);
  const height = toPx(piece.board.height, piece.board.unit);
  const placed: Placed[] = [];
  const items = piece.items.map((item): SceneItem => {
    const face = engine.face(item.face) ?? engine.standIn;
    const setting = timed("letters", () => set(engine.hb, face, item));
    const matrix = letteringMatrix(item);
    placed.push({ id: item.id, setting, matrix, face });
    const letters = lettersOf(setting, "", () => ({
      parts: setting.letters.map((l) => ({ path: l.outline, x: l.x, y: l.y, line: l.line })),
    }));
    const style = styleOf(item, styles);
    const label = item.text.replace(/\s+/g, " ").trim() || "Empty lettering";
    if (!style) return { id: item.id, label, matrix, layers: [] };
    const scale = unitsPerLength(style.measure, face.metrics, item.size);
    const formContext = { kernel: engine.kernel, letters, units: (length: number) => length * scale };
    const inks = JSON.stringify(style.inks);
    const paintContext = { ink: inkLookup(style.inks), board: { width, height, toItem: invert(matrix) } };
    const layers = style.coats
      .filter((coat) => coat.on)
      .map((coat) => {
        const shape = timed("form", () => coatShape(coat, scale, formContext));
        return timed("paint", () => coatLayer(coat.id, coat, shape, inks, paintContext));
      });
    return { id: item.id, label, matrix, layers };
  });
  return { scene: { width, height, ground: piece.board.ground, items }, placed, times };
}
