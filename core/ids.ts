import * as z from "zod";

const sound = /^[A-Za-z0-9_-]{1,64}$/;

/** What pieces, styles, items, coats and inks are known by. It stands in addresses and names as it is. */
export const idSchema = z.string().regex(sound, "An id is 1 to 64 letters, digits, hyphens and underscores.");

export const isSoundId = (id: string): boolean => sound.test(id);

/** The keys whose value is an id, of the thing itself or of what it refers to. */
const named = new Set(["id", "styleId", "ink", "shape", "coat"]);

/**
 * A document whose ids are sound: any other is renamed, and so is what refers to it. The same id gets the same new name wherever it stands,
 * so that a piece and a style that come in one after the other still know each other.
 */
export function withSoundIds(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withSoundIds);
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, v]) => {
      if (typeof v === "string") return [key, named.has(key) ? renamed(v) : v];
      if (key === "groups" && Array.isArray(v)) return [key, v.map((g) => (typeof g === "string" ? renamed(g) : g))];
      // Inks of one letter, by the inks that they stand for.
      if (key === "inks" && isTexts(v))
        return [key, Object.fromEntries(Object.entries(v).map(([from, to]) => [renamed(from), renamed(to)]))];
      return [key, withSoundIds(v)];
    }),
  );
}

const isTexts = (v: unknown): v is Record<string, string> =>
  typeof v === "object" && v !== null && !Array.isArray(v) && Object.values(v).every((t) => typeof t === "string");

/** A sound id for any text: what of it is sound, and a number that tells it from others. Nothing stays nothing: it names nothing. */
function renamed(id: string): string {
  if (id === "" || sound.test(id)) return id;
  // FNV-1a, 32 bits (Fowler, Noll and Vo; RFC 9923), of UTF-16 units.
  let hash = 0x811c9dc5;
  for (let i = 0; i < id.length; i++) hash = Math.imul(hash ^ id.charCodeAt(i), 0x01000193);
  const kept = id.replace(/[^A-Za-z0-9_-]+/g, "-").slice(0, 48);
  return `${kept}-${(hash >>> 0).toString(36)}`;
}
