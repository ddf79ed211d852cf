import type { Warp } from "../curves/kernel";
import type { Setting } from "../lettering/setting";
import { lineBox } from "./bent";

/** Writes the image of a place of the unit square, with its derivatives, as `Warp` does. */
export type SquareMap = (u: number, v: number, out: Float64Array) => void;

/** Where the lines of a setting lie one over the other in a square that all of them fill: by the heights of their ink. */
export function rowsOf(setting: Setting): { from: number; to: number }[] {
  const heights = setting.lines.map((_, i) => {
    const b = lineBox(setting, i);
    return b.maxY - b.minY;
  });
  const sum = heights.reduce((a, b) => a + b, 0);
  let at = 0;
  return heights.map((h) => ({ from: at / sum, to: (at += h) / sum }));
}

/** A setting whose carets reach no farther than the letters of their line: above and below them, a row's neighbours begin. */
export const caretsInRows = (setting: Setting): Setting => ({
  ...setting,
  carets: setting.carets.map((c) => {
    const { minY, maxY } = lineBox(setting, c.line);
    const within = (y: number) => Math.min(maxY, Math.max(minY, y));
    return { ...c, foot: { x: c.foot.x, y: within(c.foot.y) }, head: { x: c.head.x, y: within(c.head.y) } };
  }),
});

/** Places that the width of a gap is found at; between them it is a cubic through its neighbours. */
const places = 64;

/**
 * Lays a line of text on its row of a square map: its ink fills the row from edge to edge. Where rows meet, half of `gap` is left on
 * either side, measured at right angles to the edge between them, so that the gap is even whatever the edge does.
 */
export function rowWarp(setting: Setting, line: number, map: SquareMap, { from, to }: { from: number; to: number }, gap: number): Warp {
  const box = lineBox(setting, line);
  const [w, h] = [box.maxX - box.minX, box.maxY - box.minY];
  const top = line > 0 && gap > 0 ? edge(map, from, gap / 2) : undefined;
  const low = line < setting.lines.length - 1 && gap > 0 ? edge(map, to, gap / 2) : undefined;
  const a = new Float64Array(2);
  const b = new Float64Array(2);
  return (x, y, out) => {
    const u = (x - box.minX) / w;
    const t = (y - box.minY) / h;
    if (top) top(u, a);
    if (low) low(u, b);
    // A row keeps at least a tenth of its height between its gaps.
    const most = (to - from) * 0.45;
    const head = Math.min(most, a[0]);
    const foot = Math.min(most, b[0]);
    const height = to - from - head - foot;
    map(u, from + head + t * height, out);
    const slope = (head < most ? a[1] : 0) * (1 - t) - (foot < most ? b[1] : 0) * t;
    const [ux, uy, vx, vy] = [out[2], out[3], out[4], out[5]];
    out[2] = (ux + vx * slope) / w;
    out[3] = (uy + vy * slope) / w;
    out[4] = (vx * height) / h;
    out[5] = (vy * height) / h;
  };
}

/** How much of v a distance at right angles to the edge v = `at` takes, by u: its value and slope. */
function edge(map: SquareMap, at: number, distance: number): (u: number, out: Float64Array) => void {
  const p = new Float64Array(6);
  const share = Float64Array.from({ length: places + 3 }, (_, i) => {
    map(Math.min(1, Math.max(0, (i - 1) / places)), at, p);
    const along = Math.hypot(p[2], p[3]);
    const area = Math.abs(p[2] * p[5] - p[3] * p[4]);
    return area > 1e-9 ? (distance * along) / area : 1;
  });
  return (u, out) => {
    const s = Math.min(1, Math.max(0, u)) * places;
    const i = Math.min(places - 1, Math.floor(s));
    const t = s - i;
    const [p0, p1, p2, p3] = [share[i], share[i + 1], share[i + 2], share[i + 3]];
    // Catmull and Rom's cubic, A class of local interpolating splines, 1974.
    const [c1, c2, c3] = [(p2 - p0) / 2, p0 - 2.5 * p1 + 2 * p2 - p3 / 2, (p3 - p0) / 2 + 1.5 * (p1 - p2)];
    out[0] = p1 + t * (c1 + t * (c2 + t * c3));
    out[1] = (c1 + t * (2 * c2 + 3 * t * c3)) * places;
  };
}
