import { join, shifted, type Bounds } from "../curves/bounds";
import { identity, multiply, translation } from "../curves/matrix";
import type { PictureFill, SceneFill } from "../scene/scene";
import { sectorsOf, type AngularFill } from "../scene/sectors";
import { matrixText, number } from "./numbers";
import type { SvgNode } from "./svg-node";

/** Draws the picture of a fill with its edges here; undefined where it is not at hand. */
export type PictureOf = (fill: PictureFill, at: Bounds) => SvgNode | undefined;

/**
 * A picture as an element.
 * @param source where it is: SVG 1.1's xlink:href in files for others' programs, SVG 2's href on a page
 */
export const imageNode = (source: Record<string, string>, at: Bounds): SvgNode => ({
  name: "image",
  attributes: { x: number(at.minX), y: number(at.minY), ...sized(at), preserveAspectRatio: "none", ...source },
});

const sized = (b: Bounds) => ({ width: number(b.maxX - b.minX), height: number(b.maxY - b.minY) });

/** What stands in for a picture that is not here. */
const missing = "#808080";

export interface Paint {
  /** What a path says to be filled so. */
  readonly attributes: Record<string, string>;
  /** What that refers to by its id, where it does. */
  readonly server: SvgNode | null;
}

/** How a fill of the scene is written in SVG. */
export function paintOf(fill: SceneFill, id: string, pictures: PictureOf = () => undefined): Paint {
  switch (fill.kind) {
    case "flat":
      return { attributes: filled(fill.colour, fill.opacity), server: null };
    case "picture": {
      const server = pictureNode(fill, pictures, id);
      return server ? { attributes: filled(`url(#${id})`, fill.opacity), server } : { attributes: filled(missing, 1), server };
    }
    case "angular":
      return { attributes: filled(`url(#${id})`, 1), server: wedgesNode(fill, id) };
    default:
      return { attributes: filled(`url(#${id})`, 1), server: gradientNode(fill, id) };
  }
}

const filled = (fill: string, opacity: number): Record<string, string> => ({
  fill,
  ...(opacity < 1 ? { "fill-opacity": number(opacity) } : {}),
});

/**
 * A picture as a pattern of one tile, which reaches over all that is painted, so that it is never seen twice. It starts at 0, 0 and is
 * moved by the transform, which leaves no doubt where its content lies.
 */
function pictureNode(fill: PictureFill, pictures: PictureOf, id: string): SvgNode | null {
  const { area, box, matrix } = fill;
  const tile = join(area, box);
  const image = pictures(fill, shifted(area, -tile.minX, -tile.minY));
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

/** Wedges as a pattern of one tile, as pictures are. */
function wedgesNode(fill: AngularFill, id: string): SvgNode {
  const { box, matrix } = fill;
  const wedges = sectorsOf(fill).map(({ colour, opacity, corners }): SvgNode => {
    const d = corners.map((p, i) => `${i ? "L" : "M"}${number(p.x - box.minX)} ${number(p.y - box.minY)}`).join("");
    return { name: "path", attributes: { d: `${d}Z`, ...filled(colour, opacity) } };
  });
  return {
    name: "pattern",
    attributes: {
      id,
      patternUnits: "userSpaceOnUse",
      ...sized(box),
      patternTransform: matrixText(multiply(matrix ?? identity, translation(box.minX, box.minY))),
    },
    children: wedges,
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
