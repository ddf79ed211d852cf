import type * as z from "zod";
import { finder, newStep, unionOf } from "../../params";
import { Problem } from "../../problem";
import { exportArea, hasInk, type Exported, type Host, type OutputKind, type OutputTools } from "../output-kind";
import { photoSides } from "../photo-sides";
import { pdf } from "./pdf";
import { png } from "./png";
import { svg } from "./svg";
import { svgWithPiece } from "./svg-with-piece";

/** Every output, in the order the drawer shows them. */
export const outputKinds = [svg, svgWithPiece, png, pdf] as const;

const schema = unionOf(outputKinds);
/** An output by its name, with its settings. */
export type OutputStep = z.output<typeof schema>;
export type OutputName = OutputStep["kind"];
export const outputStepSchema: z.ZodType<OutputStep> = schema;

const find = finder<OutputKind>(outputKinds);
export const outputOf = (kind: OutputName): OutputKind => find(kind);

/** An output at its defaults, or with some settings of its own. @throws ZodError where one is not what it may be */
export const newOutput = (kind: OutputName, settings: Readonly<Record<string, unknown>> = {}): OutputStep =>
  schema.parse({ ...newStep(outputOf(kind)), ...settings, kind });

/** Why something is not written so, in the user's words; null where it is. */
export function refusalOf(step: OutputStep, exported: Exported): string | null {
  const box = exportArea(exported.scene, exported.area);
  if (!hasInk(box)) return "There is nothing to draw: the selection has no ink.";
  return outputOf(step.kind).refuses?.(exported, box, step) ?? null;
}

/** How many pixels the longer side of each photo needs, by its id; of those that are not named as many as it has. */
export function photoSidesOf(step: OutputStep, exported: Exported): ReadonlyMap<string, number> {
  const box = exportArea(exported.scene, exported.area);
  const density = hasInk(box) ? outputOf(step.kind).photoDensity?.(exported, box, step) : undefined;
  return density === undefined ? new Map() : photoSides(exported.scene, exported.area, density);
}

/** The file. @throws Problem where it is refused */
export async function write(step: OutputStep, exported: Exported, host: Host, tools?: OutputTools): Promise<string | Uint8Array> {
  const why = refusalOf(step, exported);
  if (why) throw new Problem(why);
  const { needs = [], write: as } = outputOf(step.kind);
  if (needs.length && !tools) throw new Error(`${step.kind} needs ${needs.join(" and ")}, which are not here.`);
  const given = { ...host, ...Object.fromEntries(needs.map((name) => [name, tools![name]])) } as OutputTools & Host;
  return as(exported, exportArea(exported.scene, exported.area), step, given);
}
