import { tintOf } from "../../colour";
import type { Path } from "../../curves/path";
import { cameraOf, type Point3 } from "../../depth/camera";
import { topOf } from "../../depth/chisel/top";
import { lightOf, lightOn } from "../../depth/light";
import { boxOn } from "../../depth/skin";
import { memoByIdentity } from "../../memo";
import { edgeParam, edgesPass } from "../edge-lines";
import { formStep, type Pass } from "../form-step";
import { frontOf } from "../front";
import { isDraft } from "../inked-lines";
import { boundsOf, boundsOfPart, plain, type Part, type Shape } from "../shape";
import { surfaceParam } from "../surface-param";
import { bodyOf, planeOf, rimOf, toPicture, type Drawn, type Look } from "../solid-body";

/** The nearest that the eye comes, against the diagonal of the letters' box. */
const nearest = 0.8;

const known = memoByIdentity<Path, readonly Drawn[]>(4);
const faces = memoByIdentity<Path, Path>(8);

const wayPasses: readonly Pass[] = [
  { id: "left", label: "Left", hint: "Sides that look to the left of the letters" },
  { id: "upper", label: "Upper", hint: "Sides that look up" },
  { id: "right", label: "Right", hint: "Sides that look to the right" },
  { id: "lower", label: "Lower", hint: "Sides that look down" },
];

/** Whether nothing of it is told apart by light. */
const unlit = ({ sides, rim }: { readonly sides: string; readonly rim: string }): boolean => sides === "ways" && rim === "sharp";
const straight: Point3 = { x: 0, y: 0, z: 1 };
const back: Point3 = { x: 0, y: 0, z: -1 };
const xAxis: Point3 = { x: 1, y: 0, z: 0 };
const yAxis: Point3 = { x: 0, y: 1, z: 0 };
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
    surface: { ...surfaceParam, when: (v) => v.sides !== "ways" || v.rim !== "sharp" },
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
        { value: "drawn", label: "Drawn", hint: "Over a section that you draw" },
      ],
    },
    profile: {
      type: "profile",
      label: "Section",
      hint: "Of the rim, from the outline on the left to the face: drag its points, double-click for another",
      default: [
        { at: 0, value: 30 },
        { at: 22, value: 36 },
        { at: 50, value: 62 },
        { at: 62, value: 88 },
      ],
      shown: "edge",
      when: (v) => v.rim === "drawn",
    },
    soft: {
      type: "toggle",
      label: "Soft section",
      hint: "In one curve through its points",
      default: false,
      when: (v) => v.rim === "drawn",
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
  passes: ({ sides, edge, rim, tilt, swing }) => [
    { id: "face", label: "Face", hint: "The letters themselves, in front" },
    ...(rim === "sharp" ? [] : [{ id: "rim", label: "Rim", hint: "The slopes between the face and the sides" }]),
    ...(turnedAway(tilt, swing) ? [{ id: "back", label: "Back", hint: "What is seen of them from behind" }] : []),
    ...(sides === "ways" ? wayPasses : []),
    ...(edge > 0 ? [edgesPass] : []),
  ],
  needs: ["lamp", "materials"],
  spares: (v) => (unlit(v) ? ["lamp"] : []),
  stance: (letters, values, units) => {
    const sight = sightOf(letters, values, units);
    const { project } = cameraOf(sight.depth < 1e-6 ? { ...sight, depth: 1e-3 } : sight);
    return ({ x, y }) => project({ x, y, z: 0 });
  },
  facts: (shape, values, { units }) => {
    if (!shape.parts.length) return {};
    const { pivot, eye, depth } = sightOf(shape, values, units);
    return { ball: { at: pivot, tilt: "tilt", swing: "swing", roll: "roll", box: boundsOf(shape.parts), depth, eye } };
  },
  body: (shape, values, { kernel, units, lamp }) => {
    const outline = frontOf(shape, kernel.exact);
    const sight = sightOf(shape, values, units);
    if (outline.isEmpty || sight.depth < 1e-6) return undefined;
    const { strength, ambient, colour } = lamp;
    return { outline, sight, edge: rimOf(values, sight.depth, units), light: { from: lightOf(lamp), strength, ambient, colour } };
  },
  apply: (shape, values, { kernel, units, lamp, materials }) => {
    const front = frontOf(shape, kernel);
    if (front.isEmpty) return { parts: [] };
    const sight = sightOf(shape, values, units);
    const flat = sight.depth < 1e-6;
    const camera = cameraOf(flat ? { ...sight, depth: 1e-3 } : sight);
    const rim = flat ? undefined : rimOf(values, sight.depth, units);
    const ways = values.sides === "ways";
    const plane = planeOf(camera, sight.pivot);
    const [along, away, out] = [xAxis, yAxis, camera.behind ? back : straight].map(camera.turned);
    const axes = { along, away, out };
    const look: Look = {
      shading: values.sides === "tones" ? { kind: "tones", count: Math.round(values.tones) } : { kind: ways ? "ways" : "smooth" },
      light: unlit(values) ? straight : lightOn(camera, lightOf(lamp)),
      lamp: unlit(values) ? full : { strength: lamp.strength, ambient: lamp.ambient },
      surface: values.surface,
      edge: units(values.edge),
      ...(materials.some((pass) => pass !== "face" && pass !== "back" && pass !== "edges") ? { material: { matrix: plane, ...axes } } : {}),
    };
    const key = `${kernel.name} ${JSON.stringify([camera.key, look, flat, rim])}`;
    const body = known(front, key, () => (flat ? [] : bodyOf(shape, front, camera, look, rim, kernel)));
    const pass = camera.behind ? "back" : "face";
    const seen = shape.parts.map(plain).flatMap((p): Part[] => {
      // The back has no edge of its own.
      const inset = camera.behind ? 0 : (rim?.width ?? 0);
      const at = `${kernel.name} ${camera.key} ${p.x} ${p.y} ${inset}`;
      const path = faces(p.path, at, () => {
        const face = inset > 0 ? topOf(p.path, inset, kernel) : p.path;
        return toPicture(face.transform([1, 0, 0, 1, p.x, p.y]), camera, kernel);
      });
      if (path.isEmpty) return [];
      // In perspective the plane is right in the middle alone: what is seen of a letter may reach beyond its own box there.
      const lies = { box: camera.matrix ? boundsOfPart(p) : boxOn(path, { matrix: plane }), matrix: plane, axes };
      return [{ ...p, path, x: 0, y: 0, along: 1, pass, lies }];
    });
    const tint = unlit(values) ? undefined : tintOf(lamp.colour);
    const place = (b: Drawn): Part => ({ x: 0, y: 0, line: 0, ...b, ...(tint && b.pass !== "edges" ? { tint } : {}) });
    const [edges, others] = [body.filter((b) => b.pass === "edges"), body.filter((b) => b.pass !== "edges")];
    // Sides first, then the letters, and lines over both; where sides are painted over one another lines of what is farther are covered.
    return {
      parts: isDraft(kernel) || edges.length > 1 ? [...body.map(place), ...seen] : [...others.map(place), ...seen, ...edges.map(place)],
    };
  },
});

/** Whether the back of a body is what is seen, by the turn of its face towards the eye. */
const turnedAway = (tilt: number, swing: number): boolean => Math.cos((tilt * Math.PI) / 180) * Math.cos((swing * Math.PI) / 180) < 0;

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
