import type { FormStepKind } from "../form-step";
import { ground } from "./ground";
import { grow } from "./grow";
import { letters } from "./letters";
import { plug } from "./plug";
import { shift } from "./shift";
import { shrink } from "./shrink";
import { weld } from "./weld";

/** Every kind of form step, in the order the drawer offers them. */
export const formStepKinds: readonly FormStepKind[] = [letters, ground, grow, shrink, weld, plug, shift];

export const formStepKind = (kind: string): FormStepKind => formStepKinds.find((k) => k.kind === kind)!;
