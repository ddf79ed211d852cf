import { toSvgPath } from "../curves/svg-path";
import type { SceneItem, SceneLayer } from "../scene/scene";
import { paintOf, type PhotoSource } from "./fill-svg";
import { matrixText, number } from "./numbers";
import type { SvgNode } from "./svg-node";

const none: PhotoSource = () => undefined;

/**
 * One layer as a group of one path a letter, with the gradients and photos it needs. Ids start with `prefix`, which must be its
 * own in the document.
 */
export function layerNode(layer: SceneLayer, item: SceneItem, prefix: string, photos: PhotoSource = none): SvgNode {
  const paints = layer.fills.map((fill, i) => paintOf(fill, `${prefix}f${i}`, photos));
  const servers = paints.flatMap((p) => p.server ?? []);
  const paths = layer.paths.map((p): SvgNode => ({
    name: "path",
    attributes: { d: toSvgPath(p.path, p.x, p.y), ...paints[p.fill].attributes },
  }));
  const attributes: Record<string, string> = { id: prefix, transform: matrixText(item.matrix) };
  if (layer.opacity < 1) attributes.opacity = number(layer.opacity);
  if (layer.blend !== "normal") attributes.style = `mix-blend-mode:${layer.blend}`;
  const title: SvgNode = { name: "title", attributes: {}, text: layer.label };
  const defs: SvgNode[] = servers.length ? [{ name: "defs", attributes: {}, children: servers }] : [];
  return { name: "g", attributes, children: [title, ...defs, ...paths] };
}
