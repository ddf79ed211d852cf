import { ZodError } from "zod";
import { firstFault, isProblem } from "../../core/problem";
import { databaseFault } from "../db/faults";
import { isNotFound, type Conflict } from "../documents";
import { problem } from "./problem-details";

/** Turns whatever a handler throws into problem details. */
export async function answer(handler: () => Promise<Response>): Promise<Response> {
  try {
    return await handler();
  } catch (error) {
    if (isNotFound(error)) return problem(404, "Not found", "This is not on the shelf. It may have been deleted.");
    if (isConflict(error))
      return problem(412, "Changed elsewhere", "This was changed in another tab or window since it was read.", {
        revision: error.revision,
      });
    if (error instanceof Error && error.name === "Exists")
      return problem(409, "Already there", "Something with this id is on the shelf already.");
    if (isProblem(error)) return problem(422, "Cannot be done", error.message);
    if (error instanceof ZodError) return problem(422, "Not understood", firstFault(error));
    const fault = databaseFault(error);
    if (fault) return problem(fault.status, fault.status === 507 ? "No room" : "Not at hand", fault.detail, {}, { "retry-after": "3" });
    console.error(error);
    return problem(500, "Fault in Vextal", "Something went wrong inside Vextal. Your work in this window is kept; try again.");
  }
}

const isConflict = (error: unknown): error is Conflict => error instanceof Error && error.name === "Conflict";
