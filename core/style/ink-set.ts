import type { Ink } from "../coat/schema";
import type { Style } from "./schema";

/**
 * A style in the inks of another: those called alike take each other's colours, the others take what is left, in order. Nothing else
 * changes, and none is lost or added.
 */
export function withInkSet(style: Style, set: readonly Ink[]): Style {
  const left = [...set];
  const take = (is: (ink: Ink) => boolean): Ink | undefined => {
    const at = left.findIndex(is);
    return at < 0 ? undefined : left.splice(at, 1)[0];
  };
  const called = (name: string) => (ink: Ink) => ink.name.trim().toLowerCase() === name.trim().toLowerCase();
  const byName = new Map(style.inks.map((ink) => [ink.id, take(called(ink.name))]));
  return {
    ...style,
    inks: style.inks.map((ink) => ({ ...ink, colour: (byName.get(ink.id) ?? take(() => true) ?? ink).colour })),
  };
}
