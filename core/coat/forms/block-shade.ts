import { contoursOf } from "../../curves/contour";
import type { Path } from "../../curves/path";
import type { Way } from "../../curves/sweep";
import { sidesOf } from "../../depth/sides";
import { litTones, twoTones } from "../../depth/tones";
import { visibleSides } from "../../depth/visible-sides";
import { memoByIdentity } from "../../memo";
import { formStep } from "../form-step";
import { placeIn } from "../handles";
import { frontOf } from "../front";
import { boundsOf, type Part } from "../shape";

const toPoint = (v: Readonly<Record<string, unknown>>) => v.to === "point";

/** How far along the way the body starts that lies under its sides, in units and as a share: its edge is not to be seen at the front. */
const under = { units: 4, share: 0.1 };

const known = memoByIdentity<Path, readonly Pick<Part, "path" | "along">[]>(4);

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
    gap: { type: "length", label: "Gap", hint: "Left open between the letters and their sides", default: 0, min: 0, max: 200, reach: 10 },
  },
  needs: ["lamp"],
  spares: ({ sides }) => (sides === "lit" ? [] : ["lamp"]),
  facts: ({ parts }, { to }) => (to === "point" && parts.length ? { places: [{ param: "point", box: boundsOf(parts) }] } : {}),
  apply: (shape, { to, way, point, depth, sides, tones, gap }, { kernel, units, lamp }) => {
    if (!shape.parts.length) return shape;
    const exact = kernel.exact;
    const front = frontOf(shape, exact);
    const swept = wayOf({ to, way, point, depth }, boundsOf(shape.parts), units);
    if (front.isEmpty || !swept) return { parts: [] };
    const space = units(gap);
    const key = JSON.stringify([swept, sides, sides === "lit" && [tones, lamp], space]);
    const bodies = known(front, key, () => {
      const body = (from: number) => exact.sweep(from > 0 ? front.transform(movedAlong(swept, from)) : front, rest(swept, from)).silhouette;
      const faces: Pick<Part, "path" | "along">[] = [];
      if (sides !== "one") {
        const told =
          sides === "two"
            ? twoTones
            : litTones(
                lamp,
                Math.round(tones),
                sidesOf(contoursOf(front, true), swept).sides.map((s) => s.normal),
              );
        const seen = visibleSides(front, swept, exact, (side) => told.of(side.normal), told.cutsAt);
        // Below its sides the body itself, a little shorter: between two of them no ground is seen.
        faces.push({ path: body(Math.min(under.share, under.units / Math.max(1, lengthOf(swept)))), along: 0.5 });
        for (const [along, path] of [...seen].sort(([a], [b]) => a - b)) faces.push({ path, along });
      } else faces.push({ path: body(0), along: 0 });
      const clear = space > 0 ? exact.grow(front, space, { kind: "miter", limit: 4 }) : undefined;
      return clear ? faces.map((f) => ({ ...f, path: exact.subtract(f.path, [clear]) })) : faces;
    });
    return { parts: bodies.filter((b) => !b.path.isEmpty).map((b) => ({ ...b, x: 0, y: 0, line: 0 })) };
  },
});

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

const lengthOf = (way: Way): number => (way.kind === "vector" ? Math.hypot(way.x, way.y) : 1000 * Math.abs(way.by));

/** A shape where it is after a share of its way. */
const movedAlong = (way: Way, share: number): [number, number, number, number, number, number] => {
  if (way.kind === "vector") return [1, 0, 0, 1, way.x * share, way.y * share];
  const k = 1 - way.by * share;
  return [k, 0, 0, k, way.x * way.by * share, way.y * way.by * share];
};

/** What is left of a way after a share of it. */
const rest = (way: Way, share: number): Way =>
  way.kind === "vector"
    ? { ...way, x: way.x * (1 - share), y: way.y * (1 - share) }
    : { ...way, by: (way.by * (1 - share)) / (1 - way.by * share) };
