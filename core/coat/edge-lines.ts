import type { LengthParam } from "../params";
import type { Pass } from "./form-step";

/** Lines that are drawn along the edges of a body, and what they are painted with. */
export const edgeParam = {
  type: "length",
  label: "Edges",
  hint: "How wide a line is drawn along every edge; 0 draws none",
  default: 0,
  min: 0,
  max: 100,
  reach: 6,
} as const satisfies LengthParam;

export const edgesPass: Pass = { id: "edges", label: "Edges", hint: "Lines along every edge" };
