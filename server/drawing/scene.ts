import { compile } from "../../core/piece/compile";
import type { LoadedEngine } from "../../core/piece/engine";
import { facesOf, type Piece } from "../../core/piece/schema";
import type { Style } from "../../core/style/schema";

/** A piece as a scene, and the names of its faces. */
export async function sceneOf(engine: LoadedEngine, piece: Piece, styles: readonly Style[]) {
  const ids = facesOf(piece.items);
  await engine.load(ids);
  const { scene } = compile(piece, new Map(styles.map((s) => [s.id, s])), engine);
  return { scene, faces: ids.map((id) => engine.face(id)?.info.name ?? id) };
}
