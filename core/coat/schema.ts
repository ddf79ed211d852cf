import * as z from "zod";
import { colourSchema } from "../colour";
import { idSchema as id } from "../ids";
import { defaultsOf, shapeOf, unionOf, unionWith, type StepOf, type Values } from "../params";
import { finishKinds } from "./finishes";
import { formStepKinds } from "./forms";
import { layKinds } from "./lays";
import { lightSchema } from "./light";
import { paintKinds } from "./paints";
import { unknownLay, unknownPaint, unknownStep } from "./unknown";

const name = z.string().max(80);

type FinishKinds = (typeof finishKinds)[number];
export type Paint = StepOf<(typeof paintKinds)[number] | typeof unknownPaint>;
export type Lay = StepOf<(typeof layKinds)[number] | typeof unknownLay>;
/** The settings of every finish, by its name. */
export type Finishes = { readonly [K in FinishKinds as K["kind"]]: Values<K["params"]> };

const formStepSchema = unionWith([...formStepKinds, unknownStep], { id, on: z.boolean().default(true) });
const paintSchema = unionOf([...paintKinds, unknownPaint]);
const laySchema = unionOf([...layKinds, unknownLay]);
const finishShape: z.ZodRawShape = Object.fromEntries(finishKinds.map((k) => [k.kind, z.object(shapeOf(k.params)).prefault({})]));
// Made from the very same descriptions as its type.
const finishSchema = z.object(finishShape) as unknown as z.ZodType<Finishes>;

export type FormStep = z.output<typeof formStepSchema>;

export const coatSchema = z.object({
  id,
  name,
  on: z.boolean().default(true),
  /** The ordered steps that make the shape; the first one is a source. */
  form: z.array(formStepSchema).min(1).max(32),
  paint: paintSchema,
  /** Paints of parts that its steps put into passes, by the pass; those without one are painted as the rest is. */
  passes: z.record(id, paintSchema).default({}),
  lay: laySchema,
  finish: finishSchema,
  /** Where its light comes from, where that is not simply the lamp of the piece. */
  light: lightSchema.optional(),
  /** The finishes in the order in which they are laid, where that is not the usual one. */
  order: z.array(id).max(64).default([]),
  /** Finishes that are not known here, by their names, as they came. */
  kept: z.record(id, z.looseObject({})).optional(),
});
export type Coat = z.infer<typeof coatSchema>;

export const inkSchema = z.object({ id, name, colour: colourSchema });
export type Ink = z.infer<typeof inkSchema>;

type Given = Readonly<Record<string, unknown>>;
/** A step, a paint or a lay of a kind that is known by its name; what is not given is as it is by default. @throws ZodError */
export const newFormStep = (kind: string, id: string, values: Given = {}): FormStep => formStepSchema.parse({ ...values, kind, id });
export const newPaint = (kind: string, values: Given = {}): Paint => paintSchema.parse({ ...values, kind });
export const newLay = (kind: string, values: Given = {}): Lay => laySchema.parse({ ...values, kind });

/** Every finish as it is by default, but for what is given of some. @throws ZodError */
export const newFinish = (values: Readonly<Record<string, Given | undefined>> = {}): Finishes =>
  finishSchema.parse(Object.fromEntries(finishKinds.map((k) => [k.kind, { ...defaultsOf(k.params), ...values[k.kind] }])));
