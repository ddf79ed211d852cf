import { paintKind } from "../coat/paints";
import type { Photo } from "../photo";
import type { Style } from "./schema";

const namesIn = (kind: string): string[] =>
  Object.entries(paintKind(kind).params).flatMap(([name, p]) => (p.type === "photo" ? [name] : []));

/** The photos that a style paints with, each once. */
export function photosOf({ coats }: Style): Photo[] {
  const found = coats.flatMap(({ paint }) => namesIn(paint.kind).flatMap((name) => (paint[name] as Photo | null) ?? []));
  return [...new Map(found.map((p) => [p.id, p])).values()];
}

/** The style with others in the place of some photos, by the ids that go. */
export function withPhotos(style: Style, others: ReadonlyMap<string, Photo>): Style {
  if (!photosOf(style).some((p) => others.has(p.id))) return style;
  const coats = style.coats.map((coat) => {
    const changed = namesIn(coat.paint.kind).flatMap((name) => {
      const other = others.get((coat.paint[name] as Photo | null)?.id ?? "");
      return other ? [[name, other]] : [];
    });
    return changed.length ? { ...coat, paint: { ...coat.paint, ...Object.fromEntries(changed) } } : coat;
  });
  return { ...style, coats };
}
