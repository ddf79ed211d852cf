import { finder } from "../../params";
import type { FinishKind } from "../finish-kind";
import { blend } from "./blend";
import { softShadow } from "./soft-shadow";
import { opacity } from "./opacity";

/** Every finish, in the order the drawer shows them. */
export const finishKinds = [opacity, blend, softShadow] as const;

export const finishKind = finder<FinishKind>(finishKinds);
