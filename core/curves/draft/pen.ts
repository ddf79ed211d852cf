import { Verb } from "../path";

// Not read from the enum at each step: bundled apart from it, that is a call. Lines and cubics are written as their degrees.
const moving: number = Verb.Move;
const closing: number = Verb.Close;

/**
 * Writes contours into arrays of its own that are used again and again, and copied once when all is written: what is made for one frame
 * leaves little to be collected.
 */
export class Pen {
  verbs = new Uint8Array(256);
  coords = new Float64Array(2048);
  /** How much of the two is written. */
  verbCount = 0;
  numberCount = 0;
  x = 0;
  y = 0;

  move(x: number, y: number): void {
    this.#write(moving, 2);
    this.#to(x, y);
  }
  line(x: number, y: number): void {
    this.#write(1, 2);
    this.#to(x, y);
  }
  cubic(ax: number, ay: number, bx: number, by: number, x: number, y: number): void {
    this.#write(3, 6);
    const { coords } = this;
    let n = this.numberCount;
    coords[n++] = ax;
    coords[n++] = ay;
    coords[n++] = bx;
    coords[n++] = by;
    this.numberCount = n;
    this.#to(x, y);
  }
  /** A segment of degree 1 or 3 that lies in `p` from `o` on, its start included. */
  segment(p: Float64Array, o: number, degree: number): void {
    if (degree === 1) this.line(p[o + 2], p[o + 3]);
    else this.cubic(p[o + 2], p[o + 3], p[o + 4], p[o + 5], p[o + 6], p[o + 7]);
  }
  close(): void {
    this.#write(closing, 0);
  }
  /** Moves the end of the last segment. */
  endAt(x: number, y: number): void {
    this.numberCount -= 2;
    this.#to(x, y);
  }

  /** A whole contour from elsewhere: its numbers from `at` on, its verbs after the move up to its close. */
  contour(verbs: Uint8Array, coords: Float64Array, at: number, from: number, close: number): void {
    this.move(coords[at], coords[at + 1]);
    for (let v = from, o = at; v < close; o += 2 * verbs[v++]) this.segment(coords, o, verbs[v]);
    this.close();
  }
  /** The same, run backwards. */
  backwards(verbs: Uint8Array, coords: Float64Array, at: number, from: number, close: number): void {
    let o = at;
    for (let v = from; v < close; v++) o += 2 * verbs[v];
    this.move(coords[o], coords[o + 1]);
    for (let v = close - 1; v >= from; v--) {
      o -= 2 * verbs[v];
      if (verbs[v] === 1) this.line(coords[o], coords[o + 1]);
      else this.cubic(coords[o + 4], coords[o + 5], coords[o + 2], coords[o + 3], coords[o], coords[o + 1]);
    }
    this.close();
  }

  clear(): void {
    this.verbCount = 0;
    this.numberCount = 0;
  }

  #to(x: number, y: number): void {
    this.coords[this.numberCount++] = x;
    this.coords[this.numberCount++] = y;
    this.x = x;
    this.y = y;
  }
  #write(verb: number, numbers: number): void {
    if (this.verbCount === this.verbs.length) this.verbs = grown(this.verbs, new Uint8Array(2 * this.verbs.length));
    if (this.numberCount + numbers > this.coords.length) this.coords = grown(this.coords, new Float64Array(2 * this.coords.length));
    this.verbs[this.verbCount++] = verb;
  }
}

function grown<A extends Uint8Array | Float64Array>(from: A, to: A): A {
  to.set(from);
  return to;
}
