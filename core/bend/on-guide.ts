import { isEmpty } from "../curves/bounds";
import { ContourBuilder, pathOf } from "../curves/contour";
import type { Kernel } from "../curves/kernel";
import { apply, multiply, translation, type Matrix } from "../curves/matrix";
import type { Path } from "../curves/path";
import { trackPoint } from "../curves/track";
import { memoByIdentity } from "../memo";
import type { CaretStop, Letter, Setting } from "../lettering/setting";
import { bentFrom, quadOf, warped, type Bent, type BentLetter } from "./bent";
import { alongParallel, type Guide } from "./guide";
import type { AnchoredGuide } from "./guide-kind";

export interface OnGuide {
  /** Each letter turns and stays rigid, or its outline flows with the line. */
  readonly letters: "turn" | "flow";
  /** Moved along the line, and away from it (up), in units. */
  readonly shift: number;
  readonly distance: number;
  /** Spaces made even so that the words close a closed line. */
  readonly spread: boolean;
}

const p = trackPoint();

/** Sets the letters on a guide line; further lines of text stand on its parallel curves. */
export function onGuide(
  setting: Setting,
  { guide, anchor, lift = 0, message }: AnchoredGuide,
  options: OnGuide,
  kernel: Kernel,
  key: string,
): Bent {
  const from = anchor + options.shift;
  const up = lift + options.distance;
  const spaced = options.spread && guide.closed ? spread(setting, guide, up) : setting;
  const marks = [guideMark(guide, up)];
  const messages = message ? [message] : [];
  if (options.letters === "flow") {
    const warps = spaced.lines.map((line) => ({ warp: flowWarp(guide, from, up, up - line.baseline), key: `${key} ${line.baseline}` }));
    return warped(spaced, kernel, (line) => warps[line], marks, messages);
  }
  const letters = spaced.letters.map((l) => turned(l, spaced, guide, from, up, kernel));
  const carets = spaced.carets.map((c): CaretStop => {
    const { baseline } = spaced.lines[c.line];
    const m = frameAt(guide, from, up - baseline, c.foot.x);
    return { ...c, foot: apply(m, { x: 0, y: c.foot.y - baseline }), head: apply(m, { x: 0, y: c.head.y - baseline }) };
  });
  return bentFrom(spaced, letters, carets, marks, messages);
}

/** From the space of a letter, its origin on the baseline and x along it, to the place that is `x` along the parallel at `offset`. */
function frameAt(guide: Guide, anchor: number, offset: number, x: number): Matrix {
  guide.at(alongParallel(guide, anchor, offset, x), p);
  const [px, py, dx, dy] = p;
  return [dx, dy, -dy, dx, px + offset * dy, py - offset * dx];
}

const kept = memoByIdentity<Path, Path>(48);

/** An outline turned as a frame is, the same object for the same frame. */
function outlineIn([a, b, c, d]: Matrix, outline: Path, kernel: Kernel): Path {
  const m: Matrix = [a, b, c, d, 0, 0];
  return kept(outline, `${kernel.name} ${m.map((v) => v.toFixed(5)).join()}`, () => kernel.placed(outline, m));
}

function turned(l: Letter, setting: Setting, guide: Guide, from: number, up: number, kernel: Kernel): BentLetter {
  const { baseline } = setting.lines[l.line];
  const b = l.outline.bounds;
  const middle = isEmpty(b) ? 0 : (b.minX + b.maxX) / 2;
  const frame = frameAt(guide, from, up - baseline, l.x + middle);
  const origin = apply(frame, { x: -middle, y: l.y - baseline });
  const place = multiply(frame, translation(-(l.x + middle), -baseline));
  return { ...l, outline: outlineIn(frame, l.outline, kernel), x: origin.x, y: origin.y, quad: quadOf(l).map((q) => apply(place, q)) };
}

/** Bends the plane so that the line of text whose baseline lies at `offset` from the guide keeps its length there. */
const flowWarp = (guide: Guide, anchor: number, up: number, offset: number) => (x: number, y: number, out: Float64Array) => {
  guide.at(alongParallel(guide, anchor, offset, x), p);
  const o = up - y;
  const [px, py, dx, dy, k] = p;
  const stretch = (1 + k * o) / Math.max(0.05, 1 + k * offset);
  out[0] = px + o * dy;
  out[1] = py - o * dx;
  out[2] = dx * stretch;
  out[3] = dy * stretch;
  out[4] = -dy;
  out[5] = dx;
};

/** The setting with the same added between all letters of a line, so that it closes the parallel curve that it stands on. */
function spread(setting: Setting, guide: Guide, up: number): Setting {
  guide.at(guide.length, p);
  const end = p[5];
  guide.at(0, p);
  const turnedRound = end - p[5];
  const adds = setting.lines.map((line) => {
    const slots = new Set(setting.carets.filter((c) => c.line === setting.lines.indexOf(line)).map((c) => c.index)).size - 1;
    const around = guide.length + (up - line.baseline) * turnedRound;
    return slots > 0 ? (around - line.width) / slots : 0;
  });
  // A letter moves by as many spaces as there are places before it, counted about the middle so that it stays where it was.
  const places = setting.lines.map((_, i) =>
    [...new Set(setting.carets.filter((c) => c.line === i).map((c) => c.foot.x))].sort((a, b) => a - b),
  );
  const before = (line: number, x: number) => {
    const list = places[line];
    let n = list.findIndex((at) => at > x + 0.01);
    if (n < 0) n = list.length;
    return (n - 1 - (list.length - 1) / 2 + 0.5) * adds[line];
  };
  return {
    ...setting,
    letters: setting.letters.map((l) => ({ ...l, x: l.x + before(l.line, l.x) })),
    carets: setting.carets.map((c) => {
      const dx = before(c.line, c.foot.x);
      return { ...c, foot: { ...c.foot, x: c.foot.x + dx }, head: { ...c.head, x: c.head.x + dx } };
    }),
  };
}

/** The line itself, to be seen on the bench. */
function guideMark(guide: Guide, offset: number): Path {
  const n = 96;
  const out = new ContourBuilder();
  for (let i = 0; i <= n; i++) {
    guide.at((guide.length * i) / n - (guide.closed && i === n ? 1e-9 : 0), p);
    const [x, y] = [p[0] + offset * p[3], p[1] - offset * p[2]];
    if (i === 0) out.move(x, y);
    else out.line(x, y);
  }
  return out.size ? pathOf([out.build(false)]) : pathOf([]);
}
