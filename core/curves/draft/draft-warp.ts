import { cut } from "../bezier";
import type { Warp } from "../warp";
import { eachContour, drawnBy, type DraftPath, type Origin } from "./draft-path";
import { Pen } from "./pen";

/** How far the middle of a bent segment may lie from its true place, in units: what nobody sees move. */
const near = 0.4;
/** Segments shorter than this, along their control polygon in units, are bent whole. */
const short = 40;
const mostHalvings = 5;
/** How far the handles of what was a line may stand off for it to stay one. */
const straight = 0.05;

const pen = new Pen();
/** The places that are being looked at: the ends of a part, and one for every halving. */
const jets = Array.from({ length: mostHalvings + 2 }, () => new Float64Array(6));
const part = new Float64Array(8);

/**
 * The image of a path under a smooth map, for a picture while it is dragged: ends exactly, handles by the map's derivatives there, halved
 * where the middle lies off. A path that the map turns over is turned round, so that its outers stay positive.
 */
export function draftWarp(path: DraftPath, warp: Warp, origin?: Origin): DraftPath {
  const { verbs, coords: p } = path;
  /** Of the places that were looked at, how many more keep their side than are turned over. */
  let side = 0;

  const bend = (o: number, degree: number, a: number, b: number, from: Float64Array, to: Float64Array, halvings: number): void => {
    const whole = a === 0 && b === 1;
    if (!whole) cut(p, o, degree, a, b, part, 0);
    const q = whole ? p : part;
    const s = whole ? o : 0;
    const e = s + 2 * degree;
    const x0 = q[s];
    const y0 = q[s + 1];
    const x3 = q[e];
    const y3 = q[e + 1];
    // A line's handles lie at thirds of it.
    const x1 = degree === 3 ? q[s + 2] : x0 + (x3 - x0) / 3;
    const y1 = degree === 3 ? q[s + 3] : y0 + (y3 - y0) / 3;
    const x2 = degree === 3 ? q[s + 4] : x3 - (x3 - x0) / 3;
    const y2 = degree === 3 ? q[s + 5] : y3 - (y3 - y0) / 3;
    const ux = x1 - x0;
    const uy = y1 - y0;
    const vx = x2 - x3;
    const vy = y2 - y3;
    const ax = from[0] + from[2] * ux + from[4] * uy;
    const ay = from[1] + from[3] * ux + from[5] * uy;
    const bx = to[0] + to[2] * vx + to[4] * vy;
    const by = to[1] + to[3] * vx + to[5] * vy;
    if (
      halvings < mostHalvings &&
      Math.abs(ux) + Math.abs(uy) + Math.abs(vx) + Math.abs(vy) + Math.abs(x2 - x1) + Math.abs(y2 - y1) > short
    ) {
      const middle = jets[halvings + 2];
      warp((x0 + 3 * (x1 + x2) + x3) / 8, (y0 + 3 * (y1 + y2) + y3) / 8, middle);
      const off = Math.max(
        Math.abs((from[0] + 3 * (ax + bx) + to[0]) / 8 - middle[0]),
        Math.abs((from[1] + 3 * (ay + by) + to[1]) / 8 - middle[1]),
      );
      if (off > near) {
        const half = (a + b) / 2;
        bend(o, degree, a, half, from, middle, halvings + 1);
        bend(o, degree, half, b, middle, to, halvings + 1);
        return;
      }
    }
    side += to[2] * to[5] - to[3] * to[4] < 0 ? -1 : 1;
    const dx = to[0] - from[0];
    const dy = to[1] - from[1];
    const off = straight * Math.sqrt(dx * dx + dy * dy);
    if (
      degree === 1 &&
      Math.abs((ax - from[0]) * dy - (ay - from[1]) * dx) <= off &&
      Math.abs((bx - to[0]) * dy - (by - to[1]) * dx) <= off
    )
      pen.line(to[0], to[1]);
    else pen.cubic(ax, ay, bx, by, to[0], to[1]);
  };

  eachContour(path, (_, at, from, close) => {
    let [a, b] = jets;
    warp(p[at], p[at + 1], a);
    pen.move(a[0], a[1]);
    for (let v = from, o = at; v < close; v++) {
      const degree = verbs[v];
      warp(p[o + 2 * degree], p[o + 2 * degree + 1], b);
      bend(o, degree, 0, 1, a, b, 0);
      [a, b] = [b, a];
      o += 2 * degree;
    }
    pen.close();
  });
  const bent = drawnBy(pen, path.kinds, origin);
  return side < 0 ? turnedRound(bent) : bent;
}

function turnedRound(path: DraftPath): DraftPath {
  eachContour(path, (_, at, from, close) => pen.backwards(path.verbs, path.coords, at, from, close));
  return drawnBy(pen, path.kinds, path.origin);
}
