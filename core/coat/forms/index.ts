import { finder } from "../../params";
import type { FormStepKind } from "../form-step";
import { band } from "./band";
import { blockShade } from "./block-shade";
import { board } from "./board";
import { castShade } from "./cast-shade";
import { chisel } from "./chisel";
import { dropShade } from "./drop-shade";
import { gleam } from "./gleam";
import { ground } from "./ground";
import { grow } from "./grow";
import { hatch } from "./hatch";
import { inlines } from "./inlines";
import { keepInside } from "./keep-inside";
import { knockOut } from "./knock-out";
import { letters } from "./letters";
import { loosen } from "./loosen";
import { plug } from "./plug";
import { mirror } from "./mirror";
import { redraw } from "./redraw";
import { ribbons } from "./ribbons";
import { rim } from "./rim";
import { ripple } from "./ripple";
import { scale } from "./scale";
import { shift } from "./shift";
import { shrink } from "./shrink";
import { solid } from "./solid";
import { steppedLinesForm } from "./stepped-lines";
import { trail } from "./trail";
import { wear } from "./wear";
import { unknownStep } from "../unknown";
import { weld } from "./weld";

/** Every kind of form step, in the order the drawer offers them. */
export const formStepKinds = [
  letters,
  ground,
  board,
  grow,
  shrink,
  weld,
  plug,
  shift,
  scale,
  loosen,
  band,
  rim,
  ripple,
  wear,
  redraw,
  hatch,
  inlines,
  gleam,
  ribbons,
  steppedLinesForm,
  blockShade,
  solid,
  chisel,
  dropShade,
  castShade,
  mirror,
  trail,
  knockOut,
  keepInside,
] as const;

export const formStepKind = finder<FormStepKind>([...formStepKinds, unknownStep]);
