import { finder } from "../../params";
import type { LayKind } from "../lay-kind";
import { fill } from "./fill";
import { unknownLay } from "../unknown";
import { stroke } from "./stroke";

/** Every way to lay a paint on a form. */
export const layKinds = [fill, stroke] as const;

export const layKind = finder<LayKind>([...layKinds, unknownLay]);
