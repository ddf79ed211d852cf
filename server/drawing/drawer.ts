import { fork, type ChildProcess } from "node:child_process";
import { readFile } from "node:fs/promises";
import path from "node:path";
import { isProblem, Problem } from "../../core/problem";
import type { Reply, Request, ResultOf } from "./job";

/** How much one thing may take. */
export interface Limits {
  /** Milliseconds. */
  readonly time: number;
  /** Megabytes of the process, and of what its JavaScript holds. */
  readonly memory: number;
}

/** The process ended before it was done, by no fault of what it was given: the server was ended, or somebody ended it. */
export class Ended extends Problem {
  readonly ended = true;
}
// By what it says of itself: routes may be bundled apart.
export const isEnded = (error: unknown): boolean => isProblem(error) && "ended" in error;

/** A child without work is let go after this, in milliseconds: it holds some hundred megabytes. */
const idle = 60_000;

/** Has one thing after another done in a child process, which is made when it is needed and replaced when it breaks or takes too long. */
export class Drawer {
  #child: ChildProcess | undefined;
  #last: Promise<unknown> = Promise.resolve();
  #rest: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly limits: Limits) {}

  /** @param signal ends the drawing at once @throws Problem where it cannot be drawn, takes too long or was stopped */
  ask<R extends Request>(request: R, signal?: AbortSignal): Promise<ResultOf<R>> {
    const mine = this.#last.then(() => this.#run(request, signal)) as Promise<ResultOf<R>>;
    this.#last = mine.catch(() => undefined);
    return mine;
  }

  async #run(request: Request, signal?: AbortSignal): Promise<unknown> {
    if (signal?.aborted) throw stopped();
    clearTimeout(this.#rest);
    const child = (this.#child ??= this.#start());
    child.ref();
    child.channel?.ref();
    const { time, memory } = this.limits;
    try {
      const reply = await new Promise<Reply>((resolve, reject) => {
        const failed = (problem: Problem) => {
          child.kill("SIGKILL");
          this.#child = undefined;
          reject(problem);
        };
        const fail = (message: string) => failed(new Problem(message));
        const timer = setTimeout(() => fail(`This took over ${time / 1000} seconds and was stopped.`), time);
        // What is drawn in pixels is held outside of JavaScript, which bounds only its own.
        const watch = setInterval(() => {
          if (child.pid) void residentBytes(child.pid).then((bytes) => bytes > memory * 1e6 && fail(tooMuch));
        }, 200);
        const ended = new AbortController();
        const on = <A extends unknown[]>(event: string, listener: (...args: A) => void) => {
          child.once(event, listener as (...args: unknown[]) => void);
          ended.signal.addEventListener("abort", () => child.off(event, listener as (...args: unknown[]) => void));
        };
        on("message", (reply: Reply) => resolve(reply));
        // JavaScript that has no room left aborts its process (Node: exit codes, 134); any other end came from outside.
        on("exit", (code: number | null, by: string | null) =>
          code === 134 || by === "SIGABRT" ? fail(tooMuch) : failed(new Ended(gone)),
        );
        on("error", () => fail("This could not be done."));
        signal?.addEventListener("abort", () => failed(stopped()), { signal: ended.signal });
        child.send(request, (error) => error && failed(new Ended(gone)));
        this.#settle = () => {
          clearTimeout(timer);
          clearInterval(watch);
          ended.abort();
        };
      });
      if (reply.ok) return reply.value;
      throw reply.known ? new Problem(reply.message) : new Error(reply.message);
    } finally {
      this.#settle();
      // A child that only waits keeps no process from ending.
      child.unref();
      child.channel?.unref();
      this.#rest = setTimeout(() => this.close(), idle);
      this.#rest.unref();
    }
  }

  #settle: () => void = () => undefined;

  /** A child that ends while it waits is not asked again. */
  #start(): ChildProcess {
    const child = start(this.limits.memory);
    child.once("exit", () => {
      if (this.#child === child) this.#child = undefined;
    });
    return child;
  }

  /** Lets the child go. */
  close(): void {
    clearTimeout(this.#rest);
    this.#child?.kill();
    this.#child = undefined;
  }
}

/** What is said where who asked has gone, or wants it no longer. */
export const stopped = (): Problem => new Problem("This was stopped.");
const gone = "This was ended before it was done: the process that does it has gone. Try again.";
const tooMuch = "This could not be done: it needs too much memory.";

/** 0 where the system does not tell. */
async function residentBytes(pid: number): Promise<number> {
  try {
    return Number((await readFile(`/proc/${pid}/statm`, "utf8")).split(" ")[1]) * 4096;
  } catch {
    return 0;
  }
}

/** The built application has its child built, too, which starts in a moment; tests and the development server run it from its source. */
function start(memory: number): ChildProcess {
  const root = process.cwd();
  const built =
    process.env.NODE_ENV === "production" ? path.resolve(/* turbopackIgnore: true */ root, ".next/vextal/drawing.mjs") : undefined;
  const loader = built ? [] : ["--import", path.resolve(/* turbopackIgnore: true */ root, "node_modules/tsx/dist/loader.mjs")];
  return fork(/* turbopackIgnore: true */ built ?? path.resolve(/* turbopackIgnore: true */ root, "server/drawing/child.ts"), [], {
    serialization: "advanced",
    stdio: ["ignore", "ignore", "ignore", "ipc"],
    execArgv: [`--max-old-space-size=${memory}`, ...loader],
    env: { ...process.env, NODE_OPTIONS: "" },
  });
}
