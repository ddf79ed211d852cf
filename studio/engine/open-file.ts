import { wrap } from "comlink";
import type { Opened } from "@/core/input/open";
import type { OpenWorker } from "@/worker/open.worker";

/** No piece takes as long as this to be read, in milliseconds. */
const timeLimit = 15_000;

/**
 * Reads a piece file, a style file or an SVG with its piece inside, in a worker of its own.
 * @throws Error with a message for the user
 */
export async function openText(text: string): Promise<Opened> {
  const worker = new Worker(new URL("../../worker/open.worker.ts", import.meta.url), { type: "module" });
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error("This file took too long to be read and was left alone.")), timeLimit);
    worker.addEventListener("error", () => reject(new Error("This file could not be read.")));
  });
  try {
    const answer = await Promise.race([wrap<OpenWorker>(worker).open(text), late]);
    if (!answer.ok) throw new Error(answer.message);
    return answer.value;
  } finally {
    clearTimeout(timer);
    worker.terminate();
  }
}
