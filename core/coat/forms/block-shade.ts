import { tintOf } from "../../colour";
import { meet } from "../../curves/bounds";
import { contoursOf } from "../../curves/contour";
import type { Kernel } from "../../curves/kernel";
import type { Point } from "../../curves/matrix";
import type { Path } from "../../curves/path";
import type { Way } from "../../curves/sweep";
import { bodyTo, bodyUnder, shortened } from "../../depth/body";
import { linesAlong, visibleSurfaces } from "../../depth/edges";
import { lightOf, toneUnder } from "../../depth/light";
import { chordsOf, paintedSides, underPainted } from "../../depth/painted-sides";
import { normalsOf, sidesOf } from "../../depth/sides";
import { litTones, twoTones, type Tones } from "../../depth/tones";
import { visibleSides } from "../../depth/visible-sides";
import { memoByIdentity } from "../../memo";
import { cutOrPainted, paintedLines } from "../cut-or-painted";
import { edgeParam, edgesPass } from "../edge-lines";
import { formStep } from "../form-step";
import { placeIn } from "../handles";
import { frontOf } from "../front";
import { isDraft } from "../inked-lines";
import { boundsOf, type Part, type Shape } from "../shape";

const toPoint = (v: Readonly<Record<string, unknown>>) => v.to === "point";

const known = memoByIdentity<Path, readonly Drawn[]>(4);

export const blockShade = formStep({
  kind: "block-shade",
  group: "depth",
  label: "Block shade",
  hint: "The sides of the letters as blocks, along a direction or towards a point",
  suits: { paint: "gradient", values: { shape: "copies", mix: "oklab" } },
  params: {
    to: {
      type: "choice",
      label: "Runs",
      hint: "Where the far end lies",
      default: "way",
      options: [
        { value: "way", label: "One way", hint: "All edges run alike" },
        { value: "point", label: "To a point", hint: "All edges run together" },
      ],
    },
    way: {
      type: "direction",
      label: "Far end",
      hint: "Which way the sides run, and how deep they are",
      default: { angle: 135, distance: 12 },
      max: 20_000,
      when: (v) => !toPoint(v),
    },
    point: {
      type: "place",
      label: "Point",
      hint: "Where the edges run together, in shares of the letters' box",
      default: { x: 0.5, y: 2.5 },
      when: toPoint,
    },
    depth: {
      type: "number",
      label: "Depth",
      hint: "How much of the way to the point; below 0 away from it",
      default: 25,
      min: -200,
      max: 100,
      step: 1,
      suffix: "%",
      when: toPoint,
    },
    sides: {
      type: "choice",
      label: "Sides",
      hint: "How the sides are told apart; a gradient over the steps colours them from dark to light",
      default: "two",
      options: [
        { value: "one", label: "One", hint: "The whole body as one outline" },
        { value: "two", label: "Two", hint: "Uprights and flats" },
        { value: "lit", label: "Lit", hint: "As the lamp lights each" },
        { value: "deep", label: "Deep", hint: "In steps from the letters to the far end" },
      ],
    },
    tones: {
      type: "number",
      label: "Tones",
      hint: "How many steps of light there are",
      default: 5,
      min: 2,
      max: 9,
      step: 1,
      when: (v) => v.sides === "lit",
    },
    steps: {
      type: "number",
      label: "Steps",
      hint: "How many there are from the letters to the far end",
      default: 12,
      min: 2,
      max: 60,
      step: 1,
      when: (v) => v.sides === "deep",
    },
    edge: edgeParam,
    clear: {
      type: "toggle",
      label: "Clear of the group",
      hint: "Never over the letters of what lies behind it in its group: of several lines that share their shade, each face stays free",
      default: true,
    },
    gap: { type: "length", label: "Gap", hint: "Left open between the letters and their sides", default: 0, min: 0, max: 200, reach: 10 },
  },
  copies: ({ sides, steps }) => (sides === "deep" ? steps : undefined),
  passes: ({ edge }) => (edge > 0 ? [edgesPass] : []),
  needs: ["lamp", "others"],
  spares: ({ sides, clear }) => [...(sides === "lit" ? [] : (["lamp"] as const)), ...(clear ? [] : (["others"] as const))],
  facts: ({ parts }, { to }) => (to === "point" && parts.length ? { places: [{ param: "point", box: boundsOf(parts) }] } : {}),
  apply: (shape, values, { kernel, units, lamp, others }) => {
    if (!shape.parts.length) return shape;
    const { sides } = values;
    // What is left open round the letters can only be taken away exactly.
    const draft = isDraft(kernel) && !(units(values.gap) > 0);
    const front = frontOf(shape, draft ? kernel : kernel.exact);
    const swept = wayOf(values, boundsOf(shape.parts), units);
    if (front.isEmpty || !swept) return { parts: [] };
    const block: Block = {
      ...{ sides, gap: units(values.gap), edge: units(values.edge) },
      steps: sides === "deep" ? Math.round(values.steps) : 1,
      tones: sides === "lit" ? { count: Math.round(values.tones), light: lightOf(lamp) } : undefined,
    };
    const under = sides === "lit" ? { strength: lamp.strength, ambient: lamp.ambient } : undefined;
    const bodies = known(front, `${draft} ${JSON.stringify([swept, block])}`, () =>
      draft
        ? sketched(front, swept, block)
        : block.gap > 0
          ? drawn(front, swept, block, kernel.exact)
          : cutOrPainted(
              kernel.exact,
              () => drawn(front, swept, block, kernel.exact),
              () => sketched(front, swept, block, chordsOf.still),
            ),
    );
    const tint = under && tintOf(lamp.colour);
    const lighted = ({ along = 0, pass }: Drawn) =>
      under && pass === undefined ? { along: toneUnder(along, under), surface: { lighted: true }, ...(tint ? { tint } : {}) } : { along };
    const faces = values.clear && others.parts.length ? facesIn(others, kernel.exact) : undefined;
    const freed = (path: Path) => (faces && meet(path.bounds, faces.bounds) ? kernel.subtract(path, [faces]) : path);
    const parts = bodies.map((b): Part => ({ ...b, ...lighted(b), path: freed(b.path), x: 0, y: 0, line: 0 }));
    return { parts: parts.filter((p) => !p.path.isEmpty) };
  },
});

/** Units that a shade still lies over the edge of a face that it leaves free: between the two no ground is seen. */
const lap = 1;

const freedFaces = memoByIdentity<Shape, Path>(2);
const facesIn = (others: Shape, kernel: Kernel): Path =>
  freedFaces(others, kernel.name, () => kernel.grow(frontOf(others, kernel), -lap, { kind: "miter", limit: 4 }));

interface Block {
  readonly sides: "one" | "two" | "lit" | "deep";
  readonly tones?: { readonly count: number; readonly light: Point };
  readonly steps: number;
  /** Units. */
  readonly gap: number;
  readonly edge: number;
}

type Drawn = Pick<Part, "path" | "along" | "pass">;

function tonesFor(front: Path, way: Way, { sides, tones }: Block): Tones | undefined {
  if (!tones) return sides === "two" ? twoTones : undefined;
  const normals = normalsOf(sidesOf(contoursOf(front, true), way));
  return litTones(tones.light, tones.count, normals);
}

function drawn(front: Path, way: Way, block: Block, kernel: Kernel): Drawn[] {
  const faces: Drawn[] = [];
  const by = tonesFor(front, way, block);
  if (by) {
    const seen = visibleSides(front, way, kernel, (side) => by.of(side.normal), by.cutsAt);
    faces.push({ path: bodyUnder(front, way, kernel), along: 0.5 });
    for (const [along, path] of [...seen].sort(([a], [b]) => a - b)) faces.push({ path, along });
  } else
    // The nearer covers what lies deeper: what is left of each is its step.
    for (let k = block.steps; k > 0; k--) faces.push({ path: bodyTo(front, way, k / block.steps, kernel), along: depthAt(k, block.steps) });
  if (block.edge > 0)
    faces.push({ path: linesAlong([front, ...visibleSurfaces(front, way, kernel)], block.edge, kernel), along: 0, pass: "edges" });
  const clear = block.gap > 0 ? kernel.grow(front, block.gap, { kind: "miter", limit: 4 }) : undefined;
  return clear ? faces.map((f) => ({ ...f, path: kernel.subtract(f.path, [clear]) })) : faces;
}

/** From 0 at the letters to 1 at the far end, in even steps. */
const depthAt = (step: number, steps: number): number => (steps > 1 ? (step - 1) / (steps - 1) : 0);

/** While something is dragged no more steps are drawn than are there within a frame. */
const mostInDraft = 10;

/** As it looks below the letters. @param tolerance of chords for curves, in units */
function sketched(front: Path, way: Way, block: Block, tolerance: number = chordsOf.draft): Drawn[] {
  const by = tonesFor(front, way, block);
  if (!by) {
    const steps = tolerance === chordsOf.draft ? Math.min(block.steps, mostInDraft) : block.steps;
    return Array.from({ length: steps }, (_, i) => steps - i).flatMap((k) =>
      paintedSides(front, shortened(way, k / steps), () => depthAt(k, steps), tolerance).map(({ label, path }) => ({ path, along: label })),
    );
  }
  const painted = paintedSides(front, way, (normal) => by.of(normal), tolerance);
  return [
    { path: underPainted(painted), along: 0.5 },
    ...painted.flatMap(({ label, path }) => [
      { path, along: label },
      ...(block.edge > 0 ? [{ path: paintedLines(path, block.edge), along: 0, pass: "edges" }] : []),
    ]),
  ];
}

interface Said {
  readonly to: "way" | "point";
  readonly way: { readonly angle: number; readonly distance: number };
  readonly point: { readonly x: number; readonly y: number };
  readonly depth: number;
}

/** Nothing where the sides have no depth. */
function wayOf({ to, way, point, depth }: Said, box: ReturnType<typeof boundsOf>, units: (length: number) => number): Way | undefined {
  if (to === "way") {
    const [angle, length] = [(way.angle * Math.PI) / 180, units(way.distance)];
    return length > 0 ? { kind: "vector", x: length * Math.cos(angle), y: length * Math.sin(angle) } : undefined;
  }
  return depth === 0 ? undefined : { kind: "point", ...placeIn(box, point), by: depth / 100 };
}
