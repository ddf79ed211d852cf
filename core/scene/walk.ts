import type { SceneFill, SceneLayer } from "./scene";

/** A layer and all that it is made of, each before what it is made of. */
export function layersIn(layer: SceneLayer): SceneLayer[] {
  // Asked of every scene of a drag: most layers are made of none.
  return layer.layers?.length ? [layer, ...layer.layers.flatMap(layersIn)] : [layer];
}

/** All fills of a layer and of what it is made of. */
export const fillsIn = (layer: SceneLayer): readonly SceneFill[] =>
  layer.layers?.length ? layersIn(layer).flatMap((l) => l.fills) : layer.fills;
