import { mkdirSync } from "node:fs";
import path from "node:path";
import { createClient, type Client } from "@libsql/client";
import { drizzle, type LibSQLDatabase } from "drizzle-orm/libsql";
import { migrate } from "drizzle-orm/libsql/migrator";
import * as schema from "./schema";

export type Database = LibSQLDatabase<typeof schema> & { $client: Client };

/** The database that `DATABASE_URL` names, or the file data/vextal.db beside the application. */
export const databaseUrl = (): string =>
  process.env.DATABASE_URL || `file:${path.resolve(/* turbopackIgnore: true */ process.cwd(), "data/vextal.db")}`;

/** Opens a database and brings its tables up to date. @param url any libSQL address */
export async function openDatabase(url: string): Promise<Database> {
  const isFile = url.startsWith("file:");
  if (isFile) mkdirSync(path.dirname(url.slice("file:".length)), { recursive: true });
  const client = createClient({ url, authToken: process.env.DATABASE_AUTH_TOKEN });
  if (isFile) {
    await client.execute("PRAGMA journal_mode = WAL");
    await client.execute("PRAGMA busy_timeout = 5000");
  }
  const database = drizzle(client, { schema });
  await migrate(database, { migrationsFolder: path.resolve(/* turbopackIgnore: true */ process.cwd(), "server/db/migrations") });
  return database;
}

// Kept on the process, since a development server loads modules more than once.
const shared = globalThis as typeof globalThis & { vextalDatabase?: Promise<Database> };

/** The application's database, opened once. */
export function database(): Promise<Database> {
  if (!shared.vextalDatabase) {
    shared.vextalDatabase = openDatabase(databaseUrl());
    shared.vextalDatabase.catch(() => delete shared.vextalDatabase);
  }
  return shared.vextalDatabase;
}
