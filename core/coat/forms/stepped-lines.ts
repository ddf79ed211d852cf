import { isEmpty, meet, shifted } from "../../curves/bounds";
import { ContourBuilder, contoursOf, pathOf, reversed, stride, type Contour } from "../../curves/contour";
import { pathOfStrands, type Strand } from "../../curves/nodes";
import type { Path } from "../../curves/path";
import { steppedLines, weightAt, type Stepped } from "../../drawn/stepped-lines";
import { memoByKey } from "../../memo";
import { formStep } from "../form-step";
import { inked, isDraft } from "../inked-lines";
import { boundsOf, plain, type Part } from "../shape";
import { strandIn } from "../strand-in";

/** A gentle wave across the box at a height, in thousandths. */
const across = (y: number, bow: number): Strand => {
  const node = (x: number, dy: number, handle: number) => ({
    ...{ x, y: y + dy, inX: -handle, inY: 0, outX: handle, outY: 0, smooth: true },
  });
  return { closed: false, nodes: [node(-60, 0, 180), node(500, bow, 220), node(1060, 0, 180)] };
};

const known = memoByKey<readonly Stepped[]>(20);

/** While something is dragged no more are drawn between two than are there within a frame. */
const mostInDraft = 5;

export const steppedLinesForm = formStep({
  kind: "stepped-lines",
  group: "fill",
  label: "Stepped lines",
  hint: "Lines stepped between some that are drawn on the bench, across the letters, each in a colour of its own",
  suits: { paint: "gradient", values: { shape: "copies", mix: "oklab" } },
  params: {
    keys: {
      type: "strands",
      shown: "keys",
      label: "Key lines",
      hint: "The lines that all others are stepped between; their nodes are dragged on the bench",
      default: [across(70, 120), across(930, -120)],
    },
    between: { type: "number", label: "Between", hint: "Lines stepped between two key lines", default: 7, min: 0, max: 60, step: 1 },
    as: {
      type: "choice",
      label: "Drawn as",
      hint: "Lines with the letters between them, or areas from each line to the next",
      default: "lines",
      options: [
        { value: "lines", label: "Lines", hint: "As thick as their weight" },
        { value: "bands", label: "Bands", hint: "Each to the next one" },
      ],
    },
    weights: {
      type: "lengths",
      label: "Weights",
      hint: "How thick each key line is, such as 2 0.5; those between are mixed",
      default: [2.4, 1],
      when: (v) => v.as === "lines",
    },
    taper: {
      type: "choice",
      label: "Taper",
      hint: "How the weight changes along each line",
      default: "even",
      options: [
        { value: "even", label: "Even", hint: "One weight throughout" },
        { value: "ends", label: "Both ends", hint: "Thinner towards both ends" },
        { value: "end", label: "To the end", hint: "Runs out to a point" },
      ],
      when: (v) => v.as === "lines",
    },
    length: {
      type: "length",
      label: "Length",
      hint: "Of the waves that ride on the lines, from crest to crest",
      default: 30,
      min: 2,
      max: 2000,
      reach: 100,
    },
    height: {
      type: "length",
      label: "Height",
      hint: "From the middle of a wave to its crest; 0 leaves the lines as they are drawn",
      default: 0,
      min: 0,
      max: 200,
      reach: 10,
    },
    drift: {
      type: "number",
      label: "Drift",
      hint: "How far each wave is moved along against the one before, as a share of a wave",
      default: 0,
      min: -50,
      max: 50,
      step: 1,
      suffix: "%",
      when: (v) => Number(v.height) > 0,
    },
    uneven: {
      type: "number",
      label: "Uneven",
      hint: "How much the waves differ",
      default: 0,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
      when: (v) => Number(v.height) > 0,
    },
    over: {
      type: "choice",
      label: "Over",
      hint: "What one set of lines runs across",
      default: "all",
      options: [
        { value: "letter", label: "Letter", hint: "Each letter has its own" },
        { value: "all", label: "All", hint: "One set across all letters" },
      ],
    },
    seed: {
      type: "seed",
      label: "Again",
      hint: "Another throw of the dice",
      default: 1,
      when: (v) => Number(v.height) > 0 && Number(v.uneven) > 0,
    },
  },
  facts: (shape, { over }) => {
    const box = boundsOf(over === "letter" ? shape.parts.slice(0, 1) : shape.parts);
    return isEmpty(box) ? {} : { strands: { param: "keys", box } };
  },
  apply: (shape, { keys, between, as, weights, taper, length, height, drift, uneven, over, seed }, { kernel, units }) => {
    const all = shape.parts.map(plain);
    const draft = isDraft(kernel);
    const waves = { length: units(length), height: units(height), drift: drift / 100, uneven: uneven / 100, seed };
    const count = Math.round(draft ? Math.min(between, mostInDraft) : between);
    const parts: Part[] = [];
    for (const group of over === "letter" ? all.map((p) => [p]) : [all]) {
      const box = boundsOf(group);
      if (isEmpty(box)) continue;
      const lines = known(JSON.stringify([box, keys, count, waves]), () => {
        const own = contoursOf(pathOfStrands(keys.map((k) => strandIn(k, box))), false);
        return own.length > 1 ? steppedLines(own, count, waves) : [];
      });
      const areas =
        as === "bands"
          ? bands(lines)
          : lines.map(({ line, along, key, share }) => {
              const width = units(weightAt(weights, key, share));
              const pen = {
                width,
                join: { kind: "round" },
                cap: "round",
                ...(taper === "even" ? {} : { taper: stops(taper, width) }),
              } as const;
              return { along, path: width > 0 ? inked([line], pen, kernel) : pathOf([]) };
            });
      for (const { path, along } of areas) {
        if (path.isEmpty) continue;
        for (const part of group) {
          if (!meet(shifted(part.path.bounds, part.x, part.y), path.bounds)) continue;
          const kept = kernel.intersect([part.path, path.transform([1, 0, 0, 1, -part.x, -part.y])]);
          if (!kept.isEmpty) parts.push({ ...part, path: kept, along });
        }
      }
    }
    return { parts };
  },
});

const stops = (taper: "ends" | "end", width: number) =>
  taper === "end"
    ? [
        { at: 0, width },
        { at: 1, width: 0 },
      ]
    : [
        { at: 0, width: 0.1 * width },
        { at: 0.35, width },
        { at: 0.65, width },
        { at: 1, width: 0.1 * width },
      ];

/** From each line to the last one, so that the next covers it and no ground is seen between two. */
function bands(lines: readonly Stepped[]): { path: Path; along: number }[] {
  const last = lines.at(-1);
  const areas = lines.length - 1;
  return lines.slice(0, -1).map(({ line }, i) => ({
    along: areas > 1 ? i / (areas - 1) : 0,
    path: pathOf([between(line, last!.line)]),
  }));
}

function between(from: Contour, to: Contour): Contour {
  const out = new ContourBuilder();
  out.move(from.points[0], from.points[1]);
  for (let k = 0; k < from.size; k++) out.segment(from.points, k * stride, from.degrees[k]);
  const back = reversed(to);
  out.line(back.points[0], back.points[1]);
  for (let k = 0; k < back.size; k++) out.segment(back.points, k * stride, back.degrees[k]);
  out.line(from.points[0], from.points[1]);
  return out.build(true);
}
