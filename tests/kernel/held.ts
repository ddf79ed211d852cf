import { contoursOf, pathOf, type Contour } from "../../core/curves/contour";
import { flatten } from "../../core/curves/flatten";
import { CurveKernel } from "../../core/curves/kernel";
import { windingAbout } from "../../core/curves/measure";
import { scaling } from "../../core/curves/matrix";
import type { Path, Polygon } from "../../core/curves/path";
import { perimeter, signedArea } from "../../core/curves/polygon";
import { gridUnits, known } from "./allowed";
import { clip, fromPaths, toPaths, type Clipper } from "./clipper";
import { classes, classNames, type ClassName } from "./layered";
import { Random } from "./random";
import { totalArea } from "./reference";
import { Trial, type BooleanName, type Call } from "./trial";

/** What is wrong with a case: a boolean that the reference answers in another way, or an identity that does not hold. */
export interface Fault {
  readonly what: string;
  readonly off: number;
  readonly allowed: number;
  /** Of a boolean: what was asked, as small as it could be made. */
  readonly reduced?: { readonly op: BooleanName; readonly inputs: readonly Path[] };
}

export interface Held {
  readonly seed: number;
  readonly name: ClassName;
  readonly size: number;
  readonly booleans: number;
  readonly faults: readonly Fault[];
}

/**
 * Sizes that letters come in, as a factor of 1000 units to the em: from a hundredth of a unit to a hundred thousand. Most are as they are
 * set.
 */
const sizes = [1, 1, 1, 1, 1, 1, 0.00002, 0.0004, 0.04, 0.2, 3, 20, 100];

/** Holds one case of the layered classes against Clipper2, boolean by boolean, and against what must hold of its areas. */
export function hold(m: Clipper, seed: number, letters: readonly Path[]): Held {
  const r = new Random(seed);
  const name = classNames[seed % classNames.length];
  const size = r.pick(sizes);
  const trial = new Trial(r, letters, size);
  classes[name](trial);
  const faults: Fault[] = [];
  for (const call of trial.calls) {
    const fault = faultOf(m, call);
    if (fault) faults.push({ ...fault, reduced: reduced(m, call) });
  }
  for (const { name: what, off, allowed } of trial.identities) if (!(off <= allowed)) faults.push({ what, off, allowed });
  return { seed, name, size, booleans: trial.calls.length, faults };
}

/** Chords of the reference, in units of letters of some 600: coarse ones first. */
const chords = [0.002, 0.0005];

/** How a boolean differs from Clipper2's answer on polygons of its own inputs: by area, or by how many parts and counters there are. */
export function faultOf(m: Clipper, { op, inputs, result }: Call): Fault | undefined {
  const all = inputs.filter((p) => !p.isEmpty);
  const width = Math.max(...all.map((p) => Math.max(p.bounds.maxX - p.bounds.minX, p.bounds.maxY - p.bounds.minY)), 1e-9);
  // Small shapes are held large: the reference has a grid of its own.
  const zoom = Math.max(1, 600 / width);
  const units = gridUnits(all);
  let fault: Fault | undefined;
  for (const chord of chords) {
    const polygons = (p: Path) => flatten(p.transform(scaling(zoom)), chord * units);
    // Each by itself first: what winds the other way would take from its neighbours.
    const sources = inputs.map((p) => clip(m, "Union", "NonZero", polygons(p)));
    const wanted = answer(m, op, sources);
    const got = polygons(result);
    const around = sources.flat().reduce((sum, p) => sum + perimeter(p), 0);
    const strip = known * units * zoom;
    const differing = clip(m, "Xor", "NonZero", got, wanted);
    const off = Math.abs(totalArea(differing));
    const allowed = strip * around + 1e-4;
    fault =
      off <= allowed
        ? countFault(m, differing, 10 * strip)
        : { what: `${op} of ${inputs.length}`, off: off / zoom ** 2, allowed: allowed / zoom ** 2 };
    if (!fault || !isOurs({ op, inputs, result }, differing, zoom)) return undefined;
  }
  return fault;
}

/**
 * Whether it is the kernel that is wrong where the two differ. The reference errs, too: at places within what differs the windings of the
 * inputs are counted, on the curves as they are. Where no such place is found, in something thin, it counts as the kernel's fault.
 */
function isOurs({ op, inputs, result }: Call, differing: readonly Polygon[], zoom: number): boolean {
  const r = new Random(1);
  const wide = [...differing].sort((p, q) => Math.abs(signedArea(q)) / perimeter(q) - Math.abs(signedArea(p)) / perimeter(p)).slice(0, 3);
  const covers = (p: Path, x: number, y: number) => windingAbout(contoursOf(p, true), x, y) !== 0;
  let ours = 0;
  let theirs = 0;
  for (const polygon of wide) {
    const side = (k: number) => polygon.filter((_, i) => i % 2 === k);
    const between = (values: Polygon) => r.between(Math.min(...values), Math.max(...values));
    for (let n = 0; n < 300 && ours + theirs < 30; n++) {
      const [x, y] = [between(side(0)), between(side(1))];
      if (differing.filter((p) => holds(p, x, y)).length % 2 === 0) continue;
      const by = inputs.map((p) => covers(p, x / zoom, y / zoom));
      const truth = {
        union: by.some(Boolean),
        intersect: by.every(Boolean),
        subtract: by[0] && !by.slice(1).some(Boolean),
        exclude: by.filter(Boolean).length % 2 === 1,
      }[op];
      if (truth === covers(result, x / zoom, y / zoom)) theirs++;
      else ours++;
    }
  }
  return ours >= theirs;
}

/** Whether a point lies in a polygon, by crossings. */
function holds(p: Polygon, x: number, y: number): boolean {
  let inside = false;
  for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2)
    if (p[i + 1] > y !== p[j + 1] > y && x < ((p[j] - p[i]) * (y - p[i + 1])) / (p[j + 1] - p[i + 1]) + p[i]) inside = !inside;
  return inside;
}

function answer(m: Clipper, op: BooleanName, [first, ...others]: readonly Polygon[][]): Polygon[] {
  if (op === "union") return clip(m, "Union", "NonZero", [first, ...others].flat());
  if (op === "subtract") return clip(m, "Difference", "NonZero", first, others.flat());
  return others.reduce((a, b) => clip(m, op === "intersect" ? "Intersection" : "Xor", "NonZero", a, b), first);
}

/**
 * A part or a counter that is missing, or one too many: something that all differs and is left when a hair is taken off all round. Rings
 * are not counted, since where borders touch any of them may be linked; what is in one answer and not in the other is counted, however
 * small it is.
 */
function countFault(m: Clipper, differing: readonly Polygon[], hair: number): Fault | undefined {
  if (!differing.some((p) => Math.abs(signedArea(p)) > hair * perimeter(p))) return undefined;
  const lost = shrunk(m, differing, hair);
  return lost.length ? { what: `${lost.length} parts or counters too many or too few`, off: totalArea(lost), allowed: 0 } : undefined;
}

function shrunk(m: Clipper, polygons: readonly Polygon[], by: number): Polygon[] {
  const held = toPaths(m, polygons);
  const left = m.InflatePathsD(held, -by, m.JoinType.Miter, m.EndType.Polygon, 2, 5, 0);
  try {
    return fromPaths(left);
  } finally {
    held.delete();
    left.delete();
  }
}

/** Asks again with fewer paths, then with fewer contours, for as long as the answer stays wrong. */
export function reduced(m: Clipper, { op, inputs }: Call): { op: BooleanName; inputs: Path[] } {
  const isWrong = (paths: readonly Path[]) => {
    if (paths.length < (op === "subtract" ? 2 : 1)) return false;
    try {
      return faultOf(m, { op, inputs: paths, result: ask(op, paths) }) !== undefined;
    } catch {
      return false;
    }
  };
  let paths = inputs.map((p) => p);
  for (let i = paths.length - 1; i >= 0; i--) {
    const fewer = paths.filter((_, k) => k !== i);
    if (isWrong(fewer)) paths = fewer;
  }
  for (let i = 0; i < paths.length; i++) {
    let contours: readonly Contour[] = contoursOf(paths[i], false);
    for (let k = contours.length - 1; k >= 0 && contours.length > 1; k--) {
      const fewer = contours.filter((_, n) => n !== k);
      const smaller = paths.map((p, n) => (n === i ? pathOf(fewer) : p));
      if (!isWrong(smaller)) continue;
      contours = fewer;
      paths = smaller;
    }
  }
  return { op, inputs: paths };
}

/** Without what is kept from before. */
export function ask(op: BooleanName, paths: readonly Path[]): Path {
  const kernel = new CurveKernel();
  return op === "subtract" ? kernel.subtract(paths[0], paths.slice(1)) : kernel[op](paths);
}
