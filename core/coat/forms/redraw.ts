import { contoursOf, pathOf, type Contour } from "../../curves/contour";
import type { Path } from "../../curves/path";
import { redrawn } from "../../drawn/redraw";
import { memoByIdentity } from "../../memo";
import { eachPart, formStep } from "../form-step";
import { inked, isDraft, laidOver } from "../inked-lines";

const known = memoByIdentity<Path, Path>(4);

/** Lines do not change with their weight. */
const along = memoByIdentity<Path, readonly (readonly Contour[])[]>(3);

const lined = (v: Readonly<Record<string, unknown>>) => v.as === "lines";

export const redraw = formStep({
  kind: "redraw",
  group: "edge",
  label: "Redraw",
  hint: "The outline drawn again by a hand that wanders",
  params: {
    as: {
      type: "choice",
      label: "As",
      hint: "What is drawn",
      default: "lines",
      options: [
        { value: "lines", label: "Lines", hint: "Lines along the edge, one over the other" },
        { value: "form", label: "Form", hint: "The letters themselves, as cut by hand" },
      ],
    },
    passes: { type: "number", label: "Passes", hint: "How often the outline is drawn", default: 2, min: 1, max: 12, step: 1, when: lined },
    weight: { type: "length", label: "Weight", hint: "How thick a line is", default: 0.8, min: 0.05, max: 100, reach: 10, when: lined },
    wander: { type: "length", label: "Wander", hint: "How far the hand strays", default: 0.8, min: 0, max: 100, reach: 10 },
    length: {
      type: "length",
      label: "Slowness",
      hint: "Over which length it strays and comes back",
      default: 16,
      min: 1,
      max: 500,
      reach: 60,
    },
    seed: { type: "seed", label: "Again", hint: "Another hand at the same work", default: 1 },
  },
  apply: (shape, { as, passes, weight, wander, length, seed }, { kernel, units }) => {
    const hand = { wander: units(wander), length: units(length), seed };
    const width = units(weight);
    const key = `${kernel.name} ${as} ${passes} ${width} ${JSON.stringify(hand)}`;
    return eachPart(shape, (path, { letter = 0 }) =>
      known(path, `${letter} ${key}`, () => {
        const outline = kernel.weld(path);
        if (as === "form") return kernel.weld(redrawn(outline, { ...hand, letter }, isDraft(kernel)));
        const pen = { width, join: { kind: "round" }, cap: "round" } as const;
        const lines = along(outline, `${kernel.name} ${letter} ${passes} ${JSON.stringify(hand)}`, () =>
          Array.from({ length: Math.round(passes) }, (_, i) =>
            contoursOf(redrawn(outline, { ...hand, letter: 13 * letter + i }, isDraft(kernel)), true),
          ),
        );
        if (isDraft(kernel)) return inked(lines.flat(), pen, kernel);
        return laidOver(lines.map((pass) => kernel.band(pathOf(pass), { ...pen, side: "centre", dashes: [] })));
      }),
    );
  },
});
