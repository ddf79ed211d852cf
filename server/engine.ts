import { readFile } from "node:fs/promises";
import path from "node:path";
import { firstFace } from "../core/lettering/face";
import { createEngine, type LoadedEngine } from "../core/piece/engine";
import { readFace } from "./faces/read";
import { shippedFaces } from "./faces/shipped";

let engine: Promise<LoadedEngine> | undefined;

/** The server's engine, made at its first use and kept. */
export function serverEngine(): Promise<LoadedEngine> {
  return (engine ??= (async () => {
    const wasm = path.resolve(/* turbopackIgnore: true */ process.cwd(), "node_modules/clipper2-wasm/dist/es/clipper2z.wasm");
    return createEngine({
      clipperWasm: new Uint8Array(await readFile(wasm)),
      standIn: firstFace,
      readFace: async (id) => {
        const info = shippedFaces.find((f) => f.id === id);
        const file = await readFace(id);
        return info && file && { info, bytes: file.bytes };
      },
    });
  })());
}
