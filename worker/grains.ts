import type { Matrix } from "../core/curves/matrix";
import { drawing, drawn } from "../core/grain/draw";
import { grainKey, grainPicture, type GrainPicture } from "../core/grain/grain";
import { encodeBmp } from "../core/output/bmp";
import { grainOf } from "../core/output/grains";
import type { PictureFill } from "../core/scene/scene";

/** Pixels of a first picture of a grain, which is drawn at once, and of one that follows a hand. */
const first = { still: 24_000, dragged: 9_000 };
/** Pixels of a grain on the bench at most: some three seconds' work, done while nothing else is asked for. */
const most = 3_000_000;
/** Pictures that are kept; and pixels of all of them. */
const keeps = { pictures: 120, pixels: 24_000_000 };

interface Shown {
  readonly address: string;
  readonly width: number;
  readonly pixels: number;
  readonly rough: RoughPixels;
}

/** A picture with no more pixels than are seen in passing: red, green and blue of each, row by row. */
export interface RoughPixels {
  readonly width: number;
  readonly height: number;
  readonly rgb: Uint8Array;
}

/** Pixels of it at most. */
const mostRough = 40_000;

/** What a page needs to show them: an address for a picture's bytes, and to be told that one is no longer used. */
export interface Addresses {
  make(bytes: Uint8Array<ArrayBuffer>): string;
  drop(address: string): void;
}

/**
 * The grains of the bench: coarse ones at once, and those of the pixels that are seen while nothing else is asked for. What was drawn of a
 * grain at another size stands for it until then.
 */
export class BenchGrains {
  /** The finest picture of each grain's part. */
  readonly #best = new Map<string, Shown>();
  #wanted = new Map<string, GrainPicture>();
  /** What each place showed last, which stays below what follows it until that has been read. */
  readonly #places = new Map<string, { now: string; before: string | undefined; rough: RoughPixels }>();
  /** Places of the scene. */
  readonly #touched = new Set<string>();
  /** Addresses of pictures that finer ones stand for, until no place shows them. */
  readonly #replaced = new Set<string>();
  #density = 1;
  #dragging = false;
  #working = false;

  /**
   * @param turn lets what was asked meanwhile be done
   * @param finer is called when there are pictures of more pixels than a scene shows
   */
  constructor(
    private readonly addresses: Addresses,
    private readonly clock: () => number,
    private readonly turn: () => Promise<void>,
    private readonly finer: () => void,
  ) {}

  /** Starts a scene. @param density pixels of the screen to one of the board */
  begin(density: number, dragging: boolean): void {
    this.#density = density;
    this.#dragging = dragging;
    this.#wanted = new Map();
    for (const place of this.#places.keys()) if (!this.#touched.has(place)) this.#places.delete(place);
    this.#touched.clear();
  }

  /** Whether the scene shows coarse pictures because something is dragged: it is to be asked for again when that ends. */
  get isPassing(): boolean {
    return this.#dragging && this.#wanted.size > 0;
  }

  /** Where the picture of a fill is read, and what lies below it while it is; undefined where the fill is no grain. @param place its own */
  at(
    place: string,
    fill: PictureFill,
    item: Matrix,
  ): { readonly now: string; readonly before: string | undefined; readonly rough: RoughPixels } | undefined {
    const fine = this.#fine(fill, item);
    if (!fine) return undefined;
    const part = partOf(fine);
    let shown = this.#best.get(part);
    if (!shown) {
      const coarse = grainPicture(
        fine.grain,
        fine.area,
        Infinity,
        Math.min(fine.width * fine.height, this.#dragging ? first.dragged : first.still),
      );
      shown = this.#keep(part, coarse, drawn(coarse));
    } else {
      // The latest used last.
      this.#best.delete(part);
      this.#best.set(part, shown);
    }
    if (shown.width < fine.width) this.#wanted.set(grainKey(fine), fine);
    this.#touched.add(place);
    const last = this.#places.get(place);
    if (last?.now !== shown.address) this.#places.set(place, { now: shown.address, before: last?.now, rough: shown.rough });
    return this.#places.get(place);
  }

  #fine(fill: PictureFill, item: Matrix): GrainPicture | undefined {
    const wanted = grainOf(fill, item, this.#density);
    return wanted && grainPicture(wanted.grain, wanted.area, wanted.width / Math.max(1e-9, wanted.area.maxX - wanted.area.minX), most);
  }

  /** Draws what the last scene lacks, until the next one. */
  async refine(): Promise<void> {
    if (this.#working) return;
    this.#working = true;
    try {
      for (let next = this.#next(); next; next = this.#next()) {
        const [key, picture] = next;
        const rows = drawing(picture);
        for (let since = this.clock(); this.#wanted.has(key);) {
          const { done, value } = rows.next();
          if (done) {
            this.#wanted.delete(key);
            this.#keep(partOf(picture), picture, value);
            this.finer();
            break;
          }
          if (this.clock() - since < 25) continue;
          await this.turn();
          since = this.clock();
        }
        await this.turn();
      }
    } finally {
      this.#working = false;
    }
  }

  /** Not while something is dragged: the next scene comes before it would be seen. */
  #next(): [string, GrainPicture] | undefined {
    return this.#dragging ? undefined : this.#wanted.entries().next().value;
  }

  #keep(part: string, { width, height }: GrainPicture, rgb: Uint8Array): Shown {
    const address = this.addresses.make(encodeBmp(width, height, rgb));
    const shown = { address, width, pixels: width * height, rough: roughOf({ width, height, rgb }) };
    const before = this.#best.get(part);
    if (before) this.#replaced.add(before.address);
    this.#best.delete(part);
    this.#best.set(part, shown);
    let pixels = 0;
    const all = [...this.#best].reverse();
    const inUse = new Set([...this.#places.values()].flatMap((p) => [p.now, p.before]));
    for (const address of this.#replaced)
      if (!inUse.has(address)) {
        this.#replaced.delete(address);
        this.addresses.drop(address);
      }
    all.forEach(([old, { address, pixels: more }], i) => {
      pixels += more;
      if (i < keeps.pictures && pixels < keeps.pixels) return;
      if (inUse.has(address)) return;
      this.#best.delete(old);
      this.addresses.drop(address);
    });
    return shown;
  }
}

/** Every so many pixels of a picture. */
function roughOf({ width, height, rgb }: RoughPixels): RoughPixels {
  const step = Math.ceil(Math.sqrt((width * height) / mostRough));
  if (step <= 1) return { width, height, rgb };
  const [w, h] = [Math.ceil(width / step), Math.ceil(height / step)];
  const out = new Uint8Array(3 * w * h);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const from = 3 * (y * step * width + x * step);
      out.set(rgb.subarray(from, from + 3), 3 * (y * w + x));
    }
  return { width: w, height: h, rgb: out };
}

/** A part of a grain, however many pixels it is drawn in. */
const partOf = ({ grain, area }: GrainPicture): string => JSON.stringify([grain, area]);
