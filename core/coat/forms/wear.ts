import { worn } from "../../drawn/wear";
import { memoByIdentity } from "../../memo";
import type { Path } from "../../curves/path";
import { eachPart, formStep } from "../form-step";

const known = memoByIdentity<Path, Path>(4);

/** Of a thousand units of outline at 100 %, over the size of a chip. */
const chipsAtMost = 900;

export const wear = formStep({
  kind: "wear",
  group: "edge",
  label: "Wear",
  hint: "Chips along the edge and specks behind it, as of paint that is old or of a print that is dry",
  params: {
    chips: { type: "number", label: "Chips", hint: "How much of the edge is chipped", default: 45, min: 0, max: 100, step: 1, suffix: "%" },
    specks: {
      type: "number",
      label: "Specks",
      hint: "How many holes lie behind the edge",
      default: 40,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
    },
    size: { type: "length", label: "Size", hint: "How large a chip is", default: 1.6, min: 0.1, max: 50, reach: 8 },
    depth: { type: "length", label: "Depth", hint: "How far in from the edge specks are found", default: 9, min: 0, max: 200, reach: 30 },
    seed: { type: "seed", label: "Again", hint: "Worn in other places", default: 1 },
  },
  apply: (shape, { chips, specks, size, depth, seed }, { kernel, units }) => {
    const across = units(size);
    const of = (percent: number) => (percent / 100) * (chipsAtMost / Math.max(across, 1));
    const values = { chips: of(chips), specks: of(specks), size: across, depth: units(depth), seed };
    const key = `${kernel.name} ${JSON.stringify(values)}`;
    return eachPart(shape, (path, { letter = 0 }) =>
      known(path, `${letter} ${key}`, () => {
        const clean = kernel.weld(path);
        const lost = worn(clean, { ...values, letter });
        return lost.isEmpty ? clean : kernel.subtract(clean, [lost]);
      }),
    );
  },
});
