import type { SurfaceKind } from "../depth/surface";

/** How a lit body throws light back. */
export const surfaceParam = {
  type: "choice",
  label: "Surface",
  hint: "How it throws the light of the lamp back",
  default: "matt",
  options: [
    { value: "matt", label: "Matt", hint: "Evenly: the more it turns to the lamp, the lighter" },
    { value: "satin", label: "Satin", hint: "With a broad, soft highlight" },
    { value: "gloss", label: "Gloss", hint: "Deep, with a small bright highlight and light from below" },
    { value: "metal", label: "Metal", hint: "In bands: a bright sky, a dark horizon, a light ground" },
  ] satisfies readonly { value: SurfaceKind; label: string; hint: string }[],
} as const;
