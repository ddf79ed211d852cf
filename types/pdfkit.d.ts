declare module "pdfkit" {
  import type { EventEmitter } from "node:events";
  interface Ref {
    data: Record<string, unknown>;
    write(chunk: string): void;
    end(): void;
  }
  /** What is used of it: its objects, its pictures and its file. */
  export default class PDFDocument extends EventEmitter {
    constructor(options: {
      size: [number, number];
      margin: number;
      font: null;
      pdfVersion: string;
      info: { Title: string; Creator: string };
    });
    page: { xobjects: Record<string, unknown>; dictionary: Ref };
    ref(data: object): Ref;
    openImage(source: Buffer | string): { obj: Ref; embed(document: PDFDocument): void };
    addContent(content: string): this;
    end(): void;
    on(event: "data", listener: (part: Uint8Array) => void): this;
    on(event: "end", listener: () => void): this;
    on(event: "error", listener: (error: Error) => void): this;
  }
}
