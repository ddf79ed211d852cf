import { proxy, wrap, type Remote } from "comlink";
import type { StudioOrder } from "@/worker/studio/order";
import type { Heard, Studio, StudioPrint } from "@/worker/studio/take";

/** Takes studio pictures: beside the page where the browser draws in space there, else in the page. */
export class StudioClient {
  #worker: Worker | undefined;
  #studio: Promise<Remote<Studio> | Studio> | undefined;

  /** @returns null where it was stopped @throws Error with a message for the user */
  async take(order: StudioOrder, heard: Heard): Promise<StudioPrint | null> {
    const studio = await (this.#studio ??= this.#open());
    try {
      return await studio.take(order, this.#worker ? proxy(heard) : heard);
    } catch {
      // What draws may be lost, as when there is no memory for so many pixels: the next picture starts clean.
      this.close();
      throw new Error("The picture could not be taken. Try fewer pixels.");
    }
  }

  async stop(): Promise<void> {
    await (await this.#studio)?.stop();
  }

  close(): void {
    // In a worker what is under way ends with it.
    if (this.#worker) this.#worker.terminate();
    else void this.stop().catch(() => undefined);
    this.#worker = this.#studio = undefined;
  }

  async #open(): Promise<Remote<Studio> | Studio> {
    if (typeof OffscreenCanvas !== "undefined") {
      this.#worker = new Worker(new URL("../../worker/studio/studio.worker.ts", import.meta.url), { type: "module" });
      const remote = wrap<Studio>(this.#worker);
      if (await remote.canDraw()) return remote;
      this.#worker.terminate();
      this.#worker = undefined;
    }
    const { studioOn } = await import("@/worker/studio/take");
    const here = studioOn((width, height) => Object.assign(document.createElement("canvas"), { width, height }));
    if (await here.canDraw()) return here;
    throw new Error("This browser draws nothing in space: WebGL is not there, or is switched off.");
  }
}
