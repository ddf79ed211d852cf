import type { Kernel } from "../../curves/kernel";
import type { Matrix } from "../../curves/matrix";
import { Path } from "../../curves/path";
import { seenSlopes, slopesOf, type Edge } from "../../depth/bevel";
import { bodyUnder, movedAlong, rest } from "../../depth/body";
import { cameraOf, type Camera, type Point3 } from "../../depth/camera";
import type { Facet } from "../../depth/chisel/facets";
import { topOf } from "../../depth/chisel/top";
import { linesAlong, visibleSurfaces } from "../../depth/edges";
import { lightOf, lightOn, toneUnder } from "../../depth/light";
import { underPainted } from "../../depth/painted-sides";
import { profileOf, type EdgeProfile } from "../../depth/profile";
import { solidPainted, solidSides, type SeenSides, type Shading } from "../../depth/solid";
import { sidesByWay } from "../../depth/tones";
import { contoursOf } from "../../curves/contour";
import { memoByIdentity } from "../../memo";
import { edgeParam, edgesPass } from "../edge-lines";
import { formStep, type Pass } from "../form-step";
import { frontOf } from "../front";
import { inked, isDraft } from "../inked-lines";
import { boundsOf, boundsOfPart, plain, type Part, type Shape } from "../shape";

/** Units that the picture of a curve may be off in perspective. */
const tolerance = 0.05;
/** The nearest that the eye comes, against the diagonal of the letters' box. */
const nearest = 0.8;

type Drawn = Pick<Part, "path" | "along" | "facing" | "lit" | "pass">;

const known = memoByIdentity<Path, readonly Drawn[]>(4);
const faces = memoByIdentity<Path, Path>(8);
const slopes = memoByIdentity<Path, readonly Facet[]>(3);

const wayPasses: readonly Pass[] = [
  { id: "left", label: "Left", hint: "Sides that look to the left of the letters" },
  { id: "upper", label: "Upper", hint: "Sides that look up" },
  { id: "right", label: "Right", hint: "Sides that look to the right" },
  { id: "lower", label: "Lower", hint: "Sides that look down" },
];

/** Whether nothing of it is told apart by light. */
const unlit = ({ sides, rim }: { readonly sides: string; readonly rim: string }): boolean => sides === "ways" && rim === "sharp";
const straight: Point3 = { x: 0, y: 0, z: 1 };
const full = { strength: 1, ambient: 0 };

export const solid = formStep({
  kind: "solid",
  group: "depth",
  label: "Solid",
  hint: "The letters as bodies with depth, turned in space",
  suits: { paint: "gradient", values: { shape: "copies", mix: "oklab" } },
  params: {
    tilt: { type: "angle", label: "Tilt", hint: "The upper edge away from you; below 0 towards you", default: 14, min: -180, max: 180 },
    swing: { type: "angle", label: "Swing", hint: "The right side away from you; below 0 towards you", default: -18, min: -180, max: 180 },
    roll: { type: "angle", label: "Roll", hint: "Turned in the picture, clockwise", default: 0, min: -180, max: 180 },
    depth: { type: "length", label: "Depth", hint: "From the face to the back", default: 12, min: 0, max: 20_000, reach: 60 },
    perspective: {
      type: "number",
      label: "Perspective",
      hint: "How near you stand: 0 sees all edges that run back as parallel",
      default: 0,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
    },
    sides: {
      type: "choice",
      label: "Sides",
      hint: "How the sides are told apart; a gradient over the steps colours them from dark to light",
      default: "smooth",
      options: [
        { value: "smooth", label: "Smooth", hint: "Light runs over each curve" },
        { value: "tones", label: "Tones", hint: "A few flat tones, as on a poster" },
        { value: "ways", label: "Ways", hint: "Left, upper, right and lower sides, each with a paint of its own" },
      ],
    },
    tones: {
      type: "number",
      label: "Tones",
      hint: "How many there are",
      default: 5,
      min: 2,
      max: 9,
      step: 1,
      when: (v) => v.sides === "tones",
    },
    rim: {
      type: "choice",
      label: "Rim",
      hint: "How the face meets the sides",
      default: "sharp",
      options: [
        { value: "sharp", label: "Sharp", hint: "In one edge" },
        { value: "bevel", label: "Bevelled", hint: "Over one slope" },
        { value: "round", label: "Rounded", hint: "Over a quarter of a circle" },
        { value: "cove", label: "Hollow", hint: "Over a quarter of a circle that is cut in" },
        { value: "step", label: "Stepped", hint: "Over a ledge" },
      ],
    },
    rimWidth: {
      type: "length",
      label: "Rim width",
      hint: "How far it goes in from the outline",
      default: 2,
      min: 0.05,
      max: 400,
      reach: 12,
      when: (v) => v.rim !== "sharp",
    },
    rimHeight: {
      type: "length",
      label: "Rim height",
      hint: "How far it goes down from the face",
      default: 2,
      min: 0,
      max: 400,
      reach: 12,
      when: (v) => v.rim !== "sharp",
    },
    edge: edgeParam,
  },
  passes: ({ sides, edge, rim }) => [
    { id: "face", label: "Face", hint: "The letters themselves, in front" },
    ...(rim === "sharp" ? [] : [{ id: "rim", label: "Rim", hint: "The slopes between the face and the sides" }]),
    { id: "back", label: "Back", hint: "What is seen of them from behind" },
    ...(sides === "ways" ? wayPasses : []),
    ...(edge > 0 ? [edgesPass] : []),
  ],
  needs: ["lamp"],
  spares: (v) => (unlit(v) ? ["lamp"] : []),
  stance: (letters, values, units) => {
    const sight = sightOf(letters, values, units);
    const { project } = cameraOf(sight.depth < 1e-6 ? { ...sight, depth: 1e-3 } : sight);
    return ({ x, y }) => project({ x, y, z: 0 });
  },
  facts: (shape, values, { units }) => {
    const box = boundsOf(shape.parts);
    if (!shape.parts.length) return {};
    const { pivot } = sightOf(shape, values, units);
    const radius = Math.max(0.5 * (box.maxY - box.minY), 0.3 * Math.min(box.maxX - box.minX, 3 * (box.maxY - box.minY)));
    return { ball: { at: pivot, radius, tilt: "tilt", swing: "swing", roll: "roll" } };
  },
  apply: (shape, values, { kernel, units, lamp }) => {
    const front = frontOf(shape, kernel);
    if (front.isEmpty) return { parts: [] };
    const sight = sightOf(shape, values, units);
    const flat = sight.depth < 1e-6;
    const camera = cameraOf(flat ? { ...sight, depth: 1e-3 } : sight);
    // From behind the edges of the face are not seen.
    const rim = flat || camera.behind ? undefined : rimOf(values, sight.depth, units);
    const ways = values.sides === "ways";
    const look: Look = {
      shading: values.sides === "tones" ? { kind: "tones", count: Math.round(values.tones) } : { kind: ways ? "ways" : "smooth" },
      light: unlit(values) ? straight : lightOn(camera, lightOf(lamp)),
      lamp: unlit(values) ? full : { strength: lamp.strength, ambient: lamp.ambient },
      edge: units(values.edge),
    };
    const key = `${kernel.name} ${JSON.stringify([camera.key, look, flat, rim])}`;
    const body = known(front, key, () => (flat ? [] : bodyOf(shape, front, camera, look, rim, kernel)));
    const pass = camera.behind ? "back" : "face";
    const plane = planeOf(camera, sight.pivot);
    const seen = shape.parts.map(plain).flatMap((p): Part[] => {
      const at = `${kernel.name} ${camera.key} ${p.x} ${p.y} ${rim?.width ?? 0}`;
      const path = faces(p.path, at, () => {
        const face = rim ? topOf(p.path, rim.width, kernel) : p.path;
        return toPicture(face.transform([1, 0, 0, 1, p.x, p.y]), camera, kernel);
      });
      const lies = { box: boundsOfPart(p), matrix: plane };
      return path.isEmpty ? [] : [{ ...p, path, x: 0, y: 0, along: 1, pass, lies }];
    });
    const place = (b: Drawn): Part => ({ ...b, x: 0, y: 0, line: 0 });
    const [edges, others] = [body.filter((b) => b.pass === "edges"), body.filter((b) => b.pass !== "edges")];
    // Sides first, then the letters, and lines over both; in a picture on the way the lines of what is farther are covered with it.
    return { parts: isDraft(kernel) ? [...body.map(place), ...seen] : [...others.map(place), ...seen, ...edges.map(place)] };
  },
});

/** From the plane of the face to the picture; in perspective as it is in the middle of the letters. */
function planeOf({ matrix, map }: Camera, { x, y }: { readonly x: number; readonly y: number }): Matrix {
  if (matrix) return matrix;
  map(x, y, seenAt);
  const [u, v, a, b, c, d] = seenAt;
  return [a, b, c, d, u - a * x - c * y, v - b * x - d * y];
}

/** How sides are told apart, and how they are lit. */
interface Look {
  readonly shading: Shading;
  /** Towards it, in the body's frame. */
  readonly light: Point3;
  readonly lamp: { readonly strength: number; readonly ambient: number };
  /** Units; 0 draws no lines. */
  readonly edge: number;
}

/** The edge of the face; undefined where it is sharp. */
function rimOf(
  { rim, rimWidth, rimHeight }: { rim: "sharp" | EdgeProfile; rimWidth: number; rimHeight: number },
  depth: number,
  units: (length: number) => number,
): Edge | undefined {
  const width = units(rimWidth);
  if (rim === "sharp" || !(width > 0)) return undefined;
  // Some of the sides is left.
  return { profile: profileOf(rim), width, height: Math.min(units(rimHeight), 0.9 * depth) };
}

/** Sides, and the slopes of the face's edge, as bright as the lamp makes them. */
function bodyOf(shape: Shape, front: Path, camera: Camera, look: Look, rim: Edge | undefined, kernel: Kernel): Drawn[] {
  const draw = isDraft(kernel) ? sketched : drawn;
  const lit = (b: Drawn) => (look.shading.kind === "ways" && b.pass !== "rim" ? b : litUnder(b, look.lamp));
  if (!rim) return draw(front, camera, look, kernel).map(lit);
  // Sides begin where the edge ends: that much deeper, which in the plane of the face is that much along the way.
  const { way } = camera;
  const share = shareAt(rim.height, camera);
  const walls = draw(front.transform(movedAlong(way, share)), { ...camera, way: rest(way, share) }, look, kernel);
  const outline = frontOf(shape, kernel.exact);
  const facets = slopes(outline, `${isDraft(kernel)} ${rim.width}`, () => slopesOf(outline, rim, isDraft(kernel)));
  const { x, y, z } = look.light;
  const across = Math.hypot(x, y);
  const steps = look.shading.kind === "tones" ? look.shading.count - 1 : 0;
  const toneOf = (n: Point3): number => {
    // From right away from the light to straight towards it.
    const tone = Math.min(1, Math.max(0, (n.x * x + n.y * y + n.z * z + across) / (1 + across)));
    return steps > 0 ? Math.round(tone * steps) / steps : tone;
  };
  const rings = seenSlopes(facets, rim, camera, toneOf).map(({ tone, ...slope }): Drawn => ({ ...slope, along: tone, pass: "rim" }));
  return [...walls, ...rings].map(lit);
}

/** How much of the way a depth is. */
function shareAt(depth: number, { way, depth: whole }: Camera): number {
  if (way.kind === "vector") return depth / whole;
  const height = (whole * (1 - way.by)) / way.by;
  return depth / (height + depth) / way.by;
}

function sightOf(
  { parts }: Shape,
  { tilt, swing, roll, depth, perspective }: { tilt: number; swing: number; roll: number; depth: number; perspective: number },
  units: (length: number) => number,
) {
  const b = boundsOf(parts);
  const diagonal = Math.hypot(b.maxX - b.minX, b.maxY - b.minY);
  return {
    ...{ tilt, swing, roll, depth: units(depth) },
    eye: perspective > 0 ? (nearest * diagonal * 100) / perspective : 0,
    pivot: { x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 },
  };
}

function toPicture(path: Path, { matrix, map }: Camera, kernel: Kernel): Path {
  return matrix ? kernel.placed(path, matrix) : kernel.warp(path, map, tolerance);
}

function drawn(front: Path, camera: Camera, { light, shading, edge }: Look, kernel: Kernel): Drawn[] {
  const sides = solidSides(front, camera, kernel, light, shading).filter((s) => !s.path.isEmpty);
  const under = { path: toPicture(bodyUnder(front, camera.way, kernel), camera, kernel), along: middleOf(sides) };
  const seen = sides.map((s) => ofSide(s, toPicture(s.path, camera, kernel)));
  if (edge === 0) return [under, ...seen];
  const borders = [front, ...visibleSurfaces(front, camera.way, kernel)].map((p) => toPicture(p, camera, kernel));
  return [under, ...seen, { path: linesAlong(borders, edge, kernel), along: 0, pass: "edges" }];
}

function sketched(front: Path, camera: Camera, { light, shading, edge }: Look, kernel: Kernel): Drawn[] {
  const sides = solidPainted(front, camera, light, shading);
  const place = (path: Path) => (camera.matrix ? path.transform(camera.matrix) : straightUnder(path, camera));
  const under = { path: place(underPainted(sides)), along: middleOf(sides) };
  const seen = sides.flatMap((s) => {
    const path = place(s.path);
    const line = edge > 0 ? inked(contoursOf(path, true), { width: edge, join: { kind: "round" }, cap: "round" }, kernel) : undefined;
    return [ofSide(s, path), ...(line ? [{ path: line, along: 0, pass: "edges" }] : [])];
  });
  return [under, ...seen];
}

const seenAt = new Float64Array(6);

/** A path of straight lines in perspective, in which they stay straight. */
function straightUnder(path: Path, { map }: Camera): Path {
  const coords = new Float64Array(path.coords.length);
  for (let i = 0; i < coords.length; i += 2) {
    map(path.coords[i], path.coords[i + 1], seenAt);
    coords[i] = seenAt[0];
    coords[i + 1] = seenAt[1];
  }
  return new Path(path.verbs, coords);
}

const ofSide = ({ tone, facing, lit, side }: SeenSides, path: Path): Drawn => ({
  path,
  along: tone,
  ...(facing ? { facing } : {}),
  ...(lit ? { lit } : {}),
  ...(side ? { pass: side } : {}),
});

/** A side as bright as the lamp makes it. */
function litUnder(side: Drawn, lamp: { readonly strength: number; readonly ambient: number }): Drawn {
  const { along, lit, pass } = side;
  if (pass === "edges") return side;
  return {
    ...side,
    along: toneUnder(along ?? 0, lamp),
    ...(lit ? { lit: { ...lit, stops: lit.stops.map((s) => ({ ...s, tone: toneUnder(s.tone, lamp) })) } } : {}),
  };
}

/** The tone that is least wrong between two sides. */
function middleOf(sides: readonly SeenSides[]): number {
  const tones = sides.map((s) => s.tone).sort((a, b) => a - b);
  return tones[tones.length >> 1] ?? sidesByWay.length / 8;
}
