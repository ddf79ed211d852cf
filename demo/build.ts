import { newFinish, type Coat, type FormStep, type Ink } from "../core/coat/schema";
import { guideKind } from "../core/bend/guides";
import type { EnvelopeBend, GuideBend } from "../core/bend/schema";
import { startingForm } from "../core/bend/starting-forms";
import { shapeKind } from "../core/shape/kinds";
import { newStep, type Step } from "../core/params";
import { formStepKind } from "../core/coat/forms";
import { layKind } from "../core/coat/lays";
import { paintKind } from "../core/coat/paints";
import { newLettering, newPiece, newShapeItem, type Item, type Lettering, type Piece, type ShapeItem } from "../core/piece/schema";
import type { Measure, Style } from "../core/style/schema";
import type { BlendMode } from "../core/scene/scene";
import type { Unit } from "../core/units";

/** Short ways to write the demo's styles and pieces; what they give are plain documents. */
type Values = Record<string, unknown>;
const step = (kind: string, values: Values = {}): Step => ({ ...newStep(formStepKind(kind)), ...values });

export const grow = (amount: number, join: "miter" | "round" | "bevel" = "round", miterLimit = 4) =>
  step("grow", { amount, join, miterLimit });
export const shrink = (amount: number, join: "miter" | "round" | "bevel" = "miter") => step("shrink", { amount, join });
export const shift = (right: number, down: number) => step("shift", { right, down });
export const weld = () => step("weld");
export const plug = () => step("plug");

export const flat = (ink: string, opacity = 100): Step => ({ ...newStep(paintKind("flat")), ink, opacity });

/** From top to bottom; `stops` are [percent, ink] or [percent, ink, opacity]. */
export const gradient = (stops: [number, string, number?][], values: Values = {}): Step => ({
  ...newStep(paintKind("gradient")),
  stops: stops.map(([at, ink, opacity = 100]) => ({ at, ink, opacity })),
  ...values,
});

export const stroke = (width: number, values: Values = {}): Step => ({ ...newStep(layKind("stroke")), width, ...values });

export interface CoatExtras {
  readonly lay?: Step;
  readonly opacity?: number;
  readonly blend?: BlendMode;
}

export function coat(name: string, paint: Step, form: Step[] = [], { lay, opacity, blend }: CoatExtras = {}): Coat {
  const finish = newFinish();
  if (opacity !== undefined) finish.opacity = { amount: opacity };
  if (blend) finish.blend = { mode: blend };
  const steps = [newStep(formStepKind("letters")), ...form].map((s, i) => ({ ...s, id: `step${i}`, on: true })) as FormStep[];
  return { id: name.toLowerCase().replace(/\W+/g, "-"), name, on: true, form: steps, paint, lay: lay ?? newStep(layKind("fill")), finish };
}

/** Inks from names and colours; an ink's id is its name in small letters. */
export const inks = (colours: Record<string, string>): Ink[] =>
  Object.entries(colours).map(([name, colour]) => ({ id: name.toLowerCase(), name, colour }));

export const style = (name: string, face: string, measure: Measure, colours: Record<string, string>, coats: Coat[]): Style => ({
  format: "vextal.style",
  version: 1,
  id: `demo-${name.toLowerCase().replace(/\W+/g, "-")}`,
  name,
  measure,
  inks: inks(colours),
  coats,
  madeWith: { face },
});

export const lettering = (
  id: string,
  text: string,
  face: string,
  size: number,
  x: number,
  y: number,
  styleName: string,
  extra: Partial<Parameters<typeof newLettering>[0]> = {},
): Lettering =>
  newLettering({
    id,
    text,
    face,
    size,
    letterSpacing: 0,
    lineSpacing: 1,
    align: "centre",
    x,
    y,
    turn: 0,
    styleId: `demo-${styleName.toLowerCase().replace(/\W+/g, "-")}`,
    ownStyle: null,
    ...extra,
  });

/** A guide line of a kind with some of its settings. */
export const onLine = (kind: string, values: Values = {}, extra: Partial<Omit<GuideBend, "kind" | "line">> = {}): GuideBend => ({
  kind: "guide",
  line: { ...newStep(guideKind(kind)), ...values },
  letters: "turn",
  shift: 0,
  distance: 0,
  spread: false,
  ...extra,
});

export const inForm = (id: string, strength: number, extra: Partial<Omit<EnvelopeBend, "kind">> = {}): EnvelopeBend => ({
  kind: "envelope",
  scope: "block",
  meshes: [startingForm(id)!.mesh(strength)],
  gap: 60,
  ...extra,
});

export const form = (kind: string, values: Values = {}): Step => ({ ...newStep(shapeKind(kind)), ...values });

/** @param width,height in board pixels */
export const shape = (
  id: string,
  name: string,
  x: number,
  y: number,
  width: number,
  height: number,
  form: Step,
  styleName: string,
  extra: Partial<Parameters<typeof newShapeItem>[0]> = {},
): ShapeItem => {
  const size = extra.size ?? 200;
  return newShapeItem({
    id,
    name,
    x,
    y,
    size,
    shape: form,
    width: (width * 1000) / size,
    height: (height * 1000) / size,
    styleId: `demo-${styleName.toLowerCase().replace(/\W+/g, "-")}`,
    ownStyle: null,
    ...extra,
  });
};

export const piece = (name: string, width: number, height: number, unit: Unit, dpi: number, ground: string | null, items: Item[]): Piece =>
  newPiece({
    id: `demo-${name.toLowerCase().replace(/\W+/g, "-")}`,
    name,
    board: { width, height, unit, dpi, ground },
    items,
  });
