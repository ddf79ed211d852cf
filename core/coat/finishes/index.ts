import { blend } from "./blend";
import { blur } from "./blur";
import { softShadow } from "./soft-shadow";
import { opacity } from "./opacity";

/** Every finish, in the order the drawer shows them. */
export const finishKinds = [opacity, blend, blur, softShadow] as const;
