import type { Material } from "./material";
import { wood } from "./wood";

/** Every material, in the order they are offered. */
export const materials = [wood] as const;
export type MaterialName = (typeof materials)[number]["kind"];

export const materialOf = (name: MaterialName): Material => materials.find((m) => m.kind === name) ?? materials[0];
