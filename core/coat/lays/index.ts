import type { LayKind } from "../lay-kind";
import { fill } from "./fill";
import { stroke } from "./stroke";

/** Every way to lay a paint on a form. */
export const layKinds: readonly LayKind[] = [fill, stroke];

export const layKind = (kind: string): LayKind => layKinds.find((k) => k.kind === kind)!;
