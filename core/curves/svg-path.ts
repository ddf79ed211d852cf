import { Verb, type Path } from "./path";

/**
 * SVG path data, absolute moves and relative segments, rounded to `decimals` so that the rounding errors of
 * relative steps never add up: each step is taken from the rounded point before it.
 * @param dx,dy shift in the path's units
 */
export function toSvgPath(path: Path, dx = 0, dy = 0, decimals = 2): string {
  const unit = 10 ** decimals;
  const { coords } = path;
  const round = (v: number) => Math.round(v * unit);
  const text = (v: number) => String(v / unit);
  let out = "";
  let last = "";
  let at = 0;
  let x = 0;
  let y = 0;
  let startX = 0;
  let startY = 0;

  const numbers = (verb: string, values: string[]) => {
    let run = verb === last ? "" : verb;
    values.forEach((v, i) => {
      const glued = i === 0 && run !== "";
      run += glued || v.charCodeAt(0) === 45 ? v : ` ${v}`;
    });
    out += run;
    last = verb;
  };

  for (const verb of path.verbs) {
    if (verb === Verb.Close) {
      out += "z";
      last = "z";
      x = startX;
      y = startY;
      continue;
    }
    const n = verb === Verb.Cubic ? 6 : verb === Verb.Quad ? 4 : 2;
    const endX = round(coords[at + n - 2] + dx);
    const endY = round(coords[at + n - 1] + dy);
    if (verb === Verb.Move) {
      numbers("M", [text(endX), text(endY)]);
      startX = endX;
      startY = endY;
    } else if (verb === Verb.Line) {
      if (endX === x && endY === y) {
        at += n;
        continue;
      }
      if (endY === y) numbers("h", [text(endX - x)]);
      else if (endX === x) numbers("v", [text(endY - y)]);
      else numbers("l", [text(endX - x), text(endY - y)]);
    } else {
      const values: string[] = [];
      for (let k = 0; k < n; k += 2) values.push(text(round(coords[at + k] + dx) - x), text(round(coords[at + k + 1] + dy) - y));
      numbers(verb === Verb.Quad ? "q" : "c", values);
    }
    x = endX;
    y = endY;
    at += n;
  }
  return out;
}
