import { materialOf, type MaterialName } from "../../grain/materials";
import type { StarterCoat, StarterTools } from "./starter";

/** A coat of a material in inks of its own. */
export const grained = (
  { st, ink }: StarterTools,
  material: MaterialName,
  name: string,
  values: Readonly<Record<string, unknown>> = {},
): StarterCoat => {
  const [light, dark, marks] = materialOf(material).inks.map((i) => ink(i.name, i.colour));
  return { name, paint: ["grain", { material, size: st(240), light, dark, marks, ...values }] };
};
