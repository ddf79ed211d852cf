import { firstFace } from "../core/lettering/face";
import { createEngine, type LoadedEngine } from "../core/piece/engine";
import { readFace } from "./faces/read";
import { shippedFaces } from "./faces/shipped";

let engine: Promise<LoadedEngine> | undefined;

/** The server's engine, made at its first use and kept. */
export function serverEngine(): Promise<LoadedEngine> {
  return (engine ??= (async () => {
    return createEngine({
      standIn: firstFace,
      readFace: async (id) => {
        const info = shippedFaces.find((f) => f.id === id);
        const file = await readFace(id);
        return info && file && { info, bytes: file.bytes };
      },
    });
  })());
}
