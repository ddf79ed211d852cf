/** An error that the user can read and act on. Its message is shown as it is. */
export class Problem extends Error {
  override readonly name = "Problem";
}

/** Whether an error is one for the user. By its name: programs that are bundled apart have a class each. */
export const isProblem = (error: unknown): error is Problem => error instanceof Error && error.name === "Problem";

/** The first fault of a Zod check, with the place it was found at, in one line. */
export function firstFault(error: { issues: readonly { path: readonly PropertyKey[]; message: string }[] }): string {
  const issue = error.issues[0];
  if (!issue) return "unknown fault";
  const place = issue.path
    .map((p) => (typeof p === "number" ? `[${p}]` : `.${String(p)}`))
    .join("")
    .replace(/^\./, "");
  return place ? `at ${place}: ${issue.message}` : issue.message;
}
