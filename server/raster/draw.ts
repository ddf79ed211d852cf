import { fork } from "node:child_process";
import { readFile } from "node:fs/promises";
import path from "node:path";
import { Problem } from "../../core/problem";
import { checkSize } from "./limits";

const timeLimit = 90_000;
const memoryLimit = 2_000_000_000;
const atOnce = 2;

let running = 0;
const waiting: (() => void)[] = [];

/**
 * An SVG of known size as PNG.
 * @param svg whose width and height attributes are `width` and `height` pixels
 * @param signal ends the drawing at once
 * @throws Problem where it is too large, takes too long, needs too much memory or was stopped
 */
export async function drawPng(svg: string, width: number, height: number, signal?: AbortSignal): Promise<Uint8Array> {
  checkSize(width, height);
  if (running >= atOnce) await new Promise<void>((go) => waiting.push(go));
  running++;
  try {
    if (signal?.aborted) throw new Problem(stopped);
    return await drawInChild(svg, width, signal);
  } finally {
    running--;
    waiting.shift()?.();
  }
}

const stopped = "The picture was stopped.";

function drawInChild(svg: string, width: number, signal?: AbortSignal): Promise<Uint8Array> {
  const script = path.resolve(/* turbopackIgnore: true */ process.cwd(), "server/raster/child.mjs");
  const child = fork(/* turbopackIgnore: true */ script, [], {
    serialization: "advanced",
    stdio: ["ignore", "ignore", "ignore", "ipc"],
    execArgv: [],
  });
  return new Promise((resolve, reject) => {
    const end = (finish: () => void) => {
      clearTimeout(timer);
      clearInterval(watch);
      child.removeAllListeners();
      child.kill("SIGKILL");
      finish();
    };
    const fail = (message: string) => end(() => reject(new Problem(message)));
    const timer = setTimeout(() => fail(`The picture was not drawn within ${timeLimit / 1000} seconds. Choose fewer pixels.`), timeLimit);
    const watch = setInterval(() => {
      if (child.pid)
        void residentBytes(child.pid).then(
          (bytes) => bytes > memoryLimit && fail("The picture needs too much memory. Choose fewer pixels."),
        );
    }, 200);
    signal?.addEventListener("abort", () => fail(stopped), { once: true });
    child.once("message", (message: { png: Uint8Array }) => end(() => resolve(message.png)));
    // Messages that were sent before it ended come first.
    child.once("disconnect", () => fail("The picture could not be drawn."));
    child.once("error", () => fail("The picture could not be drawn."));
    child.send({ svg, width });
  });
}

/** 0 where the system does not tell. */
async function residentBytes(pid: number): Promise<number> {
  try {
    return Number((await readFile(`/proc/${pid}/statm`, "utf8")).split(" ")[1]) * 4096;
  } catch {
    return 0;
  }
}
