import type { Photo } from "../photo";
import { photosOf, withPhotos } from "../style/photos";
import type { Style } from "../style/schema";
import { looksOf, type Piece } from "./schema";

/** The photos that a piece shows in the styles that it is linked to: those that they paint with, and its studio pictures. */
export function photosShown(piece: Piece, styles: readonly Style[]): Photo[] {
  const all = [...looksOf(piece, styles).flatMap(photosOf), ...piece.items.flatMap((i) => i.studio?.photo ?? [])];
  return [...new Map(all.map((p) => [p.id, p])).values()];
}

/** The item with others in the place of some photos, by the ids that go. */
export function itemWithPhotos<I extends Piece["items"][number]>(item: I, others: ReadonlyMap<string, Photo>): I {
  const { ownStyle, studio } = item;
  const photo = studio && others.get(studio.photo.id);
  return { ...item, ownStyle: ownStyle && withPhotos(ownStyle, others), studio: photo ? { ...studio, photo } : studio };
}
