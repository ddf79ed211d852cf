import type { MainModule, PathsD } from "clipper2-wasm/dist/clipper2z";
import type { Polygon } from "../../core/curves/path";
import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import path from "node:path";

export type Clipper = MainModule;

/** Clipper2 (clipper2-wasm), the reference for areas. */
export async function loadClipper(): Promise<Clipper> {
  const { default: create } = await import("clipper2-wasm/dist/es/clipper2z.js");
  const folder = path.dirname(createRequire(path.join(process.cwd(), "package.json")).resolve("clipper2-wasm/package.json"));
  return create({ wasmBinary: readFileSync(path.join(folder, "dist/es/clipper2z.wasm")) });
}

/** Decimals of the grid that the reference works on: a ten-thousandth of a unit. */
const precision = 4;

export type Operation = "Union" | "Intersection" | "Difference" | "Xor";
export type FillRule = "NonZero" | "Positive";

export function clip(
  m: Clipper,
  operation: Operation,
  rule: FillRule,
  subjects: readonly Polygon[],
  clips: readonly Polygon[] = [],
): Polygon[] {
  const a = toPaths(m, subjects);
  const b = toPaths(m, clips);
  const solution = m.BooleanOpD(m.ClipType[operation], m.FillRule[rule], a, b, precision);
  try {
    return fromPaths(solution);
  } finally {
    for (const held of [a, b, solution]) held.delete();
  }
}

/** Polygons in the library's memory; to be deleted. */
export function toPaths(m: Clipper, polygons: readonly Polygon[]): PathsD {
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

/** What is in the library's memory as polygons. */
export function fromPaths(paths: PathsD): Polygon[] {
  return Array.from({ length: paths.size() }, (_, i) => {
    const path = paths.get(i);
    const view = path.view();
    const polygon = new Float64Array((view.length / 3) * 2);
    for (let k = 0, p = 0; k < view.length; k += 3, p += 2) {
      polygon[p] = view[k];
      polygon[p + 1] = view[k + 1];
    }
    path.delete();
    return polygon;
  });
}
