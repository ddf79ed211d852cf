/** The libraries that the kernel is timed against, each behind the same few operations on its own kind of path. */
import { createRequire } from "node:module";
import path from "node:path";
import { flatten } from "../core/curves/flatten";
import { Path, taken } from "../core/curves/path";
import { loadClipper, toPaths } from "../tests/kernel/clipper";
import { writeSvgPath } from "../core/curves/write-svg-path";
import { parseSvgPath } from "../core/curves/parse-svg-path";

export interface Peer {
  readonly name: string;
  /** What is made of a path before the clock starts. */
  read(path: Path): unknown;
  union(a: unknown): unknown;
  unite(a: unknown, b: unknown): unknown;
  /** Undefined where the library cannot. */
  grow?(a: unknown, d: number): unknown;
  /** A result as a path, after the clock has stopped. */
  write(result: unknown): Path;
  free(result: unknown): void;
}

const require = createRequire(path.join(process.cwd(), "package.json"));
type Any = any; // eslint-disable-line @typescript-eslint/no-explicit-any -- two of the peers have no types for what is used here

/** Numbers that a Skia path has for each of its commands: move, line, quad, conic, cubic, close. */
const skiaTakes = [2, 2, 4, 5, 6, 0];

function fromCommands(commands: ArrayLike<number>): Path {
  const verbs: number[] = [];
  const coords: number[] = [];
  for (let i = 0; i < commands.length;) {
    const verb = commands[i];
    const n = skiaTakes[verb];
    // A conic is drawn as the quadratic of its points, near enough to be counted.
    verbs.push([0, 1, 2, 2, 3, 4][verb]);
    for (let k = 0; k < (verb === 3 ? 4 : n); k++) coords.push(commands[i + 1 + k]);
    i += n + 1;
  }
  return new Path(Uint8Array.from(verbs), Float64Array.from(coords));
}

async function canvasKit(): Promise<Peer> {
  const ck: Any = await require("canvaskit-wasm")();
  return {
    name: "canvaskit-wasm",
    read: (p) => {
      const commands: number[] = [];
      let at = 0;
      for (const v of p.verbs) {
        commands.push([0, 1, 2, 4, 5][v], ...p.coords.subarray(at, at + taken[v]));
        at += taken[v];
      }
      return ck.Path.MakeFromCmds(commands);
    },
    union: (a: Any) => a._makeSimplified(),
    unite: (a, b) => ck.Path.MakeFromOp(a, b, ck.PathOp.Union),
    grow: (a: Any, d) => {
      const stroke = a.makeStroked({ width: 2 * Math.abs(d), join: ck.StrokeJoin.Round });
      const out = ck.Path.MakeFromOp(d > 0 ? stroke : a, d > 0 ? a : stroke, d > 0 ? ck.PathOp.Union : ck.PathOp.Difference);
      stroke.delete();
      return out;
    },
    write: (r: Any) => fromCommands(r.toCmds()),
    free: (r: Any) => r.delete(),
  };
}

async function pathKit(): Promise<Peer> {
  const folder = path.dirname(require.resolve("pathkit-wasm/package.json"));
  const pk: Any = await require("pathkit-wasm/bin/pathkit.js")({ locateFile: (f: string) => path.join(folder, "bin", f) });
  return {
    name: "pathkit-wasm",
    read: (p) => pk.FromSVGString(writeSvgPath(p, { decimals: 6, commands: "absolute" })),
    union: (a: Any) => a.copy().simplify(),
    unite: (a, b) => pk.MakeFromOp(a, b, pk.PathOp.UNION),
    grow: (a: Any, d) => {
      const stroke = a.copy().stroke({ width: 2 * Math.abs(d), join: pk.StrokeJoin.ROUND });
      const out = pk.MakeFromOp(d > 0 ? stroke : a, d > 0 ? a : stroke, d > 0 ? pk.PathOp.UNION : pk.PathOp.DIFFERENCE);
      stroke.delete();
      return out;
    },
    write: (r: Any) => fromCommands(r.toCmds().flat()),
    free: (r: Any) => r.delete(),
  };
}

async function clipper(): Promise<Peer> {
  const m = await loadClipper();
  type Paths = ReturnType<typeof toPaths>;
  return {
    name: "clipper2-wasm",
    // Flattened as finely as the kernel does inside.
    read: (p) => toPaths(m, flatten(p, 0.05)),
    union: (a) => m.UnionSelfD(a as Paths, m.FillRule.NonZero, 3),
    unite: (a, b) => m.BooleanOpD(m.ClipType.Union, m.FillRule.NonZero, a as Paths, b as Paths, 3),
    grow: (a, d) => {
      const clean = m.UnionSelfD(a as Paths, m.FillRule.NonZero, 3);
      const out = m.InflatePathsD(clean, d, m.JoinType.Round, m.EndType.Polygon, 2, 3, 0.05);
      clean.delete();
      return out;
    },
    write: (r) => {
      const paths = r as Paths;
      const verbs: number[] = [];
      const coords: number[] = [];
      for (let i = 0; i < paths.size(); i++) {
        const one = paths.get(i);
        const view = one.view();
        for (let k = 0; k < view.length; k += 3) {
          verbs.push(k === 0 ? 0 : 1);
          coords.push(view[k], view[k + 1]);
        }
        verbs.push(4);
        one.delete();
      }
      return new Path(Uint8Array.from(verbs), Float64Array.from(coords));
    },
    free: (r) => (r as Paths).delete(),
  };
}

async function paper(): Promise<Peer> {
  const scope: Any = require("paper/dist/paper-core.js");
  scope.setup(new scope.Size(1, 1));
  return {
    name: "paper",
    read: (p) => Object.assign(scope.PathItem.create(writeSvgPath(p, { decimals: 6, commands: "absolute" })), { fillRule: "nonzero" }),
    union: (a: Any) => a.unite(undefined, { insert: false }),
    unite: (a: Any, b) => a.unite(b, { insert: false }),
    write: (r: Any) => parseSvgPath(r.pathData),
    free: () => {},
  };
}

export async function peers(): Promise<Peer[]> {
  // Their loaders take Node for a browser where there is a fetch, and ask it for a file.
  const { fetch } = globalThis;
  Reflect.deleteProperty(globalThis, "fetch");
  try {
    return [await canvasKit(), await pathKit(), await clipper(), await paper()];
  } finally {
    globalThis.fetch = fetch;
  }
}
