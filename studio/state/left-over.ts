import { ApiProblem, type api, type Documents, type Shelf } from "../api/client";

/**
 * What was not saved when a page was closed. A request that outlives its page carries 64 kB at most (Fetch Standard, section 5.6:
 * keepalive), and one that is under way ends with it; so it is kept in the browser, and sent when Vextal is opened again.
 */
export interface LeftOver {
  readonly shelf: Shelf;
  readonly document: Documents[Shelf];
  /** That it stands on; null for a document that is not on the server yet. */
  readonly revision: number | null;
}

const prefix = "vextal.unsaved.";
const keyOf = (shelf: Shelf, id: string): string => `${prefix}${shelf}.${id}`;

/** Keeps it where there is room; where there is none, nothing more can be done. */
export function keepLeftOver(left: LeftOver, store: Storage = localStorage): void {
  try {
    store.setItem(keyOf(left.shelf, left.document.id), JSON.stringify(left));
  } catch {
    // The browser keeps some five megabytes.
  }
}

export const dropLeftOver = (shelf: Shelf, id: string, store: Storage = localStorage): void => store.removeItem(keyOf(shelf, id));

type Api = Pick<typeof api, "create" | "replace">;

/**
 * Sends what was left over, styles first. Where something else is there by now it comes in beside it, so that neither is lost.
 * @returns the names of what came in beside another version
 */
export async function sendLeftOvers(server: Api, newId: () => string, store: Storage = localStorage): Promise<string[]> {
  const keys = Array.from({ length: store.length }, (_, i) => store.key(i)!).filter((k) => k.startsWith(prefix));
  const beside: string[] = [];
  for (const key of keys.sort().reverse()) {
    const sent = await sendLeftOver(server, newId, JSON.parse(store.getItem(key)!) as LeftOver);
    if (!sent) continue;
    if (sent.beside) beside.push(sent.beside);
    store.removeItem(key);
  }
  return beside;
}

/**
 * Sends one document that was left over.
 * @returns the name under which it came in beside another version, where it did; undefined where the server was not reached
 */
export async function sendLeftOver(
  server: Api,
  newId: () => string,
  { shelf, document, revision }: LeftOver,
): Promise<{ beside?: string } | undefined> {
  try {
    if (revision === null) await server.create(shelf, document);
    else await server.replace(shelf, document, revision);
  } catch (error) {
    const status = error instanceof ApiProblem ? error.status : 0;
    // Not reached, or not now: it is tried again the next time.
    if (status === 0 || status >= 500) return undefined;
    if (status === 404 || status === 409 || status === 412) {
      const beside = `${document.name.slice(0, 90)} (left unsaved)`;
      await server.create(shelf, { ...document, id: newId(), name: beside, ...(shelf === "pieces" ? { named: true } : {}) });
      return { beside };
    }
  }
  return {};
}
