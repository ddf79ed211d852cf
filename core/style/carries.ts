import type { Coat } from "../coat/schema";
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
  /** Which of them, by their places. */
  readonly which: readonly number[];
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
  const which = outlines.flatMap((path, i) => (closes(path) ? [i] : []));
  return { inset, closed: which.length, of: outlines.length, which };
}

/** Halvings of the share that is looked for: to a hundredth. */
const halvings = 7;

/**
 * The style with its insets no deeper than the letters of a word carry: those of a coat keep their proportions to each other.
 * @returns the style with the share of its insets that is left, from 0 to 1; the same style where nothing closes
 */
export function eased(style: Style, face: Face, outlines: readonly Path[], size: number, kernel: Kernel): { style: Style; share: number } {
  const carried = (share: number) => !strainOf(withInsets(style, share), face, outlines, size, kernel)?.closed;
  if (carried(1)) return { style, share: 1 };
  let [low, high] = [0, 1];
  for (let i = 0; i < halvings; i++) {
    const share = (low + high) / 2;
    if (carried(share)) low = share;
    else high = share;
  }
  const share = Math.floor(low * 100) / 100;
  return { style: withInsets(style, share), share };
}

/** The style with everything that goes into the letters at a share of its depth. */
function withInsets(style: Style, share: number): Style {
  const less = (length: number) => Number((length * share).toPrecision(6));
  const coats = style.coats.map((coat): Coat => {
    const { lay } = coat;
    return {
      ...coat,
      form: coat.form.map((step) => (step.kind === "shrink" ? { ...step, amount: less(step.amount) } : step)),
      lay: lay.kind === "stroke" && lay.side !== "outside" ? { ...lay, width: less(lay.width) } : lay,
    };
  });
  return { ...style, coats };
}
