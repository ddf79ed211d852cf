import { meet, shifted } from "../../curves/bounds";
import type { Path } from "../../curves/path";
import { memoByIdentity } from "../../memo";
import type { Params, Values } from "../../params";
import { eachPart } from "../form-step";
import type { Given } from "../given";
import { joinOf, joinParams } from "../joins";
import { boundsOfPart, plain, type Shape } from "../shape";

const hasGap = (v: Readonly<Record<string, unknown>>) => v.gap !== 0;

/** Which other form a step works with, and by how much that is grown before. */
export const otherParams = {
  of: {
    type: "choice",
    label: "Of",
    hint: "Whether another coat of this style is meant, or something else on the board",
    default: "coat",
    options: [
      { value: "coat", label: "A coat", hint: "Another coat of this style, with its lay; it may be switched off" },
      { value: "item", label: "An item", hint: "Other words, or a shape, on the board" },
    ],
  },
  coat: { type: "coat", label: "Coat", hint: "What it covers counts, seen or switched off", default: "", when: (v) => v.of === "coat" },
  item: {
    type: "item",
    label: "Item",
    hint: "The words or the shape on the board whose form counts",
    default: { id: "", what: "letters" },
    when: (v) => v.of === "item",
  },
  gap: {
    type: "length",
    label: "Gap",
    hint: "How far the other form is grown before, so that a gap stays around it; below 0 it is shrunk",
    default: 0,
    min: -1000,
    max: 1000,
  },
  join: { ...joinParams.join, when: hasGap },
  miterLimit: { ...joinParams.miterLimit, when: (v) => hasGap(v) && v.join === "miter" },
} as const satisfies Params;

type Settings = typeof otherParams;
const moved = memoByIdentity<Path, Path>(40);

/**
 * Changes each part of a shape by what the other form covers near it, in the part's own space. Where no other form is chosen, or the chosen
 * one is gone, the shape stays as it is.
 */
export function eachPartWith(
  shape: Shape,
  values: Values<Settings>,
  { kernel, units, referred }: Given<readonly [], Settings>,
  change: (path: Path, others: readonly Path[]) => Path,
): Shape {
  const other = values.of === "coat" ? referred.coat : referred.item;
  if (!other) return shape;
  const gap = units(values.gap);
  const grown = other.parts.map(plain).map((p) => ({ ...p, path: kernel.grow(p.path, gap, joinOf(values)) }));
  return eachPart(shape, (path, part) => {
    const near = grown.filter((o) => meet(boundsOfPart(o), shifted(path.bounds, part.x, part.y)));
    return change(
      path,
      near.map((o) => {
        const [dx, dy] = [o.x - part.x, o.y - part.y];
        return dx === 0 && dy === 0 ? o.path : moved(o.path, `${dx} ${dy}`, () => o.path.transform([1, 0, 0, 1, dx, dy]));
      }),
    );
  });
}
