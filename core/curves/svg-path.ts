import { memoByIdentity } from "../memo";
import { Ascii } from "./ascii";
import { Verb, type Path } from "./path";

const unit = 100;

// Not read from the enum at each step: bundled apart from it, that is a call. The verbs of lines and curves are their degrees.
const moving: number = Verb.Move;
const closing: number = Verb.Close;

const tails = memoByIdentity<Path, string>(1);

const out = new Ascii();
const [space, m, z, h, v, l, q, c] = Array.from(" mzhvlqc", (letter) => letter.charCodeAt(0));
/** More than a command takes: a letter, six numbers and what parts them. */
const command = 192;

/**
 * SVG path data in hundredths of a unit, or tenths of what is seen in passing: one absolute move, all else relative and in the shortest
 * form. Each step is taken from the rounded point before it, so that rounding errors never add up. What follows the first move does not
 * depend on where the path lies, and is kept: a word that shifts writes a few numbers.
 * @param dx,dy shift in the path's units, rounded to a hundredth
 */
export function toSvgPath(path: Path, dx = 0, dy = 0): string {
  if (path.isEmpty) return "";
  const tail = tails(path, "", () => afterFirstMove(path));
  out.reserve(command);
  out.put(m - 32);
  out.hundredths(Math.round(path.coords[0] * unit) + Math.round(dx * unit));
  next(Math.round(path.coords[1] * unit) + Math.round(dy * unit));
  return out.take() + tail;
}

/** A number after another. */
function next(hundredths: number): void {
  if (hundredths >= 0) out.put(space);
  out.hundredths(hundredths);
}

function afterFirstMove({ verbs, coords, inPassing }: Path): string {
  const step = inPassing ? 10 : 1;
  const per = unit / step;
  let last = 0;
  let x = Math.round(coords[0] * per) * step;
  let y = Math.round(coords[1] * per) * step;
  let startX = x;
  let startY = y;
  let at = 2;
  for (let i = 1; i < verbs.length; i++) {
    const verb = verbs[i];
    out.reserve(command);
    if (verb === closing) {
      out.put(z);
      last = z;
      x = startX;
      y = startY;
      continue;
    }
    const n = verb === 3 ? 6 : verb === 2 ? 4 : 2;
    const endX = Math.round(coords[at + n - 2] * per) * step;
    const endY = Math.round(coords[at + n - 1] * per) * step;
    const dx = endX - x;
    const dy = endY - y;
    if (verb === moving) {
      last = first(m, last, dx);
      next(dy);
      startX = endX;
      startY = endY;
    } else if (n > 2) {
      last = first(verb === 2 ? q : c, last, Math.round(coords[at] * per) * step - x);
      next(Math.round(coords[at + 1] * per) * step - y);
      for (let k = 2; k < n - 2; k += 2) {
        next(Math.round(coords[at + k] * per) * step - x);
        next(Math.round(coords[at + k + 1] * per) * step - y);
      }
      next(dx);
      next(dy);
    } else if (endX !== startX || endY !== startY || verbs[i + 1] !== closing) {
      // Otherwise the close draws this line.
      if (dx !== 0 && dy !== 0) {
        last = first(l, last, dx);
        next(dy);
      } else if (dx !== 0) last = first(h, last, dx);
      else if (dy !== 0) last = first(v, last, dy);
    }
    x = endX;
    y = endY;
    at += n;
  }
  return out.take();
}

/** The first number of a command, whose letter is not said twice. @returns the letter */
function first(letter: number, last: number, hundredths: number): number {
  if (letter === last) next(hundredths);
  else {
    out.put(letter);
    out.hundredths(hundredths);
  }
  return letter;
}
