import { memoByIdentity } from "../memo";
import type { SceneLayer } from "../scene/scene";
import { finishKinds } from "./finishes";
import type { FormContext } from "./form-step";
import { formStepKind } from "./forms";
import { layKind } from "./lays";
import { paintKind } from "./paints";
import type { PaintContext } from "./paint-kind";
import type { Coat } from "./schema";
import { boundsOf, type Shape } from "./shape";

const shapes = memoByIdentity<Shape, Shape>(24);
const layers = memoByIdentity<Shape, SceneLayer>(24);

/**
 * The shape that a coat's paint covers: its form steps in turn, then its lay. Each step is kept by the identity of
 * the shape it was given, so that a change recomputes from the first changed step on.
 * @param scale units of one hundredth of the style's measure; part of what a result depends on
 */
export function coatShape(coat: Coat, scale: number, context: FormContext): Shape {
  let shape = context.letters;
  for (const { id: _, on, ...step } of coat.form) {
    if (!on) continue;
    const kind = formStepKind(step.kind);
    const from = kind.source?.(context) ?? shape;
    shape = shapes(from, `${context.kernel.name} ${scale} ${JSON.stringify(step)}`, () => kind.apply(from, step, context));
  }
  const form = shape;
  const lay = layKind(coat.lay.kind);
  return lay.kind === "fill"
    ? form
    : shapes(form, `${context.kernel.name} ${scale} ${JSON.stringify(coat.lay)}`, () => lay.apply(form, coat.lay, context));
}

/**
 * One coat as a layer of the scene. The same object is returned while nothing that it shows has changed.
 * @param inks key of the colours that the paint may use
 */
export function coatLayer(id: string, coat: Coat, shape: Shape, inks: string, context: PaintContext): SceneLayer {
  const usesBoard = coat.paint.span === "board" ? JSON.stringify(context.board) : "";
  const key = `${id} ${coat.name} ${JSON.stringify([coat.paint, coat.finish])} ${inks} ${usesBoard}`;
  return layers(shape, key, () => {
    const painted = paintKind(coat.paint.kind).apply(shape, coat.paint, context);
    const plain: SceneLayer = { id, label: coat.name, opacity: 1, blend: "normal", bounds: boundsOf(shape.parts), ...painted };
    return finishKinds.reduce((layer, kind) => kind.apply(layer, coat.finish[kind.kind]), plain);
  });
}
