import { join, shifted, type Bounds } from "../curves/bounds";
import { identity, multiply, translation } from "../curves/matrix";
import type { SceneFill } from "../scene/scene";
import { matrixText, number } from "./numbers";
import type { SvgNode } from "./svg-node";

/** Draws a photo with its edges here; undefined where it is not at hand. */
export type PhotoSource = (id: string, at: Bounds) => SvgNode | undefined;

/**
 * A photo's picture as an element.
 * @param source where it is: SVG 1.1's xlink:href in files for others' programs, SVG 2's href on a page
 */
export const imageNode = (source: Record<string, string>, at: Bounds): SvgNode => ({
  name: "image",
  attributes: { x: number(at.minX), y: number(at.minY), ...sized(at), preserveAspectRatio: "none", ...source },
});

const sized = (b: Bounds) => ({ width: number(b.maxX - b.minX), height: number(b.maxY - b.minY) });

/** What stands in for a photo that is not here. */
const missing = "#808080";

export interface Paint {
  /** What a path says to be filled so. */
  readonly attributes: Record<string, string>;
  /** What that refers to by its id, where it does. */
  readonly server: SvgNode | null;
}

/** How a fill of the scene is written in SVG. */
export function paintOf(fill: SceneFill, id: string, photos: PhotoSource = () => undefined): Paint {
  switch (fill.kind) {
    case "flat":
      return { attributes: filled(fill.colour, fill.opacity), server: null };
    case "photo": {
      const server = photoNode(fill, photos, id);
      return server ? { attributes: filled(`url(#${id})`, fill.opacity), server } : { attributes: filled(missing, 1), server };
    }
    default:
      return { attributes: filled(`url(#${id})`, 1), server: gradientNode(fill, id) };
  }
}

const filled = (fill: string, opacity: number): Record<string, string> => ({
  fill,
  ...(opacity < 1 ? { "fill-opacity": number(opacity) } : {}),
});

/**
 * A photo as a pattern of one tile, which reaches over all that is painted, so that it is never seen twice. The tile starts at 0, 0 and is
 * moved by the transform, which leaves no doubt where its content lies.
 */
function photoNode({ photo, area, box, matrix }: Extract<SceneFill, { kind: "photo" }>, photos: PhotoSource, id: string): SvgNode | null {
  const tile = join(area, box);
  const image = photos(photo, shifted(area, -tile.minX, -tile.minY));
  if (!image) return null;
  return {
    name: "pattern",
    attributes: {
      id,
      patternUnits: "userSpaceOnUse",
      ...sized(tile),
      patternTransform: matrixText(multiply(matrix ?? identity, translation(tile.minX, tile.minY))),
    },
    children: [image],
  };
}

function gradientNode(fill: Extract<SceneFill, { kind: "linear" | "radial" }>, id: string): SvgNode {
  const { from, to } = fill;
  const place: Record<string, string> =
    fill.kind === "linear"
      ? { x1: number(from.x), y1: number(from.y), x2: number(to.x), y2: number(to.y) }
      : { cx: number(from.x), cy: number(from.y), r: number(Math.max(1e-3, Math.hypot(to.x - from.x, to.y - from.y))) };
  return {
    name: fill.kind === "linear" ? "linearGradient" : "radialGradient",
    attributes: {
      id,
      gradientUnits: "userSpaceOnUse",
      ...place,
      ...(fill.matrix ? { gradientTransform: matrixText(fill.matrix) } : {}),
    },
    children: fill.stops.map((s): SvgNode => ({
      name: "stop",
      attributes: { offset: number(s.offset), "stop-color": s.colour, ...(s.opacity < 1 ? { "stop-opacity": number(s.opacity) } : {}) },
    })),
  };
}
