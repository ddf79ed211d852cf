import { finder } from "../../params";
import type { PaintKind } from "../paint-kind";
import { unknownPaint } from "../unknown";
import { flat } from "./flat";
import { gradient } from "./gradient";
import { grain } from "./grain";
import { photo } from "./photo";
import { photos } from "./photos";
import { turns } from "./turns";

/** Every kind of paint, in the order the drawer offers them. */
export const paintKinds = [flat, gradient, photo, photos, grain, turns] as const;

export const paintKind = finder<PaintKind>([...paintKinds, unknownPaint]);
