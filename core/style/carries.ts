import type { Kernel } from "../curves/kernel";
import type { Path } from "../curves/path";
import type { Face } from "../lettering/face";
import { unitsPerLength } from "./measure";
import type { Style } from "./schema";

/** The deepest inset of a style and the letters that it closes. */
export interface Strain {
  /** Thousandths of the em. */
  readonly inset: number;
  readonly closed: number;
  readonly of: number;
}

/** How deep a coat goes into the letters from their edge, at its deepest, in units; 0 where it does not. */
function deepest(style: Style, scale: number): number {
  let most = 0;
  for (const coat of style.coats) {
    if (!coat.on) continue;
    let depth = 0;
    for (const step of coat.form) {
      if (!step.on) continue;
      if (step.kind === "shrink") depth += step.amount * scale;
      if (step.kind === "grow") depth -= step.amount * scale;
      most = Math.max(most, depth);
    }
    const { lay } = coat;
    if (lay.kind === "stroke" && lay.side !== "outside")
      most = Math.max(most, depth + lay.width * scale * (lay.side === "inside" ? 1 : 0.5));
  }
  return most;
}

/**
 * Whether the letters of a word, in a face, carry the insets of a style. A letter is closed where nothing of it is left, or where it
 * falls into more pieces than it has.
 * @returns undefined where the style goes into no letter
 */
export function strainOf(style: Style, face: Face, outlines: readonly Path[], size: number, kernel: Kernel): Strain | undefined {
  const inset = deepest(style, unitsPerLength(style.measure, face.metrics, size));
  if (!(inset > 0.01) || !outlines.length) return undefined;
  const closes = (path: Path): boolean => {
    const left = kernel.grow(path, -inset, { kind: "miter", limit: 4 });
    return left.isEmpty || kernel.split(left).length > kernel.split(path).length;
  };
  return { inset, closed: outlines.filter(closes).length, of: outlines.length };
}
