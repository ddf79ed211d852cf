import type { GuideKind } from "../guide-kind";
import { arc } from "./arc";
import { drawn } from "./drawn";
import { outline } from "./outline";
import { ring } from "./ring";
import { straight } from "./straight";
import { wave } from "./wave";

/** Every kind of guide line. */
export const guideKinds: readonly GuideKind[] = [arc, ring, wave, drawn, outline, straight];

export const guideKind = (kind: string): GuideKind => guideKinds.find((k) => k.kind === kind)!;
