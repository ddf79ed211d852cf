import { cut } from "./bezier";
import { ContourBuilder, stride, type Contour } from "./contour";
import type { Warp } from "./kernel";

/** Segments longer than this, along their control polygon in units, are bent in parts. */
const longest = 160;
const mostParts = 12;

const part = new Float64Array(8);
const from = new Float64Array(6);
const to = new Float64Array(6);

/**
 * The image of a contour under a smooth map, for a picture while it is dragged: ends exactly, handles by the map's derivatives there, and
 * no look at how well that fits in between. Within about a unit for bends that lettering uses.
 */
export function draftWarp(c: Contour, warp: Warp): Contour {
  const { points: p, degrees } = c;
  const out = new ContourBuilder();
  warp(p[0], p[1], from);
  out.move(from[0], from[1]);
  for (let k = 0; k < c.size; k++) {
    const o = k * stride;
    const d = degrees[k];
    let length = 0;
    for (let i = 0; i < d; i++) length += Math.hypot(p[o + 2 * i + 2] - p[o + 2 * i], p[o + 2 * i + 3] - p[o + 2 * i + 1]);
    const parts = Math.min(mostParts, Math.ceil(length / longest) || 1);
    for (let n = 0; n < parts; n++) {
      if (parts > 1) cut(p, o, d, n / parts, (n + 1) / parts, part, 0);
      else for (let i = 0; i < 2 * d + 2; i++) part[i] = p[o + i];
      const e = 2 * d;
      warp(part[e], part[e + 1], to);
      // The handles of a cubic; of a line a third of it, of a quadratic two thirds of the way to its one.
      const s = d === 3 ? 1 : d === 2 ? 2 / 3 : 1 / 3;
      const [ax, ay] = [(part[2] - part[0]) * s, (part[3] - part[1]) * s];
      const [bx, by] = [(part[e - 2] - part[e]) * s, (part[e - 1] - part[e + 1]) * s];
      out.cubic(from[0] + from[2] * ax + from[4] * ay, from[1] + from[3] * ax + from[5] * ay, to[0] + to[2] * bx + to[4] * by, to[1] + to[3] * bx + to[5] * by, to[0], to[1]);
      from.set(to);
    }
  }
  if (c.closed) {
    warp(p[0], p[1], to);
    out.endAt(to[0], to[1]);
  }
  return out.build(c.closed);
}
