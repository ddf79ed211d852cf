import { contoursOf, pathOf, stride, ContourBuilder } from "../curves/contour";
import type { Point } from "../curves/matrix";
import type { Path } from "../curves/path";
import { areaOf } from "../curves/arrange/tidy";
import type { Camera, Point3 } from "./camera";
import { draftFacetsOf, facetsOf, type Facet } from "./chisel/facets";
import type { Sample } from "./chisel/walk";
import { litAlong, type Lit } from "./lit";
import { upAt, type ProfilePlace } from "./profile";

/** The edge of a body. Lengths in units. */
export interface Edge {
  readonly profile: readonly ProfilePlace[];
  readonly width: number;
  readonly height: number;
}

/** One slope of an edge, as it is seen. */
export interface SeenSlope {
  readonly path: Path;
  readonly tone: number;
  readonly lit?: Lit;
  readonly facing: Point3;
  /** Which ring of the edge it is of, from the outermost. */
  readonly ring: number;
}

/** How far a slope goes on under its neighbour where no corner parts them, in units: between them no ground is seen. */
const under = 1.2;

/** The slopes of a body's edge before they are looked at: they do not change with how it is turned. */
export const slopesOf = (outline: Path, { width }: Edge, draft: boolean): readonly Facet[] =>
  draft ? draftFacetsOf(outline, width) : facetsOf(contoursOf(outline, true), width);

type Project = Camera["project"];

/**
 * What is seen of the edge of an outline, in the picture, ring by ring from the outermost. Slopes that face away are left out.
 * @param camera as it sees places of the outline's own space
 * @param toneOf how light a surface with a normal, a unit of length in the body's frame, is
 */
export function seenSlopes(
  facets: readonly Facet[],
  edge: Edge,
  { project, turned }: Pick<Camera, "project" | "turned">,
  toneOf: (normal: Point3) => number,
): SeenSlope[] {
  const seen: SeenSlope[] = [];
  const { profile, width, height } = edge;
  for (let ring = 0; ring + 1 < profile.length; ring++) {
    const [a, b] = [profile[ring], profile[ring + 1]];
    const [across, up] = [(b.inwards - a.inwards) * width, (b.up - a.up) * height];
    const length = Math.hypot(across, up);
    if (!(length > 1e-9)) continue;
    const normal = (n: Point): Point3 => ({ x: (n.x * up) / length, y: (n.y * up) / length, z: across / length });
    for (const facet of facets) {
      const path = slope(facet, a, b, edge, project, ring === 0);
      if (!path) continue;
      const samples = facet.samples.map(({ at, normal: n }) => ({
        at: project({ ...at, z: ((a.up + b.up) / 2 - 1) * height }),
        tone: toneOf(normal(n)),
      }));
      const middle = normal(facet.samples[facet.samples.length >> 1].normal);
      const lit = litAlong(samples);
      const own = { path, facing: turned(middle), ring };
      seen.push(typeof lit === "number" ? { ...own, tone: lit } : { ...own, tone: toneOf(middle), lit });
    }
  }
  return seen;
}

/**
 * Slopes of several outlines from the farthest to the nearest: a ray meets what lies deeper later, so that rings lie over one another as
 * they lie in depth; from behind it is the other way round.
 */
export const ringByRing = <S extends { readonly ring: number }>(slopes: readonly S[], behind: boolean): S[] =>
  [...slopes].sort((a, b) => (behind ? b.ring - a.ring : a.ring - b.ring));

/** Where a place of the profile lies over a place of the outline: no farther in than its ridge. */
export function placeOnEdge(s: Sample, { inwards, up }: ProfilePlace, { profile, width, height }: Edge): Point3 {
  // A corner's mitre is longer than its slope is wide.
  const most = Math.max(s.reach, 1e-9);
  const whole = inwards * width * (s.reach > width ? s.reach / width : 1);
  const clipped = whole > most;
  const in_ = clipped ? most : whole;
  return { x: s.x + s.nx * in_, y: s.y + s.ny * in_, z: ((clipped ? upAt(profile, most / width) : up) - 1) * height };
}

/** One slope of one ring in the picture; undefined where it faces away, or where strokes are too thin for it. */
function slope(facet: Facet, a: ProfilePlace, b: ProfilePlace, edge: Edge, project: Project, outermost: boolean): Path | undefined {
  const at = (s: Sample, place: ProfilePlace): Point => project(placeOnEdge(s, place, edge));
  const { stretch, smooth } = facet;
  const walked = facet.walked();
  const inner = walked.map((s) => at(s, b));
  const outer = walked.map((s) => at(s, a));
  const out = new ContourBuilder();
  const moved = (s: Sample): Sample => ({ ...s, x: s.x - s.ny * under, y: s.y + s.nx * under });
  const first = smooth ? at(moved(walked[0]), a) : outer[0];
  out.move(first.x, first.y);
  if (smooth) out.line(outer[0].x, outer[0].y);
  if (outermost) alongOutline(stretch, (a.up - 1) * edge.height, project, out);
  else for (const p of outer.slice(1)) out.line(p.x, p.y);
  for (let i = inner.length - 1; i >= 0; i--) out.line(inner[i].x, inner[i].y);
  if (smooth) {
    const foot = at(moved(walked[0]), b);
    out.line(foot.x, foot.y);
  }
  out.line(first.x, first.y);
  const contour = out.build(true);
  // Seen from the side that it shows it winds as the outline does.
  return areaOf(contour) > 0.5 ? pathOf([contour]) : undefined;
}

const image = new Float64Array(8);

/** The outline itself as it is seen at a depth: exactly where the view is parallel, and nearly in perspective. */
function alongOutline({ points, degrees, size }: Facet["stretch"], z: number, project: Project, out: ContourBuilder): void {
  for (let k = 0; k < size; k++) {
    for (let i = 0; i <= degrees[k]; i++) {
      const p = project({ x: points[k * stride + 2 * i], y: points[k * stride + 2 * i + 1], z });
      image[2 * i] = p.x;
      image[2 * i + 1] = p.y;
    }
    out.segment(image, 0, degrees[k]);
  }
}
