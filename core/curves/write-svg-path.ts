import { taken, Verb, type Path } from "./path";

export interface SvgPathOptions {
  /** Digits after the point, 0 to 6. */
  readonly decimals?: number;
  /** Which commands to write; "shortest" takes for each segment what needs fewer characters. */
  readonly commands?: "absolute" | "relative" | "shortest";
}

/**
 * SVG path data. Numbers are rounded once, to the given digits, and every relative step is taken from the rounded point before it, so that
 * errors do not add up. "shortest" also uses H, V, S and T, leaves out repeated letters and every separator that is not needed.
 */
export function writeSvgPath(path: Path, { decimals = 3, commands = "shortest" }: SvgPathOptions = {}): string {
  const unit = 10 ** decimals;
  const round = (v: number) => Math.round(v * unit);
  const text = (v: number) => {
    const t = (v / unit).toFixed(decimals).replace(/\.?0+$/, decimals ? "" : "$&");
    if (commands !== "shortest") return t === "-0" ? "0" : t;
    const short = t.replace(/^(-?)0\./, "$1.");
    return short === "-0" || short === "" || short === "-" ? "0" : short;
  };
  let out = "";
  let last = "";
  let lastText = "";
  let x = 0;
  let y = 0;
  let startX = 0;
  let startY = 0;
  let handleX = 0;
  let handleY = 0;
  let handleOf = 0;
  let at = 0;

  /** A command and its numbers as text that may follow what is written. */
  const joined = (letter: string, numbers: readonly number[]): string => {
    if (commands !== "shortest") return `${out ? " " : ""}${letter} ${numbers.map(text).join(" ")}`;
    // After a move, pairs are lines of the same kind; other letters need not be said twice.
    const silent =
      letter === last && letter !== "m" && letter !== "M" ? true : (letter === "l" && last === "m") || (letter === "L" && last === "M");
    let piece = silent ? "" : letter;
    let before = silent ? lastText : letter;
    for (const n of numbers) {
      const t = text(n);
      // A sign or a second point starts a number of its own.
      const bare = /[A-Za-z]/.test(before) || t.startsWith("-") || (t.startsWith(".") && before.includes("."));
      piece += bare ? t : ` ${t}`;
      before = t;
    }
    return piece;
  };
  const write = (candidates: readonly [string, readonly number[]][]) => {
    let best = "";
    let letter = "";
    let end = 0;
    for (const [l, numbers] of candidates) {
      if (commands === "absolute" && l !== l.toUpperCase()) continue;
      if (commands === "relative" && l !== l.toLowerCase()) continue;
      const piece = joined(l, numbers);
      if (letter === "" || piece.length < best.length) {
        best = piece;
        letter = l;
        end = numbers[numbers.length - 1];
      }
    }
    out += best;
    last = letter;
    lastText = text(end);
  };

  for (const verb of path.verbs) {
    const n = taken[verb];
    const p = Array.from(path.coords.subarray(at, at + n), round);
    at += n;
    if (verb === Verb.Close) {
      out += commands === "shortest" ? "z" : commands === "absolute" ? " Z" : " z";
      last = "z";
      x = startX;
      y = startY;
      handleOf = 0;
      continue;
    }
    const [ex, ey] = [p[n - 2], p[n - 1]];
    const rel = p.map((v, i) => v - (i % 2 ? y : x));
    if (verb === Verb.Move) {
      write([
        ["M", p],
        ["m", rel],
      ]);
      startX = ex;
      startY = ey;
    } else if (verb === Verb.Line) {
      const short: [string, number[]][] =
        commands !== "shortest"
          ? []
          : ey === y
            ? [
                ["h", [ex - x]],
                ["H", [ex]],
              ]
            : ex === x
              ? [
                  ["v", [ey - y]],
                  ["V", [ey]],
                ]
              : [];
      write([...short, ["l", rel], ["L", p]]);
    } else {
      const [long, smooth] = verb === Verb.Cubic ? ["c", "s"] : ["q", "t"];
      const reflected = handleOf === verb ? [2 * x - handleX, 2 * y - handleY] : [x, y];
      const asSmooth =
        commands === "shortest" && (handleOf === verb || verb === Verb.Cubic) && p[0] === reflected[0] && p[1] === reflected[1];
      const candidates: [string, number[]][] = asSmooth
        ? [
            [smooth, rel.slice(2)],
            [smooth.toUpperCase(), p.slice(2)],
          ]
        : [];
      write([...candidates, [long, rel], [long.toUpperCase(), p]]);
      handleX = p[n - 4];
      handleY = p[n - 3];
    }
    handleOf = verb === Verb.Cubic || verb === Verb.Quad ? verb : 0;
    x = ex;
    y = ey;
  }
  return out;
}
