import { joinAll, type Bounds } from "../curves/bounds";
import type { Kernel } from "../curves/kernel";
import { translation, type Matrix, type Point } from "../curves/matrix";
import { Path } from "../curves/path";
import { ringByRing, seenSlopes, slopesOf, type Edge, type SeenSlope } from "../depth/bevel";
import { bodyUnder, movedAlong, rest, shortened } from "../depth/body";
import type { Camera, Point3 } from "../depth/camera";
import type { Facet } from "../depth/chisel/facets";
import { linesAlong, visibleSurfaces } from "../depth/edges";
import { toneUnder } from "../depth/light";
import type { Lit } from "../depth/lit";
import { chordsOf, underPainted } from "../depth/painted-sides";
import { coarser, drawnProfile, profileOf, type DrawnPlace, type EdgeProfile } from "../depth/profile";
import { boxOn, skinAcross, type Skin } from "../depth/skin";
import { solidPainted, solidParts, type SeenSides, type Shading, type WholeSide } from "../depth/solid";
import { solidStrips, type Strip } from "../depth/strips";
import { litOn, toneOn, type SurfaceKind } from "../depth/surface";
import { memoByIdentity } from "../memo";
import { cutOrPainted, paintedLines } from "./cut-or-painted";
import { frontOf } from "./front";
import { isDraft } from "./inked-lines";
import { touching } from "./join-letters";
import { plain, type Part, type Plane, type Shape, type Surface } from "./shape";

/** Units that the picture of a curve may be off in perspective. */
const tolerance = 0.05;

/** A part of a body in the picture. */
export type Drawn = Pick<Part, "path" | "along" | "facing" | "lit" | "pass" | "surface"> & Partial<Point>;

const slopes = memoByIdentity<Path, readonly Facet[]>(3);
const seenFrom = memoByIdentity<readonly Facet[], readonly SeenSlope[]>(2);
const nowhere: Point3 = { x: 0, y: 0, z: 0 };

/** From the plane of the face to the picture; in perspective as it is in the middle of the letters. */
export function planeOf({ matrix, map }: Camera, { x, y }: Point): Matrix {
  if (matrix) return matrix;
  map(x, y, seenAt);
  const [u, v, a, b, c, d] = seenAt;
  return [a, b, c, d, u - a * x - c * y, v - b * x - d * y];
}

/** How sides are told apart, and how they are lit. */
export interface Look {
  readonly shading: Shading;
  /** Towards it, in the body's frame. */
  readonly light: Point3;
  readonly lamp: { readonly strength: number; readonly ambient: number };
  readonly surface: SurfaceKind;
  /** Units; 0 draws no lines. */
  readonly edge: number;
  /** The plane of the face, where materials lie in the body's surfaces. */
  readonly material?: Skin;
}

interface RimSettings {
  readonly rim: "sharp" | "drawn" | EdgeProfile;
  readonly rimWidth: number;
  readonly rimHeight: number;
  readonly profile: readonly DrawnPlace[];
  readonly soft: boolean;
}

/** The edge of the face; undefined where it is sharp. */
export function rimOf(
  { rim, rimWidth, rimHeight, profile, soft }: RimSettings,
  depth: number,
  units: (length: number) => number,
): Edge | undefined {
  const width = units(rimWidth);
  if (rim === "sharp" || !(width > 0)) return undefined;
  // Some of the sides is left.
  return {
    profile: rim === "drawn" ? drawnProfile(profile, soft) : profileOf(rim),
    width,
    height: Math.min(units(rimHeight), 0.9 * depth),
  };
}

/** Sides, and the slopes of the face's edge, as bright as the lamp makes them. */
export function bodyOf(shape: Shape, front: Path, camera: Camera, look: Look, rim: Edge | undefined, kernel: Kernel): Drawn[] {
  const draw = (face: Path, seenBy: Camera): Drawn[] => {
    const [under, ...sides] = isDraft(kernel)
      ? sketched(face, seenBy, look)
      : cutOrPainted(
          kernel,
          () => drawn(face, seenBy, look, kernel),
          () => sketched(face, seenBy, look, chordsOf.still),
        );
    const shown = sides.map(lit);
    // As light as what lies over it, so that no line is seen between two sides.
    const along = middleOf(shown.filter((s) => s.pass !== "edges").map((s) => s.along ?? 0));
    return [{ ...under, along, surface: { lighted: look.shading.kind !== "ways", plain: true } }, ...shown];
  };
  const lit = (b: Drawn) => (look.shading.kind === "ways" && b.pass !== "rim" ? b : litUnder(b, look));
  if (!rim) return draw(front, camera);
  const walls = draw(...wallsUnder(front, camera, rim.height));
  const draft = isDraft(kernel);
  const { x, y, z } = look.light;
  const across = Math.hypot(x, y);
  const steps = look.shading.kind === "tones" ? look.shading.count - 1 : 0;
  const toneOf = (n: Point3): number => {
    // From right away from the light to straight towards it.
    const tone = Math.min(1, Math.max(0, (n.x * x + n.y * y + n.z * z + across) / (1 + across)));
    return steps > 0 ? Math.round(tone * steps) / steps : tone;
  };
  const edge = draft ? { ...rim, profile: coarser(rim.profile) } : rim;
  const key = JSON.stringify([camera.matrix?.slice(0, 4), camera.way, camera.behind, camera.depth, edge, look.light, look.shading]);
  const rings = outlinesOf(shape, kernel.exact).flatMap(({ outline, x, y }) => {
    const facets = slopes(outline, `${draft} ${rim.width}`, () => slopesOf(outline, rim, draft));
    const project: Camera["project"] = (p) => camera.project({ x: p.x + x, y: p.y + y, z: p.z });
    if (!camera.matrix || look.material) return seenSlopes(facets, edge, { ...camera, project }, toneOf);
    // Seen from afar they look the same wherever their letter stands.
    const at = project(nowhere);
    const from = (p: Point3): Point => {
      const seen = project(p);
      return { x: seen.x - at.x, y: seen.y - at.y };
    };
    return seenFrom(facets, key, () => seenSlopes(facets, edge, { ...camera, project: from }, toneOf)).map((s) => ({ ...s, ...at }));
  });
  // A material goes through the body: on slopes it is what it is on the face, which they lie nearly in.
  const plane = look.material && rings.length ? planeOver(rings, look.material) : undefined;
  const surface: Surface = { lighted: true, ...(plane ? { plane } : {}) };
  const slopesSeen = ringByRing(rings, camera.behind).map(({ tone, ring: _, ...s }) => lit({ ...s, along: tone, pass: "rim", surface }));
  if (!camera.behind || !slopesSeen.length) return [...walls, ...slopesSeen];
  // From behind nothing else lies under them: between two no ground is seen.
  const under = underPainted(slopesSeen.map(({ path, x = 0, y = 0 }) => ({ path: path.transform(translation(x, y)) })));
  const along = middleOf(slopesSeen.map((s) => s.along ?? 0));
  return [{ path: under, along, pass: "rim", surface: { lighted: true, plain: true } }, ...slopesSeen, ...walls];
}

interface Outline extends Point {
  readonly outline: Path;
}
const outlines = memoByIdentity<Shape, readonly Outline[]>(2);

/** Letter by letter, so that those that stay as they are keep their slopes when another one changes; those that touch are one. */
const outlinesOf = (shape: Shape, kernel: Kernel): readonly Outline[] =>
  outlines(shape, kernel.name, () =>
    touching(shape.parts.map(plain), kernel).map((parts): Outline => {
      const [{ x, y, path }] = parts;
      return parts.length > 1 ? { outline: frontOf({ parts }, kernel), x: 0, y: 0 } : { outline: kernel.weld(path), x, y };
    }),
  );

/** In units. */
const lap = 0.6;

/**
 * Sides begin where the edge of the face ends: that much deeper, which in the plane of the face is that much along the way. From behind
 * they end there, and the edge lies beyond them.
 */
function wallsUnder(front: Path, camera: Camera, height: number): [Path, Camera] {
  const { way, behind, depth } = camera;
  const walls = { ...camera, depth: depth - height };
  // There they lie over the edge, and a little beyond its border: between the two no ground is seen.
  if (behind) return [front, { ...walls, way: shortened(way, shareAt(depth - height + Math.min(lap, height), camera)) }];
  const share = shareAt(height, camera);
  return [front.transform(movedAlong(way, share)), { ...walls, way: rest(way, share) }];
}

/** How much of the way a depth is. */
function shareAt(depth: number, { way, depth: whole }: Camera): number {
  if (way.kind === "vector") return depth / whole;
  const height = (whole * (1 - way.by)) / way.by;
  return depth / (height + depth) / way.by;
}

/** A path of the plane of the face in the picture. */
export function toPicture(path: Path, { matrix, map }: Camera, kernel: Kernel): Path {
  return matrix ? kernel.placed(path, matrix) : kernel.warp(path, map, tolerance);
}

function drawn(front: Path, camera: Camera, { light, shading, edge, material }: Look, kernel: Kernel): Drawn[] {
  const strips = material ? solidStrips(front, camera, kernel, light, shading) : undefined;
  const lighted = shading.kind !== "ways";
  const under = { path: toPicture(bodyUnder(front, camera.way, kernel), camera, kernel) };
  const { sides, beneath }: { sides: readonly Strip[]; beneath: readonly WholeSide[] } =
    strips ?? solidParts(front, camera, kernel, light, shading);
  const shown = sides.map((s) => ({ ...s, path: toPicture(s.path, camera, kernel) }));
  const shared = material && !strips ? sharedPlane(shown, front, camera) : undefined;
  const seen = [
    ...beneath.map((whole) => ofSide({ ...whole, path: underPainted(whole.of.map((i) => shown[i])) }, { lighted, plain: true })),
    ...shown.map((s) => ofSide(s, surfaceOn(s.path, s.skin, lighted, shared))),
  ];
  if (edge === 0) return [under, ...seen];
  const borders = [front, ...visibleSurfaces(front, camera.way, kernel)].map((p) => toPicture(p, camera, kernel));
  return [under, ...seen, { path: linesAlong(borders, edge, kernel), along: 0, pass: "edges" }];
}

function sketched(front: Path, camera: Camera, { light, shading, edge, material }: Look, tolerance?: number): Drawn[] {
  const sides = solidPainted(front, camera, light, shading, tolerance);
  const place = (path: Path) => (camera.matrix ? path.transform(camera.matrix) : straightUnder(path, camera));
  const under = { path: place(underPainted(sides)) };
  const shown = sides.map((s) => ({ ...s, path: place(s.path) }));
  // While it follows a hand its sides are of the material's colour alone.
  const plain = tolerance === undefined;
  const shared = material && !plain ? sharedPlane(shown, front, camera) : undefined;
  const seen = shown.flatMap((s) => [
    ofSide(s, { ...surfaceOn(s.path, undefined, shading.kind !== "ways", shared), plain }),
    ...(edge > 0 ? [{ path: paintedLines(s.path, edge), along: 0, pass: "edges" }] : []),
  ]);
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

/** One plane for sides that are not told apart. */
function sharedPlane(sides: readonly { readonly path: Path }[], front: Path, camera: Camera): Plane | undefined {
  const skin = skinAcross(camera, front.bounds);
  return skin && planeOver(sides, skin);
}

const planeOver = (parts: readonly { readonly path: Path }[], skin: Skin): Plane =>
  planeOn(joinAll(parts.map((p) => boxOn(p.path, skin))), skin);

const planeOn = (box: Bounds, { matrix, ...axes }: Skin): Plane => ({ box, matrix, axes });

function surfaceOn(path: Path, skin: Skin | undefined, lighted: boolean, shared?: Plane): Surface {
  const plane = skin ? planeOn(boxOn(path, skin), skin) : shared;
  return { lighted, ...(plane ? { plane } : {}) };
}

const ofSide = ({ path, tone, facing, lit, side }: SeenSides, surface: Surface): Drawn => ({
  path,
  surface,
  along: tone,
  ...(facing ? { facing } : {}),
  ...(lit ? { lit } : {}),
  ...(side ? { pass: side } : {}),
});

/** A side as bright as the lamp makes it. */
function litUnder(side: Drawn, { lamp, surface }: Look): Drawn {
  const { along, lit, pass } = side;
  if (pass === "edges") return side;
  return {
    ...side,
    along: toneUnder(toneOn(surface, along ?? 0), lamp),
    ...(lit ? { lit: underLamp(litOn(surface, lit), lamp) } : {}),
  };
}

const underLamp = (lit: Lit, lamp: Look["lamp"]): Lit => ({
  ...lit,
  stops: lit.stops.map((s) => ({ ...s, tone: toneUnder(s.tone, lamp) })),
});

/** The tone that is least wrong between two sides. */
function middleOf(tones: readonly number[]): number {
  return [...tones].sort((a, b) => a - b)[tones.length >> 1] ?? 0.5;
}
