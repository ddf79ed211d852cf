import type { SceneLayer } from "../scene/scene";
import type { Params } from "../params";

/** One way in which a coat lies on what is below. Every coat has each of them; the defaults do nothing. */
export interface FinishKind {
  readonly kind: string;
  readonly label: string;
  readonly hint: string;
  readonly params: Params;
  readonly apply: (layer: SceneLayer, values: Record<string, unknown>) => SceneLayer;
}
