import * as z from "zod";

/** Why something was refused (RFC 9457). */
export const problemSchema = z.object({ status: z.number().optional(), title: z.string().optional(), detail: z.string().optional() });
