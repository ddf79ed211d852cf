import { CurveError } from "./errors";
import { Path, PathBuilder } from "./path";

/** Numbers that each command takes; SVG 2, section 9.3. */
const takes: Record<string, number> = { m: 2, l: 2, h: 1, v: 1, c: 6, s: 4, q: 4, t: 2, a: 7, z: 0 };

const numberText = /[+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?/y;
const separator = /[\s,]*/y;

/**
 * SVG path data as a path: all commands, relative and absolute; arcs become cubics, within 2.7e-4 of their radius.
 * @throws CurveError saying at which character the data stops making sense
 */
export function parseSvgPath(data: string): Path {
  const b = new PathBuilder();
  let at = 0;
  let x = 0;
  let y = 0;
  let startX = 0;
  let startY = 0;
  // The handle that a smooth command reflects, and the kind of curve it belongs to.
  let handleX = 0;
  let handleY = 0;
  let handleOf = "";
  const skip = () => {
    separator.lastIndex = at;
    separator.exec(data);
    at = separator.lastIndex;
  };
  const fail = (what: string): never => {
    throw new CurveError(`This path data cannot be read: ${what} at character ${at + 1}.`);
  };
  const number = (): number => {
    skip();
    numberText.lastIndex = at;
    const found = numberText.exec(data);
    if (!found) return fail("a number is missing");
    at = numberText.lastIndex;
    return Number(found[0]);
  };
  const flag = (): boolean => {
    // Flags may stand without anything between them and what follows.
    skip();
    const c = data[at];
    if (c !== "0" && c !== "1") return fail("an arc flag, 0 or 1, is missing");
    at++;
    return c === "1";
  };

  skip();
  let first = true;
  while (at < data.length) {
    let letter = data[at];
    const command = letter.toLowerCase();
    if (!(command in takes)) return fail(`“${letter}” is no command`);
    if (first && command !== "m") return fail("path data must start with M");
    at++;
    for (;;) {
      const relative = letter === letter.toLowerCase();
      const dx = relative ? x : 0;
      const dy = relative ? y : 0;
      let kind = "";
      switch (letter.toLowerCase()) {
        case "m":
          x = number() + dx;
          y = number() + dy;
          b.move(x, y);
          startX = x;
          startY = y;
          // More pairs after a move are lines.
          letter = relative ? "l" : "L";
          break;
        case "l":
          x = number() + dx;
          y = number() + dy;
          b.line(x, y);
          break;
        case "h":
          x = number() + dx;
          b.line(x, y);
          break;
        case "v":
          y = number() + dy;
          b.line(x, y);
          break;
        case "c":
        case "s": {
          const smooth = letter.toLowerCase() === "s";
          const ax: number = smooth ? (handleOf === "c" ? 2 * x - handleX : x) : number() + dx;
          const ay: number = smooth ? (handleOf === "c" ? 2 * y - handleY : y) : number() + dy;
          handleX = number() + dx;
          handleY = number() + dy;
          x = number() + dx;
          y = number() + dy;
          b.cubic(ax, ay, handleX, handleY, x, y);
          kind = "c";
          break;
        }
        case "q":
        case "t": {
          const smooth = letter.toLowerCase() === "t";
          const ax: number = smooth ? (handleOf === "q" ? 2 * x - handleX : x) : number() + dx;
          const ay: number = smooth ? (handleOf === "q" ? 2 * y - handleY : y) : number() + dy;
          handleX = ax;
          handleY = ay;
          x = number() + dx;
          y = number() + dy;
          b.quad(ax, ay, x, y);
          kind = "q";
          break;
        }
        case "a": {
          const rx = number();
          const ry = number();
          const turn = number();
          const large = flag();
          const sweep = flag();
          const ex = number() + dx;
          const ey = number() + dy;
          addArc(b, x, y, rx, ry, turn, large, sweep, ex, ey);
          x = ex;
          y = ey;
          break;
        }
        case "z":
          b.close();
          x = startX;
          y = startY;
      }
      handleOf = kind;
      skip();
      const more = at < data.length && /[\d+.-]/.test(data[at]);
      if (!more) break;
      if (command === "z") return fail("a number follows a close command");
    }
    first = false;
  }
  return b.build();
}

/** An elliptical arc as cubics; SVG 2, appendix B.2: the centre, the angles, and radii that are too small made large enough. */
function addArc(
  b: PathBuilder,
  x0: number,
  y0: number,
  rx: number,
  ry: number,
  turn: number,
  large: boolean,
  sweep: boolean,
  x1: number,
  y1: number,
): void {
  if (x0 === x1 && y0 === y1) return;
  rx = Math.abs(rx);
  ry = Math.abs(ry);
  if (rx === 0 || ry === 0) return void b.line(x1, y1);
  const phi = (turn * Math.PI) / 180;
  const [cos, sin] = [Math.cos(phi), Math.sin(phi)];
  const px = (cos * (x0 - x1) + sin * (y0 - y1)) / 2;
  const py = (-sin * (x0 - x1) + cos * (y0 - y1)) / 2;
  const over = (px / rx) ** 2 + (py / ry) ** 2;
  if (over > 1) {
    rx *= Math.sqrt(over);
    ry *= Math.sqrt(over);
  }
  const k = Math.sqrt(Math.max(0, (rx * rx * ry * ry) / ((rx * py) ** 2 + (ry * px) ** 2) - 1)) * (large === sweep ? -1 : 1);
  const [qx, qy] = [(k * rx * py) / ry, (-k * ry * px) / rx];
  const cx = cos * qx - sin * qy + (x0 + x1) / 2;
  const cy = sin * qx + cos * qy + (y0 + y1) / 2;
  const from = Math.atan2((py - qy) / ry, (px - qx) / rx);
  let by = Math.atan2((-py - qy) / ry, (-px - qx) / rx) - from;
  if (sweep && by < 0) by += 2 * Math.PI;
  if (!sweep && by > 0) by -= 2 * Math.PI;
  const n = Math.max(1, Math.ceil(Math.abs(by) / (Math.PI / 2) - 1e-9));
  const h = (4 / 3) * Math.tan(by / n / 4);
  const point = (a: number, t: number): [number, number] => {
    // On the unit circle at angle a, t along the tangent.
    const ux = rx * (Math.cos(a) - t * Math.sin(a));
    const uy = ry * (Math.sin(a) + t * Math.cos(a));
    return [cx + cos * ux - sin * uy, cy + sin * ux + cos * uy];
  };
  for (let i = 0; i < n; i++) {
    const a = from + (by * i) / n;
    const e = from + (by * (i + 1)) / n;
    const end: [number, number] = i + 1 === n ? [x1, y1] : point(e, 0);
    b.cubic(...point(a, h), ...point(e, -h), ...end);
  }
}
