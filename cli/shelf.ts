import { existsSync } from "node:fs";
import { database } from "../server/database";
import { databaseUrl, type Database } from "../server/db/open";

/** The shelf's database; undefined where there is none yet, since a terminal makes none. */
export async function shelf(): Promise<Database | undefined> {
  const url = databaseUrl();
  return url.startsWith("file:") && !existsSync(url.slice("file:".length)) ? undefined : database();
}
