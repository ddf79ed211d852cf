import type { Path } from "../curves/path";
import { memoByKey } from "../memo";
import type { Step } from "../params";
import { shapeKind } from "./kinds";
import type { ShapeSize } from "./shape-kind";

const kept = memoByKey<Path>(200);

/** The outline of a shape, in shape space; the same object for the same values. */
export const outlineOf = (shape: Step, { width, height }: ShapeSize): Path =>
  kept(JSON.stringify([shape, width, height]), () => shapeKind(shape.kind).draw(shape, { width, height }));
