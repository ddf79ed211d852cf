import { cross } from "./sides";

const { floor, max, min } = Math;

interface Place {
  readonly x: number;
  readonly y: number;
}

/** Units: about a step of a line or two, so that a step lies in one cell or two, and a cell holds few. */
const cell = 12;
/** Cells are numbered so that far ones share a number, which does no harm and keeps the numbers small. */
const wrap = (1 << 14) - 1;

/** Lines of many short steps, kept by the cells of a lattice that each step's box lies in: what a step might cross is found at once. */
export class Crossings {
  readonly #from: Place[] = [];
  readonly #to: Place[] = [];
  readonly #owner: number[] = [];
  readonly #cells = new Map<number, number[]>();

  /** @param owner what the line is known by where it is asked about itself */
  add(points: readonly Place[], owner: number): void {
    for (let i = 1; i < points.length; i++) {
      const step = this.#owner.length;
      this.#from.push(points[i - 1]);
      this.#to.push(points[i]);
      this.#owner.push(owner);
      anyCell(points[i - 1], points[i], (key) => {
        const there = this.#cells.get(key);
        if (there) there.push(step);
        else this.#cells.set(key, [step]);
        return false;
      });
    }
  }

  /** Whether the way between two places crosses a line that is not its own; where one only ends on the other, they do not cross. */
  has(a: Place, b: Place, owner: number): boolean {
    return anyCell(a, b, (key) => {
      const there = this.#cells.get(key);
      if (there) for (const s of there) if (this.#owner[s] !== owner && crosses(a, b, this.#from[s], this.#to[s])) return true;
      return false;
    });
  }
}

/** Whether something holds for any of the cells that the box around two places lies in. */
function anyCell(a: Place, b: Place, holds: (key: number) => boolean): boolean {
  const [right, bottom] = [floor(max(a.x, b.x) / cell), floor(max(a.y, b.y) / cell)];
  for (let x = floor(min(a.x, b.x) / cell); x <= right; x++)
    for (let y = floor(min(a.y, b.y) / cell); y <= bottom; y++) if (holds(((x & wrap) << 14) | (y & wrap))) return true;
  return false;
}

function crosses(a: Place, b: Place, c: Place, d: Place): boolean {
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
}

const side = (p: Place, q: Place, r: Place): number => cross(q.x - p.x, q.y - p.y, r.x - p.x, r.y - p.y);
