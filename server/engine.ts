import { firstFace } from "../core/lettering/face";
import { once } from "../core/once";
import { createEngine } from "../core/piece/engine";
import { findFace } from "./faces/find";

/** The server's engine, made at its first use and kept. */
export const serverEngine = once(() => createEngine({ standIn: firstFace, readFace: findFace }));
