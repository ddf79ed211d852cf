import { tintOf } from "../../colour";
import { contoursOf } from "../../curves/contour";
import type { Kernel } from "../../curves/kernel";
import type { Path } from "../../curves/path";
import { PathBuilder } from "../../curves/path";
import { draftFacetsOf, facetsOf, type Facet } from "../../depth/chisel/facets";
import { topOf } from "../../depth/chisel/top";
import { lightOf, toneUnder } from "../../depth/light";
import type { Point3 } from "../../depth/camera";
import { litAlong } from "../../depth/lit";
import { litOn, toneOn, type SurfaceKind } from "../../depth/surface";
import { memoByIdentity } from "../../memo";
import { formStep } from "../form-step";
import { inked, isDraft } from "../inked-lines";
import { plain, type Part } from "../shape";
import { surfaceParam } from "../surface-param";

/** What is seen of a face that turns right away from the lamp: light comes from all around (common practice). */
const ambient = 0.15;

/** Degrees that the slopes of curves turn at most where each is of one flat tone: borders of tones lie within half of that. */
const narrow = 6;
/** And in a picture while something is dragged. */
const coarse = 50;

const slopes = memoByIdentity<Path, readonly Facet[]>(3);
const tops = memoByIdentity<Path, Path>(3);
const known = memoByIdentity<Path, readonly Cut[]>(3);
type Cut = Pick<Part, "path" | "along" | "lit" | "facing" | "pass">;

export const chisel = formStep({
  kind: "chisel",
  group: "depth",
  label: "Chisel",
  hint: "Slopes from the edge to the middle of every stroke, as letters are cut in stone or stand in brass",
  suits: { paint: "gradient", values: { shape: "copies", mix: "oklab" } },
  params: {
    cut: {
      type: "choice",
      label: "Stands",
      hint: "Whether the letters rise or are cut in",
      default: "raised",
      options: [
        { value: "raised", label: "Raised", hint: "Out of the ground, as in brass" },
        { value: "sunk", label: "Cut in", hint: "Into the ground, as in stone" },
      ],
    },
    to: {
      type: "choice",
      label: "Slopes run",
      hint: "How far they go in",
      default: "ridge",
      options: [
        { value: "ridge", label: "Ridge", hint: "They meet in the middle of the strokes" },
        { value: "top", label: "Flat top", hint: "As wide as you say, with a flat top between them" },
      ],
    },
    width: {
      type: "length",
      label: "Width",
      hint: "Of the slopes, up to the flat top",
      default: 3,
      min: 0.05,
      max: 400,
      reach: 20,
      when: (v) => v.to === "top",
    },
    by: {
      type: "choice",
      label: "Set by",
      hint: "What is the same for all slopes",
      default: "angle",
      options: [
        { value: "angle", label: "Angle", hint: "All slopes are equally steep" },
        { value: "height", label: "Height", hint: "All ridges are equally high: narrow slopes are steeper" },
      ],
    },
    angle: { type: "angle", label: "Angle", hint: "How steep the slopes are", default: 45, min: 2, max: 88, when: (v) => v.by === "angle" },
    height: {
      type: "length",
      label: "Height",
      hint: "Of the ridge over the edge",
      default: 5,
      min: 0.05,
      max: 400,
      reach: 20,
      when: (v) => v.by === "height",
    },
    tones: {
      type: "number",
      label: "Tones",
      hint: "How many flat tones there are; 0 lets light run over curves",
      default: 0,
      min: 0,
      max: 9,
      step: 1,
    },
    surface: surfaceParam,
    line: {
      type: "length",
      label: "Lines",
      hint: "How wide a line is drawn along ridges and corners; 0 draws none",
      default: 0,
      min: 0,
      max: 50,
      reach: 4,
    },
  },
  passes: ({ to, line }) => [
    ...(to === "top" ? [{ id: "face", label: "Flat top", hint: "What lies between the slopes" }] : []),
    ...(line > 0 ? [{ id: "lines", label: "Lines", hint: "Along ridges and corners" }] : []),
  ],
  needs: ["lamp"],
  apply: (shape, { cut, to, width, by, angle, height, tones, surface: kind, line }, { kernel, units, lamp }) => {
    const inset = to === "top" ? units(width) : Infinity;
    const settings = {
      sunk: cut === "sunk",
      inset,
      by,
      angle,
      height: units(height),
      tones: Math.round(tones),
      surface: kind,
      line: units(line),
      light: lightOf(lamp),
      lamp: { strength: lamp.strength, ambient: lamp.ambient },
    };
    const parts = shape.parts.map(plain);
    const cuts = parts.map((p) => known(p.path, `${kernel.name} ${JSON.stringify(settings)}`, () => cutOf(p.path, settings, kernel)));
    const tint = tintOf(lamp.colour);
    // A material goes through the whole letter, and is seen from straight above.
    const surface = { lighted: true };
    const [sides, drawn]: Part[][] = [[], []];
    parts.forEach((p, i) => {
      const lit = { ...p, surface, ...(tint ? { tint } : {}) };
      for (const c of cuts[i]) {
        if (c.pass === "lines") drawn.push({ ...p, ...c });
        else sides.push(sideOf(lit, c));
      }
    });
    return { parts: [...sides, ...drawn] };
  },
});

/** One part for each of some hundred slopes: field by field, since to spread both took up to a quarter of a drag. */
function sideOf(part: Part, { path, along, lit, facing, pass }: Cut): Part {
  const side: { -readonly [K in keyof Part]: Part[K] } = { ...part, path, along, facing };
  if (lit) side.lit = lit;
  if (pass !== undefined) side.pass = pass;
  return side;
}

interface Settings {
  readonly sunk: boolean;
  readonly inset: number;
  readonly by: "angle" | "height";
  readonly angle: number;
  readonly height: number;
  readonly tones: number;
  readonly surface: SurfaceKind;
  readonly line: number;
  readonly light: Point3;
  readonly lamp: { readonly strength: number; readonly ambient: number };
}

function cutOf(path: Path, { sunk, inset, by, angle, height, tones, surface, line, light, lamp }: Settings, kernel: Kernel): Cut[] {
  const clean = kernel.exact.weld(path);
  const widest = tones > 1 ? narrow : isDraft(kernel) ? coarse : undefined;
  const facets = slopes(clean, `${kernel.name} ${inset} ${widest}`, () =>
    isDraft(kernel) ? draftFacetsOf(clean, inset, widest) : facetsOf(contoursOf(clean, true), inset, widest),
  );
  /** How light a slope of some steepness is whose outline looks some way: Lambert's cosine, on a little light from all around. */
  const toneOf = (n: { readonly x: number; readonly y: number }, steep: number): number => {
    const out = (sunk ? -1 : 1) * Math.sin(steep);
    const cosine = n.x * out * light.x + n.y * out * light.y + Math.cos(steep) * light.z;
    const tone = toneUnder(Math.max(0, (cosine + ambient) / (1 + ambient)), lamp);
    return tones > 1 ? Math.round(tone * (tones - 1)) / (tones - 1) : tone;
  };
  const shown = (c: Cut): Cut => {
    const along = toneOn(surface, c.along ?? 0);
    return c.lit ? { ...c, along, lit: litOn(surface, c.lit) } : { ...c, along };
  };
  const seen = facets.map((f): Cut => {
    const steep = by === "angle" ? (angle * Math.PI) / 180 : Math.atan2(height, f.width);
    const { normal } = f.samples[f.samples.length >> 1];
    const tone = toneOf(normal, steep);
    const lit =
      tones > 1
        ? tone
        : litAlong(
            f.samples.map((s) => ({ at: s.at, tone: toneOf(s.normal, steep) })),
            isDraft(kernel),
          );
    const up = (sunk ? -1 : 1) * Math.sin(steep);
    const facing = { x: normal.x * up, y: normal.y * up, z: Math.cos(steep) };
    if (typeof lit === "number") return { path: f.path, along: tone, facing };
    return { path: f.path, along: tone, facing, lit };
  });
  const sides = (tones > 1 ? byTone(seen) : seen).map(shown);
  const mean = sides.reduce((sum, f) => sum + (f.along ?? 0), 0) / Math.max(1, sides.length);
  // Between two slopes no ground is seen.
  const made: Cut[] = [{ path: clean, along: mean }, ...sides];
  if (inset !== Infinity) {
    const top = tops(clean, `${kernel.name} ${inset}`, () => topOf(clean, inset, kernel));
    if (!top.isEmpty) made.push(shown({ path: top, along: toneOf({ x: 0, y: 0 }, 0), facing: { x: 0, y: 0, z: 1 }, pass: "face" }));
  }
  if (line > 0) made.push({ path: linesOf(facets, line, kernel), along: 1, pass: "lines" });
  return made;
}

/** Slopes of one tone as one outline. */
function byTone(cuts: readonly Cut[]): Cut[] {
  const tones = new Map<number, PathBuilder>();
  for (const { path, along = 0 } of cuts) {
    let out = tones.get(along);
    if (!out) tones.set(along, (out = new PathBuilder()));
    out.add(path);
  }
  return [...tones].map(([along, out]) => ({ along, path: out.build() }));
}

/** Ridges, and the lines from corners to them, as thick as a pen. */
function linesOf(facets: readonly Facet[], width: number, kernel: Kernel): Path {
  const lines = new PathBuilder();
  for (const { borders } of facets)
    for (const points of borders) {
      if (points.length < 2) continue;
      points.forEach((p, i) => (i ? lines.line(p.x, p.y) : lines.move(p.x, p.y)));
    }
  return inked(contoursOf(lines.build(), false), { width, join: { kind: "round" }, cap: "round" }, kernel);
}
