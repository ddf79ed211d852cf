import type { Bounds } from "../../curves/bounds";
import type { Matrix } from "../../curves/matrix";
import type { ChoiceParam } from "../../params";
import type { Givens, Need } from "../given";
import { boundsOf, type Part, type Shape } from "../shape";

/** What a paint stretches over. */
export type Span = "letter" | "line" | "lettering" | "board";

export const spanParam: ChoiceParam<Span> = {
  type: "choice",
  label: "Span",
  hint: "What the paint stretches over before it starts again",
  default: "lettering",
  options: [
    { value: "letter", label: "Letter", hint: "Starts again in each letter" },
    { value: "line", label: "Line", hint: "Runs along each line of text" },
    { value: "lettering", label: "All", hint: "Runs over the whole lettering" },
    { value: "board", label: "Board", hint: "Runs over the whole board" },
  ],
};

/** The board is of use to a paint only where it runs over it. */
export const sparesBoard = ({ span }: { readonly span: Span }): readonly Need[] => (span === "board" ? [] : ["board"]);

export interface PaintSpan {
  /** The parts that share one run of the paint. */
  readonly parts: readonly Part[];
  /** What it stretches over, in the lettering's space. */
  readonly box: Bounds;
  /** From the space of the box into the lettering's, where they differ. */
  readonly matrix?: Matrix;
}

/** The runs of a paint over a shape. */
export function paintSpans(shape: Shape, span: Span, { board }: Pick<Givens, "board">): PaintSpan[] {
  if (span === "board")
    return [{ parts: shape.parts, box: { minX: 0, minY: 0, maxX: board.width, maxY: board.height }, matrix: board.toItem }];
  const grouped =
    span === "letter"
      ? shape.parts.map((p) => [p])
      : span === "lettering"
        ? [shape.parts]
        : [...new Set(shape.parts.map((p) => p.line))].map((line) => shape.parts.filter((p) => p.line === line));
  return grouped.filter((parts) => parts.length).map((parts) => ({ parts, box: boundsOf(parts) }));
}
