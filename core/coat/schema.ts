import { z } from "zod";
import { colourSchema } from "../colour";
import { idSchema as id } from "../ids";
import { finishKinds } from "./finishes";
import { formStepKinds } from "./forms";
import { layKinds } from "./lays";
import { paintKinds } from "./paints";
import { defaultsOf, shapeOf, unionOf, type Step } from "../params";

const name = z.string().max(80);

export type FormStep = Step & { id: string; on: boolean };

const formStep = unionOf(formStepKinds, { id, on: z.boolean().default(true) }) as unknown as z.ZodType<FormStep>;
const paint = unionOf(paintKinds);
const lay = unionOf(layKinds);
const finish = z.object(
  Object.fromEntries(finishKinds.map((k) => [k.kind, z.object(shapeOf(k.params)).prefault({})])),
) as unknown as z.ZodType<Record<string, Record<string, unknown>>>;

export const coatSchema = z.object({
  id,
  name,
  on: z.boolean().default(true),
  /** The ordered steps that make the shape; the first one is a source. */
  form: z.array(formStep).min(1).max(32),
  paint,
  lay,
  finish,
});
export type Coat = z.infer<typeof coatSchema>;

export const inkSchema = z.object({ id, name, colour: colourSchema });
export type Ink = z.infer<typeof inkSchema>;

export const newFinish = (): Coat["finish"] => Object.fromEntries(finishKinds.map((k) => [k.kind, defaultsOf(k.params)]));
