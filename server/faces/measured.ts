import { measureFace, type Measured } from "../../core/lettering/measured";
import { database } from "../database";
import { serverEngine } from "../engine";
import { listOwn } from "./own";
import { shippedFaces } from "./shipped";

/** By id; a face of an id is the same for ever, since those that are brought in are named by their hash. */
const kept = new Map<string, Measured>();

/** What is measured on every face, by id. A face that cannot be read is left out. */
export async function measuredFaces(): Promise<Record<string, Measured>> {
  const engine = await serverEngine();
  const ids = [...shippedFaces, ...(await listOwn(await database()))].map((f) => f.id);
  for (const id of ids) {
    if (kept.has(id)) continue;
    try {
      await engine.load([id]);
      kept.set(id, measureFace(engine.face(id)!, engine.kernel));
    } catch (error) {
      console.error(`The face ${id} was not measured:`, error);
    }
    // Requests that came meanwhile go first: a face takes tens of milliseconds.
    await new Promise((resolve) => setImmediate(resolve));
  }
  return Object.fromEntries(ids.flatMap((id) => (kept.has(id) ? [[id, kept.get(id)!]] : [])));
}
