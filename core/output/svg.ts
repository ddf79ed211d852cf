import { isEmpty, joinAll, mapped, type Bounds } from "../curves/bounds";
import type { Matrix } from "../curves/matrix";
import type { Scene } from "../scene/scene";
import { fromPx, type Unit } from "../units";
import { layerNode, type Sources } from "./layer-svg";
import { Photos } from "./photos-svg";
import { number } from "./numbers";
import { serialize, type SvgNode } from "./svg-node";

export const svgNamespace = "http://www.w3.org/2000/svg";
export const xlinkNamespace = "http://www.w3.org/1999/xlink";
/** The namespace of what Vextal writes into a file's metadata. */
export const vextalNamespace = "urn:vextal:piece:1";

export interface SvgOptions {
  readonly title: string;
  readonly unit: Unit;
  /** Names of the faces that the outlines come from. */
  readonly faces: readonly string[];
  /** What is drawn: the whole board, or the inked box of some items. */
  readonly area: { readonly kind: "board" } | { readonly kind: "items"; readonly ids: readonly string[] };
  readonly ground: boolean;
  /** Exact size in pixels, where the SVG is only a step to a picture. */
  readonly pixels?: { readonly width: number; readonly height: number };
  /** The piece as JSON, to be opened again live. */
  readonly piece?: string;
  /** Photos by their id, as data URLs. */
  readonly photos?: ReadonlyMap<string, string>;
}

/** The photos that a scene shows, each once. */
export function photosIn(scene: Scene): string[] {
  const found = new Set<string>();
  // Asked of every scene of a drag: it leaves nothing behind to be collected.
  for (const { layers } of scene.items) for (const { fills } of layers) for (const f of fills) if (f.kind === "photo") found.add(f.photo);
  return [...found];
}

/** The box that an export shows, in board pixels; empty where the chosen items have no ink. */
export function exportArea(scene: Scene, area: SvgOptions["area"]): Bounds {
  if (area.kind === "board") return { minX: 0, minY: 0, maxX: scene.width, maxY: scene.height };
  return joinAll(scene.items.filter((i) => area.ids.includes(i.id)).flatMap((i) => i.layers.map((l) => mapped(i.matrix, l.bounds))));
}

/** The scene as an SVG document: plain paths, gradients and photos inside it; no fonts and no other file needed. */
export function toSvg(scene: Scene, options: SvgOptions): string {
  const area = exportArea(scene, options.area);
  const box = isEmpty(area) ? { minX: 0, minY: 0, maxX: 1, maxY: 1 } : area;
  const [width, height] = [Math.max(1e-3, box.maxX - box.minX), Math.max(1e-3, box.maxY - box.minY)];
  const size = options.pixels ?? {
    width: `${number(fromPx(width, options.unit))}${options.unit}`,
    height: `${number(fromPx(height, options.unit))}${options.unit}`,
  };
  const { area: chosen } = options;
  const items = chosen.kind === "board" ? scene.items : scene.items.filter((i) => chosen.ids.includes(i.id));
  const ground: SvgNode[] =
    options.ground && scene.ground
      ? [
          {
            name: "rect",
            attributes: { x: number(box.minX), y: number(box.minY), width: number(width), height: number(height), fill: scene.ground },
          },
        ]
      : [];
  const photos = new Photos(scene, options.photos ?? new Map());
  const scale = options.pixels ? options.pixels.width / width : 0;
  const sources: Sources = { photos: photos.draw, link: (id) => ({ "xlink:href": `#${id}` }), blur: (d, m) => blurFor(d, m, scale) };
  const groups = items.map((item, i): SvgNode => ({
    name: "g",
    attributes: { id: `lettering-${i + 1}` },
    children: [
      { name: "title", attributes: {}, text: item.label },
      ...item.layers.map((layer, k) => layerNode(layer, item, `l${i + 1}c${k + 1}`, sources)),
    ],
  }));
  const about: Record<string, string> = { "xmlns:v": vextalNamespace, piece: options.title, faces: options.faces.join("; ") };
  const root: SvgNode = {
    name: "svg",
    attributes: {
      xmlns: svgNamespace,
      ...(options.photos?.size || refers(groups) ? { "xmlns:xlink": xlinkNamespace } : {}),
      ...(options.photos?.size ? { "xmlns:v": vextalNamespace } : {}),
      ...size,
      viewBox: [box.minX, box.minY, width, height].map(number).join(" "),
      style: "isolation:isolate",
    },
    children: [
      { name: "title", attributes: {}, text: options.title },
      { name: "desc", attributes: {}, text: options.faces.length ? `Faces: ${options.faces.join(", ")}` : "No lettering" },
      {
        name: "metadata",
        attributes: {},
        children: [{ name: "v:made", attributes: about, ...(options.piece === undefined ? {} : { text: options.piece }) }],
      },
      ...photos.shared,
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
