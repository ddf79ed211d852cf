import * as z from "zod";
import { strandSchema } from "../curves/nodes";
import { photoSchema } from "../photo";
import { pictureSizeSchema } from "../picture-size";
import type { ListParam, Param, Params } from "./param";

export const stopSchema = z.object({
  at: z.number().min(0).max(100),
  ink: z.string().min(1).max(64),
  opacity: z.number().min(0).max(100).default(100),
});

/** Seeds are whole numbers from 0 to this. */
export const lastSeed = 999_999;

const place = z.object({ x: z.number().min(-20).max(20), y: z.number().min(-20).max(20) });
const profilePoint = z.object({ at: z.number().min(0).max(100), value: z.number().min(-1000).max(1000) });
const mostNodes = 100_000;

/** The schema of one setting, with its default. */
export function schemaOfParam(p: Param): z.ZodType {
  switch (p.type) {
    case "length":
    case "number":
    case "angle":
      return z.number().min(p.min).max(p.max).default(p.default);
    case "seed":
      return z.int().min(0).max(lastSeed).default(p.default);
    case "toggle":
      return z.boolean().default(p.default);
    case "choice":
      return z.enum(p.options.map((o) => o.value)).default(p.default);
    case "lengths":
      return z
        .array(z.number().min(0).max(1000))
        .max(16)
        .default([...p.default]);
    case "direction":
      return z.object({ angle: z.number().min(-360).max(360), distance: z.number().min(0).max(p.max) }).default({ ...p.default });
    case "ink":
      return z.string().min(1).max(64).default(p.default);
    case "stops":
      return z
        .array(stopSchema)
        .min(2)
        .max(64)
        .default(p.default.map((s) => ({ ...s })));
    case "place":
      return place.default({ ...p.default });
    case "strand":
      return strandSchema.default(p.default);
    case "strands":
      return z
        .array(strandSchema)
        .max(5000)
        .refine(
          (all) => all.reduce((n, s) => n + s.nodes.length, 0) <= mostNodes,
          `A shape holds at most ${mostNodes.toLocaleString("en")} nodes.`,
        )
        .default(p.default.map((s) => ({ ...s })));
    case "shape":
    case "coat":
      return z.string().max(64).default(p.default);
    case "item":
      return z.object({ id: z.string().max(64), what: z.enum(["letters", "painted"]) }).default({ ...p.default });
    case "photo":
      return photoSchema.nullable().default(p.default);
    case "size":
      return pictureSizeSchema.nullable().default(p.default);
    case "list":
      return z
        .array(z.object(shapeOf(p.of)))
        .max(p.most)
        .default(p.default.map((row) => ({ ...row })));
    case "marks":
      return z
        .array(z.object({ of: z.string().max(64), x: z.number().min(-1).max(2), y: z.number().min(-1).max(2) }))
        .max(1000)
        .default(p.default.map((mark) => ({ ...mark })));
    case "held":
      return z.looseObject({ kind: z.string().min(1).max(64) }).default(p.default);
    case "profile":
      return z
        .array(profilePoint)
        .min(2)
        .max(64)
        .default(p.default.map((point) => ({ ...point })));
  }
}

/** The Zod shape of settings. */
export const shapeOf = (params: Params): Record<string, z.ZodType> =>
  Object.fromEntries(Object.entries(params).map(([name, p]) => [name, schemaOfParam(p)]));

/** The defaults of settings, by their names. */
export function defaultsOf(params: Params): Readonly<Record<string, unknown>> {
  let found = known.get(params);
  if (!found) known.set(params, (found = z.object(shapeOf(params)).parse({})));
  return found;
}

/** A kind's parameters stay what they are. */
const known = new WeakMap<Params, Readonly<Record<string, unknown>>>();

/** A row of a list with its other settings at their defaults. */
export const newRow = (list: ListParam, values: Readonly<Record<string, unknown>> = {}): Record<string, unknown> =>
  z.object(shapeOf(list.of)).parse(values);
