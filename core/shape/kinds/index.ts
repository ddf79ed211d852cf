import type { ShapeKind } from "../shape-kind";
import { banner } from "./banner";
import { drop } from "./drop";
import { ellipse } from "./ellipse";
import { line } from "./line";
import { path } from "./path";
import { polygon } from "./polygon";
import { rectangle } from "./rectangle";
import { shield } from "./shield";
import { star } from "./star";

/** Every kind of shape, in the order they are offered. */
export const shapeKinds: readonly ShapeKind[] = [rectangle, ellipse, polygon, star, drop, shield, banner, line, path];

export const shapeKind = (kind: string): ShapeKind => shapeKinds.find((k) => k.kind === kind)!;
