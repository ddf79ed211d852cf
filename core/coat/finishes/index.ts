import type { FinishKind } from "../finish-kind";
import { blend } from "./blend";
import { opacity } from "./opacity";

/** Every finish, in the order the drawer shows them. */
export const finishKinds: readonly FinishKind[] = [opacity, blend];
