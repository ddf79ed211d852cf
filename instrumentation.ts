/** Runs once when the server starts: the database is brought up to date and, where it is new, given the demo. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { start } = await import("./server/start");
  await start();
}
