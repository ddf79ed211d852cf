import { memoByIdentity } from "../memo";
import { Verb, type Path } from "./path";

const decimals = 2;
const unit = 10 ** decimals;

/** A count of hundredths as the shortest decimal: 1250 is 12.5, -5 is -.05. */
function text(hundredths: number): string {
  const sign = hundredths < 0 ? "-" : "";
  const v = hundredths < 0 ? -hundredths : hundredths;
  const whole = (v / 100) | 0;
  const rest = v - whole * 100;
  if (rest === 0) return sign + whole;
  const fraction = rest % 10 === 0 ? `.${rest / 10}` : rest < 10 ? `.0${rest}` : `.${rest}`;
  return whole === 0 ? sign + fraction : sign + whole + fraction;
}

const tails = memoByIdentity<Path, string>(1);

/**
 * SVG path data in hundredths of a unit: one absolute move, all else relative and in the shortest form. Each step is
 * taken from the rounded point before it, so that rounding errors never add up. What follows the first move does not
 * depend on where the path lies, and is kept: a word that shifts writes a few numbers.
 * @param dx,dy shift in the path's units, rounded to a hundredth
 */
export function toSvgPath(path: Path, dx = 0, dy = 0): string {
  if (path.isEmpty) return "";
  const x = Math.round(path.coords[0] * unit) + Math.round(dx * unit);
  const y = Math.round(path.coords[1] * unit) + Math.round(dy * unit);
  return `M${text(x)}${separated(text(y))}${tails(path, "", () => afterFirstMove(path))}`;
}

const separated = (number: string): string => (number.charCodeAt(0) === 45 ? number : ` ${number}`);

function afterFirstMove({ verbs, coords }: Path): string {
  let out = "";
  let last = "";
  let x = Math.round(coords[0] * unit);
  let y = Math.round(coords[1] * unit);
  let [startX, startY] = [x, y];
  let at = 2;
  /** Writes a number after the verb or the number before it. */
  const put = (verb: string, first: boolean, v: number) => {
    const number = text(v);
    out += first && verb !== last ? verb + number : separated(number);
  };
  for (let i = 1; i < verbs.length; i++) {
    const verb = verbs[i];
    if (verb === Verb.Close) {
      out += "z";
      last = "z";
      x = startX;
      y = startY;
      continue;
    }
    const n = verb === Verb.Cubic ? 6 : verb === Verb.Quad ? 4 : 2;
    const endX = Math.round(coords[at + n - 2] * unit);
    const endY = Math.round(coords[at + n - 1] * unit);
    if (n === 2) {
      const [dx, dy] = [endX - x, endY - y];
      if (verb === Verb.Move) {
        put("m", true, dx);
        put("m", false, dy);
        last = "m";
        [startX, startY] = [endX, endY];
      } else if (dy === 0) {
        if (dx !== 0) {
          put("h", true, dx);
          last = "h";
        }
      } else if (dx === 0) {
        put("v", true, dy);
        last = "v";
      } else {
        put("l", true, dx);
        put("l", false, dy);
        last = "l";
      }
    } else {
      const letter = verb === Verb.Quad ? "q" : "c";
      for (let k = 0; k < n; k += 2) {
        put(letter, k === 0, Math.round(coords[at + k] * unit) - x);
        put(letter, false, Math.round(coords[at + k + 1] * unit) - y);
      }
      last = letter;
    }
    x = endX;
    y = endY;
    at += n;
  }
  return out;
}
