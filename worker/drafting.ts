import type { Item } from "../core/piece/schema";

/** Milliseconds that a scene may take while something is dragged: a frame at 60 a second. */
const frame = 16;

/** What of an item its outlines are made of: where it is placed as a whole costs nothing. */
function madeOf({ x: _x, y: _y, turn: _turn, across: _across, down: _down, slant: _slant, ...item }: Item): string {
  return JSON.stringify(item);
}

/**
 * Decides which scenes are drawn as drafts: while something is dragged, those that are known to take longer than a frame when they are
 * drawn exactly, from the drag before or from when the items were last changed, and those that take the page too long to paint.
 */
export class Drafting {
  readonly #seen = new Map<string, Item>();
  /** What the last exact scene took in which an item was made anew. */
  readonly #took = new Map<string, number>();
  /** Items made anew since the last exact scene. */
  readonly #changed = new Set<string>();
  /** Whether the drag in progress has shown that exact scenes take longer. */
  #slow = false;

  /**
   * To be asked once for each scene, before it is made.
   * @param behind whether the page falls behind with painting what is dragged
   * @returns whether it is to be a draft
   */
  next(items: readonly Item[], dragging: boolean, behind = false): boolean {
    // What no item has of its own, such as the lamp or a style, may make any of them anew.
    let others = true;
    for (const item of items) {
      const before = this.#seen.get(item.id);
      if (before === item) continue;
      others = false;
      if (!before || madeOf(before) !== madeOf(item)) this.#changed.add(item.id);
      this.#seen.set(item.id, item);
    }
    for (const id of this.#seen.keys())
      if (!items.some((i) => i.id === id)) {
        this.#seen.delete(id);
        this.#took.delete(id);
        this.#changed.delete(id);
      }
    if (!dragging) this.#slow = false;
    else if (behind && (others || this.#changed.size > 0)) this.#slow = true;
    else if ([...this.#changed].some((id) => (this.#took.get(id) ?? 0) > frame)) this.#slow = true;
    return dragging && this.#slow;
  }

  /** To be told what an exact scene took. */
  exactTook(milliseconds: number, dragging: boolean): void {
    for (const id of this.#changed) this.#took.set(id, milliseconds);
    this.#changed.clear();
    if (dragging && milliseconds > frame) this.#slow = true;
  }
}
