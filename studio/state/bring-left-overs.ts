import { nanoid } from "nanoid";
import { toast } from "sonner";
import { api } from "../api/client";
import { sendLeftOvers } from "./left-over";

let bringing: Promise<void> | undefined;

/** Saves what was not saved when Vextal was closed, and says what came in beside another version. */
export function bringLeftOvers(): Promise<void> {
  // The shelf and a piece may ask at once: each is sent by one of them only.
  return (bringing ??= bring().finally(() => (bringing = undefined)));
}

async function bring(): Promise<void> {
  for (const name of await sendLeftOvers(api, () => nanoid(12)))
    toast(`“${name}” is on the shelf: it was not saved when its page was closed, and another version was saved since.`, {
      duration: 15_000,
    });
}
