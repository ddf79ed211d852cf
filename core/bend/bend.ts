import type { Kernel } from "../curves/kernel";
import type { Path } from "../curves/path";
import type { Setting } from "../lettering/setting";
import { memoByIdentity, numberOf } from "../memo";
import { unbent, type Bent } from "./bent";
import { inEnvelope } from "./envelope";
import { inShape } from "./fit";
import type { GuideContext } from "./guide-kind";
import { guideKind } from "./guides";
import { onGuide } from "./on-guide";
import type { Bend, GuideBend } from "./schema";

export interface BendContext {
  readonly kernel: Kernel;
  readonly capHeight: number;
  /** The outline of a shape on the board, in lettering space; undefined where there is none of that id. */
  readonly outline: (id: string) => Path | undefined;
}

const kept = memoByIdentity<Setting, Bent>(6);

/** The shape on the board that a bend refers to; undefined where it refers to none. */
export function shapeOf(bend: Bend | null): string | undefined {
  if (bend?.kind === "fit") return bend.shape;
  return bend?.kind === "guide" && bend.line.kind === "outline" ? (bend.line.shape as string) : undefined;
}

/** Bends a setting. Pure: equal input gives the same object. */
export function bend(setting: Setting, how: Bend | null, context: BendContext): Bent {
  if (!how) return kept(setting, "", () => unbent(setting));
  const id = shapeOf(how);
  const outline = id === undefined ? undefined : context.outline(id);
  const key = `${context.kernel.name} ${JSON.stringify(how)} ${outline ? numberOf(outline) : ""}`;
  const made = () => {
    switch (how.kind) {
      case "guide":
        return along(setting, how, context, outline, key);
      case "envelope":
        return inEnvelope(setting, how, context.kernel);
      case "fit":
        return inShape(setting, how, outline, context.kernel, key);
    }
  };
  // Of a drag only the last place is of use: what is kept longer has to be carried along at every collection of memory.
  return kept(setting, key, made, context.kernel.name === "draft" ? 1 : undefined);
}

function along(setting: Setting, how: GuideBend, { kernel, capHeight }: BendContext, outline: Path | undefined, key: string): Bent {
  const [first] = setting.lines;
  const widest = setting.lines.reduce((a, l) => (l.width > a.width ? l : a), first);
  const around: GuideContext = { left: widest.x, width: widest.width, capHeight, outline: () => outline };
  const anchored = guideKind(how.line.kind).make(how.line, around);
  return onGuide(setting, anchored, how, kernel, `${key} ${widest.x} ${widest.width} ${capHeight}`);
}
