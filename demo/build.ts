import {
  newFinish,
  newFormStep,
  newLay,
  newPaint,
  type Coat,
  type Finishes,
  type FormStep,
  type Ink,
  type Lay,
  type Paint,
} from "../core/coat/schema";
import { newGuideLine, type EnvelopeBend, type GuideBend } from "../core/bend/schema";
import { startingForm } from "../core/bend/starting-forms";
import {
  newLettering,
  newPiece,
  newShape,
  newShapeItem,
  type Item,
  type Lettering,
  type Piece,
  type ShapeForm,
  type ShapeItem,
} from "../core/piece/schema";
import type { Measure, Style } from "../core/style/schema";
import type { BlendMode } from "../core/scene/scene";
import type { Unit } from "../core/units";

/** Short ways to write the demo's styles and pieces; what they give are plain documents. */
type Values = Record<string, unknown>;
export const step = (kind: string, values: Values = {}): FormStep => newFormStep(kind, kind, values);

export const grow = (amount: number, join: "miter" | "round" | "bevel" = "round", miterLimit = 4) =>
  step("grow", { amount, join, miterLimit });
export const shrink = (amount: number, join: "miter" | "round" | "bevel" = "miter") => step("shrink", { amount, join });
export const shift = (right: number, down: number) => step("shift", { right, down });
export const weld = () => step("weld");
export const plug = () => step("plug");
/** Less another coat, by its name. */
export const knockOut = (coat: string, gap: number, join: "miter" | "round" | "bevel" = "round") =>
  step("knock-out", { of: "coat", coat: idOf(coat), gap, join });
/** Less another item of the board. */
export const cutBy = (item: string, gap = 0, what: "letters" | "painted" = "letters") =>
  step("knock-out", { of: "item", item: { id: item, what }, gap });
export const trail = (copies: number, angle: number, distance: number, values: Values = {}) =>
  step("trail", { copies, way: { angle, distance }, ...values });

export const flat = (ink: string, opacity = 100): Paint => newPaint("flat", { ink, opacity });

/** From top to bottom; `stops` are [percent, ink] or [percent, ink, opacity]. */
export const gradient = (stops: [number, string, number?][], values: Values = {}): Paint =>
  newPaint("gradient", { stops: stops.map(([at, ink, opacity = 100]) => ({ at, ink, opacity })), ...values });

export const stroke = (width: number, values: Values = {}): Lay => newLay("stroke", { width, ...values });

export interface CoatExtras {
  readonly lay?: Lay;
  readonly opacity?: number;
  readonly blend?: BlendMode;
  readonly blur?: number;
  readonly shadow?: Partial<Finishes["soft-shadow"]>;
  readonly passes?: Readonly<Record<string, Paint>>;
  /** Finishes that are switched on, with some of their settings. */
  readonly finish?: { readonly [K in SwitchedFinish]?: Partial<Finishes[K]> };
}
type SwitchedFinish = "fade" | "soft-shadow" | "outer-glow" | "inner-glow" | "relief";

export function coat(
  name: string,
  paint: Paint,
  form: FormStep[] = [],
  { lay, opacity, blend, blur, shadow, passes = {}, finish: switched = {} }: CoatExtras = {},
): Coat {
  const plain = newFinish();
  const finish: Finishes = {
    ...plain,
    ...Object.fromEntries(
      Object.entries(switched).map(([kind, values]) => [kind, { ...plain[kind as SwitchedFinish], ...values, on: true }]),
    ),
    opacity: { amount: opacity ?? plain.opacity.amount },
    blend: { mode: blend ?? plain.blend.mode },
    blur: { radius: blur ?? plain.blur.radius },
    ...(shadow ? { "soft-shadow": { ...plain["soft-shadow"], on: true, light: shadow.way ? "own" : "lamp", ...shadow } } : {}),
  };
  const steps = [step("letters"), ...form].map((s, i) => ({ ...s, id: `step${i}` }));
  return { id: idOf(name), name, on: true, form: steps, paint, passes, lay: lay ?? newLay("fill"), finish, order: [] };
}

const idOf = (name: string): string => name.toLowerCase().replace(/\W+/g, "-");

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
  tags: [],
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
  line: newGuideLine(kind, values),
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

export const form = newShape;

/** @param width,height in board pixels */
export const shape = (
  id: string,
  name: string,
  x: number,
  y: number,
  width: number,
  height: number,
  form: ShapeForm,
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
