import { contoursOf } from "../curves/contour";
import { PathBuilder, type Path } from "../curves/path";
import { Track, trackPoint } from "../curves/track";
import { chance } from "../grain/noise";

const { cos, floor, max, min, sin } = Math;

export interface Wear {
  /** Chips in a thousand units of outline. */
  readonly chips: number;
  /** Specks in a thousand units of outline. */
  readonly specks: number;
  /** How large a chip is across, in units; few are larger, many smaller. */
  readonly size: number;
  /** How far in from the edge specks are found, in units. */
  readonly depth: number;
  readonly seed: number;
  /** What chance is drawn from besides the seed: the letter's own number. */
  readonly letter: number;
}

/** More than this on one letter is dust. */
const most = 3000;

/**
 * What old paint has lost: chips that bite into the edge and specks behind it, fewer the farther in. Of jagged polygons, which may
 * cross each other.
 * @param clean contours that do not cross, outers positive, counters negative
 */
export function worn(clean: Path, { chips, specks, size, depth, seed, letter }: Wear): Path {
  const out = new PathBuilder();
  const p = trackPoint();
  contoursOf(clean, true).forEach((contour, c) => {
    const track = new Track(contour);
    const thrown = (kind: number, i: number, n: number) => chance(8 * i + n, 4 * (64 * letter + c) + kind, seed);
    const count = (each: number) => min(most, floor((track.length * each) / 1000 + thrown(3, 0, 0)));
    for (let i = 0, n = count(chips); i < n; i++) {
      track.at(thrown(0, i, 0) * track.length, p);
      // Most are small, and lie across the edge; a large one reaches in.
      const r = (size / 2) * (0.3 + 1.3 * thrown(0, i, 1) ** 3);
      const off = r * (0.9 * thrown(0, i, 2) - 0.1);
      blob(out, p[0] + off * p[3], p[1] - off * p[2], r * (1 + 0.8 * thrown(0, i, 3)), r, p[2], p[3], (k) => thrown(1, 16 * i + k, 4));
    }
    for (let i = 0, n = count(specks); i < n; i++) {
      track.at(thrown(2, i, 0) * track.length, p);
      const r = (size / 2) * (0.1 + 0.3 * thrown(2, i, 1) ** 2);
      const inwards = depth * thrown(2, i, 2) ** 2 + r;
      const turn = 6.2832 * thrown(2, i, 3);
      blob(out, p[0] - inwards * p[3], p[1] + inwards * p[2], r * 1.4, r, cos(turn), sin(turn), (k) => thrown(2, 16 * i + k, 5));
    }
  });
  return out.build();
}

/** A jagged patch, `a` and `b` its half axes along (dx, dy) and across. */
function blob(out: PathBuilder, x: number, y: number, a: number, b: number, dx: number, dy: number, at: (k: number) => number): void {
  const corners = 6 + floor(4 * at(15));
  for (let k = 0; k < corners; k++) {
    const turn = ((k + 0.7 * (at(k) - 0.5)) / corners) * 6.2832;
    const r = max(0.35, 0.6 + 0.55 * at(k + 8 < 15 ? k + 8 : k));
    const [u, v] = [a * r * cos(turn), b * r * sin(turn)];
    const [px, py] = [x + u * dx - v * dy, y + u * dy + v * dx];
    if (k === 0) out.move(px, py);
    else out.line(px, py);
  }
  out.close();
}
