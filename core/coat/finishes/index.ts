import { blend } from "./blend";
import { softShadow } from "./soft-shadow";
import { opacity } from "./opacity";

/** Every finish, in the order the drawer shows them. */
export const finishKinds = [opacity, blend, softShadow] as const;
