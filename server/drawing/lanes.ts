import { stopped, type Drawer } from "./drawer";
import type { Request, ResultOf } from "./job";

/** How long what is alone in the quick lane may take while another waits for it, in milliseconds. */
const quickTime = 1500;

interface Waiting {
  readonly request: Request;
  readonly signal?: AbortSignal;
  readonly resolve: (value: unknown) => void;
  readonly reject: (error: unknown) => void;
}

/**
 * Work for a few processes, in which what is soon done never waits for what takes long. How long a thing takes shows only when it is done:
 * so whatever comes while all slow lanes are busy is begun in the quick one, and what takes long there, while another waits, makes room and
 * is begun anew in a slow one as soon as that is free (a queue with feedback: Corbató, Merwin-Daggett and Daley, An experimental
 * time-sharing system, 1962, with two levels).
 */
export class Lanes {
  readonly #free: Set<Drawer>;
  /** For the quick lane, and for the slow ones. */
  readonly #soon: Waiting[] = [];
  readonly #late: Waiting[] = [];
  #quickBusy = false;
  /** Asks what is in the quick lane to make room. */
  #press: (() => void) | undefined;

  constructor(
    private readonly slow: readonly Drawer[],
    private readonly quick: Drawer,
    private readonly patience = quickTime,
  ) {
    this.#free = new Set(slow);
  }

  /** @param signal ends it at once, or takes it out of the queue @throws Problem where it cannot be done, takes too long or was stopped */
  ask<R extends Request>(request: R, signal?: AbortSignal): Promise<ResultOf<R>> {
    return new Promise((resolve, reject) => {
      const mine: Waiting = { request, signal, resolve: resolve as (value: unknown) => void, reject };
      this.#soon.push(mine);
      signal?.addEventListener("abort", () => this.#leave(mine), { once: true });
      this.#go();
    });
  }

  close(): void {
    for (const drawer of [...this.slow, this.quick]) drawer.close();
  }

  /** Whose asker has gone is waited for no longer. */
  #leave(mine: Waiting): void {
    for (const queue of [this.#soon, this.#late]) {
      const at = queue.indexOf(mine);
      if (at < 0) continue;
      queue.splice(at, 1);
      mine.reject(stopped());
    }
  }

  #go(): void {
    while (this.#free.size) {
      // What was begun before goes on first.
      const next = this.#late.shift() ?? this.#soon.shift();
      if (!next) return;
      const [drawer] = this.#free;
      this.#free.delete(drawer);
      void drawer
        .ask(next.request, next.signal)
        .then(next.resolve, next.reject)
        .finally(() => {
          this.#free.add(drawer);
          this.#go();
        });
    }
    if (this.#soon.length && this.#quickBusy) this.#press?.();
    if (!this.#soon.length || this.#quickBusy) return;
    this.#quickBusy = true;
    void this.#runQuickly(this.#soon.shift()!).finally(() => {
      this.#quickBusy = false;
      this.#go();
    });
  }

  async #runQuickly(w: Waiting): Promise<void> {
    const room = new AbortController();
    const begun = performance.now();
    let timer: ReturnType<typeof setTimeout> | undefined;
    this.#press = () => void (timer ??= setTimeout(() => room.abort(), Math.max(0, this.patience - (performance.now() - begun))));
    if (this.#soon.length) this.#press();
    const result = this.quick.ask(w.request, w.signal ? AbortSignal.any([w.signal, room.signal]) : room.signal);
    await result.then(w.resolve, (error: unknown) => {
      if (room.signal.aborted && !w.signal?.aborted) this.#late.push(w);
      else w.reject(error);
    });
    clearTimeout(timer);
    this.#press = undefined;
  }
}
