import type { Bounds } from "../curves/bounds";
import type { Matrix } from "../curves/matrix";
import type { Pixels } from "../picture-size";
import type { Scene } from "../scene/scene";
import { fillsIn } from "../scene/walk";
import { fromPx } from "../units";
import { noGrains, type Grains } from "./grains";
import { layerNode, type Sources } from "./layer-svg";
import { exportedItems, type Exported } from "./output-kind";
import { Pictures } from "./pictures-svg";
import { number } from "./numbers";
import { serialize, type SvgNode } from "./svg-node";

export const svgNamespace = "http://www.w3.org/2000/svg";
export const xlinkNamespace = "http://www.w3.org/1999/xlink";
/** The namespace of what Vextal writes into a file's metadata. */
export const vextalNamespace = "urn:vextal:piece:1";

/** What an SVG shows and says of itself. */
export interface SvgContent extends Omit<Exported, "piece" | "dpi"> {
  /** The piece as JSON, where it is to be opened again live. */
  readonly piece?: string;
  /** Where they are left out, a grey stands for them. */
  readonly grains?: Grains;
}

/** The photos that a scene shows, each once. */
export function photosIn(scene: Scene): string[] {
  const found = new Set<string>();
  // Asked of every scene of a drag: it leaves nothing behind to be collected.
  for (const { layers } of scene.items)
    for (const layer of layers)
      for (const f of fillsIn(layer)) if (f.kind === "picture" && f.source.kind === "photo") found.add(f.source.photo);
  return [...found];
}

/**
 * The scene as an SVG document: plain paths, gradients and photos inside it; no fonts and no other file needed.
 * @param box what is shown, in board pixels
 * @param pixels its exact size, where it is only a step to a picture
 */
export function toSvg(content: SvgContent, box: Bounds, pixels?: Pick<Pixels, "width" | "height">): string {
  const { scene } = content;
  const [width, height] = [Math.max(1e-3, box.maxX - box.minX), Math.max(1e-3, box.maxY - box.minY)];
  const size = pixels
    ? { width: pixels.width, height: pixels.height }
    : { width: `${number(fromPx(width, content.unit))}${content.unit}`, height: `${number(fromPx(height, content.unit))}${content.unit}` };
  const items = exportedItems(scene, content.area);
  const ground: SvgNode[] =
    content.ground && scene.ground
      ? [
          {
            name: "rect",
            attributes: { x: number(box.minX), y: number(box.minY), width: number(width), height: number(height), fill: scene.ground },
          },
        ]
      : [];
  const pictures = new Pictures(scene, content.photos, content.grains ?? noGrains);
  const scale = pixels ? pixels.width / width : 0;
  const sources: Sources = { pictures: pictures.draw, link: (id) => ({ "xlink:href": `#${id}` }), blur: (d, m) => blurFor(d, m, scale) };
  const groups = items.map((item, i): SvgNode => ({
    name: "g",
    attributes: { id: `lettering-${i + 1}` },
    children: [
      { name: "title", attributes: {}, text: item.label },
      ...item.layers.map((layer, k) => layerNode(layer, item, `l${i + 1}c${k + 1}`, sources)),
    ],
  }));
  const about: Record<string, string> = { "xmlns:v": vextalNamespace, piece: content.title, faces: content.faces.join("; ") };
  const root: SvgNode = {
    name: "svg",
    attributes: {
      xmlns: svgNamespace,
      ...(content.photos.size || content.grains?.images.size || refers(groups) ? { "xmlns:xlink": xlinkNamespace } : {}),
      ...(content.photos.size ? { "xmlns:v": vextalNamespace } : {}),
      ...size,
      viewBox: [box.minX, box.minY, width, height].map(number).join(" "),
      style: "isolation:isolate",
    },
    children: [
      { name: "title", attributes: {}, text: content.title },
      { name: "desc", attributes: {}, text: content.faces.length ? `Faces: ${content.faces.join(", ")}` : "No lettering" },
      {
        name: "metadata",
        attributes: {},
        children: [{ name: "v:made", attributes: about, ...(content.piece === undefined ? {} : { text: content.piece }) }],
      },
      ...pictures.shared,
      ...ground,
      ...groups,
    ],
  };
  return `<?xml version="1.0" encoding="UTF-8"?>\n${serialize(root)}`;
}

const refers = (nodes: readonly SvgNode[]): boolean => nodes.some((n) => n.name === "use" || refers(n.children ?? []));

/**
 * The deviation to write for a blur. For a picture of exact pixels it is fitted to the one renderer that draws it: from 4.6 pixels up that
 * one blurs by a twenty-fifth more than browsers do, and under three quarters of a pixel browsers blur nothing (measured). Files keep the
 * true one.
 * @param scale pixels to the board pixel; 0 for a file
 */
function blurFor(deviation: number, [a, b, c, d]: Matrix, scale: number): number {
  if (!scale) return deviation;
  const pixels = deviation * Math.sqrt(Math.abs(a * d - b * c)) * scale;
  if (pixels < 0.75) return 0;
  return pixels > 4.6 ? deviation * 0.96 : deviation;
}
