import { z } from "zod";
import { strandSchema, type Strand } from "./curves/nodes";
import { photoSchema } from "./photo";

/**
 * What a form step, a paint, a finish, a guide line or a shape can be set to. One description gives the Zod schema, the defaults and the
 * controls of the drawer, so that a new kind is one file.
 */
interface Base {
  readonly label: string;
  /** What it does to the letters, as the tooltip says it. */
  readonly hint: string;
  /** Shown only where this holds of the other values. */
  readonly when?: (values: Record<string, unknown>) => boolean;
}

/** A length in hundredths of the style's measure (in points where the measure is fixed). */
export interface LengthParam extends Base {
  readonly type: "length";
  readonly default: number;
  readonly min: number;
  readonly max: number;
}
export interface NumberParam extends Base {
  readonly type: "number";
  readonly default: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly suffix?: string;
}
export interface ChoiceParam<V extends string = string> extends Base {
  readonly type: "choice";
  readonly default: V;
  readonly options: readonly { readonly value: V; readonly label: string; readonly hint: string }[];
}
/** Lengths in turn, painted and left out. */
export interface LengthsParam extends Base {
  readonly type: "lengths";
  readonly default: readonly number[];
}
/** The id of one of the style's inks. */
export interface InkParam extends Base {
  readonly type: "ink";
  readonly default: string;
}
export interface StopsParam extends Base {
  readonly type: "stops";
  readonly default: readonly Stop[];
}
/** A place in the span: 0, 0 is its top left, 1, 1 its bottom right. */
export interface PlaceParam extends Base {
  readonly type: "place";
  readonly default: { readonly x: number; readonly y: number };
}

/** A curve given by its nodes, which is edited on the bench. */
export interface StrandParam extends Base {
  readonly type: "strand";
  readonly default: Strand;
}

/** Several curves given by their nodes. */
export interface StrandsParam extends Base {
  readonly type: "strands";
  readonly default: readonly Strand[];
}
/** The id of a shape on the board; empty where none is chosen. */
export interface ShapeParam extends Base {
  readonly type: "shape";
  readonly default: string;
}

/** A photo, or none. */
export interface PhotoParam extends Base {
  readonly type: "photo";
  readonly default: null;
}

export type Param =
  | PhotoParam
  | StrandParam
  | StrandsParam
  | ShapeParam
  | LengthParam
  | NumberParam
  | ChoiceParam
  | LengthsParam
  | InkParam
  | StopsParam
  | PlaceParam;
export type Params = Readonly<Record<string, Param>>;

export const stopSchema = z.object({
  at: z.number().min(0).max(100),
  ink: z.string().min(1).max(64),
  opacity: z.number().min(0).max(100).default(100),
});
/** One colour of a gradient; `at` and `opacity` in percent. */
export type Stop = z.infer<typeof stopSchema>;

const place = z.object({ x: z.number().min(-20).max(20), y: z.number().min(-20).max(20) });

function schemaOfParam(p: Param): z.ZodType {
  switch (p.type) {
    case "length":
    case "number":
      return z.number().min(p.min).max(p.max).default(p.default);
    case "choice":
      return z.enum(p.options.map((o) => o.value) as [string, ...string[]]).default(p.default);
    case "lengths":
      return z
        .array(z.number().min(0).max(1000))
        .max(16)
        .default([...p.default]);
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
        .refine((all) => all.reduce((n, s) => n + s.nodes.length, 0) <= 100_000, "A shape holds at most 100,000 nodes.")
        .default(p.default.map((s) => ({ ...s })));
    case "shape":
      return z.string().max(64).default(p.default);
    case "photo":
      return photoSchema.nullable().default(p.default);
  }
}

/** The Zod shape of `params`. */
export const shapeOf = (params: Params): Record<string, z.ZodType> =>
  Object.fromEntries(Object.entries(params).map(([name, p]) => [name, schemaOfParam(p)]));

export const defaultsOf = (params: Params): Record<string, unknown> =>
  Object.fromEntries(Object.entries(params).map(([name, p]) => [name, structuredCloneOf(p.default)]));

const structuredCloneOf = <T>(v: T): T => JSON.parse(JSON.stringify(v)) as T;

/** Anything that names itself and its settings: one entry of a registry. */
export interface Kind {
  readonly kind: string;
  readonly label: string;
  readonly hint: string;
  readonly params: Params;
}

/** A kind's name with its settings beside it. */
export type Step = { kind: string } & Record<string, unknown>;

export const newStep = (kind: Pick<Kind, "kind" | "params">): Step => ({ kind: kind.kind, ...defaultsOf(kind.params) });

/** The schema of a choice from a registry: each kind with its own settings beside it. */
export const unionOf = (kinds: readonly Pick<Kind, "kind" | "params">[], extra: z.ZodRawShape = {}) =>
  z.discriminatedUnion(
    "kind",
    kinds.map((k) => z.object({ kind: z.literal(k.kind), ...extra, ...shapeOf(k.params) })) as unknown as [
      z.ZodObject<{ kind: z.ZodLiteral<string> }>,
    ],
  ) as unknown as z.ZodType<Step>;
