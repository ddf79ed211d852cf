import type { Kernel, TaperStop } from "../../curves/kernel";
import type { Path } from "../../curves/path";
import type { Point } from "../../curves/matrix";
import { inlinesOf, mostInlines, strokeTips, type Inline, type Inlines } from "../../drawn/inlines/inlines";
import { memoByIdentity } from "../../memo";
import type { Mark } from "../../params";
import { formStep, type StepMark } from "../form-step";
import { placeIn, shareOf } from "../handles";
import { sameMark } from "../marks";
import { inked, isDraft } from "../inked-lines";
import { plain, type Part } from "../shape";

/** Lines of one letter, those of one depth together, from the edge inwards. */
const known = memoByIdentity<Path, readonly Path[]>(6);

export const inlines = formStep({
  kind: "inlines",
  group: "fill",
  label: "Inlines",
  hint: "Lines that run along the strokes of the letters, evenly between their sides",
  params: {
    count: { type: "number", label: "Lines", hint: "How many run in each stroke", default: 3, min: 1, max: 9, step: 1 },
    weight: { type: "length", label: "Weight", hint: "How thick a line is", default: 1, min: 0.05, max: 100, reach: 10 },
    margin: {
      type: "number",
      label: "Margin",
      hint: "The space at the edges, as a share of that between two lines",
      default: 100,
      min: 10,
      max: 400,
      step: 5,
      suffix: "%",
      when: (v) => Number(v.count) > 1,
    },
    ends: {
      type: "choice",
      label: "Ends",
      hint: "What lines do where a stroke ends",
      default: "open",
      options: [
        { value: "open", label: "Open", hint: "They run out of it" },
        { value: "closed", label: "Closed", hint: "They go round within it" },
      ],
    },
    gap: {
      type: "number",
      label: "Gap at ends",
      hint: "How far before the end a line stops, as a share of the space between two",
      default: 0,
      min: 0,
      max: 300,
      step: 5,
      suffix: "%",
      when: (v) => v.ends === "open",
    },
    cap: {
      type: "choice",
      label: "Caps",
      hint: "How lines end",
      default: "butt",
      options: [
        { value: "butt", label: "Butt", hint: "Cut off at the end" },
        { value: "round", label: "Round", hint: "Ended by half a circle" },
      ],
    },
    taper: {
      type: "choice",
      label: "Taper",
      hint: "How the weight changes along each line",
      default: "even",
      options: [
        { value: "even", label: "Even", hint: "One weight throughout" },
        { value: "ends", label: "Both ends", hint: "Thinner towards both ends" },
      ],
    },
    flips: {
      type: "marks",
      label: "Single ends",
      hint: "Ends that are closed where the others are open, or open where they are closed",
      default: [],
    },
  },
  facts: (shape, { count, weight, ends, flips }, { kernel, units }) => {
    const letters = shape.parts.map((part) => ({ part: plain(part), path: kernel.exact.weld(plain(part).path) }));
    const marks = letters.flatMap(({ part, path }) =>
      tipsOf(path, kernel.exact).map((tip): StepMark => {
        const share = shareOf(path.bounds, tip);
        const flip = flipsOn(flips, part).some((f) => Math.hypot(f.x - share.x, f.y - share.y) < sameMark);
        const closed = (ends === "closed") !== flip;
        return {
          param: "flips",
          of: part.text ?? "",
          ...share,
          at: { x: tip.x + part.x, y: tip.y + part.y },
          on: closed,
          label: closed ? "Let the lines run out here" : "Let the lines go round here",
        };
      }),
    );
    const carried = letters.map(({ part, path }) => ({ text: part.text ?? "", most: mostOf(path, units(weight), kernel.exact) }));
    const thin = carried.filter((l) => l.most < Math.round(count));
    if (!thin.length) return { marks };
    const most = Math.max(1, Math.min(...thin.map((l) => l.most)));
    const names = [...new Set(thin.map((l) => l.text))].filter(Boolean);
    const message = `Too thin for ${Math.round(count)} line${count > 1 ? "s" : ""} of this weight: ${names.slice(0, 8).join(" ") || "some parts"}${names.length > 8 ? " and more" : ""}.`;
    const offer = most < count ? { label: most === 1 ? "Take 1 line" : `Take ${most} lines`, values: { count: most } } : undefined;
    return { marks, remark: { message, ...(offer ? { offer } : {}) } };
  },
  apply: (shape, { count, weight, margin, ends, gap, cap, taper, flips }, { kernel, units }) => {
    const lines: Inlines = { count: Math.round(count), margin: margin / 100, closed: ends === "closed", endGap: gap / 100 };
    const width = units(weight);
    const depths = Math.ceil(lines.count / 2);
    const key = `${kernel.name} ${width} ${cap} ${taper} ${JSON.stringify(lines)}`;
    const parts: Part[] = [];
    for (const part of shape.parts.map(plain)) {
      const own = flipsOn(flips, part).map((f) => placeIn(part.path.bounds, f));
      const paths = known(part.path, own.length ? `${key} ${JSON.stringify(own)}` : key, () =>
        drawn(part.path, own.length ? { ...lines, flipped: own } : lines, { width, cap, taper }, kernel),
      );
      // Each depth by itself: copies of a gradient, from the edge inwards.
      paths.forEach((path, depth) => !path.isEmpty && parts.push({ ...part, path, along: depths > 1 ? depth / (depths - 1) : 0 }));
    }
    return { parts };
  },
});

const tips = memoByIdentity<Path, readonly Point[]>(1);
const tipsOf = (path: Path, kernel: Kernel) => tips(path, "", () => strokeTips(path, kernel));
const carriedBy = memoByIdentity<Path, number>(4);
const mostOf = (path: Path, weight: number, kernel: Kernel) => carriedBy(path, String(weight), () => mostInlines(path, weight, kernel));

/** The marks on letters of a part's text. */
const flipsOn = (flips: readonly Mark[], { text = "" }: Part): readonly Mark[] => flips.filter((f) => f.of === text);

/** Lines do not change with their weight, which is dragged most. */
const along = memoByIdentity<Path, readonly Inline[]>(4);

interface Pen {
  readonly width: number;
  readonly cap: "butt" | "round";
  readonly taper: "even" | "ends";
}

function drawn(path: Path, lines: Inlines, { width, cap, taper }: Pen, kernel: Kernel): Path[] {
  const welded = kernel.exact.weld(path);
  const asked = JSON.stringify(lines);
  // Where they are known exactly, as while only their weight is dragged, they are drawn so.
  const exact = along.known(welded, asked);
  const rough = isDraft(kernel) && !exact;
  const all = exact ?? along(welded, rough ? `rough ${asked}` : asked, () => inlinesOf(welded, { ...lines, rough }, kernel.exact));
  const stops: TaperStop[] = [
    { at: 0, width: 0.2 * width },
    { at: 0.3, width },
    { at: 0.7, width },
    { at: 1, width: 0.2 * width },
  ];
  const pen = { width, join: { kind: "miter", limit: 4 }, cap, ...(taper === "ends" ? { taper: stops } : {}) } as const;
  return Array.from({ length: Math.ceil(lines.count / 2) }, (_, depth) => {
    const own = all.filter((l) => l.depth === depth).map((l) => l.line);
    return inked(own, { ...pen, within: welded }, kernel);
  });
}
