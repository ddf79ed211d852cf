import type { SceneLayer } from "../core/scene/scene";
import type { LayerUpdate } from "./protocol";

/** Where the runs of a coat's own paint lie, by which it is set on the art; those of its passes and of light on it have none. */
export function framesOf({ fills, own }: Pick<SceneLayer, "fills" | "own">): Pick<LayerUpdate, "frames"> {
  const frames = fills.slice(0, own).flatMap((fill) => {
    if (fill.kind === "flat") return [];
    const { box, matrix } = fill;
    return { box, matrix, ...(fill.kind === "picture" ? { area: fill.area } : {}) };
  });
  return frames.length ? { frames } : {};
}
