import { finder } from "../../params";
import type { FormStepKind } from "../form-step";
import { board } from "./board";
import { ground } from "./ground";
import { grow } from "./grow";
import { keepInside } from "./keep-inside";
import { knockOut } from "./knock-out";
import { letters } from "./letters";
import { plug } from "./plug";
import { rim } from "./rim";
import { scale } from "./scale";
import { shift } from "./shift";
import { shrink } from "./shrink";
import { trail } from "./trail";
import { weld } from "./weld";

/** Every kind of form step, in the order the drawer offers them. */
export const formStepKinds = [letters, ground, board, grow, shrink, weld, plug, shift, scale, rim, knockOut, keepInside, trail] as const;

export const formStepKind = finder<FormStepKind>(formStepKinds);
