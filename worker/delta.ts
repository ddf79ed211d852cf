import type { Item, Piece, PieceFile } from "../core/piece/schema";
import type { Style } from "../core/style/schema";

/** A piece with its styles as what has changed since the one before: what the worker holds already is named by its id. */
export interface FileDelta {
  readonly piece: Omit<Piece, "items">;
  readonly items: readonly (Item | string)[];
  readonly styles: readonly (Style | string)[];
}

type Named = { readonly id: string };

/** The page's side: knows by identity what the worker holds. A drag sends one item a frame, however many there are. */
export class Outgoing {
  #items: ReadonlyMap<string, Item> = new Map();
  #styles: ReadonlyMap<string, Style> = new Map();

  next({ piece: { items, ...piece }, styles }: PieceFile): FileDelta {
    const delta = { piece, items: items.map((i) => named(i, this.#items)), styles: styles.map((s) => named(s, this.#styles)) };
    this.#items = byId(items);
    this.#styles = byId(styles);
    return delta;
  }
}

/** The worker's side: what did not change is the same object as before. */
export class Incoming {
  #items: ReadonlyMap<string, Item> = new Map();
  #styles: ReadonlyMap<string, Style> = new Map();

  /** @throws Error where something is named that was never sent */
  whole({ piece, items, styles }: FileDelta): PieceFile {
    const whole: PieceFile = {
      format: "vextal.file",
      version: 1,
      piece: { ...piece, items: items.map((i) => held(i, this.#items)) },
      styles: styles.map((s) => held(s, this.#styles)),
    };
    this.#items = byId(whole.piece.items);
    this.#styles = byId(whole.styles);
    return whole;
  }
}

const byId = <T extends Named>(all: readonly T[]): ReadonlyMap<string, T> => new Map(all.map((one) => [one.id, one]));

const named = <T extends Named>(one: T, sent: ReadonlyMap<string, T>): T | string => (sent.get(one.id) === one ? one.id : one);

function held<T extends Named>(one: T | string, kept: ReadonlyMap<string, T>): T {
  const found = typeof one === "string" ? kept.get(one) : one;
  if (!found) throw new Error(`Nothing is known of ${JSON.stringify(one)}.`);
  return found;
}
