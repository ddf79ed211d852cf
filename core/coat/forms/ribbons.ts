import { isEmpty, shifted } from "../../curves/bounds";
import { movedBy, pathOf } from "../../curves/contour";
import { withoutSlivers } from "../../curves/slivers";
import { ribbonOn, ribbonsOver, stretchOf, type Ribbon } from "../../drawn/ribbons";
import { memoByKey } from "../../memo";
import { formStep } from "../form-step";
import { isDraft } from "../inked-lines";
import { boundsOf, plain, type Part } from "../shape";

/** While something is dragged no more are drawn than are there within a frame. */
const mostInDraft = 10;

/** Square units: some four thousandths of the em a side. */
const speck = 20;

const known = memoByKey<readonly Ribbon[]>(20);

export const ribbons = formStep({
  kind: "ribbons",
  group: "fill",
  label: "Ribbons",
  hint: "Waves across the letters, stepped from one to the next, each in a colour of its own",
  suits: { paint: "gradient", values: { shape: "copies", mix: "oklab" } },
  params: {
    count: { type: "number", label: "Ribbons", hint: "How many there are", default: 12, min: 2, max: 80, step: 1 },
    angle: { type: "angle", label: "Angle", hint: "Which way they run, clockwise from level", default: -20, min: -180, max: 180 },
    length: { type: "length", label: "Length", hint: "From crest to crest", default: 40, min: 2, max: 2000, reach: 100 },
    height: { type: "length", label: "Height", hint: "From the middle of a wave to its crest", default: 3, min: 0, max: 200, reach: 20 },
    drift: {
      type: "number",
      label: "Drift",
      hint: "How far each wave is moved along against the one before, as a share of a wave",
      default: 8,
      min: -50,
      max: 50,
      step: 1,
      suffix: "%",
    },
    ratio: {
      type: "number",
      label: "Last width",
      hint: "Of the last ribbon, against the first",
      default: 100,
      min: 10,
      max: 1000,
      step: 5,
      suffix: "%",
    },
    uneven: {
      type: "number",
      label: "Uneven",
      hint: "How much the waves differ",
      default: 20,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
    },
    over: {
      type: "choice",
      label: "Over",
      hint: "What one set of ribbons runs across",
      default: "all",
      options: [
        { value: "letter", label: "Letter", hint: "Each letter has its own" },
        { value: "all", label: "All", hint: "One set across all letters" },
      ],
    },
    seed: { type: "seed", label: "Again", hint: "Another throw of the dice", default: 1, when: (v) => Number(v.uneven) > 0 },
  },
  copies: ({ count }) => count,
  apply: (shape, { over, count, length, height, drift, ratio, uneven, angle, seed }, { kernel, units }) => {
    const all = shape.parts.map(plain);
    const drawn = {
      ...{ angle, seed, length: units(length), height: units(height) },
      ...{ drift: drift / 100, ratio: ratio / 100, uneven: uneven / 100 },
      count: Math.round(isDraft(kernel) ? Math.min(count, mostInDraft) : count),
    };
    const parts: Part[] = [];
    for (const group of over === "letter" ? all.map((p) => [p]) : [all]) {
      const box = boundsOf(group);
      if (isEmpty(box)) continue;
      const draft = isDraft(kernel);
      const waves = known(`${draft} ${JSON.stringify([box, drawn])}`, () => ribbonsOver(box, drawn, draft));
      const there = group.map((part) => stretchOf(shifted(part.path.bounds, part.x, part.y), angle));
      // Of those that cover a letter whole only the last is seen.
      const last = there.map(({ top }) => waves.findLastIndex((w) => w.covers <= top));
      waves.forEach((wave, i) => {
        for (const [k, part] of group.entries()) {
          const here = { along: drawn.count > 1 ? i / (drawn.count - 1) : 0 };
          const area = i < last[k] ? undefined : ribbonOn(wave, there[k], angle);
          if (!area) continue;
          const kept = i === last[k] ? part.path : withoutSlivers(kernel.intersect([part.path, pathOf([movedBy(area, -part.x, -part.y)])]));
          // Where a wave only just reaches a letter, there is nothing that an eye could see.
          if (kernel.area(kept) > speck) parts.push({ ...part, path: kept, ...here });
        }
      });
    }
    return { parts };
  },
});
