/** Numbers the points of an integer grid in the order in which they are first asked for: a hash table with open addressing. */
export class GridIndex {
  readonly x: number[] = [];
  readonly y: number[] = [];
  #slots = new Int32Array(64);
  #mask = 63;
  #base = 0;

  /** Points asked for from now on get new numbers, also where there are some already. */
  startAnew(): void {
    if (this.#base === this.x.length) return;
    this.#base = this.x.length;
    this.#slots.fill(0);
  }

  /** @param x,y whole numbers below 2^31 */
  of(x: number, y: number): number {
    let at = this.#hash(x, y);
    for (;;) {
      const id = this.#slots[at] - 1;
      if (id < 0) break;
      if (this.x[id] === x && this.y[id] === y) return id;
      at = (at + 1) & this.#mask;
    }
    this.x.push(x);
    this.y.push(y);
    this.#slots[at] = this.x.length;
    if ((this.x.length - this.#base) * 2 > this.#slots.length) this.#grow();
    return this.x.length - 1;
  }

  #hash(x: number, y: number): number {
    const h = Math.imul(x, 0x9e3779b1) ^ Math.imul(y, 0x85ebca77);
    return (h ^ (h >>> 15)) & this.#mask;
  }

  #grow(): void {
    this.#slots = new Int32Array(this.#slots.length * 2);
    this.#mask = this.#slots.length - 1;
    for (let id = this.#base; id < this.x.length; id++) {
      let at = this.#hash(this.x[id], this.y[id]);
      while (this.#slots[at] !== 0) at = (at + 1) & this.#mask;
      this.#slots[at] = id + 1;
    }
  }
}
