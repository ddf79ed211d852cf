import type { Path } from "../core/curves/path";
import { set } from "../core/lettering/setting";
import type { LoadedEngine } from "../core/piece/engine";
import { newLettering } from "../core/piece/schema";

/** Words of seven faces and three scripts. */
export const words = [
  ["archivo-black", "Rgx&8"],
  ["alfa-slab", "Bakes"],
  ["pacifico", "Ferry"],
  ["abril-fatface", "Qu&y"],
  ["anton", "MOOR"],
  ["marhey", "سلام"],
  ["baloo-2", "नमस्ते"],
] as const;

/** A word as one welded outline, 1000 units to the em. */
export function wordOf(engine: LoadedEngine, face: string, text: string): Path {
  const lettering = newLettering({
    ...{ id: "w", text, face, size: 100, letterSpacing: 0, lineSpacing: 1, align: "centre", x: 0, y: 0, turn: 0 },
    ...{ styleId: null, ownStyle: null },
  });
  const { letters } = set(engine.hb, engine.face(face)!, lettering);
  return engine.kernel.union(
    letters.map((l) => l.outline),
    letters.map(({ x, y }) => ({ x, y })),
  );
}
