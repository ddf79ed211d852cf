import { mkdirSync } from "node:fs";
import path from "node:path";
import { createClient, type Client } from "@libsql/client";
import { drizzle, type LibSQLDatabase } from "drizzle-orm/libsql";
import { migrate } from "drizzle-orm/libsql/migrator";
import { fileOf } from "./checkpoint";
import * as schema from "./schema";

export type Database = LibSQLDatabase<typeof schema> & { $client: Client };

/** The database that `DATABASE_URL` names, or the file data/vextal.db beside the application. */
export const databaseUrl = (): string =>
  process.env.DATABASE_URL || `file:${path.resolve(/* turbopackIgnore: true */ process.cwd(), "data/vextal.db")}`;

/** Opens a database and brings its tables up to date. @param url any libSQL address */
export async function openDatabase(url: string): Promise<Database> {
  const file = fileOf(url);
  if (file !== undefined) mkdirSync(path.dirname(file), { recursive: true });
  const client = createClient({ url, authToken: process.env.DATABASE_AUTH_TOKEN, timeout: 5000 });
  try {
    if (file !== undefined) await client.execute("PRAGMA journal_mode = WAL");
    const database = drizzle(client, { schema });
    await migrate(database, { migrationsFolder: path.resolve(/* turbopackIgnore: true */ process.cwd(), "server/db/migrations") });
    return database;
  } catch (error) {
    client.close();
    throw error;
  }
}
