import type { Bounds } from "../../curves/bounds";
import type { ChoiceParam } from "../../params";
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

/** The parts that share one run of the paint, with the box it stretches over (lettering space). */
export function spanGroups(shape: Shape, span: Exclude<Span, "board">): { parts: readonly Part[]; box: Bounds }[] {
  const grouped =
    span === "letter" ? shape.parts.map((p) => [p])
    : span === "lettering" ? [shape.parts]
    : [...new Set(shape.parts.map((p) => p.line))].map((line) => shape.parts.filter((p) => p.line === line));
  return grouped.filter((parts) => parts.length).map((parts) => ({ parts, box: boundsOf(parts) }));
}
