import type { Kernel } from "../curves/kernel";
import type { Path } from "../curves/path";
import type { Params } from "../params";
import type { Part, Shape } from "./shape";

/** What a form step may ask for besides its own settings. */
export interface FormContext {
  readonly kernel: Kernel;
  /** The letters as they were set. */
  readonly letters: Shape;
  /** The shape on the board that the letters fill or run along; without parts where there is none. */
  readonly ground: Shape;
  /** A length of the style in units of lettering space. */
  readonly units: (length: number) => number;
}

/** One kind of form step: its settings and what it does to a shape. */
export interface FormStepKind {
  readonly kind: string;
  readonly label: string;
  readonly hint: string;
  /** Where it starts a form and takes no shape from before it: what it starts from. */
  readonly source?: (context: FormContext) => Shape;
  readonly params: Params;
  // Values have been checked against `params` when this is called.
  readonly apply: (shape: Shape, values: Record<string, unknown>, context: FormContext) => Shape;
}

/** Runs `change` on each part, dropping those that vanish. */
export function eachPart(shape: Shape, change: (path: Path, part: Part) => Path): Shape {
  const parts: Part[] = [];
  for (const part of shape.parts) {
    const path = change(part.path, part);
    if (!path.isEmpty) parts.push(path === part.path ? part : { ...part, path });
  }
  return { parts };
}
