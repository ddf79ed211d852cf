import type { Part } from "../shape";

/** The parts that are painted in the same inks, each with how an ink of the style is named in them. */
export function byInks(parts: readonly Part[]): { readonly parts: readonly Part[]; readonly rename: (ink: string) => string }[] {
  const groups = new Map<string, Part[]>();
  for (const part of parts) {
    const key = part.inks ? JSON.stringify(part.inks) : "";
    const group = groups.get(key);
    if (group) group.push(part);
    else groups.set(key, [part]);
  }
  return [...groups.values()].map((group) => {
    const { inks } = group[0];
    return { parts: group, rename: (ink) => inks?.[ink] ?? ink };
  });
}
