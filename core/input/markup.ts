import { SaxesParser, type SaxesTagNS } from "saxes";
import { Problem } from "../problem";

/** Deeper than this nobody draws; each level costs every tag that lies in it. */
const deepest = 200;

/** An element as it opens: its name in its namespace, and its attributes by the name that they are written by. */
export type Tag = SaxesTagNS;

export interface Reader {
  readonly open: (tag: Tag) => void;
  readonly close?: (tag: Tag) => void;
  readonly text?: (text: string) => void;
}

/**
 * Reads markup once, from its start to its end, in time that grows with its length: no document type, which could make a small file huge,
 * and no nesting without end.
 * @throws Problem in the user's words
 */
export function readMarkup(svg: string, { open, close, text }: Reader): void {
  const parser = new SaxesParser({ xmlns: true });
  let depth = 0;
  parser.on("doctype", () => {
    throw new Problem("This SVG has a document type, which Vextal does not open. Save it as plain SVG.");
  });
  parser.on("error", (error) => {
    throw new Problem(`This SVG is damaged: ${error.message}.`);
  });
  parser.on("opentag", (tag) => {
    if (++depth > deepest) throw new Problem(`This SVG nests its parts over ${deepest} deep.`);
    open(tag);
  });
  parser.on("closetag", (tag) => {
    depth--;
    close?.(tag);
  });
  if (text) {
    parser.on("text", text);
    parser.on("cdata", text);
  }
  parser.write(svg).close();
}
