import { wrap, type Remote } from "comlink";
import type { Progress } from "@/core/piece/compile";
import type { PieceFile } from "@/core/piece/schema";
import { Outgoing } from "@/worker/delta";
import { Pace } from "./pace";
import {
  layerKey,
  type AliveMessage,
  type Answer,
  type FinerMessage,
  type Known,
  type ProgressMessage,
  type SceneUpdate,
  type SceneWorker,
} from "@/worker/protocol";

/** A calculation that says nothing for longer than this is given up, and the worker is started anew. In milliseconds. */
const timeLimit = 20_000;
/** What takes longer than this shows how far it is, can be stopped, and is left for what is asked for later. In milliseconds. */
const longFrom = 300;

/**
 * The page's side of the scene worker. One calculation runs at a time; of those asked for meanwhile only the latest
 * is kept, so that nothing stale is shown.
 */
export class SceneClient {
  #worker: Worker | undefined;
  #remote: Remote<SceneWorker> | undefined;
  #next: { file: PieceFile; dragging: boolean } | undefined;
  #last: { file: PieceFile; dragging: boolean } | undefined;
  /** Pixels of the screen to one of the board. */
  #density = 1;
  /** What is shown, where it is a draft. */
  #draft: PieceFile | undefined;
  #running = false;
  #since = 0;
  #isLong = false;
  /** What waits for the worker, each to be told that it is alive. */
  readonly #waiting = new Set<() => void>();
  #known: Record<string, number> = {};
  #outgoing = new Outgoing();
  readonly #pace = new Pace();

  constructor(
    private readonly onScene: (update: SceneUpdate) => void,
    private readonly onProblem: (message: string) => void,
    /** How far a scene is that takes long; null where none does. */
    private readonly onProgress: (progress: Progress | null) => void = () => undefined,
  ) {}

  /** Asks for the scene of `file`. @param dragging while a pointer is held down, for which a draft will do */
  request(file: PieceFile, dragging = false): void {
    this.#next = this.#last = { file, dragging };
    if (!this.#running) void this.#run();
    else if (this.#isLong) this.#leave();
  }

  /** Leaves what is being drawn: the last scene stays, and what was done is kept for the next. */
  stop(): void {
    if (!this.#running) return;
    this.#leave();
    this.onProblem("The drawing was stopped: the picture is as it was before. The next change draws it again.");
  }

  /** Pixels are drawn as fine as the board is seen. @param density pixels of the screen to one of the board */
  sharpen(density: number): void {
    // By halves and doubles: what lies between is drawn a little finer than it is seen.
    const step = 2 ** Math.ceil(Math.log2(Math.min(4, Math.max(0.25, density))) - 0.1);
    if (step === this.#density) return;
    this.#density = step;
    this.#again();
  }

  /** The same scene, as it can be seen now. */
  #again(): void {
    if (this.#last && !this.#next) this.request(this.#last.file, this.#last.dragging);
  }

  #leave(): void {
    void this.#remote?.leave();
  }

  /** The worker is alive: whatever waits for it waits on. */
  #hear(): void {
    for (const heard of this.#waiting) heard();
  }

  #progress(progress: Progress): void {
    this.#hear();
    if (!this.#running || performance.now() - this.#since < longFrom) return;
    this.#isLong = true;
    this.onProgress(progress);
    if (this.#next) this.#leave();
  }

  /** A drag has ended: what is shown or under way as a draft is drawn exactly. */
  settle(): void {
    this.#pace.begin();
    if (this.#last) this.#last = { ...this.#last, dragging: false };
    if (this.#next) this.#next = { ...this.#next, dragging: false };
    else if (this.#draft) this.request(this.#draft);
  }

  /** Asks the worker anything else. @throws Error with a message for the user */
  async ask<T>(question: (worker: Remote<SceneWorker>) => Promise<Answer<T>>): Promise<T> {
    return unwrap(await this.#limited(question(this.#open())));
  }

  close(): void {
    this.#worker?.terminate();
    this.#worker = undefined;
    this.#remote = undefined;
    this.#known = {};
    this.#outgoing = new Outgoing();
  }

  async #run(): Promise<void> {
    this.#running = true;
    while (this.#next) {
      const { file, dragging } = this.#next;
      this.#next = undefined;
      // Until it is known how it was drawn: a drag may end while it is under way.
      this.#draft = dragging ? file : undefined;
      this.#since = performance.now();
      try {
        const update = unwrap(
          await this.#limited(
            this.#open().compile(this.#outgoing.next(file), this.#known as Known, { dragging, behind: this.#pace.isBehind }, this.#density),
          ),
        );
        if (!update) continue;
        // The page keeps the layers of its last scene and no others: what is gone must be sent again when it comes back.
        this.#known = Object.fromEntries(
          update.items.flatMap((item) => item.layers.map((layer) => [layerKey(item.id, layer.id), layer.version])),
        );
        if (!update.draft && this.#draft === file) this.#draft = undefined;
        this.onScene(update);
        if (dragging) this.#pace.shown();
      } catch (error) {
        this.onProblem((error as Error).message);
      } finally {
        if (this.#isLong) this.onProgress(null);
        this.#isLong = false;
      }
    }
    this.#running = false;
  }

  #open(): Remote<SceneWorker> {
    if (!this.#remote) {
      this.#worker = new Worker(new URL("../../worker/scene.worker.ts", import.meta.url), { type: "module" });
      this.#remote = wrap<SceneWorker>(this.#worker);
      this.#worker.addEventListener("message", ({ data }: MessageEvent<Partial<ProgressMessage & FinerMessage & AliveMessage> | null>) => {
        if (data?.progress) this.#progress(data.progress);
        if (data?.finer) this.#again();
        if (data?.alive) this.#hear();
      });
    }
    return this.#remote;
  }

  /** A worker that does not come back, or that broke, is replaced; the next request starts clean. */
  async #limited<T>(work: Promise<Answer<T>>): Promise<Answer<T>> {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let heard: () => void = () => undefined;
    const late = new Promise<never>((_, reject) => {
      const tooLong = () => reject(new Error("This took too long and was stopped. Undo the last change, or simplify the coat."));
      heard = () => {
        clearTimeout(timer);
        timer = setTimeout(tooLong, timeLimit);
      };
    });
    heard();
    this.#waiting.add(heard);
    try {
      return await Promise.race([work, late]);
    } catch (error) {
      this.close();
      throw error;
    } finally {
      clearTimeout(timer);
      this.#waiting.delete(heard);
    }
  }
}

function unwrap<T>(answer: Answer<T>): T {
  if (answer.ok) return answer.value;
  throw new Error(answer.message);
}
