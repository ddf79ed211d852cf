import { blend } from "./blend";
import { blur } from "./blur";
import { fade } from "./fade";
import { innerGlow } from "./inner-glow";
import { opacity } from "./opacity";
import { outerGlow } from "./outer-glow";
import { relief } from "./relief";
import { softShadow } from "./soft-shadow";

/** Every finish, in the order the drawer shows them. */
export const finishKinds = [opacity, blend, blur, fade, softShadow, outerGlow, innerGlow, relief] as const;
