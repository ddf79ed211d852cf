import { finder } from "../../params";
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
export const shapeKinds = [rectangle, ellipse, polygon, star, drop, shield, banner, line, path] as const;

export const shapeKind = finder<ShapeKind>(shapeKinds);
