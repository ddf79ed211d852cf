import { contoursOf, stride } from "../../core/curves/contour";
import { type Path, PathBuilder, Verb } from "../../core/curves/path";
import { rotation, scaling, multiply, translation, type Matrix } from "../../core/curves/matrix";

/** Numbers that repeat for the same seed (mulberry32, a public-domain generator). */
export class Random {
  #state: number;
  constructor(seed: number) {
    this.#state = seed | 0;
  }
  next(): number {
    this.#state = (this.#state + 0x6d2b79f5) | 0;
    let t = Math.imul(this.#state ^ (this.#state >>> 15), 1 | this.#state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  }
  between(a: number, b: number): number {
    return a + (b - a) * this.next();
  }
  whole(a: number, b: number): number {
    return Math.floor(this.between(a, b + 1));
  }
  pick<T>(all: readonly T[]): T {
    return all[Math.floor(this.next() * all.length)];
  }
  chance(p: number): boolean {
    return this.next() < p;
  }
}

const ellipse = (cx: number, cy: number, rx: number, ry: number): Path => {
  const k = (4 * (Math.SQRT2 - 1)) / 3;
  return new PathBuilder()
    .move(cx + rx, cy)
    .cubic(cx + rx, cy + k * ry, cx + k * rx, cy + ry, cx, cy + ry)
    .cubic(cx - k * rx, cy + ry, cx - rx, cy + k * ry, cx - rx, cy)
    .cubic(cx - rx, cy - k * ry, cx - k * rx, cy - ry, cx, cy - ry)
    .cubic(cx + k * rx, cy - ry, cx + rx, cy - k * ry, cx + rx, cy)
    .close()
    .build();
};

/** A contour of random segments that may cross itself and double back. */
function scrawl(r: Random): Path {
  const b = new PathBuilder();
  const size = r.pick([200, 400, 600]);
  const grid = r.chance(0.4) ? size / 6 : 0;
  const at = () => {
    const v = r.between(0, size);
    return grid ? Math.round(v / grid) * grid : v;
  };
  b.move(at(), at());
  for (let i = r.whole(1, 7); i >= 0; i--) {
    const kind = r.whole(0, 2);
    if (kind === 0) b.line(at(), at());
    else if (kind === 1) b.quad(at(), at(), at(), at());
    else b.cubic(at(), at(), at(), at(), at(), at());
  }
  return b.close().build();
}

function star(r: Random): Path {
  const n = r.whole(3, 9);
  const step = r.whole(1, 3);
  const out = r.between(40, 400);
  const inner = r.chance(0.5) ? out * r.between(0.2, 0.9) : out;
  const b = new PathBuilder();
  for (let i = 0; i < 2 * n; i++) {
    const a = (Math.PI * i * step) / n;
    const s = i % 2 ? inner : out;
    if (i === 0) b.move(300 + s * Math.cos(a), 300 + s * Math.sin(a));
    else b.line(300 + s * Math.cos(a), 300 + s * Math.sin(a));
  }
  return b.close().build();
}

function rectangle(r: Random): Path {
  const w = r.pick([0.005, 0.5, 20, 100, 300, 600]);
  const h = r.pick([0.005, 0.5, 20, 100, 300, 600]);
  const x = r.whole(0, 4) * 100;
  const y = r.whole(0, 4) * 100;
  return new PathBuilder()
    .move(x, y)
    .line(x + w, y)
    .line(x + w, y + h)
    .line(x, y + h)
    .close()
    .build();
}

/** Smooth blob of cubics through points round a middle. */
function blob(r: Random): Path {
  const n = r.whole(3, 8);
  const points = Array.from({ length: n }, (_, i) => {
    const a = (2 * Math.PI * i) / n;
    const s = r.between(60, 350);
    return [300 + s * Math.cos(a), 300 + s * Math.sin(a)];
  });
  const b = new PathBuilder().move(points[0][0], points[0][1]);
  for (let i = 0; i < n; i++) {
    const [p, q, s, t] = [points[(i + n - 1) % n], points[i], points[(i + 1) % n], points[(i + 2) % n]];
    b.cubic(q[0] + (s[0] - p[0]) / 6, q[1] + (s[1] - p[1]) / 6, s[0] - (t[0] - q[0]) / 6, s[1] - (t[1] - q[1]) / 6, s[0], s[1]);
  }
  return b.close().build();
}

/** Contours that hold nothing, or hardly anything: points, lines, needles, curves that fold on a line. */
function degenerate(r: Random): Path {
  const x = r.between(0, 500);
  const y = r.between(0, 500);
  const d = r.pick([0, 1e-9, 1e-4, 0.003, 0.2]);
  return r.pick([
    () => new PathBuilder().move(x, y).build(),
    () => new PathBuilder().move(x, y).close().build(),
    () =>
      new PathBuilder()
        .move(x, y)
        .line(x + 300, y + d)
        .line(x, y)
        .close()
        .build(),
    () =>
      new PathBuilder()
        .move(x, y)
        .line(x + 300, y)
        .line(x + 300, y + d)
        .line(x, y + d)
        .close()
        .build(),
    () =>
      new PathBuilder()
        .move(x, y)
        .cubic(x + 400, y, x - 100, y + d, x + 300, y)
        .close()
        .build(),
    () =>
      new PathBuilder()
        .move(x, y)
        .cubic(x, y, x + 100, y + 200, x + 100, y + 200)
        .cubic(x + 100, y + 200, x, y, x, y)
        .close()
        .build(),
    () =>
      new PathBuilder()
        .move(x, y)
        .quad(x, y, x + 100, y + 40)
        .line(x, y + 80)
        .line(x, y)
        .close()
        .build(),
    () => ellipse(x, y, 200, Math.max(d, 0.01)),
  ])();
}

export function backwards(path: Path): Path {
  // Mirroring turns every contour round.
  return path.transform([-1, 0, 0, 1, 600, 0]);
}

/** Several paths as contours of one. */
export function together(...paths: Path[]): Path {
  const b = new PathBuilder();
  for (const p of paths) b.add(p);
  return b.build();
}

/** A random filled shape, about 600 units in size. @param letters outlines to draw from as well */
export function randomShape(r: Random, letters: readonly Path[]): Path {
  const kind = r.next();
  if (letters.length && kind < 0.4) return r.pick(letters);
  if (kind < 0.5) return ellipse(300, 300, r.between(20, 300), r.between(20, 300));
  if (kind < 0.6) return rectangle(r);
  if (kind < 0.68) return star(r);
  if (kind < 0.8) return blob(r);
  if (kind < 0.9) return scrawl(r);
  if (kind < 0.94) return degenerate(r);
  return together(randomShape(r, letters), r.chance(0.5) ? backwards(randomShape(r, letters)) : randomShape(r, letters));
}

/** A shape of straight lines. */
export function randomPolygon(r: Random): Path {
  const kind = r.next();
  if (kind < 0.25) return rectangle(r);
  if (kind < 0.5) return star(r);
  if (kind < 0.9) {
    const b = new PathBuilder().move(r.between(0, 400), r.between(0, 400));
    for (let i = r.whole(2, 8); i > 0; i--) b.line(r.between(0, 400), r.between(0, 400));
    return b.close().build();
  }
  return together(randomPolygon(r), r.chance(0.5) ? backwards(randomPolygon(r)) : randomPolygon(r));
}

/** A second shape that lies on, beside, along or across the first in the ways that go wrong. */
export function neighbourOf(a: Path, r: Random, letters: readonly Path[]): Path {
  const { minX, maxX, minY } = a.isEmpty ? { minX: 0, maxX: 100, minY: 0 } : a.bounds;
  const near: Matrix = [1, 0, 0, 1, r.between(-0.2, 0.2), r.between(-0.2, 0.2)];
  const kind = r.whole(0, 9);
  if (kind === 0) return a;
  if (kind === 1) return a.transform(near);
  if (kind === 2)
    return a.transform(multiply(translation(300, 300), multiply(rotation(r.pick([0.001, 0.01, 0.1, 90, 180])), translation(-300, -300))));
  if (kind === 3) return a.transform([1, 0, 0, 1, r.pick([maxX - minX, 100, 0.5, 1e-4]), 0]); // edge to edge
  if (kind === 4) return backwards(a);
  if (kind === 5)
    return a.transform(multiply(translation(minX, minY), multiply(scaling(r.pick([0.5, 0.999, 1.0001, 1.5])), translation(-minX, -minY))));
  if (kind === 6) return reversedStart(a);
  const other = randomShape(r, letters);
  return other.transform([1, 0, 0, 1, r.between(-200, 200), r.between(-200, 200)]);
}

/** The same shape, each of its contours started at the node that `node` says. */
export function startedAt(path: Path, node: (contour: number, size: number) => number): Path {
  const b = new PathBuilder();
  contoursOf(path, true).forEach((c, n) => {
    const first = node(n, c.size);
    const p = c.points;
    b.move(p[first * stride], p[first * stride + 1]);
    for (let i = 0; i < c.size; i++) {
      const k = (first + i) % c.size;
      const o = k * stride;
      if (c.degrees[k] === 1) b.line(p[o + 2], p[o + 3]);
      else if (c.degrees[k] === 2) b.quad(p[o + 2], p[o + 3], p[o + 4], p[o + 5]);
      else b.cubic(p[o + 2], p[o + 3], p[o + 4], p[o + 5], p[o + 6], p[o + 7]);
    }
    b.close();
  });
  return b.build();
}

/** The same outline with half of its curves split in two: nothing changes but the nodes. */
function reversedStart(path: Path): Path {
  const b = new PathBuilder();
  let at = 0;
  let x = 0;
  let y = 0;
  const c = path.coords;
  for (const verb of path.verbs) {
    if (verb === Verb.Move) b.move(c[at], c[at + 1]);
    else if (verb === Verb.Line) b.line((x + c[at]) / 2, (y + c[at + 1]) / 2).line(c[at], c[at + 1]);
    else if (verb === Verb.Quad) {
      const [ax, ay, ex, ey] = [c[at], c[at + 1], c[at + 2], c[at + 3]];
      const [px, py, qx, qy] = [(x + ax) / 2, (y + ay) / 2, (ax + ex) / 2, (ay + ey) / 2];
      b.quad(px, py, (px + qx) / 2, (py + qy) / 2).quad(qx, qy, ex, ey);
    } else if (verb === Verb.Cubic) b.cubic(c[at], c[at + 1], c[at + 2], c[at + 3], c[at + 4], c[at + 5]);
    else b.close();
    const n = [2, 2, 4, 6, 0][verb];
    at += n;
    if (n) [x, y] = [c[at - 2], c[at - 1]];
  }
  return b.build();
}
