import { fromByteArray } from "base64-js";
import type { Bounds } from "../curves/bounds";
import { scaling, translation, multiply, type Matrix } from "../curves/matrix";
import { grainKey } from "../grain/grain";
import type { PictureFill, Scene } from "../scene/scene";
import { fillsIn } from "../scene/walk";
import { imageNode } from "./fill-svg";
import { grainOf, type Grains } from "./grains";
import { matrixText } from "./numbers";
import type { SvgNode } from "./svg-node";

/** The pictures of a document. Photos are written once each: one that stands more than once, as a picture that the patterns use. */
export class Pictures {
  /** What goes before everything that uses it. */
  readonly shared: SvgNode[] = [];
  readonly #counts = new Map<string, number>();
  readonly #ids = new Map<string, { readonly id: string; readonly of: Bounds }>();

  /** @param photos data URLs by the photos' ids */
  constructor(
    scene: Scene,
    private readonly photos: ReadonlyMap<string, string>,
    private readonly grains: Grains,
  ) {
    for (const { layers } of scene.items)
      for (const layer of layers)
        for (const f of fillsIn(layer))
          if (f.kind === "picture" && f.source.kind === "photo")
            this.#counts.set(f.source.photo, (this.#counts.get(f.source.photo) ?? 0) + 1);
  }

  draw = (fill: PictureFill, at: Bounds, item: Matrix): SvgNode | undefined =>
    fill.source.kind === "photo" ? this.#photo(fill.source.photo, at) : this.#grain(fill, at, item);

  #grain(fill: PictureFill, at: Bounds, item: Matrix): SvgNode | undefined {
    const picture = grainOf(fill, item, this.grains.density);
    const png = picture && this.grains.images.get(grainKey(picture));
    return png && imageNode({ "xlink:href": `data:image/png;base64,${fromByteArray(png)}` }, at);
  }

  #photo(photo: string, at: Bounds): SvgNode | undefined {
    const data = this.photos.get(photo);
    if (data === undefined) return undefined;
    // By its name it is found again when the piece is opened where the photo is not.
    const source = { "v:photo": photo, "xlink:href": data };
    if (this.#counts.get(photo) === 1) return imageNode(source, at);
    const known = this.#ids.get(photo) ?? this.#share(photo, source, at);
    const [kx, ky] = [(at.maxX - at.minX) / (known.of.maxX - known.of.minX), (at.maxY - at.minY) / (known.of.maxY - known.of.minY)];
    const transform = multiply(translation(at.minX, at.minY), scaling(kx, ky));
    return { name: "use", attributes: { "xlink:href": `#${known.id}`, transform: matrixText(transform) } };
  }

  #share(photo: string, source: Record<string, string>, at: Bounds) {
    const of = { minX: 0, minY: 0, maxX: at.maxX - at.minX, maxY: at.maxY - at.minY };
    const known = { id: `photo-${this.#ids.size + 1}`, of };
    this.#ids.set(photo, known);
    const image = imageNode(source, of);
    this.shared.push({ name: "defs", attributes: {}, children: [{ ...image, attributes: { id: known.id, ...image.attributes } }] });
    return known;
  }
}
