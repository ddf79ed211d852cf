import { contoursOf } from "../../curves/contour";
import type { Bounds } from "../../curves/bounds";
import type { Kernel } from "../../curves/kernel";
import { multiply, rotation, scaling, translation, type Matrix, type Point } from "../../curves/matrix";
import { pathOfStrands, type Strand } from "../../curves/nodes";
import { PathBuilder, type Path } from "../../curves/path";
import { Track, trackPoint } from "../../curves/track";
import { memoByIdentity } from "../../memo";
import { placeIn } from "../handles";
import { formStep, type Pass } from "../form-step";
import { boundsOf, plain, type Part, type Shape } from "../shape";
import { strandIn } from "../strand-in";

/** While something is dragged no more copies are drawn than are there within a frame. */
const mostInDraft = 24;

type Set = Readonly<Record<string, unknown>>;

/** Out of the middle of the letters, down and to the right in a bow. */
const bow: Strand = {
  closed: false,
  nodes: [
    { x: 500, y: 500, inX: 0, inY: 0, outX: 0, outY: 900, smooth: true },
    { x: 760, y: 2700, inX: -120, inY: -900, outX: 0, outY: 0, smooth: true },
  ],
};

export const trail = formStep({
  kind: "trail",
  group: "depth",
  label: "Trail",
  hint: "Copies from the letters to a last one, moved, sized and turned step by step",
  suits: { paint: "gradient", values: { shape: "copies", mix: "oklab" } },
  params: {
    copies: {
      type: "number",
      label: "Copies",
      hint: "How many there are, with the letters themselves",
      default: 24,
      min: 2,
      max: 500,
      step: 1,
    },
    to: {
      type: "choice",
      label: "Goes",
      hint: "Where the last copy stands",
      default: "way",
      options: [
        { value: "way", label: "Straight", hint: "One way, and so far" },
        { value: "point", label: "Point", hint: "All edges run to one place: the smaller the last copy, the nearer it" },
        { value: "curve", label: "Curve", hint: "Along a line that is drawn on the bench" },
      ],
    },
    way: {
      type: "direction",
      label: "Runs",
      hint: "Where the last copy stands: its angle from the right, clockwise, and how far",
      default: { angle: 60, distance: 24 },
      max: 5000,
      when: (v: Set) => v.to === "way",
    },
    point: {
      type: "place",
      label: "Point",
      hint: "Where the edges run together, in shares of the letters' box",
      default: { x: 0.5, y: 3 },
      when: (v: Set) => v.to === "point",
    },
    curve: {
      type: "strands",
      label: "Curve",
      hint: "The line that the copies move along; its nodes are dragged on the bench",
      default: [bow],
      when: (v: Set) => v.to === "curve",
    },
    follow: {
      type: "toggle",
      label: "Turn with the curve",
      hint: "Each copy is turned as the line is where it stands",
      default: false,
      when: (v: Set) => v.to === "curve",
    },
    size: {
      type: "number",
      label: "Last size",
      hint: "Of the last copy, as a share of the letters",
      default: 100,
      min: 1,
      max: 400,
      step: 1,
      suffix: "%",
    },
    turn: { type: "angle", label: "Last turn", hint: "How far the last copy is turned about its middle", default: 0, min: -360, max: 360 },
    slant: {
      type: "angle",
      label: "Last slant",
      hint: "How far the last copy leans to the right; below 0 to the left",
      default: 0,
      min: -75,
      max: 75,
    },
    spacing: {
      type: "number",
      label: "Spacing",
      hint: "0 for even steps; above 0 they are closer by the letters, below 0 by the last copy",
      default: 0,
      min: -100,
      max: 100,
      step: 1,
      suffix: "%",
    },
    line: {
      type: "length",
      label: "Outline",
      hint: "How wide a line is drawn round each copy; 0 draws none",
      default: 0,
      min: 0,
      max: 100,
      reach: 4,
    },
    face: {
      type: "toggle",
      label: "Face apart",
      hint: "The nearest copy, in a paint of its own",
      default: false,
    },
  },
  copies: ({ copies }) => copies,
  passes: ({ face, line }): readonly Pass[] => [
    ...(face ? [{ id: "face", label: "Face", hint: "The nearest copy" }] : []),
    ...(line > 0 ? [{ id: "outline", label: "Outline", hint: "The line round each copy" }] : []),
  ],
  facts: ({ parts }, { to }) => {
    if (!parts.length) return {};
    const box = boundsOf(parts);
    if (to === "curve") return { strands: { param: "curve", box } };
    return to === "point" ? { places: [{ param: "point", box }] } : {};
  },
  apply: (shape, values, { kernel, units }) => {
    const { copies, face } = values;
    if (!shape.parts.length) return shape;
    const count = Math.round(kernel.name === "draft" ? Math.min(copies, mostInDraft) : copies);
    const box = boundsOf(shape.parts);
    const poseAt = posesOf(values, box, units);
    const words = wholes(shape);
    const width = units(values.line);
    const outlines = width > 0 ? words.map((w) => ({ ...w, path: outlined(w.path, width, kernel) })) : [];
    // Back to front: the letters themselves come last.
    return {
      parts: Array.from({ length: count }, (_, i) => 1 - i / (count - 1)).flatMap((t) => {
        const [a, b, c, d, x, y] = poseAt(eased(t, values.spacing));
        const place = { matrix: [a, b, c, d, 0, 0] as Matrix, x, y, along: t };
        return [
          ...words.map((w): Part => ({ ...w, ...place, ...(face && t === 0 ? { pass: "face" } : {}) })),
          ...outlines.map((o): Part => ({ ...o, ...place, pass: "outline" })),
        ];
      }),
    };
  },
});

/** How far along the way a copy stands; the ends stay where they are. @param spacing from -100 to 100 */
export const eased = (t: number, spacing: number): number => (spacing >= 0 ? t ** (1 + spacing / 50) : 1 - (1 - t) ** (1 - spacing / 50));

interface Way {
  readonly to: "way" | "point" | "curve";
  readonly way: { readonly angle: number; readonly distance: number };
  readonly point: Point;
  readonly curve: readonly Strand[];
  readonly follow: boolean;
  readonly size: number;
  readonly turn: number;
  readonly slant: number;
}

/** Where the copy at a share of the way stands, from the letters. */
function posesOf(
  { to, way, point, curve, follow, size, turn, slant }: Way,
  box: Bounds,
  units: (length: number) => number,
): (t: number) => Matrix {
  const [cx, cy] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
  const lean = Math.tan((slant * Math.PI) / 180);
  const own = (t: number, more = 0): Matrix =>
    multiply(rotation(turn * t + more), multiply([1, 0, -lean * t, 1, 0, 0], scaling(1 + (size / 100 - 1) * t)));
  const about = (t: number, x: number, y: number, more = 0): Matrix =>
    multiply(translation(cx + x, cy + y), multiply(own(t, more), translation(-cx, -cy)));
  if (to === "point") {
    const p = placeIn(box, point);
    // Every place moves straight to the point, as much of the way as it becomes smaller.
    const share = 1 - size / 100;
    return (t) => about(t, (p.x - cx) * share * t, (p.y - cy) * share * t);
  }
  const contours = to === "curve" ? contoursOf(pathOfStrands(curve.map((c) => strandIn(c, box))), false) : [];
  if (to === "curve" && contours[0]) {
    const track = new Track(contours[0]);
    const at = trackPoint();
    track.at(0, at);
    const [x0, y0] = [at[0], at[1]];
    return (t) => {
      track.at(track.length * t, at);
      return about(t, at[0] - x0, at[1] - y0, follow ? (at[5] * 180) / Math.PI : 0);
    };
  }
  const angle = (way.angle * Math.PI) / 180;
  const distance = to === "way" ? units(way.distance) : 0;
  return (t) => about(t, Math.cos(angle) * distance * t, Math.sin(angle) * distance * t);
}

const lines = memoByIdentity<Path, Path>(2);

/** The line round a copy: made once, and used with each. */
const outlined = (path: Path, width: number, kernel: Kernel): Path =>
  lines(path, `${kernel.name} ${width}`, () =>
    kernel.band(path, { width, side: "centre", join: { kind: "round" }, cap: "butt", dashes: [] }),
  );

const joined = memoByIdentity<Shape, readonly Part[]>(1);

/** All letters of the same inks as one path, so that a copy of a word is written once and not letter by letter. */
function wholes(shape: Shape): readonly Part[] {
  return joined(shape, "", () => {
    const groups = new Map<string, Part[]>();
    for (const part of shape.parts.map(plain)) {
      const key = JSON.stringify(part.inks ?? {});
      groups.set(key, [...(groups.get(key) ?? []), part]);
    }
    return [...groups.values()].map(([first, ...others]) => ({ ...first, x: 0, y: 0, path: together([first, ...others]) }));
  });
}

function together(parts: readonly Part[]): Path {
  const out = new PathBuilder();
  for (const p of parts) out.add(p.path.transform(translation(p.x, p.y)));
  return out.build();
}
