import type { Matrix } from "../curves/matrix";
import type { Path } from "../curves/path";
import { toSvgPath } from "../curves/svg-path";
import { isEmpty, type Bounds } from "../curves/bounds";
import type { PictureFill, SceneItem, SceneLayer, ScenePath } from "../scene/scene";
import { filterOf } from "./effect-svg";
import { fadeNodes } from "./fade-svg";
import { paintOf, type Paint } from "./fill-svg";
import { matrixText, number } from "./numbers";
import { overlaid } from "./overlay-svg";
import type { SvgNode } from "./svg-node";

/** How what is drawn refers to what lies elsewhere. */
export interface Sources {
  /** What stands for the picture of a fill with its edges `at`; where it is left out, none is here. */
  readonly pictures?: (fill: PictureFill, at: Bounds, item: Matrix) => SvgNode | undefined;
  /** What an element says to refer to another by its id: SVG 2's href on a page, SVG 1.1's xlink:href in files for others' programs. */
  readonly link?: (id: string) => Record<string, string>;
  /** The deviation that a blur is written with, 0 for none: who draws it may blur more, or not at all, at some sizes. */
  readonly blur?: (deviation: number, item: Matrix) => number;
}

const href = (id: string): Record<string, string> => ({ href: `#${id}` });

/**
 * What a layer is made of, in the space of its item, without how it lies on what is below: one path a letter, a path that repeats once,
 * with the gradients, photos and filters it needs. Ids start with `prefix`, which must be its own in the document.
 */
export function layerBody(layer: SceneLayer, item: Matrix, prefix: string, sources: Sources = {}): SvgNode {
  const paints = layer.fills.map((fill, i) => paintOf(fill, `${prefix}f${i}`, (picture, at) => sources.pictures?.(picture, at, item)));
  const repeated = new Repeated(layer.paths, paints, prefix);
  const paths = layer.paths.map((p) => repeated.use(p, sources.link ?? href) ?? pathNode(p, paints[p.fill].attributes));
  const servers = [...paints.flatMap((p) => p.server ?? []), ...repeated.nodes];
  const { effects = [], bounds } = layer;
  const blur = (d: number) => sources.blur?.(d, item) ?? d;
  let drawn = paths;
  if (layer.over?.length) {
    const { defs: shared, node } = overlaid(layer, paths, prefix, blur, sources.link ?? href);
    servers.push(...shared);
    drawn = [node];
  }
  if (layer.layers?.length) {
    // By itself, so that what blends in it blends with it alone (CSS Compositing 1, isolation).
    const lying = layer.layers.map((l, i) => laid(l, layerBody(l, item, `${prefix}n${i}`, sources)));
    drawn = [{ name: "g", attributes: { style: "isolation:isolate" }, children: [...drawn, ...lying] }];
  }
  if (layer.fade && !isEmpty(bounds)) {
    servers.push(...fadeNodes(layer.fade, bounds, `${prefix}m`));
    drawn = [{ name: "g", attributes: { mask: `url(#${prefix}m)` }, children: drawn }];
  }
  const filter = isEmpty(bounds) ? null : filterOf(effects, bounds, `${prefix}e`, blur);
  if (filter) {
    servers.push(filter);
    drawn = [{ name: "g", attributes: { filter: `url(#${prefix}e)` }, children: drawn }];
  }
  const defs: SvgNode[] = servers.length ? [{ name: "defs", attributes: {}, children: servers }] : [];
  return { name: "g", attributes: {}, children: [...defs, ...drawn] };
}

/** A layer as a group of a document: placed, and lying on what is below as it should. */
export function layerNode(layer: SceneLayer, item: SceneItem, prefix: string, sources: Sources = {}): SvgNode {
  const node = laid(layer, layerBody(layer, item.matrix, prefix, sources));
  const title: SvgNode = { name: "title", attributes: {}, text: layer.label };
  const placed: Record<string, string | number> = { id: prefix, transform: matrixText(item.matrix) };
  return { ...node, attributes: { ...placed, ...node.attributes }, children: [title, ...(node.children ?? [])] };
}

/** The body of a layer as it lies on what is below. */
function laid({ opacity, blend }: SceneLayer, body: SvgNode): SvgNode {
  const attributes: Record<string, string | number> = { ...body.attributes };
  if (opacity < 1) attributes.opacity = number(opacity);
  if (blend !== "normal") attributes.style = `mix-blend-mode:${blend}`;
  return { ...body, attributes };
}

function pathNode({ path, x, y, matrix }: ScenePath, attributes: Record<string, string>): SvgNode {
  return { name: "path", attributes: { d: toSvgPath(matrix ? path.transform(matrix) : path, x, y), ...attributes } };
}

/**
 * Paths that are turned or sized and stand more than once: each is written once and used. What is painted with a gradient is not: it would
 * be turned with each use.
 */
class Repeated {
  readonly nodes: SvgNode[] = [];
  readonly #ids = new Map<Path, string>();

  constructor(
    paths: readonly ScenePath[],
    private readonly paints: readonly Paint[],
    prefix: string,
  ) {
    const counts = new Map<Path, number>();
    for (const p of paths) if (this.#canBeUsed(p)) counts.set(p.path, (counts.get(p.path) ?? 0) + 1);
    for (const [path, count] of counts) {
      if (count < 2) continue;
      const id = `${prefix}p${this.nodes.length}`;
      this.#ids.set(path, id);
      this.nodes.push({ name: "path", attributes: { id, d: toSvgPath(path) } });
    }
  }

  #canBeUsed({ matrix, fill }: ScenePath): boolean {
    return matrix !== undefined && this.paints[fill].server === null;
  }

  use(p: ScenePath, link: (id: string) => Record<string, string>): SvgNode | undefined {
    const id = this.#canBeUsed(p) ? this.#ids.get(p.path) : undefined;
    if (id === undefined) return undefined;
    const [a, b, c, d, e, f] = p.matrix!;
    return {
      name: "use",
      attributes: { ...link(id), transform: matrixText([a, b, c, d, e + p.x, f + p.y]), ...this.paints[p.fill].attributes },
    };
  }
}
