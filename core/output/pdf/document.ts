/** An object of a PDF file, to be named in others. */
export type PdfRef = object;

/** As PDF's objects are: a string is a name, an array an array, an object a dictionary. */
export type PdfValue = string | number | boolean | PdfRef | readonly PdfValue[] | { readonly [key: string]: PdfValue };
export type PdfDictionary = { readonly [key: string]: PdfValue };

export interface PdfOptions {
  readonly title: string;
  /** Of its one page, in points. */
  readonly width: number;
  readonly height: number;
}

/** A PDF file of one page, which is filled from the inside out (ISO 32000-1). */
export interface PdfDocument {
  /** Puts an object into the file: with content, a stream. */
  add(dictionary: PdfDictionary, content?: string): PdfRef;
  /** A PNG or JPEG, as its bytes or as a base64 data URL. */
  image(source: Uint8Array | string): PdfRef;
  /** Draws the page, in points from its top left, y down, and ends the file. */
  end(content: string, objects: Readonly<Record<string, PdfRef>>): void;
}
