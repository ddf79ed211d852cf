import { perspective } from "../core/bend/perspective";
import { createInterface } from "node:readline";
import * as z from "zod";
import { Budget } from "../core/curves/budget";
import { contoursOf, pathOf } from "../core/curves/contour";
import { CurveKernel, type Join } from "../core/curves/kernel";
import { Course } from "../core/curves/length";
import { contains, nearest, perimeterOf, shapeAt } from "../core/curves/measure";
import { parseSvgPath } from "../core/curves/parse-svg-path";
import { Path, PathBuilder } from "../core/curves/path";
import { writeSvgPath } from "../core/curves/write-svg-path";
import { firstFault, Problem } from "../core/problem";

const number = z.number();
const point = z.tuple([number, number]);
const matrix = z.tuple([number, number, number, number, number, number]);

/** The fields that several operations share, and what they mean. */
const fields = {
  a: z.string().describe("SVG path data, filled nonzero"),
  b: z.union([z.string(), z.array(z.string())]).describe("SVG path data, or a list of them"),
  d: number.describe("distance in units, outwards above 0, inwards below"),
  join: z.enum(["miter", "round", "bevel"]).default("miter").describe("how corners are joined"),
  limit: number.min(1).default(4).describe("miter limit, as in SVG"),
  width: number.describe("full width in units"),
  side: z.enum(["inside", "centre", "outside"]).default("centre").describe("where a band lies on a closed outline"),
  cap: z.enum(["butt", "round", "square"]).default("butt").describe("how open lines and dashes end"),
  dashes: z.array(number.min(0)).default([]).describe("lengths painted and left out in turn"),
  taper: z
    .array(z.tuple([number.min(0).max(1), number.min(0)]))
    .optional()
    .describe("[place from 0 to 1, full width], ...; in place of width"),
  x: number,
  y: number,
  tolerance: number.positive().default(0.05).describe("largest distance from the true curve, in units"),
};
const { a, b, d, join, limit, width, side, cap, dashes, taper, x, y, tolerance } = fields;

const warps = z.union([
  z.strictObject({ kind: z.literal("matrix"), m: matrix }).describe("a b c d e f, as in SVG"),
  z
    .strictObject({
      kind: z.literal("perspective"),
      from: z.tuple([number, number, number, number]),
      to: z.tuple([point, point, point, point]),
    })
    .describe("from [x, y, width, height] to four corners, clockwise from the top left"),
  z.strictObject({ kind: z.literal("arc"), radius: number }).describe("the x axis is laid along a circle of this radius about (0, radius)"),
  z
    .strictObject({ kind: z.literal("wave"), height: number, length: number.positive() })
    .describe("y is moved by height times the sine of x / length turns"),
]);

const common = {
  id: z.unknown().optional(),
  budget: number.positive().optional(),
  decimals: z.int().min(0).max(6).default(3),
  commands: z.enum(["absolute", "relative", "shortest"]).default("shortest"),
};
const op = <N extends string, S extends z.ZodRawShape>(name: N, shape: S, about: string) =>
  z.strictObject({ op: z.literal(name), ...shape, ...common }).describe(about);

const operations = [
  op("union", { a, b: b.default([]) }, "everything that a or b covers"),
  op("intersect", { a, b }, "what a and every b cover"),
  op("subtract", { a, b }, "what a covers and no b does"),
  op("exclude", { a, b }, "what an odd number of a and b cover"),
  op(
    "stack",
    { items: z.array(z.strictObject({ path: z.string(), label: z.union([z.string(), number]).optional() })).max(10_000) },
    "what is seen of shapes that lie over one another, nearest first, a part for each label and each item without one; what winds counterclockwise on screen covers nothing; answers parts",
  ),
  op("weld", { a }, "the union of a with itself"),
  op("plug", { a }, "a without its counters"),
  op("split", { a }, "the separate shapes of a; answers paths"),
  op("grow", { a, d, join, limit }, "the parallel outline"),
  op(
    "band",
    { a, width: width.default(0), side, join, limit, cap, dashes, taper },
    "a stroke made a shape; contours without Z are open lines",
  ),
  op(
    "sweep",
    { a, x: x.optional(), y: y.optional(), to: point.optional(), by: number.max(1).default(1) },
    "all that a covers on its way by the vector x, y, or towards the point `to` by a fraction of the way; answers the silhouette, and the sides with their sources",
  ),
  op("simplify", { a, tolerance }, "a with fewer nodes"),
  op("fit", { points: z.array(point).min(2), closed: z.boolean().default(false), tolerance }, "the fewest curves through points"),
  op("warp", { a, by: warps, tolerance }, "a bent by a smooth map"),
  op("transform", { a, m: matrix }, "a under an affine map"),
  op("part", { a, from: number, to: number }, "the stretch of the first contour between two lengths from its start"),
  op(
    "at",
    { a, length: number, offset: number.default(0) },
    "the point of the first contour at a length, moved off it to the left of travel; answers x, y, dx, dy, curvature",
  ),
  op("nearest", { a, x, y }, "the point of a next to x, y; answers x, y, distance, contour, segment, t"),
  op("contains", { a, x, y }, "whether x, y lies inside a; answers inside"),
  op("measure", { a }, "length, area, nodes and tight bounds of a, as drawn"),
  op("path", { a }, "a written anew"),
] as const;
const request = z.discriminatedUnion("op", operations);
type Request = z.infer<typeof request>;

const kernel = new CurveKernel();

/** Answers one request. @throws Problem, RangeError with what is wrong with it */
function answer(q: Request): Record<string, unknown> {
  const budget = new Budget(q.budget);
  const out = (path: Path) => ({ path: writeSvgPath(path, q), nodes: path.nodes, area: tidy(kernel.area(path)) });
  const path = () => parseSvgPath((q as { a: string }).a);
  const others = (of: string | string[]) => (typeof of === "string" ? [of] : of).map(parseSvgPath);
  const joined = (r: { join: Join["kind"]; limit: number }): Join =>
    r.join === "miter" ? { kind: "miter", limit: r.limit } : { kind: r.join };
  switch (q.op) {
    case "union":
      return out(kernel.union([path(), ...others(q.b)], undefined, budget));
    case "intersect":
      return out(kernel.intersect([path(), ...others(q.b)], budget));
    case "subtract":
      return out(kernel.subtract(path(), others(q.b), budget));
    case "exclude":
      return out(kernel.exclude([path(), ...others(q.b)], budget));
    case "stack": {
      const parts = kernel.stack(
        q.items.map((item) => ({ path: parseSvgPath(item.path), label: item.label })),
        budget,
      );
      return { parts: parts.map(({ label, path: part }) => ({ ...(label === undefined ? {} : { label }), ...out(part) })) };
    }
    case "weld":
      return out(kernel.weld(path(), budget));
    case "plug":
      return out(kernel.plug(path(), budget));
    case "split":
      return { paths: kernel.split(path(), budget).map(out) };
    case "grow":
      return out(kernel.grow(path(), q.d, joined(q), budget));
    case "band":
      return out(kernel.band(path(), { ...q, join: joined(q), taper: q.taper?.map(([at, w]) => ({ at, width: w })) }, budget));
    case "sweep": {
      const way = q.to
        ? ({ kind: "point", x: q.to[0], y: q.to[1], by: q.by } as const)
        : ({ kind: "vector", x: q.x ?? 0, y: q.y ?? 0 } as const);
      const { silhouette, sides } = kernel.sweep(path(), way, budget);
      return { ...out(silhouette), sides: sides.map((s) => ({ ...s, path: writeSvgPath(s.path, q) })) };
    }
    case "simplify":
      return out(kernel.simplify(path(), q.tolerance, budget));
    case "fit": {
      const line = new PathBuilder().move(...q.points[0]);
      for (const p of q.points.slice(1)) line.line(...p);
      if (q.closed) line.close();
      return out(kernel.simplify(line.build(), q.tolerance, budget));
    }
    case "warp":
      return out(kernel.warp(path(), warpOf(q.by), q.tolerance, budget));
    case "transform":
      return out(path().transform(q.m));
    case "part": {
      const [c] = contoursOf(path(), false);
      const part = c && new Course(c).part(q.from, q.to);
      return out(part ? pathOf([part]) : Path.empty);
    }
    case "at": {
      const p = path();
      const [c] = contoursOf(p, false);
      if (!c) throw new Problem("This path has no length.");
      const course = new Course(c);
      const place = course.placeAt(q.length);
      const k = Math.min(c.size - 1, Math.floor(place));
      return { ...course.at(q.length, q.offset), curvature: shapeAt(p, 0, k, place - k).curvature };
    }
    case "nearest":
      return { ...nearest(path(), q.x, q.y) };
    case "contains":
      return { inside: contains(path(), q.x, q.y) };
    case "measure": {
      const p = path();
      const { minX, minY, maxX, maxY } = p.bounds;
      return { length: perimeterOf(p), area: kernel.area(p, budget), nodes: p.nodes, bounds: p.isEmpty ? null : [minX, minY, maxX, maxY] };
    }
    case "path":
      return out(path());
  }
}

const tidy = (v: number): number => Math.round(v * 1e6) / 1e6;

function warpOf(by: z.infer<typeof warps>): (x: number, y: number, out: Float64Array) => void {
  switch (by.kind) {
    case "matrix": {
      const [ma, mb, mc, md, me, mf] = by.m;
      return (px, py, o) => void o.set([ma * px + mc * py + me, mb * px + md * py + mf, ma, mb, mc, md]);
    }
    case "arc": {
      const r = by.radius;
      return (px, py, o) => {
        const s = Math.sin(px / r);
        const c = Math.cos(px / r);
        const reach = r - py;
        o.set([reach * s, r - reach * c, (reach * c) / r, (reach * s) / r, -s, c]);
      };
    }
    case "wave": {
      const k = (2 * Math.PI) / by.length;
      return (px, py, o) => void o.set([px, py + by.height * Math.sin(k * px), 1, by.height * k * Math.cos(k * px), 0, 1]);
    }
    case "perspective": {
      const [x, y, w, h] = by.from;
      return perspective(
        { minX: x, minY: y, maxX: x + w, maxY: y + h },
        by.to.map(([px, py]) => ({ x: px, y: py })),
      );
    }
  }
}

/** One line of JSON in, one out; a line that cannot be answered is answered by its error. */
export function answerLine(line: string): string {
  let id: unknown;
  try {
    let json: unknown;
    try {
      json = JSON.parse(line);
    } catch {
      throw new Problem("This line is not JSON.");
    }
    id = (json as { id?: unknown } | null)?.id;
    const parsed = request.safeParse(json);
    if (!parsed.success) throw new Problem(firstFault(parsed.error));
    const start = performance.now();
    const result = answer(parsed.data);
    return JSON.stringify({ ...(id === undefined ? {} : { id }), ...result, ms: Math.round((performance.now() - start) * 1000) / 1000 });
  } catch (error) {
    const known = error instanceof Problem || error instanceof RangeError;
    const message = known ? error.message : `fault in Vextal: ${(error as Error).message}`;
    return JSON.stringify({ ...(id === undefined ? {} : { id }), error: message });
  }
}

/** Reads requests from standard input, a line each, and writes an answer for each as it is done. */
export async function curves(): Promise<void> {
  for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
    if (line.trim() === "") continue;
    if (!process.stdout.write(`${answerLine(line)}\n`)) await new Promise<void>((resolve) => process.stdout.once("drain", () => resolve()));
  }
}

/** What --help adds: every operation with its fields. */
export function curvesHelp(): string {
  const lines = operations.map((o) => {
    const shape = o.shape as Record<string, z.ZodType>;
    const names = Object.keys(shape).filter((k) => k !== "op" && !(k in common));
    return `  ${String((shape.op as z.ZodLiteral).value).padEnd(10)} ${names.join(", ")}\n${"".padEnd(13)}${o.description}`;
  });
  const meanings = Object.entries(fields)
    .filter(([, f]) => f.description)
    .map(([k, f]) => `  ${k.padEnd(10)} ${f.description}${defaultOf(f)}`);
  const bends = warps.options.map(
    (w) =>
      `  ${`by.kind "${(w.shape.kind as z.ZodLiteral).value}"`.padEnd(24)} ${Object.keys(w.shape)
        .filter((k) => k !== "kind")
        .join(", ")}: ${w.description}`,
  );
  return `
Reads JSON lines from standard input and answers each with one line:
  {"op":"grow","a":"M0 0H100V100H0Z","d":20,"join":"round"}
  {"path":"M...","nodes":8,"area":19256.6,"ms":0.4}   or   {"error":"..."}

Operations and their fields
${lines.join("\n")}

Fields
${meanings.join("\n")}
  x, y       a vector for sweep, a point elsewhere
  m          [a, b, c, d, e, f], as in SVG's matrix()

Bends for warp
${bends.join("\n")}

Every operation also takes
  id         comes back with the answer
  budget     steps of work allowed (100,000,000, some ten seconds); an error says when they ran out
  decimals   digits of the path data, 0 to 6 (3)
  commands   "absolute", "relative" or "shortest" ("shortest")

Units are those of the path: the tolerances are made for about 1000 to the em. Coordinates may reach 10,000,000.
Results are filled nonzero, do not cross themselves, and wind outers positive (shoelace, y down), counters negative.`;
}

function defaultOf(f: z.ZodType): string {
  const made = f instanceof z.ZodDefault ? f.parse(undefined) : undefined;
  return made === undefined ? "" : ` (${JSON.stringify(made)})`;
}
