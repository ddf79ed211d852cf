import type { Bounds } from "../../curves/bounds";
import type { PdfDictionary, PdfDocument, PdfRef } from "./document";

type Category = "XObject" | "Pattern" | "ExtGState";

/** A content stream that is being written, with the objects that it names (ISO 32000-1, 7.8). */
export class Content {
  readonly #lines: string[] = [];
  readonly #named: Record<Category, Map<PdfRef, string>> = { XObject: new Map(), Pattern: new Map(), ExtGState: new Map() };

  add(...lines: string[]): void {
    for (const line of lines) this.#lines.push(line);
  }

  /** The name by which this stream knows an object. */
  name(category: Category, ref: PdfRef): string {
    const named = this.#named[category];
    let name = named.get(ref);
    if (!name) named.set(ref, (name = `/${category[0]}${named.size}`));
    return name;
  }

  /**
   * The stream as a form that others draw.
   * @param group a transparency group: blended and laid as one (ISO 32000-1, 11.6.6)
   */
  end(document: PdfDocument, { minX, minY, maxX, maxY }: Bounds, group?: PdfDictionary): PdfRef {
    const resources = Object.fromEntries(
      Object.entries(this.#named)
        .filter(([, named]) => named.size)
        .map(([category, named]) => [category, Object.fromEntries([...named].map(([ref, name]) => [name.slice(1), ref]))]),
    );
    return document.add(
      {
        Type: "XObject",
        Subtype: "Form",
        BBox: [minX, minY, maxX, maxY],
        Resources: resources,
        ...(group ? { Group: { Type: "Group", S: "Transparency", ...group } } : {}),
      },
      this.#lines.join("\n"),
    );
  }
}

/** A group that mixes by itself, in sRGB as on screens. */
export const isolated: PdfDictionary = { CS: "DeviceRGB", I: true, K: false };
