import * as z from "zod";

const sound = /^[A-Za-z0-9_-]{1,64}$/;

/** What pieces, styles, items, coats and inks are known by. It stands in addresses and names as it is. */
export const idSchema = z.string().regex(sound, "An id is 1 to 64 letters, digits, hyphens and underscores.");

export const isSoundId = (id: string): boolean => sound.test(id);

/**
 * A sound id for any text: what of it is sound, and a number that tells it from others. The same text gives the same id wherever it stands.
 * Nothing stays nothing: it names nothing.
 */
export function soundId(id: string): string {
  if (id === "" || sound.test(id)) return id;
  // FNV-1a, 32 bits (Fowler, Noll and Vo; RFC 9923), of UTF-16 units.
  let hash = 0x811c9dc5;
  for (let i = 0; i < id.length; i++) hash = Math.imul(hash ^ id.charCodeAt(i), 0x01000193);
  const kept = id.replace(/[^A-Za-z0-9_-]+/g, "-").slice(0, 48);
  return `${kept}-${(hash >>> 0).toString(36)}`;
}
