import { expose } from "comlink";
import { open, type Opened } from "../core/input/open";
import type { Answer } from "./protocol";

/** Reads files away from the page's thread: whatever a file holds, the page answers meanwhile. */
const worker = {
  open(text: string): Answer<Opened> {
    try {
      return { ok: true, value: open(text) };
    } catch (error) {
      return { ok: false, message: (error as Error).message };
    }
  },
};
export type OpenWorker = typeof worker;

expose(worker);
