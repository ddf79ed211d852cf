import { multiply, rotation, scaling, translation } from "../../core/curves/matrix";
import { CurveKernel, type Join } from "../../core/curves/kernel";
import { perimeterOf } from "../../core/curves/measure";
import type { Path } from "../../core/curves/path";
import { gridUnits, known } from "./allowed";
import { randomShape, type Random } from "./random";

export type BooleanName = "union" | "intersect" | "subtract" | "exclude";

/** One boolean as it was asked and answered. */
export interface Call {
  readonly op: BooleanName;
  readonly inputs: readonly Path[];
  readonly result: Path;
}

/** What has to be nothing, or no more than is known: an area in square units. */
export interface Identity {
  readonly name: string;
  readonly off: number;
  readonly allowed: number;
}

const round: Join = { kind: "round" };

/** A case of the layered classes: it makes shapes, asks booleans, of which each is kept, and states what must hold of them. */
export class Trial {
  readonly kernel = new CurveKernel();
  readonly calls: Call[] = [];
  readonly identities: Identity[] = [];

  /** @param size what all is scaled by: letters are 1000 units to the em at 1 */
  constructor(
    readonly r: Random,
    private readonly letters: readonly Path[],
    readonly size: number,
  ) {}

  letter(): Path {
    return this.r.pick(this.letters).transform(scaling(this.size));
  }

  /** A letter, as a rule, or another solid shape. */
  shape(): Path {
    if (this.r.chance(0.7)) return this.letter();
    for (;;) {
      const shape = randomShape(this.r, []);
      if (shape.isEmpty || this.kernel.area(shape) < 2000) continue;
      const solid = this.kernel.weld(shape.transform(scaling(this.size)));
      if (!solid.isEmpty) return solid;
    }
  }

  /** Two or three letters side by side, close or overlapping. */
  word(): Path {
    const letters = Array.from({ length: this.r.whole(2, 3) }, () => this.letter());
    let x = 0;
    return this.union(
      ...letters.map((l) => {
        const placed = l.transform(translation(x - l.bounds.minX, 0));
        x = placed.bounds.maxX + this.size * this.r.between(-60, 30);
        return placed;
      }),
    );
  }

  moved = (p: Path, x: number, y: number): Path => p.transform(translation(x, y));

  turned(p: Path, degrees: number, x: number, y: number): Path {
    return p.transform(multiply(translation(x, y), multiply(rotation(degrees), translation(-x, -y))));
  }

  grow = (p: Path, d: number): Path => this.kernel.grow(p, d * this.size, round);
  area = (p: Path): number => this.kernel.area(p);

  union = (...paths: Path[]): Path => this.#note("union", paths, this.kernel.union(paths));
  intersect = (...paths: Path[]): Path => this.#note("intersect", paths, this.kernel.intersect(paths));
  exclude = (...paths: Path[]): Path => this.#note("exclude", paths, this.kernel.exclude(paths));
  subtract = (a: Path, ...less: Path[]): Path => this.#note("subtract", [a, ...less], this.kernel.subtract(a, less));

  any(a: Path, b: Path): Path {
    const op = this.r.pick(["union", "intersect", "subtract", "exclude"] as const);
    return op === "subtract" ? this.subtract(a, b) : this[op](a, b);
  }

  /** That two areas are the same, as far as outlines are known. */
  same(name: string, a: number, b: number, ...around: readonly Path[]): void {
    this.identities.push({ name, off: Math.abs(a - b), allowed: this.#known(around) });
  }

  /** That parts make up a whole, reunite to it, and have nothing in common. */
  partition(name: string, parts: readonly Path[], whole: Path): void {
    const around = [...parts, whole];
    this.same(
      `${name}: sum`,
      parts.reduce((sum, p) => sum + this.area(p), 0),
      this.area(whole),
      ...around,
    );
    this.same(`${name}: reunited`, this.area(this.union(...parts)), this.area(whole), ...around);
    for (let i = 0; i < parts.length; i++)
      for (let j = 0; j < i; j++)
        this.same(`${name}: ${j} and ${i} in common`, this.area(this.intersect(parts[j], parts[i])), 0, parts[i], parts[j]);
  }

  #known(around: readonly Path[]): number {
    // What is thinner than a thousandth of a unit vanishes: of letters a hundredth of a unit large, that is their hairlines.
    const hair = this.size < 0.001 ? 0.0005 : 0;
    return (known * gridUnits(around) + hair) * around.reduce((sum, p) => sum + (p.isEmpty ? 0 : perimeterOf(p)), 0) + 1e-9;
  }

  #note(op: BooleanName, inputs: readonly Path[], result: Path): Path {
    this.calls.push({ op, inputs, result });
    return result;
  }
}
