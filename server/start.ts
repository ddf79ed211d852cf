import { database } from "./database";
import { databaseFault } from "./db/faults";
import { databaseUrl } from "./db/open";
import { closeDrawers } from "./drawing/drawers";
import { drawMissing } from "./pictures";

/** Between two tries to open a database that is away, in milliseconds. */
const pause = 3000;

/**
 * Opens the database when the server starts. Where it is away, it says so, once for each reason, and tries again; requests are answered
 * with the reason meanwhile. Where trying is in vain the process ends, with a message.
 */
export async function start(): Promise<void> {
  process.once("exit", closeDrawers);
  let said = "";
  const open = async (): Promise<void> => {
    try {
      const db = await database();
      // What fails here is asked for again by whoever looks at the shelf.
      void drawMissing(db).catch(() => undefined);
      if (said) console.error("The database is there now.");
    } catch (error) {
      const fault = databaseFault(error);
      const why = fault?.detail ?? (error as Error).stack ?? String(error);
      if (why !== said) console.error(`${databaseUrl()}: ${why}`);
      said = why;
      if (fault?.lasting) process.exit(1);
      setTimeout(() => void open(), pause).unref();
    }
  };
  await open();
}
