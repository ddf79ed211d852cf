import { join, type Bounds } from "../curves/bounds";
import { identity, multiply, translation } from "../curves/matrix";
import type { SceneFill } from "../scene/scene";
import { matrixText, number } from "./numbers";
import type { SvgNode } from "./svg-node";

/**
 * What an image element says of where a photo's picture is; undefined where it is not here. Files for others' programs want SVG 1.1's
 * xlink:href, a page that builds its elements itself SVG 2's href.
 */
export type PhotoSource = (id: string) => Record<string, string> | undefined;

/** What stands in for a photo that is not here. */
const missing = "#808080";

export interface Paint {
  /** What a path says to be filled so. */
  readonly attributes: Record<string, string>;
  /** What that refers to by its id, where it does. */
  readonly server: SvgNode | null;
}

/** How a fill of the scene is written in SVG. */
export function paintOf(fill: SceneFill, id: string, photos: PhotoSource): Paint {
  switch (fill.kind) {
    case "flat":
      return { attributes: filled(fill.colour, fill.opacity), server: null };
    case "photo": {
      const source = photos(fill.photo);
      return source
        ? { attributes: filled(`url(#${id})`, fill.opacity), server: photoNode(fill, source, id) }
        : { attributes: filled(missing, 1), server: null };
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
function photoNode({ area, box, matrix }: Extract<SceneFill, { kind: "photo" }>, source: Record<string, string>, id: string): SvgNode {
  const tile = join(area, box);
  const sized = (b: Bounds) => ({ width: number(b.maxX - b.minX), height: number(b.maxY - b.minY) });
  return {
    name: "pattern",
    attributes: {
      id,
      patternUnits: "userSpaceOnUse",
      ...sized(tile),
      patternTransform: matrixText(multiply(matrix ?? identity, translation(tile.minX, tile.minY))),
    },
    children: [
      {
        name: "image",
        attributes: {
          x: number(area.minX - tile.minX),
          y: number(area.minY - tile.minY),
          ...sized(area),
          preserveAspectRatio: "none",
          ...source,
        },
      },
    ],
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
