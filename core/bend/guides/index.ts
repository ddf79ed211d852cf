import { finder } from "../../params";
import type { GuideKind } from "../guide-kind";
import { arc } from "./arc";
import { drawn } from "./drawn";
import { outline } from "./outline";
import { ring } from "./ring";
import { straight } from "./straight";
import { wave } from "./wave";

/** Every kind of guide line. */
export const guideKinds = [arc, ring, wave, drawn, outline, straight] as const;

export const guideKind = finder<GuideKind>(guideKinds);
