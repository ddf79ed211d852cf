import type { Material } from "./material";
import { canvas } from "./canvas";
import { metal } from "./metal";
import { paper } from "./paper";
import { speckle } from "./speckle";
import { stone } from "./stone";
import { wood } from "./wood";

/** Every material, in the order they are offered. */
export const materials = [wood, stone, canvas, metal, paper, speckle] as const;
export type MaterialName = (typeof materials)[number]["kind"];

export const materialOf = (name: MaterialName): Material => materials.find((m) => m.kind === name) ?? materials[0];
