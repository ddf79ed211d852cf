import type { PaintKind } from "../paint-kind";
import { flat } from "./flat";
import { gradient } from "./gradient";
import { photo } from "./photo";

/** Every kind of paint, in the order the drawer offers them. */
export const paintKinds: readonly PaintKind[] = [flat, gradient, photo];

export const paintKind = (kind: string): PaintKind => paintKinds.find((k) => k.kind === kind)!;
