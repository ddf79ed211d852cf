import { clsx } from "clsx";
import type { Entry } from "../api/client";

export const orders = { newest: "Newest first", used: "Most used first", name: "By name" } as const;
export type Order = keyof typeof orders;

/** Which entries are looked for, and in which order they are shown. */
export interface Find {
  readonly search: string;
  /** Only those with this tag; empty for all. */
  readonly tag: string;
  readonly order: Order;
}
export const everything: Find = { search: "", tag: "", order: "newest" };

/** The entries that are found by their names and tags. Lists come newest first. */
export function found(entries: readonly Entry[], { search, tag, order }: Find): readonly Entry[] {
  const wanted = search.trim().toLowerCase();
  const kept = entries.filter(
    (e) =>
      (!wanted || e.name.toLowerCase().includes(wanted) || (e.tags ?? []).some((t) => t.toLowerCase().includes(wanted))) &&
      (!tag || (e.tags ?? []).includes(tag)),
  );
  if (order === "name") return kept.sort((a, b) => a.name.localeCompare(b.name));
  return order === "used" ? kept.sort((a, b) => (b.uses ?? 0) - (a.uses ?? 0)) : kept;
}

/** The order of entries, and their tags to choose one by. */
export function FindRow({ entries, find, onChange }: { entries: readonly Entry[]; find: Find; onChange: (find: Find) => void }) {
  const counts = new Map<string, number>();
  for (const e of entries) for (const tag of e.tags ?? []) counts.set(tag, (counts.get(tag) ?? 0) + 1);
  const tags = [...counts].sort(([a, n], [b, m]) => m - n || a.localeCompare(b)).map(([tag]) => tag);
  return (
    <div className="flex items-start gap-2">
      <select
        aria-label="Order of the styles"
        value={find.order}
        onChange={(e) => onChange({ ...find, order: e.target.value as Order })}
        className="h-7 shrink-0 rounded-md border border-rule bg-sheet px-1.5 text-xs"
      >
        {Object.entries(orders).map(([value, label]) => (
          <option key={value} value={value}>
            {label}
          </option>
        ))}
      </select>
      <div role="group" aria-label="Tags" className="flex max-h-16 flex-wrap gap-1 overflow-y-auto">
        {tags.map((tag) => (
          <button
            key={tag}
            type="button"
            aria-pressed={tag === find.tag}
            onClick={() => onChange({ ...find, tag: tag === find.tag ? "" : tag })}
            className={clsx(
              "h-7 rounded-full border px-2.5 text-xs",
              tag === find.tag ? "border-graphite bg-graphite text-paper" : "border-rule bg-sheet hover:border-pencil",
            )}
          >
            {tag}
          </button>
        ))}
      </div>
    </div>
  );
}
