import { sql, type SQL } from "drizzle-orm";
import type { AnySQLiteColumn } from "drizzle-orm/sqlite-core";

/** Whether a column's text holds another, letter by letter: in LIKE, a percent sign in what is looked for would find everything. */
export const holds = (column: AnySQLiteColumn, text: string): SQL => sql`instr(${column}, ${text}) > 0`;
