import { joinAll, type Bounds } from "../../curves/bounds";
import { multiply, type Matrix } from "../../curves/matrix";
import type { ChoiceParam } from "../../params";
import type { Givens, Need } from "../given";
import { boundsOf, placeOfPart, type Part, type Plane, type Shape } from "../shape";
import { straightened } from "./along";
import { inTurn } from "./in-turn";

/** What a paint stretches over. */
export type Span = "letter" | "line" | "along" | "lettering" | "group" | "board";

export const spanParam: ChoiceParam<Span> = {
  type: "choice",
  label: "Span",
  hint: "What the paint stretches over before it starts again",
  default: "lettering",
  options: [
    { value: "letter", label: "Letter", hint: "Starts again in each letter" },
    { value: "line", label: "Line", hint: "Runs over each line of text" },
    { value: "along", label: "Along the line", hint: "Follows the letters of each line, round a curve or a ring" },
    { value: "lettering", label: "All", hint: "Runs over the whole lettering" },
    { value: "group", label: "Group", hint: "Runs over all that is grouped with it" },
    { value: "board", label: "Board", hint: "Runs over the whole board" },
  ],
};

/** What lies around the item is of use to a paint only where it runs over it. */
export const sparesAround = ({ span }: { readonly span: Span }): readonly Need[] =>
  (["board", "group"] as const).filter((need) => need !== span);

export interface PaintSpan {
  /** The parts that share one run of the paint. */
  readonly parts: readonly Part[];
  /** What it stretches over, in the lettering's space. */
  readonly box: Bounds;
  /** From the space of the box into the lettering's, where they differ. */
  readonly matrix?: Matrix;
  /** Where it is the plane of a surface. */
  readonly axes?: Plane["axes"];
}

/** The runs of a paint over a shape. */
export function paintSpans(shape: Shape, span: Span, { board, group }: Pick<Givens, "board" | "group">): PaintSpan[] {
  if (span === "board")
    return [{ parts: shape.parts, box: { minX: 0, minY: 0, maxX: board.width, maxY: board.height }, matrix: board.toItem }];
  if (span === "group" && group) return [{ parts: shape.parts, box: group.box, matrix: group.toItem }];
  const lines = () => [...new Set(shape.parts.map((p) => p.line))].map((line) => shape.parts.filter((p) => p.line === line));
  if (span === "along")
    return lines().flatMap((line) => {
      const { box, runs } = straightened(inTurn(line, "letter").map((turn) => turn.parts));
      return runs.map((run) => ({ ...run, box }));
    });
  const grouped = span === "letter" ? letters(shape.parts) : span === "line" ? lines() : [shape.parts];
  return grouped.filter((parts) => parts.length).map((parts) => inPlane(parts) ?? { parts, box: boundsOf(parts) });
}

/** Part by part, and all that lies on one letter as surfaces of it together. */
function letters(parts: readonly Part[]): Part[][] {
  const known = new Map<number, Part[]>();
  const found: Part[][] = [];
  for (const part of parts) {
    const letter = part.surface && part.letter;
    const own = letter === undefined ? undefined : known.get(letter);
    if (own) {
      own.push(part);
      continue;
    }
    const group = [part];
    found.push(group);
    if (letter !== undefined) known.set(letter, group);
  }
  return found;
}

/** A run over parts that lie in one plane, which is turned. */
function inPlane(parts: readonly Part[]): PaintSpan | undefined {
  const [first] = parts;
  const { lies } = first;
  if (!lies || parts.some((p) => p.lies?.matrix !== lies.matrix || p.x !== first.x || p.y !== first.y)) return undefined;
  return { parts, ...lies, box: joinAll(parts.map((p) => p.lies!.box)), matrix: multiply(placeOfPart(first), lies.matrix) };
}
