import type { Bounds } from "../curves/bounds";
import { scaling, translation, multiply } from "../curves/matrix";
import type { Scene } from "../scene/scene";
import { imageNode } from "./fill-svg";
import { matrixText } from "./numbers";
import type { SvgNode } from "./svg-node";

/** The photos of a document, each written once: where it stands more than once, as a picture that the patterns use. */
export class Photos {
  /** What goes before everything that uses it. */
  readonly shared: SvgNode[] = [];
  readonly #counts = new Map<string, number>();
  readonly #ids = new Map<string, { readonly id: string; readonly of: Bounds }>();

  /** @param data data URLs by the photos' ids */
  constructor(
    scene: Scene,
    private readonly data: ReadonlyMap<string, string>,
  ) {
    for (const { layers } of scene.items)
      for (const { fills } of layers)
        for (const f of fills) if (f.kind === "photo") this.#counts.set(f.photo, (this.#counts.get(f.photo) ?? 0) + 1);
  }

  draw = (photo: string, at: Bounds): SvgNode | undefined => {
    const data = this.data.get(photo);
    if (data === undefined) return undefined;
    // By its name it is found again when the piece is opened where the photo is not.
    const source = { "v:photo": photo, "xlink:href": data };
    if (this.#counts.get(photo) === 1) return imageNode(source, at);
    const known = this.#ids.get(photo) ?? this.#share(photo, source, at);
    const [kx, ky] = [(at.maxX - at.minX) / (known.of.maxX - known.of.minX), (at.maxY - at.minY) / (known.of.maxY - known.of.minY)];
    const transform = multiply(translation(at.minX, at.minY), scaling(kx, ky));
    return { name: "use", attributes: { "xlink:href": `#${known.id}`, transform: matrixText(transform) } };
  };

  #share(photo: string, source: Record<string, string>, at: Bounds) {
    const of = { minX: 0, minY: 0, maxX: at.maxX - at.minX, maxY: at.maxY - at.minY };
    const known = { id: `photo-${this.#ids.size + 1}`, of };
    this.#ids.set(photo, known);
    const image = imageNode(source, of);
    this.shared.push({ name: "defs", attributes: {}, children: [{ ...image, attributes: { id: known.id, ...image.attributes } }] });
    return known;
  }
}
