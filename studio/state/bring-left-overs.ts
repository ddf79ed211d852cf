import { nanoid } from "nanoid";
import { toast } from "sonner";
import { api } from "../api/client";
import { draftsLeft } from "./drafts";
import { sendLeftOver, sendLeftOvers } from "./left-over";

let bringing: Promise<void> | undefined;

/** Saves what was not saved when Vextal was closed, and says what came in beside another version. */
export function bringLeftOvers(): Promise<void> {
  // The shelf and a piece may ask at once: each is sent by one of them only.
  return (bringing ??= bring().finally(() => (bringing = undefined)));
}

async function bring(): Promise<void> {
  const beside = await sendLeftOvers(api, () => nanoid(12));
  for (const { left, drop } of await draftsLeft()) {
    const sent = await sendLeftOver(api, () => nanoid(12), left);
    if (!sent) continue;
    if (sent.beside) beside.push(sent.beside);
    await drop();
  }
  for (const name of beside)
    toast(`“${name}” is on the shelf: it was not saved when its page was closed, and another version was saved since.`, {
      duration: 15_000,
    });
}
