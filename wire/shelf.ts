import * as z from "zod";
import type { Piece } from "../core/piece/schema";
import type { Style } from "../core/style/schema";

/** What the shelf holds. */
export interface Documents {
  pieces: Piece;
  styles: Style;
}
export const shelfNames = ["pieces", "styles"] as const;
export type Shelf = (typeof shelfNames)[number];

const revision = z.int().min(1);

/** What the shelf lists. */
export const entrySchema = z.object({
  id: z.string(),
  name: z.string(),
  revision,
  updatedAt: z.number(),
  /** Of a style: what it is found by besides its name, how many pieces follow it. */
  tags: z.array(z.string()).optional(),
  uses: z.int().min(0).optional(),
  /** Whether it is too light for the grey that styles are shown on. */
  pale: z.boolean().optional(),
});
export type Entry = Readonly<z.output<typeof entrySchema>>;
export const entriesSchema = z.array(entrySchema);

/** A document as it is kept. What it holds the server has read by its own format, and brought forward. */
const storedOf = <D>() => z.object({ document: z.custom<D>((v) => typeof v === "object" && v !== null), revision });
export const storedSchemas = { pieces: storedOf<Piece>(), styles: storedOf<Style>() };
export interface Stored<S extends Shelf> {
  readonly document: Documents[S];
  readonly revision: number;
}

/** What a change is answered with. */
export const replacedSchema = z.object({ revision });
