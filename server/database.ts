import { checkpoint, checkpointWhenIdle, fileOf } from "./db/checkpoint";
import { databaseUrl, openDatabase, type Database } from "./db/open";
import { removeUnused, removeUnusedDaily } from "./photos/unused";
import { seed } from "./seed";

// Kept on the process, since routes may be bundled apart.
const shared = globalThis as typeof globalThis & { vextalDatabase?: Promise<Database>; vextalEnd?: () => Promise<void> };

/** The application's database, opened once; where it could not be opened, it is tried again the next time. A new one is given the demo. */
export function database(): Promise<Database> {
  if (!shared.vextalDatabase) {
    shared.vextalDatabase = openForService();
    shared.vextalDatabase.catch(() => delete shared.vextalDatabase);
  }
  return shared.vextalDatabase;
}

async function openForService(): Promise<Database> {
  const url = databaseUrl();
  const db = await openDatabase(url);
  await seed(db);
  await removeUnused(db);
  const file = fileOf(url);
  const stops = [removeUnusedDaily(db), ...(file === undefined ? [] : [checkpointWhenIdle(db.$client, file)])];
  /** Called by the server when it has ended all requests: what was acknowledged is in the database's file. */
  shared.vextalEnd = async () => {
    for (const stop of stops) stop();
    if (file !== undefined) await checkpoint(db.$client);
    db.$client.close();
  };
  return db;
}
