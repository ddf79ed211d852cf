import { ApiProblem, type Documents, type Shelf, type api } from "../api/client";
import type { LeftOver } from "./left-over";
import type { Work } from "./work";

export type SaveState =
  | { readonly kind: "saved" }
  | { readonly kind: "saving" }
  /** Waiting for the next try. */
  | { readonly kind: "unsaved"; readonly reason: string | null }
  /** Another tab saved another version of this document. */
  | { readonly kind: "conflict"; readonly shelf: Shelf; readonly id: string; readonly name: string };

interface Tracked {
  /** As it is on the server; undefined where it was taken off the shelf again. */
  document: Documents[Shelf] | undefined;
  revision: number;
  /** Made in this session, so that undoing its making takes it off the shelf. */
  ours: boolean;
}

type Api = Pick<typeof api, "create" | "replace" | "remove" | "restore">;

const pause = 350;
const retry = 3000;
/** After this without an answer work is said to be unsaved, as it is. */
const patience = 1500;

/**
 * Keeps the database in step with the work: the first save a moment after a change, one at a time, tried again until
 * it goes through. A document that another tab has changed is never overwritten without being asked.
 */
export class Saver {
  readonly #tracked = new Map<string, Tracked>();
  /**
   * What was sent and not answered: it may have arrived. It is sent again as it was before anything newer, which the server knows to be the
   * same.
   */
  readonly #unanswered = new Map<string, Documents[Shelf]>();
  #work: Work;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #running = false;
  /** Why the last try failed, or how it has gone on for too long; undefined where nothing stands in the way. */
  #trouble: string | undefined;
  #discarded = false;
  #stopped: { shelf: Shelf; id: string; name: string } | undefined;

  constructor(
    private readonly server: Api,
    work: Work,
    private readonly onState: (state: SaveState) => void,
    /** A document is on the server, or is given up: nothing of it need be kept here. */
    private readonly onSaved: (shelf: Shelf, id: string) => void = () => undefined,
  ) {
    this.#work = work;
  }

  /** Tells which revision of a document the server holds. */
  track(shelf: Shelf, document: Documents[Shelf], revision: number): void {
    this.#tracked.set(`${shelf}/${document.id}`, { document, revision, ours: false });
  }

  get dirty(): boolean {
    return !this.#discarded && this.#changes().length > 0;
  }

  /** Ids of the styles that are not on the server as they are here. */
  get unsavedStyles(): string[] {
    return Object.values(this.#work.styles)
      .filter((s) => this.#tracked.get(`styles/${s.id}`)?.document !== s)
      .map((s) => s.id);
  }

  /** What the server may not have, with the revision that it stands on. */
  get unsaved(): LeftOver[] {
    if (this.#discarded) return [];
    return [...this.#documents()].flatMap(([key, document]) => {
      const tracked = this.#tracked.get(key);
      return tracked?.document === document && !this.#unanswered.has(key)
        ? []
        : [{ shelf: key.split("/")[0] as Shelf, document, revision: tracked?.revision ?? null }];
    });
  }

  /** Gives up what is not saved, so that the page can be left for what is on the server. */
  discard(): void {
    const given = this.unsaved;
    this.#discarded = true;
    for (const { shelf, document } of given) this.onSaved(shelf, document.id);
  }

  /** Takes note of the work as it is now. */
  changed(work: Work): void {
    this.#work = work;
    if (this.#stopped) return;
    if (!this.dirty) {
      if (!this.#running) this.onState({ kind: "saved" });
      return;
    }
    if (this.#running) return;
    this.#say();
    this.#timer ??= setTimeout(() => void this.flush(), pause);
  }

  /** Saves now. @param leaving whether the page is being closed */
  async flush(leaving = false): Promise<void> {
    clearTimeout(this.#timer);
    this.#timer = undefined;
    if (this.#running || this.#stopped || this.#discarded) return;
    this.#running = true;
    try {
      for (let changes = this.#changes(); changes.length; changes = this.#changes()) {
        this.#say();
        for (const change of changes) await this.#inTime(change(leaving));
      }
      this.#trouble = undefined;
      this.onState({ kind: "saved" });
    } catch (error) {
      this.#failed(error);
    } finally {
      this.#running = false;
    }
  }

  /** While nothing stands in the way work is being saved; otherwise it is not, however often it is tried. */
  #say(): void {
    this.onState(this.#trouble === undefined ? { kind: "saving" } : { kind: "unsaved", reason: this.#trouble });
  }

  /** What is not answered soon is said not to be saved, and goes on. */
  async #inTime(saving: Promise<void>): Promise<void> {
    const late = setTimeout(() => {
      this.#trouble = "Vextal's server has not answered yet.";
      this.#say();
    }, patience);
    try {
      await saving;
      this.#trouble = undefined;
    } finally {
      clearTimeout(late);
    }
  }

  /** Ends a conflict: the work as it is here takes the place of what is there. */
  async overwrite(): Promise<void> {
    const stopped = this.#stopped;
    if (!stopped) return;
    const tracked = this.#tracked.get(`${stopped.shelf}/${stopped.id}`);
    const document = this.#documents().get(`${stopped.shelf}/${stopped.id}`);
    this.#stopped = undefined;
    try {
      if (tracked && document) {
        tracked.revision = await this.server.replace(stopped.shelf, document, null);
        tracked.document = document;
        this.onSaved(stopped.shelf, document.id);
      }
    } catch (error) {
      this.#failed(error);
      return;
    }
    await this.flush();
  }

  #failed(error: unknown): void {
    if (this.#stopped) return this.onState({ kind: "conflict", ...this.#stopped });
    this.#trouble = (error as Error).message;
    this.#say();
    this.#timer ??= setTimeout(() => void this.flush(), retry);
  }

  #documents(): Map<string, Documents[Shelf]> {
    const all = new Map<string, Documents[Shelf]>([[`pieces/${this.#work.piece.id}`, this.#work.piece]]);
    for (const style of Object.values(this.#work.styles)) all.set(`styles/${style.id}`, style);
    return all;
  }

  /** What must be sent, styles before the piece that is linked to them. */
  #changes(): ((leaving: boolean) => Promise<void>)[] {
    const documents = this.#documents();
    const out: ((leaving: boolean) => Promise<void>)[] = [];
    for (const [key, document] of [...documents].reverse()) {
      const shelf = key.split("/")[0] as Shelf;
      const tracked = this.#tracked.get(key);
      if (tracked?.document === document && !this.#unanswered.has(key)) continue;
      out.push((leaving) => this.#put(shelf, key, document, leaving));
    }
    for (const [key, tracked] of this.#tracked)
      if (tracked.ours && tracked.document && !documents.has(key))
        out.push(async () => {
          const [shelf, id] = key.split("/") as [Shelf, string];
          await this.server.remove(shelf, id);
          tracked.document = undefined;
        });
    return out;
  }

  async #put(shelf: Shelf, key: string, latest: Documents[Shelf], leaving: boolean): Promise<void> {
    const document = this.#unanswered.get(key) ?? latest;
    this.#unanswered.set(key, document);
    try {
      await this.#send(shelf, key, document, leaving);
      this.#unanswered.delete(key);
      this.onSaved(shelf, document.id);
    } catch (error) {
      if (error instanceof ApiProblem && error.status >= 400 && error.status < 500) this.#unanswered.delete(key);
      throw error;
    }
  }

  async #send(shelf: Shelf, key: string, document: Documents[Shelf], leaving: boolean): Promise<void> {
    const tracked = this.#tracked.get(key);
    try {
      if (!tracked) {
        const { revision } = await this.server.create(shelf, document);
        this.#tracked.set(key, { document, revision, ours: true });
        return;
      }
      if (!tracked.document) await this.server.restore(shelf, document.id);
      tracked.revision = await this.server.replace(shelf, document, tracked.revision, leaving);
      tracked.document = document;
    } catch (error) {
      if (tracked && error instanceof ApiProblem && error.status === 404) {
        // Deleted elsewhere while it is in use here: it is brought back rather than lost.
        await this.server.restore(shelf, document.id);
        tracked.revision = await this.server.replace(shelf, document, null);
        tracked.document = document;
        return;
      }
      if (error instanceof ApiProblem && error.status === 412) this.#stopped = { shelf, id: document.id, name: document.name };
      throw error;
    }
  }
}
