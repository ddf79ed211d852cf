import { Circle, Coats, withLayers, type OpenForm } from "../coat/evaluate";
import type { StepFacts } from "../coat/form-step";
import type { BoardSeen, GroupSeen } from "../coat/given";
import { noShape, type Shape } from "../coat/shape";
import { stanceOf } from "../coat/stance";
import { isEmpty, joinAll, mapped } from "../curves/bounds";
import { invert } from "../curves/matrix";
import type { TurnedBody } from "../depth/turned-body";
import type { ItemRef } from "../params";
import { isProblem } from "../problem";
import type { Scene, SceneItem, SceneLayer } from "../scene/scene";
import { inkLookup, inkNames } from "../style/inks";
import { unitsPerLength } from "../style/measure";
import type { Style } from "../style/schema";
import { toPx } from "../units";
import { labelOf } from "./label";
import { lampSeen, type Lamp } from "./lamp";
import { covered, inSpaceOf } from "./other-item";
import { seenBox, seenLayer } from "./perspective-view";
import { place, type Bare, type Placed } from "./placed";
import { isShape, type Item, type Piece } from "./schema";
import { studioLayer } from "./studio-picture";
import type { Engine } from "./tools";

export type { Engine } from "./tools";
export { shapeMetrics, type Placed, type PlacedLettering, type PlacedShape } from "./placed";

/** A coat that is left out of the picture, and why, in the user's words. */
export interface Fault {
  readonly item: string;
  readonly coat: string;
  readonly message: string;
}

export interface Compiled {
  readonly scene: Scene;
  /** One for each item of the piece, those that are hidden too. */
  readonly placed: readonly Placed[];
  readonly faults: readonly Fault[];
  /** Coats of which nothing is seen, and why. */
  readonly nothing: readonly Fault[];
  /** Milliseconds by stage, where a clock was given. */
  readonly times: Readonly<Record<string, number>>;
}

/** How many of a piece's coats are done. */
export interface Progress {
  readonly done: number;
  readonly of: number;
}

/** The style that an item shows: its own coats before the linked ones. */
export const styleOf = (l: Pick<Item, "ownStyle" | "styleId">, styles: ReadonlyMap<string, Style>): Style | undefined =>
  l.ownStyle ?? (l.styleId ? styles.get(l.styleId) : undefined);

/**
 * Piece and styles to scene. Pure: the same input gives the same objects wherever nothing changed, since every stage
 * keeps its results by the identity of what it was given. A coat that cannot be made is left out, and says why.
 * @param clock milliseconds, to fill `times`
 */
export function compile(piece: Piece, styles: ReadonlyMap<string, Style>, engine: Engine, clock: () => number = () => 0): Compiled {
  return toEnd(compiling(piece, styles, engine, clock));
}

/** Does what is done in steps in one go. */
export function toEnd<T>(steps: Generator<unknown, T>): T {
  for (let step = steps.next(); ; step = steps.next()) if (step.done) return step.value;
}

/** As `compile`, coat by coat, so that whoever draws can look up between them, and leave off: what was made until then is kept. */
export function* compiling(
  piece: Piece,
  styles: ReadonlyMap<string, Style>,
  engine: Engine,
  clock: () => number = () => 0,
): Generator<Progress, Compiled> {
  const times: Record<string, number> = { letters: 0, bend: 0, form: 0, paint: 0 };
  const timed = <R>(stage: string, work: () => R): R => {
    const start = clock();
    try {
      return work();
    } finally {
      times[stage] += clock() - start;
    }
  };
  const size = { width: toPx(piece.board.width, piece.board.unit), height: toPx(piece.board.height, piece.board.unit) };
  const shapes = new Map(piece.items.filter(isShape).map((s) => [s.id, s]));
  // Forms may be made of other items': all stand before the first coat is built.
  const bare = new Map(piece.items.map((item) => [item.id, place(item, shapes, engine, timed)]));
  const looks = new Looks(bare, styles, engine, size, piece.lamp);

  const of = piece.items.reduce((n, item) => n + (item.hidden ? 0 : (styleOf(item, styles)?.coats.filter((c) => c.on).length ?? 0)), 0);
  let done = 0;
  const items: SceneItem[] = [];
  const faults: Fault[] = [];
  const nothing: Fault[] = [];
  for (const item of piece.items) {
    if (item.hidden) continue;
    const { placed } = bare.get(item.id)!;
    const layers: SceneLayer[] = [];
    const picture = studioLayer(item, styleOf(item, styles), piece.lamp);
    for (const coat of styleOf(item, styles)?.coats ?? []) {
      if (!coat.on) continue;
      if (picture && coat.id === item.studio?.settings.coat) {
        layers.push(seenLayer(picture, placed.view, engine.kernel));
        yield { done: ++done, of };
        continue;
      }
      const coats = looks.of(item.id)!;
      timed("form", () => coats.prepare(coat));
      const built = timed("paint", () => withLayers(coats.build(coat), (l) => seenLayer(l, placed.view, engine.kernel)));
      if (built.fault !== undefined) faults.push({ item: item.id, coat: coat.id, message: built.fault });
      if (built.nothing !== undefined) nothing.push({ item: item.id, coat: coat.id, message: built.nothing });
      layers.push(...built.layers);
      yield { done: ++done, of };
    }
    items.push({ id: item.id, label: labelOf(item), matrix: placed.matrix, layers });
  }
  return {
    scene: { ...size, ground: piece.board.ground, items },
    placed: [...bare.values()].map((b) => inStance(b, styles)),
    faults,
    nothing,
    times,
  };
}

/** A placed item with where its coats show its letters. */
function inStance({ placed, item, letters, metrics }: Bare, styles: ReadonlyMap<string, Style>): Placed {
  const style = styleOf(item, styles);
  if (placed.kind === "shape" || !style) return placed;
  const scale = unitsPerLength(style.measure, metrics, item.size);
  const stance = stanceOf(style.coats, letters, (length) => length * scale);
  return stance ? { ...placed, stance } : placed;
}

/** What there is to say of the steps of one coat, by the steps' ids; nothing where the coat is gone or cannot be made. */
export function factsOf(
  piece: Piece,
  styles: ReadonlyMap<string, Style>,
  engine: Engine,
  of: { readonly item: string; readonly coat: string },
): Readonly<Record<string, StepFacts>> {
  try {
    return looksAt(piece, styles, engine).of(of.item)?.facts(of.coat) ?? {};
  } catch (error) {
    if (isProblem(error)) return {};
    throw error;
  }
}

/** The body that a coat makes of an item; undefined where it makes none. @throws Problem where its form cannot be made */
export const bodyOf = (
  piece: Piece,
  styles: ReadonlyMap<string, Style>,
  engine: Engine,
  of: { readonly item: string; readonly coat: string },
): TurnedBody | undefined => looksAt(piece, styles, engine).of(of.item)?.body(of.coat);

function looksAt(piece: Piece, styles: ReadonlyMap<string, Style>, engine: Engine): Looks {
  const shapes = new Map(piece.items.filter(isShape).map((s) => [s.id, s]));
  const bare = new Map(piece.items.map((item) => [item.id, place(item, shapes, engine, (_, work) => work())]));
  const size = { width: toPx(piece.board.width, piece.board.unit), height: toPx(piece.board.height, piece.board.unit) };
  return new Looks(bare, styles, engine, size, piece.lamp);
}

/** The coats of every item, each made when it is first asked for: one may be made of another item's. */
class Looks {
  readonly #coats = new Map<string, Coats>();
  readonly #open: OpenForm[] = [];

  constructor(
    private readonly bare: ReadonlyMap<string, Bare>,
    private readonly styles: ReadonlyMap<string, Style>,
    private readonly engine: Engine,
    private readonly board: Omit<BoardSeen, "toItem">,
    private readonly lamp: Lamp,
  ) {}

  /** Undefined where the item has no style. */
  of(id: string): Coats | undefined {
    const known = this.#coats.get(id);
    const own = this.bare.get(id);
    const style = own && styleOf(own.item, this.styles);
    if (known || !style) return known;
    const behind = () => this.#behind(own);
    const coats = new Coats(style.coats, {
      kernel: this.engine.kernel,
      scale: unitsPerLength(style.measure, own.metrics, own.item.size),
      letters: own.letters,
      ground: own.ground,
      board: { ...this.board, toItem: invert(own.placed.matrix) },
      lamp: lampSeen(this.lamp, invert(own.placed.matrix)),
      group: this.#groupOf(own),
      // Brought into the item's space only where a coat asks for it.
      get others() {
        return behind();
      },
      inks: { key: JSON.stringify(style.inks), colour: inkLookup(style.inks), name: inkNames(style.inks) },
      label: labelOf(own.item),
      open: this.#open,
      steps: this.engine.steps,
      item: (ref) => this.#other(ref, own),
    });
    this.#coats.set(id, coats);
    return coats;
  }

  /** The outermost group that an item is in, where more of it is on the board. */
  #groupOf({ item: { groups }, placed }: Bare): GroupSeen | undefined {
    const all = groups.length ? [...this.bare.values()].filter((b) => !b.item.hidden && b.item.groups[0] === groups[0]) : [];
    if (all.length < 2) return undefined;
    const boxes = all.map((b) => b.placed).filter((p) => !isEmpty(p.ink));
    return { box: joinAll(boxes.map((p) => mapped(p.matrix, seenBox(p.view, p.ink)))), toItem: invert(placed.matrix) };
  }

  /** What else is in an item's group and is drawn before it. */
  #behind(own: Bare): Shape {
    const all = [...this.bare.values()];
    const before = all.slice(0, all.indexOf(own));
    const { groups } = own.item;
    const others = groups.length ? before.filter(({ item }) => !item.hidden && item.groups[0] === groups[0]) : [];
    return others.length
      ? covered(
          own.letters,
          others.map((o) => inSpaceOf(o.letters, o.placed, own.placed, this.engine.kernel)),
        )
      : noShape;
  }

  #other({ id, what }: ItemRef, own: Bare): Shape | undefined {
    const other = this.bare.get(id);
    if (!other || other === own) return undefined;
    const shape = what === "letters" ? other.letters : this.#painted(other);
    return shape && inSpaceOf(shape, other.placed, own.placed, this.engine.kernel);
  }

  /** All that an item's coats cover; a coat that cannot be made covers nothing, and says so where it is. @throws Circle */
  #painted({ item, letters }: Bare): Shape {
    const coats = this.of(item.id);
    const on = styleOf(item, this.styles)?.coats.filter((c) => c.on) ?? [];
    const forms = on.flatMap((coat) => {
      try {
        return coats?.form(coat.id) ?? [];
      } catch (error) {
        if (error instanceof Circle) throw error;
        return [];
      }
    });
    return covered(letters, forms);
  }
}
