import { isEmpty, type Bounds } from "../../curves/bounds";
import { identity, multiply, type Matrix } from "../../curves/matrix";
import type { Path } from "../../curves/path";
import type { PictureFill, SceneFade, SceneFill, SceneLayer, ScenePath } from "../../scene/scene";
import { sectorsOf } from "../../scene/sectors";
import { Content } from "./content";
import type { PdfDocument, PdfRef } from "./document";
import { matrixOf, place, real } from "./numbers";
import { outline } from "./outline";
import { channels, shading, type Gradient } from "./shading";

/** What stands in for a picture that is not here. */
const missing = "#808080";

/** Fills the paths of layers into content streams. */
export class Painter {
  readonly #states = new Map<string, PdfRef>();
  readonly #images = new Map<string, PdfRef | undefined>();

  /** @param picture what a fill shows: its name, which tells it apart, and it as bytes or a data URL, where it is here */
  constructor(
    private readonly document: PdfDocument,
    private readonly picture: (fill: PictureFill, item: Matrix) => { name: string; data: Uint8Array | string | undefined },
  ) {}

  /** How what follows is laid on what is below. @param blend as PDF names it */
  state(opacity: number, blend = "Normal"): PdfRef {
    const key = `${blend} ${opacity}`;
    let state = this.#states.get(key);
    if (!state) this.#states.set(key, (state = this.document.add({ Type: "ExtGState", BM: blend, ca: opacity, CA: opacity })));
    return state;
  }

  /** @param matrix from the space of the layer into that of the content */
  paint(content: Content, { paths, fills, bounds }: SceneLayer, matrix: Matrix): void {
    if (!paths.length || isEmpty(bounds)) return;
    const repeated = this.#repeated(paths, fills);
    const brushes = fills.map((fill) => this.#brush(content, fill, matrix, bounds));
    content.add("q", `${matrixOf(matrix)} cm`);
    for (const p of paths) {
      const form = repeated.get(p.path);
      if (p.matrix && form && fills[p.fill].kind === "flat") {
        const [a, b, c, d, e, f] = p.matrix;
        const drawn = `${matrixOf([a, b, c, d, e + p.x, f + p.y])} cm\n${content.name("XObject", form)} Do`;
        content.add("q", brushes[p.fill](drawn, true), "Q");
      } else content.add(brushes[p.fill](p.matrix ? outline(p.path.transform(p.matrix), p.x, p.y) : outline(p.path, p.x, p.y)));
    }
    content.add("Q");
  }

  /** Paths that are turned or sized and stand more than once in flat colours: each is a form, which takes the colour it is drawn in. */
  #repeated(paths: readonly ScenePath[], fills: readonly SceneFill[]): Map<Path, PdfRef> {
    const counts = new Map<Path, number>();
    for (const { path, matrix, fill } of paths) if (matrix && fills[fill].kind === "flat") counts.set(path, (counts.get(path) ?? 0) + 1);
    const forms = new Map<Path, PdfRef>();
    for (const [path, count] of counts) {
      if (count < 2) continue;
      const form = new Content();
      form.add(outline(path), "f");
      forms.set(path, form.end(this.document, path.bounds));
    }
    return forms;
  }

  /** How an outline, or a form (which fills itself), is filled. */
  #brush(content: Content, fill: SceneFill, matrix: Matrix, bounds: Bounds): (shape: string, isForm?: boolean) => string {
    switch (fill.kind) {
      case "flat": {
        const colour = `${channels(fill.colour).map(real).join(" ")} rg`;
        if (fill.opacity >= 1) return (shape, isForm) => (isForm ? `${colour}\n${shape}` : `${colour}\n${shape}\nf`);
        const state = `${content.name("ExtGState", this.state(fill.opacity))} gs`;
        return (shape, isForm) => (isForm ? `${state}\n${colour}\n${shape}` : `q ${state}\n${colour}\n${shape}\nf Q`);
      }
      case "picture": {
        const image = this.#image(fill, matrix);
        if (!image) return this.#brush(content, { kind: "flat", colour: missing, opacity: 1 }, matrix, bounds);
        const { minX, minY, maxX, maxY } = fill.area;
        const placed = `${matrixOf(fill.matrix ?? identity)} cm\n${matrixOf([maxX - minX, 0, 0, minY - maxY, minX, maxY])} cm`;
        const state = fill.opacity < 1 ? `${content.name("ExtGState", this.state(fill.opacity))} gs ` : "";
        const drawn = `${state}${placed}\n${content.name("XObject", image)} Do Q`;
        return (shape) => `q ${shape}\nW n\n${drawn}`;
      }
      case "angular": {
        const wedges = sectorsOf(fill).map(({ colour, opacity, corners }) => {
          const d = corners.map((p, i) => `${place(p.x)} ${place(p.y)} ${i ? "l" : "m"}`).join(" ");
          const state = opacity < 1 ? `${content.name("ExtGState", this.state(opacity))} gs ` : "";
          return `${state}${channels(colour).map(real).join(" ")} rg ${d} f`;
        });
        const drawn = `${matrixOf(fill.matrix ?? identity)} cm\n${wedges.join("\n")} Q`;
        return (shape) => `q ${shape}\nW n\n${drawn}`;
      }
      default: {
        const own = fill.matrix ?? identity;
        const pattern = this.#pattern(shading(this.document, fill, "colour"), multiply(matrix, own));
        const colour = `/Pattern cs ${content.name("Pattern", pattern)} scn`;
        if (fill.stops.every((s) => s.opacity >= 1)) return (shape) => `${colour}\n${shape}\nf`;
        const mask = `${content.name("ExtGState", this.#mask(fill, own, bounds))} gs`;
        return (shape) => `q ${mask}\n${colour}\n${shape}\nf Q`;
      }
    }
  }

  /** A fade as a state that lets what is painted through. @param matrix from the space of the fade into that of the content */
  fade({ from, to, stops }: SceneFade, matrix: Matrix, bounds: Bounds): PdfRef {
    const faded = stops.map((s) => ({ ...s, colour: "#ffffff" }));
    return this.#mask({ kind: "linear", from, to, box: bounds, stops: faded }, matrix, bounds);
  }

  #image(fill: PictureFill, item: Matrix): PdfRef | undefined {
    const { name, data } = this.picture(fill, item);
    if (!this.#images.has(name)) this.#images.set(name, data === undefined ? undefined : this.document.image(data));
    return this.#images.get(name);
  }

  #pattern(shade: PdfRef, matrix: Matrix): PdfRef {
    return this.document.add({ Type: "Pattern", PatternType: 2, Shading: shade, Matrix: [...matrix] });
  }

  /** A gradient's opacities as a mask by luminosity (ISO 32000-1, 11.6.5.3), in the space of the layer. */
  #mask(fill: Gradient, matrix: Matrix, { minX, minY, maxX, maxY }: Bounds): PdfRef {
    const form = new Content();
    const pattern = this.#pattern(shading(this.document, fill, "opacity"), matrix);
    const box = { minX: minX - 1, minY: minY - 1, maxX: maxX + 1, maxY: maxY + 1 };
    const area = [box.minX, box.minY, box.maxX - box.minX, box.maxY - box.minY].map(place).join(" ");
    form.add(`/Pattern cs ${form.name("Pattern", pattern)} scn`, `${area} re f`);
    const group = form.end(this.document, box, { CS: "DeviceGray", I: true });
    return this.document.add({ Type: "ExtGState", SMask: { Type: "Mask", S: "Luminosity", G: group } });
  }
}
