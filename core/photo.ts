import * as z from "zod";

/** A photo as documents refer to it: the picture itself is kept once, by the hash of its bytes. */
export const photoSchema = z.object({
  /** Of 32 hexadecimal digits. */
  id: z.string().regex(/^[0-9a-f]{32}$/),
  /** The name of the file that it came from. */
  name: z.string().min(1).max(120),
  /** In its own pixels. */
  width: z.number().int().min(1).max(100_000),
  height: z.number().int().min(1).max(100_000),
});
export type Photo = z.infer<typeof photoSchema>;
