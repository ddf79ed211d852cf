import { firstFace } from "../core/lettering/face";
import { createEngine, type LoadedEngine } from "../core/piece/engine";
import { findFace } from "./faces/find";

let engine: Promise<LoadedEngine> | undefined;

/** The server's engine, made at its first use and kept. */
export function serverEngine(): Promise<LoadedEngine> {
  return (engine ??= createEngine({ standIn: firstFace, readFace: findFace }));
}
