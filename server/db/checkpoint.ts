import { statSync } from "node:fs";
import type { Client } from "@libsql/client";

/** How often it is looked whether there is something to write back, in milliseconds. */
const every = 1000;

/** The file that a database is kept in; undefined where it is kept elsewhere. */
export const fileOf = (url: string): string | undefined =>
  url.startsWith("file:") ? url.slice("file:".length).replace(/\?.*$/, "") : undefined;

/** Writes what waits in the log into the file, so that a copy of the file is a copy of all (SQLite, “Write-Ahead Logging”, section 2.2). */
export async function checkpoint(client: Client): Promise<void> {
  await client.execute("PRAGMA wal_checkpoint(TRUNCATE)");
}

/** Writes back whenever nothing was written for a moment. @returns ends it */
export function checkpointWhenIdle(client: Client, file: string): () => void {
  let before = 0;
  const timer = setInterval(() => {
    const size = statSync(`${file}-wal`, { throwIfNoEntry: false })?.size ?? 0;
    // What cannot be written back now waits for the next time.
    if (size > 0 && size === before) void checkpoint(client).catch(() => undefined);
    before = size;
  }, every);
  timer.unref();
  return () => clearInterval(timer);
}
