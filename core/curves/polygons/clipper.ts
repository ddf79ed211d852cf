import type { MainModule, PathsD } from "clipper2-wasm/dist/clipper2z";
import type { Polygon } from "../path";

export type Clipper = MainModule;

let loading: Promise<Clipper> | undefined;

/**
 * Loads Clipper2 once.
 * @param wasm where clipper2z.wasm is: an address in a browser, its bytes elsewhere
 */
export function loadClipper(wasm: string | Uint8Array): Promise<Clipper> {
  return (loading ??= (async () => {
    const { default: create } = await import("clipper2-wasm/dist/es/clipper2z.js");
    return create(typeof wasm === "string" ? { locateFile: () => wasm } : { wasmBinary: wasm });
  })());
}

/** Decimals of the integer grid that Clipper2 works on: a thousandth of a unit. */
const precision = 3;

type Rule = "NonZero" | "Positive";
type Operation = "Union" | "Intersection" | "Difference";

/**
 * One boolean operation. Every object taken from wasm memory is handed back, so that no operation leaves a trace.
 * Rings under a hundredth of a unit wide are rounding, not shape, and are left out.
 */
export function clip(m: Clipper, operation: Operation, rule: Rule, subjects: readonly Polygon[], clips: readonly Polygon[] = []): Polygon[] {
  const a = toPaths(m, subjects);
  const b = toPaths(m, clips);
  let solution: PathsD | undefined;
  try {
    solution = clips.length
      ? m.BooleanOpD(m.ClipType[operation], m.FillRule[rule], a, b, precision)
      : m.UnionSelfD(a, m.FillRule[rule], precision);
    return fromPaths(solution);
  } finally {
    a.delete();
    b.delete();
    solution?.delete();
  }
}

function toPaths(m: Clipper, polygons: readonly Polygon[]): PathsD {
  const paths = new m.PathsD();
  for (const polygon of polygons) {
    const triplets = new Float64Array((polygon.length / 2) * 3);
    for (let i = 0, k = 0; i < polygon.length; i += 2, k += 3) {
      triplets[k] = polygon[i];
      triplets[k + 1] = polygon[i + 1];
    }
    const path = new m.PathD();
    path.assign(triplets);
    paths.push_back(path);
    path.delete();
  }
  return paths;
}

function fromPaths(paths: PathsD): Polygon[] {
  const out: Polygon[] = [];
  const count = paths.size();
  for (let i = 0; i < count; i++) {
    const path = paths.get(i);
    const view = path.view();
    const polygon = new Float64Array((view.length / 3) * 2);
    let area = 0;
    let around = 0;
    const n = view.length;
    for (let k = 0, j = n - 3, p = 0; k < n; j = k, k += 3, p += 2) {
      polygon[p] = view[k];
      polygon[p + 1] = view[k + 1];
      area += view[j] * view[k + 1] - view[k] * view[j + 1];
      around += Math.abs(view[k] - view[j]) + Math.abs(view[k + 1] - view[j + 1]);
    }
    path.delete();
    if (Math.abs(area) > around * 0.01) out.push(polygon);
  }
  return out;
}
