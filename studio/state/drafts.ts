import { createStore, del, delMany, entries, setMany } from "idb-keyval";
import { nanoid } from "nanoid";
import type { Shelf } from "../api/client";
import type { LeftOver } from "./left-over";

/**
 * What is not saved yet, in the browser's own database, from each edit until it is on the server: a browser that is ended by force has no
 * time to do anything. Each tab has drafts of its own, and holds a lock (W3C Web Locks) for as long as it lives, so that no other tab takes
 * what is still being worked on for something left over.
 */
const place = () => createStore("vextal", "drafts");
let opened: ReturnType<typeof place> | undefined;
const store = () => (opened ??= place());

const tab = nanoid(10);
const lockOf = (of: string): string => `vextal tab ${of}`;
const keyOf = (shelf: Shelf, id: string): string => `${tab}/${shelf}/${id}`;

/** Both are there on this machine and over TLS; on a plain network address a browser has no locks, and drafts are left out. */
const possible = (): boolean => typeof indexedDB !== "undefined" && typeof navigator !== "undefined" && !!navigator.locks;

let held = false;
/** Holds the lock until the page is gone. */
function live(): void {
  if (held) return;
  held = true;
  void navigator.locks.request(lockOf(tab), () => new Promise<void>(() => undefined)).catch(() => (held = false));
}

/** What a browser refuses to keep, as in a private window, it does without: the server has it in a moment. */
const tolerated = (done: Promise<unknown>): void => void done.catch(() => undefined);

/** The drafts of one open piece. */
export class Drafts {
  #kept: ReadonlySet<string> = new Set();

  /** Keeps what is not saved as it is now, and lets go of what is saved, given up or undone. */
  keep(unsaved: readonly LeftOver[]): void {
    if (!possible() || (!unsaved.length && !this.#kept.size)) return;
    live();
    const before = this.#kept;
    this.#kept = new Set(unsaved.map(({ shelf, document }) => keyOf(shelf, document.id)));
    const over = [...before].filter((key) => !this.#kept.has(key));
    if (over.length) tolerated(delMany(over, store()));
    if (unsaved.length)
      tolerated(
        setMany(
          unsaved.map((left): [string, LeftOver] => [keyOf(left.shelf, left.document.id), left]),
          store(),
        ),
      );
  }
}

/** The drafts of tabs that are no more, styles first, each with what takes it away. */
export async function draftsLeft(): Promise<{ left: LeftOver; drop: () => Promise<void> }[]> {
  if (!possible()) return [];
  try {
    const { held: locks = [] } = await navigator.locks.query();
    const living = new Set(locks.map((lock) => lock.name));
    const all = await entries<string, LeftOver>(store());
    return all
      .filter(([key]) => !living.has(lockOf(key.split("/")[0])) && !key.startsWith(`${tab}/`))
      .sort(([, a], [, b]) => b.shelf.localeCompare(a.shelf))
      .map(([key, left]) => ({ left, drop: () => del(key, store()) }));
  } catch {
    return [];
  }
}
