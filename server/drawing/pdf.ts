import PdfKit from "pdfkit";
import type { PdfDictionary, PdfDocument, PdfOptions } from "../../core/output/pdf/document";

/** A PDF that is written in memory. */
export function newPdf({ title, width, height }: PdfOptions): { document: PdfDocument; bytes: Promise<Uint8Array> } {
  const kit = new PdfKit({
    size: [width, height],
    margin: 0,
    // Nothing is set in type: words come as outlines.
    font: null,
    pdfVersion: "1.7",
    info: { Title: title, Creator: "Vextal" },
  });
  const parts: Uint8Array[] = [];
  const bytes = new Promise<Uint8Array>((resolve, reject) => {
    kit.on("data", (part) => parts.push(part));
    kit.on("end", () => resolve(Buffer.concat(parts)));
    kit.on("error", reject);
  });
  const add = (dictionary: PdfDictionary, content?: string) => {
    const ref = kit.ref({ ...dictionary });
    if (content !== undefined) ref.write(content);
    ref.end();
    return ref;
  };
  const document: PdfDocument = {
    add,
    image: (source) => {
      const image = kit.openImage(typeof source === "string" ? source : Buffer.from(source));
      image.embed(kit);
      return image.obj;
    },
    end: (content, objects) => {
      Object.assign(kit.page.xobjects, objects);
      kit.page.dictionary.data.Group = { Type: "Group", S: "Transparency", CS: "DeviceRGB", I: true };
      kit.addContent(content);
      kit.end();
    },
  };
  return { document, bytes };
}
