const { floor, imul, max, min } = Math;

interface Place {
  readonly x: number;
  readonly y: number;
}

/** Units: about a step of a line or two, so that a step lies in one cell or two, and a cell holds few. */
const cell = 12;
/** Cells share lists by a hash of their place: those of others do no harm. */
const lists = 1 << 12;

/** Lines of many short steps, kept by the cells of a lattice that each step's box lies in: what a step might cross is found at once. */
export class Crossings {
  /** Of each step four coordinates, and what its line is known by. */
  readonly #ends: number[] = [];
  readonly #owners: number[] = [];
  /** By list the last entry; of each entry its step, and the entry before. */
  readonly #last = new Int32Array(lists).fill(-1);
  readonly #steps: number[] = [];
  readonly #before: number[] = [];

  /** @param owner what the line is known by where it is asked about itself */
  add(points: readonly Place[], owner: number): void {
    for (let i = 1; i < points.length; i++) {
      const [a, b] = [points[i - 1], points[i]];
      const step = this.#owners.push(owner) - 1;
      this.#ends.push(a.x, a.y, b.x, b.y);
      const [left, right] = [floor(min(a.x, b.x) / cell), floor(max(a.x, b.x) / cell)];
      const [top, bottom] = [floor(min(a.y, b.y) / cell), floor(max(a.y, b.y) / cell)];
      for (let x = left; x <= right; x++)
        for (let y = top; y <= bottom; y++) {
          const list = listOf(x, y);
          this.#before.push(this.#last[list]);
          this.#last[list] = this.#steps.push(step) - 1;
        }
    }
  }

  /** Whether the way between two places crosses a line that is not its own; where one only ends on the other, they do not cross. */
  has(a: Place, b: Place, owner: number): boolean {
    const [left, right] = [floor(min(a.x, b.x) / cell), floor(max(a.x, b.x) / cell)];
    const [top, bottom] = [floor(min(a.y, b.y) / cell), floor(max(a.y, b.y) / cell)];
    for (let x = left; x <= right; x++)
      for (let y = top; y <= bottom; y++)
        for (let e = this.#last[listOf(x, y)]; e >= 0; e = this.#before[e]) {
          const step = this.#steps[e];
          if (this.#owners[step] !== owner && this.#isCrossed(4 * step, a, b)) return true;
        }
    return false;
  }

  #isCrossed(at: number, a: Place, b: Place): boolean {
    const [cx, cy, dx, dy] = [this.#ends[at], this.#ends[at + 1], this.#ends[at + 2], this.#ends[at + 3]];
    return (
      side(a.x, a.y, b.x, b.y, cx, cy) * side(a.x, a.y, b.x, b.y, dx, dy) < 0 &&
      side(cx, cy, dx, dy, a.x, a.y) * side(cx, cy, dx, dy, b.x, b.y) < 0
    );
  }
}

/** A hash of two whole numbers (Teschner and others, Optimized spatial hashing, 2003). */
const listOf = (x: number, y: number): number => (imul(x, 73856093) ^ imul(y, 19349663)) & (lists - 1);

const side = (ax: number, ay: number, bx: number, by: number, x: number, y: number): number => (bx - ax) * (y - ay) - (by - ay) * (x - ax);
