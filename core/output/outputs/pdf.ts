import { isEmpty, mapped, meet, type Bounds } from "../../curves/bounds";
import { grainKey } from "../../grain/grain";
import { tooLarge, type Pixels } from "../../picture-size";
import type { BlendMode, SceneItem, SceneLayer, SceneOverlay } from "../../scene/scene";
import { layersIn } from "../../scene/walk";
import { pxPer } from "../../units";
import { grainOf, grainsFor, type Grains } from "../grains";
import { exportedItems, output, type Exported, type OutputTools } from "../output-kind";
import { Content, isolated } from "../pdf/content";
import { matrixOf, place, real } from "../pdf/numbers";
import { Painter } from "../pdf/painter";
import { channels } from "../pdf/shading";
import { toSvg } from "../svg";

/** A page's side at most, in points: 200 inches (ISO 32000-1, annex C). */
const mostPoints = 14_400;
const points = 1 / pxPer.pt;

export const pdf = output({
  kind: "pdf",
  label: "PDF",
  hint: "Vectors for print; only blurs and grains become pictures",
  extension: "pdf",
  mediaType: "application/pdf",
  needs: ["pdf", "raster"],
  params: {
    dpi: {
      type: "number",
      label: "Pictures at",
      hint: "Pixels to the inch of photos and of what is blurred or grained; all else is drawn as vectors",
      default: 300,
      min: 72,
      max: 1200,
      step: 1,
      suffix: "dpi",
    },
  },
  refuses: (exported, box, { dpi }) => {
    const side = Math.max(box.maxX - box.minX, box.maxY - box.minY) * points;
    if (side > mostPoints) return "A page of a PDF is at most 200 inches (508 cm) a side.";
    for (const item of exportedItems(exported.scene, exported.area))
      for (const layer of item.layers.flatMap(layersIn)) {
        const soft = (isSoft(layer) || layer.over) && softBox(item, layer, box, dpi);
        const why = soft && tooLarge(soft.pixels.width, soft.pixels.height);
        if (why) return `What is blurred in “${layer.label}”: ${why}`;
      }
    return null;
  },
  photoDensity: (_, __, { dpi }) => dpi / pxPer.in,
  write: async (exported, box, { dpi }, tools) => {
    const [width, height] = [box.maxX - box.minX, box.maxY - box.minY];
    const { document, bytes } = tools.pdf({ title: exported.title, width: width * points, height: height * points });
    const grains = await grainsFor(exported.scene, exported.area, dpi / pxPer.in, tools.pause);
    const painter = new Painter(document, (fill, item) => {
      if (fill.source.kind === "photo") return { name: fill.source.photo, data: exported.photos.get(fill.source.photo) };
      const name = grainKey(grainOf(fill, item, grains.density)!);
      return { name, data: grains.images.get(name) };
    });
    const board = new Content();
    if (exported.ground && exported.scene.ground)
      board.add(
        `${channels(exported.scene.ground).map(real).join(" ")} rg`,
        `${[box.minX, box.minY, width, height].map(place).join(" ")} re f`,
      );
    /** Draws what is blurred as a picture of its pixels. */
    const picture = async (item: SceneItem, layer: SceneLayer, content: Content, state = ""): Promise<void> => {
      const soft = softBox(item, layer, box, dpi);
      if (!soft) return;
      const image = document.image(await softPicture({ ...exported, grains }, item, layer, soft, tools));
      const { minX, minY, maxX, maxY } = soft.box;
      const at = `${matrixOf([maxX - minX, 0, 0, minY - maxY, minX, maxY])} cm`;
      content.add("q", ...(state ? [state] : []), at, `${content.name("XObject", image)} Do`, "Q");
    };
    const form = (content: Content, within: Content): string => `${content.name("XObject", within.end(document, box, isolated))} Do`;
    /** Draws a layer without how it lies on what is below. */
    const body = async (item: SceneItem, layer: SceneLayer, content: Content): Promise<void> => {
      if (isSoft(layer)) return picture(item, layer, content);
      const own = layer.over || layer.fade || layer.layers?.length ? new Content() : content;
      painter.paint(own, layer, item.matrix);
      for (const over of layer.over ?? []) {
        const state = own.name("ExtGState", painter.state(over.opacity, inPdf(over.blend)));
        await picture(item, overlayAlone(layer, over), own, `${state} gs`);
      }
      for (const lying of layer.layers ?? []) await laid(item, lying, own);
      if (own === content) return;
      const faded = layer.fade && content.name("ExtGState", painter.fade(layer.fade, item.matrix, box));
      content.add("q", ...(faded ? [`${faded} gs`] : []), form(content, own), "Q");
    };
    const laid = async (item: SceneItem, layer: SceneLayer, on: Content): Promise<void> => {
      if (layer.opacity >= 1 && layer.blend === "normal") return body(item, layer, on);
      const content = new Content();
      await body(item, layer, content);
      const state = on.name("ExtGState", painter.state(layer.opacity, inPdf(layer.blend)));
      on.add("q", `${state} gs`, form(on, content), "Q");
    };
    for (const item of exportedItems(exported.scene, exported.area)) for (const layer of item.layers) await laid(item, layer, board);
    const page = board.end(document, box, isolated);
    document.end(`q ${matrixOf([points, 0, 0, points, -box.minX * points, -box.minY * points])} cm /Board Do Q`, { Board: page });
    return bytes;
  },
});

/** The names of PDF are those of W3C's blend modes, written in one word each (ISO 32000-1, tables 136 and 137). */
const inPdf = (blend: BlendMode): string => blend.replace(/(?:^|-)([a-z])/g, (_, letter: string) => letter.toUpperCase());

const isSoft = ({ effects = [] }: SceneLayer): boolean => effects.some((e) => e.deviation > 0);

interface Soft {
  /** In board pixels, on whole pixels of its picture. */
  readonly box: Bounds;
  readonly pixels: Pixels;
}

/** Where the picture of a layer lies, as far as it is on the page; null where it is not. */
function softBox({ matrix }: SceneItem, { bounds }: SceneLayer, page: Bounds, dpi: number): Soft | null {
  const all = mapped(matrix, bounds);
  if (isEmpty(all) || !meet(all, page)) return null;
  const k = dpi / pxPer.in;
  const [left, top] = [Math.floor(Math.max(all.minX, page.minX) * k), Math.floor(Math.max(all.minY, page.minY) * k)];
  const [right, bottom] = [Math.ceil(Math.min(all.maxX, page.maxX) * k), Math.ceil(Math.min(all.maxY, page.maxY) * k)];
  if (right <= left || bottom <= top) return null;
  return {
    box: { minX: left / k, minY: top / k, maxX: right / k, maxY: bottom / k },
    pixels: { width: right - left, height: bottom - top, dpi },
  };
}

/** What is laid on a layer, as it would be on paths of no colour: its picture is clipped to them. */
const overlayAlone = (layer: SceneLayer, over: SceneOverlay): SceneLayer => ({
  ...layer,
  fills: layer.fills.map(() => ({ kind: "flat", colour: "#000000", opacity: 0 })),
  layers: [],
  fade: undefined,
  effects: [],
  over: [{ ...over, opacity: 1, blend: "normal" }],
});

/** A layer alone, before it is laid on what is below. */
function softPicture(
  exported: Exported & { readonly grains: Grains },
  item: SceneItem,
  layer: SceneLayer,
  { box, pixels }: Soft,
  { raster }: Pick<OutputTools, "raster">,
) {
  const plain: SceneLayer = { ...layer, opacity: 1, blend: "normal" };
  const scene = { ...exported.scene, items: [{ ...item, layers: [plain] }] };
  return raster(toSvg({ ...exported, scene, area: { kind: "board" }, ground: false, faces: [], piece: undefined }, box, pixels), pixels);
}
