import { mixOklab } from "../colour";
import type { Grain, GrainLight, GrainPicture } from "./grain";
import type { Spot } from "./material";
import { materialOf } from "./materials";
import { clamp } from "./noise";

const { floor, max, min, round, sqrt } = Math;

/** Colours between two inks. */
const steps = 64;

/** Three bytes a step, from the first ink to the second. */
function mixed([a, b]: Grain["inks"]): Float64Array {
  const table = new Float64Array(3 * (steps + 1));
  for (let i = 0; i <= steps; i++) table.set(channels(mixOklab(a, b, i / steps)), 3 * i);
  return table;
}

const channels = (colour: string): number[] => [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16));

/** A row of a picture: its colours before it is lit, and its heights. */
interface Row {
  readonly colours: Float64Array;
  readonly heights: Float64Array;
}

/**
 * Draws a picture row by row; yields after each, so that others may have a turn.
 * @returns three bytes a pixel
 */
export function* drawing({ grain, area, width, height }: GrainPicture): Generator<void, Uint8Array> {
  const { at } = materialOf(grain.material);
  const table = mixed(grain.inks);
  const marks = channels(grain.inks[2]);
  const [stepX, stepY] = [(area.maxX - area.minX) / width, (area.maxY - area.minY) / height];
  const pixel = max(stepX, stepY) / grain.size;
  const [along, across] = turned(grain.angle);
  const spot: Spot = { tone: 0, mark: 0, height: 0 };
  const rgb = new Uint8Array(3 * width * height);

  const rowAt = (y: number, into: Row): Row => {
    const py = (area.minY + (y + 0.5) * stepY) / grain.size;
    // One more on each side, whose heights the slopes at the edges need.
    for (let x = -1; x <= width; x++) {
      const px = (area.minX + (x + 0.5) * stepX) / grain.size;
      at(along[0] * px + along[1] * py, across[0] * px + across[1] * py, pixel, grain.seed, spot);
      into.heights[x + 1] = spot.height;
      const tone = clamp(0.5 + (spot.tone - 0.5) * grain.contrast) * steps;
      const k = min(steps - 1, floor(tone));
      const mark = clamp(spot.mark * grain.contrast);
      for (let c = 0; c < 3; c++) {
        const ink = table[3 * k + c] + (table[3 * k + 3 + c] - table[3 * k + c]) * (tone - k);
        into.colours[3 * (x + 1) + c] = ink + (marks[c] - ink) * mark;
      }
    }
    return into;
  };
  const fresh = (): Row => ({ colours: new Float64Array(3 * (width + 2)), heights: new Float64Array(width + 2) });
  let [above, row, below] = [rowAt(-1, fresh()), rowAt(0, fresh()), rowAt(1, fresh())];
  // Heights are in hundredths of the unit.
  const deep = (grain.relief * 0.01) / 2;
  const [kx, ky] = [deep / (stepX / grain.size), deep / (stepY / grain.size)];
  const shine = channels(grain.light.colour);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const lit =
        grain.relief > 0
          ? lightAt(kx * (row.heights[x + 2] - row.heights[x]), ky * (below.heights[x + 1] - above.heights[x + 1]), grain.light)
          : 1;
      for (let c = 0; c < 3; c++) {
        const ink = row.colours[3 * (x + 1) + c];
        rgb[3 * (y * width + x) + c] = round(ink * min(1, lit) + max(0, lit - 1) * (1 - ink / 255) * shine[c]);
      }
    }
    [above, row, below] = [row, below, y + 2 <= height ? rowAt(y + 2, above) : above];
    yield;
  }
  return rgb;
}

/** Light on a slope over that on the flat: Lambert's cosine law. Below 1 it shades, above it shines. */
function lightAt(dx: number, dy: number, { x, y, z, strength }: GrainLight): number {
  const lit = (z - x * dx - y * dy) / sqrt(1 + dx * dx + dy * dy);
  return 1 + (max(0, lit) / z - 1) * min(1, strength);
}

/** The directions along the grain and across. Rounded, so that engines whose sines differ in their last bits draw the same. */
function turned(angle: number): readonly (readonly [number, number])[] {
  const short = (v: number) => round(v * 1e9) / 1e9;
  const [c, s] = [short(Math.cos((angle * Math.PI) / 180)), short(Math.sin((angle * Math.PI) / 180))];
  return [
    [c, s],
    [-s, c],
  ];
}

/** All rows at once. */
export function drawn(picture: GrainPicture): Uint8Array {
  const rows = drawing(picture);
  for (;;) {
    const { done, value } = rows.next();
    if (done) return value;
  }
}
