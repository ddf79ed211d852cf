import { readFileSync } from "node:fs";
import { open } from "../../core/input/open";
import { svgShapes } from "../../core/input/svg-shapes";
import { CurveKernel } from "../../core/curves/kernel";
import { Problem } from "../../core/problem";
import { demoPieces } from "../../demo/pieces";
import { demoStyles } from "../../demo/styles";
import { shippedFaces } from "../../server/faces/shipped";
import { Random } from "../kernel/random";
import type { Served } from "./served";

export interface Hostility {
  given: number;
  refused: number;
  taken: number;
  /** Answers of 500 and above, errors that are not in the user's words, and servers that ended. */
  crashed: number;
  hung: number;
}

/** The longest that a file read in this process may take, in milliseconds. */
const patience = 10_000;

/** Bytes changed, cut out, doubled and cut short at random. */
function damaged(bytes: Uint8Array, r: Random): Uint8Array {
  const out = [...bytes];
  for (let n = r.whole(1, 12); n > 0; n--) {
    const at = r.whole(0, Math.max(0, out.length - 1));
    const what = r.whole(0, 3);
    if (what === 0) out[at] = r.whole(0, 255);
    if (what === 1) out.splice(at, r.whole(1, 40));
    if (what === 2) out.splice(at, 0, ...out.slice(at, at + r.whole(1, 40)));
    if (what === 3 && r.chance(0.2)) out.length = at;
  }
  return Uint8Array.from(out);
}

/** Values of a document changed for others that a schema may not expect. */
function twisted(value: unknown, r: Random): unknown {
  if (r.chance(0.01))
    return r.pick<unknown>([null, -1, 1e308, NaN, "", "\u0000", "x".repeat(100_000), [], {}, "../../etc", true, [[[[]]]], "__proto__"]);
  if (Array.isArray(value)) return value.flatMap((v) => (r.chance(0.02) ? [] : r.chance(0.02) ? [twisted(v, r), v] : [twisted(v, r)]));
  if (typeof value === "object" && value !== null)
    return Object.fromEntries(
      Object.entries(value).flatMap(([k, v]) => (r.chance(0.01) ? [] : [[r.chance(0.005) ? "__proto__" : k, twisted(v, r)]])),
    );
  return value;
}

/** Markup of groups, transforms, paths and uses that goes wrong in many ways. */
function markup(r: Random): string {
  const number = () =>
    r.pick([String(r.between(-1000, 1000)), "1e308", "-1e-308", "NaN", "9".repeat(r.whole(1, 400)), "", ".", "1e", "--5"]);
  const transform = () =>
    Array.from(
      { length: r.whole(1, 20) },
      () =>
        `${r.pick(["translate", "scale", "rotate", "matrix", "skewX", "x"])}${r.pick(["(", "((", " ("])}${number()},${number()}${r.pick([")", "", "))"])}`,
    ).join(r.pick(["", " ", ","]));
  const data = () =>
    Array.from({ length: r.whole(1, 200) }, () => `${r.pick([..."MmLlHhVvCcQqSsTtAaZzX"])}${number()} ${number()} ${number()}`).join("");
  const element = (depth: number): string => {
    const kind = r.pick(["g", "path", "rect", "use", "svg", "symbol", "polygon", "circle", "text", "!"]);
    if (kind === "!") return r.pick(["<!-- ", "<![CDATA[", "&bad;", "<g", "</g>", "<?x?>", "\u0000"]);
    const inside = depth > 0 && r.chance(0.7) ? Array.from({ length: r.whole(0, 3) }, () => element(depth - 1)).join("") : "";
    return `<${kind} id="a${r.whole(0, 5)}" href="#a${r.whole(0, 5)}" transform="${transform()}" d="${data()}" points="${number()},${number()} ${number()}" r="${number()}" width="${number()}" height="${number()}" fill-rule="${r.pick(["evenodd", "nonzero"])}">${inside}</${kind}>`;
  };
  return `<svg xmlns="http://www.w3.org/2000/svg">${Array.from({ length: r.whole(1, 4) }, () => element(r.whole(0, 6))).join("")}</svg>`;
}

/** Gives the server damaged fonts, pictures and documents, and the readers of files damaged SVGs and pieces, by seeds. */
export async function hostile(
  served: Served,
  cases: number,
  firstSeed: number,
  tell: (done: number) => void = () => undefined,
): Promise<Hostility> {
  const sum: Hostility = { given: 0, refused: 0, taken: 0, crashed: 0, hung: 0 };
  const fonts = shippedFaces.slice(0, 6).map((f) => readFileSync(`node_modules/${f.file}`));
  const photo = readFileSync("demo/files/ridge.jpg");
  const documents = [...demoPieces(), ...demoStyles()];
  const count = (status: number) => {
    if (status === -1) sum.hung++;
    else if (status === 0 || status >= 500) sum.crashed++;
    else if (status >= 400) sum.refused++;
    else sum.taken++;
  };
  const here = (work: () => unknown) => {
    const start = performance.now();
    try {
      work();
      sum.taken++;
    } catch (error) {
      if (error instanceof Problem) sum.refused++;
      else sum.crashed++;
    }
    if (performance.now() - start > patience) sum.hung++;
  };
  for (let seed = firstSeed; seed < firstSeed + cases; seed++) {
    const r = new Random(seed);
    sum.given++;
    const kind = seed % 5;
    if (kind === 0) count((await served.file("/api/faces", "font", damaged(r.pick(fonts), r), "font.ttf")).status);
    if (kind === 1)
      count((await served.file("/api/photos", "photo", damaged(photo.subarray(0, r.whole(100, photo.length)), r), "photo.jpg")).status);
    if (kind === 2) {
      const document = twisted(r.pick(documents), r) as { format?: string };
      count((await served.json("POST", document?.format === "vextal.style" ? "/api/styles" : "/api/pieces", document)).status);
    }
    if (kind === 3) here(() => svgShapes(markup(r), new CurveKernel()));
    if (kind === 4) here(() => open(new TextDecoder().decode(damaged(new TextEncoder().encode(JSON.stringify(r.pick(documents))), r))));
    if (served.ended) {
      sum.crashed++;
      break;
    }
    if ((seed - firstSeed + 1) % 500 === 0) tell(seed - firstSeed + 1);
  }
  return sum;
}
