import * as z from "zod";
import { styleSchema } from "./schema";

export const libraryFormat = "vextal.library";
export const libraryVersion = 1;

/** Pictures by the ids of the photos, as data URLs. */
export const photoData = z.record(z.string().regex(/^[0-9a-f]{32}$/), z.string().regex(/^data:image\/(png|jpeg|webp);base64,/));

/** Several styles in one file, with the photos that they paint with. */
export const librarySchema = z.object({
  format: z.literal(libraryFormat),
  version: z.literal(libraryVersion),
  styles: z.array(styleSchema).max(2000),
  photos: photoData.default({}),
});

/** A style in a file of its own, with the photos that it paints with. */
export const styleFileSchema = styleSchema.extend({ photos: photoData.optional() });

/** What is written of one style, or of several, before it is JSON. @param photos data URLs by ids */
export function libraryOf(styles: readonly unknown[], photos: ReadonlyMap<string, string>): unknown {
  return { format: libraryFormat, version: libraryVersion, styles, photos: Object.fromEntries(photos) };
}
