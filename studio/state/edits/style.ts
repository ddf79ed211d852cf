import { produce } from "immer";
import { nanoid } from "nanoid";
import { newFinish, newFormStep, newLay, newPaint, type Coat, type FormStep, type Ink, type Paint } from "@/core/coat/schema";
import { formStepKind } from "@/core/coat/forms";
import { paintKind } from "@/core/coat/paints";
import { withValue } from "@/core/params";
import { inksOf, pasteCoat, withInks, withSuggested } from "@/core/style/inks";
import type { Style } from "@/core/style/schema";
import { itemOf, shownStyle, type Scope, type Work } from "../work";

/** The first style of an item that has none: one coat, so that it is seen. */
export const plainStyle = (name: string, face?: string, colour = "#2b2926"): Style => ({
  format: "vextal.style",
  version: 1,
  id: nanoid(12),
  name,
  measure: "em",
  inks: [
    { id: "face", name: "Face", colour },
    { id: "edge", name: "Edge", colour: "#c8401f" },
  ],
  coats: [newCoat("face", face ? "Letters" : "Face")],
  ...(face ? { madeWith: { face } } : {}),
  tags: [],
});

/** The first style of a line: a stroke, since it has no area to fill. */
export function ruleStyle(): Style {
  const style = plainStyle("Rule");
  return { ...style, coats: [{ ...newCoat("face", "Rule"), lay: newLay("stroke", { width: 4 }) }] };
}

export const addedStep = (kind: string): FormStep => newFormStep(kind, nanoid(8));

export function newCoat(ink: string, name: string): Coat {
  return {
    id: nanoid(8),
    name,
    on: true,
    form: [addedStep("letters")],
    paint: newPaint("flat", { ink }),
    passes: {},
    lay: newLay("fill"),
    finish: newFinish(),
    order: [],
  };
}

/** The coat with another paint for one of its passes; null for that of the rest. */
export function withPass(coat: Coat, pass: string, paint: Paint | null): Coat {
  const { [pass]: _, ...others } = coat.passes;
  return { ...coat, passes: paint ? { ...others, [pass]: paint } : others };
}

/**
 * Changes the style that a lettering shows. A linked one changes for all who use it, or, in the scope of the
 * lettering, becomes this lettering's own from here on, still linked so that it can be put back.
 */
export function editStyle(work: Work, letteringId: string, scope: Scope, change: (style: Style) => Style): Work {
  const lettering = itemOf(work, letteringId);
  if (!lettering) return work;
  const shown = shownStyle(work, lettering) ?? plainStyle("Plain", lettering.kind === "lettering" ? lettering.face : undefined);
  const next = change(shown);
  if (next === shown && shownStyle(work, lettering)) return work;
  return produce(work, (w) => {
    const linked = lettering.styleId && w.styles[lettering.styleId];
    if (linked && !lettering.ownStyle && scope === "style") w.styles[lettering.styleId!] = next;
    else w.piece.items.find((i) => i.id === letteringId)!.ownStyle = next;
  });
}

/** Changes a coat; inks that its settings suggest come with them. */
export const editCoat = (style: Style, coatId: string, change: (coat: Coat) => Coat): Style =>
  withSuggested({ ...style, coats: style.coats.map((c) => (c.id === coatId ? change(c) : c)) });

/** Another kind of paint in the inks that the coat has, or else in those of its style. */
export function repainted(coat: Coat, kind: string, inks: readonly Ink[], values: Readonly<Record<string, unknown>> = {}): Paint {
  const { params, fresh } = paintKind(kind);
  const own = inksOf({ ...coat, passes: {}, finish: newFinish() });
  const colour = (id: string) => inks.find((i) => i.id === id)?.colour;
  // Two that differ, so that what runs from one to the other is seen to.
  const [first, second = inks.find((i) => i.colour !== colour(own[0]))?.id ?? own[0]] = own.length ? own : inks.map((i) => i.id);
  if (!first) return newPaint(kind, { ...fresh, ...values });
  const inked = Object.entries(params).flatMap(([name, p]): [string, unknown][] => {
    // What suggests an ink of its own looks right in that one.
    if (p.type === "ink") return p.suggests ? [] : [[name, first]];
    return p.type === "stops" ? [[name, p.default.map((s, i) => ({ ...s, ink: i === 0 ? first : second }))]] : [];
  });
  return newPaint(kind, { ...Object.fromEntries(inked), ...fresh, ...values });
}

/** A paint with a setting changed, and those that follow from it. */
export function withPaintValue(paint: Paint, name: string, value: unknown): Paint {
  const also = paintKind(paint.kind).follow?.(paint, name, value) ?? {};
  return Object.entries(also).reduce((next, [n, v]) => withValue(next, n, v), withValue(paint, name, value));
}

/** The coat with another step at its end; in the paint that suits the step, where the coat had one flat ink. */
export function withStep(coat: Coat, kind: string, inks: readonly Ink[]): Coat {
  const { suits } = formStepKind(kind);
  const paint = suits && coat.paint.kind === "flat" ? repainted(coat, suits.paint, inks, suits.values) : coat.paint;
  return { ...coat, paint, form: [...coat.form, addedStep(kind)] };
}

/** Puts a new coat in front of `after`, or in front of all. */
export function insertCoat(style: Style, coat: Coat, after?: string): Style {
  const at = style.coats.findIndex((c) => c.id === after);
  const coats = [...style.coats];
  coats.splice(at < 0 ? coats.length : at + 1, 0, coat);
  return { ...style, coats };
}

export function duplicateCoat(style: Style, coatId: string): { style: Style; id: string } {
  const coat = style.coats.find((c) => c.id === coatId)!;
  const id = nanoid(8);
  return { id, style: insertCoat(style, { ...coat, id, name: `${coat.name} copy`.slice(0, 80) }, coatId) };
}

export const removeCoat = (style: Style, coatId: string): Style => ({ ...style, coats: style.coats.filter((c) => c.id !== coatId) });

export function moveCoat(style: Style, coatId: string, to: number): Style {
  const coats = style.coats.filter((c) => c.id !== coatId);
  const moved = style.coats.find((c) => c.id === coatId);
  if (!moved) return style;
  coats.splice(Math.max(0, Math.min(coats.length, to)), 0, moved);
  return { ...style, coats };
}

/** Brings in a coat from any style, with the inks that it needs. */
export function paste(style: Style, coat: Coat, inks: readonly Ink[]): { style: Style; id: string } {
  const next = pasteCoat(style, coat, inks, () => nanoid(8));
  return { style: next, id: next.coats.at(-1)!.id };
}

export const editInk = (style: Style, id: string, change: Partial<Ink>): Style => ({
  ...style,
  inks: style.inks.map((i) => (i.id === id ? { ...i, ...change } : i)),
});

export function addInk(style: Style, colour: string, name = `Ink ${style.inks.length + 1}`): { style: Style; id: string } {
  const id = nanoid(6);
  return { id, style: { ...style, inks: [...style.inks, { id, name, colour }] } };
}

/** Exchanges the colours of two inks: each keeps its name and its coats. */
export function swapInks(style: Style, a: string, b: string): Style {
  const colour = (id: string) => style.inks.find((i) => i.id === id)!.colour;
  const [first, second] = [colour(a), colour(b)];
  return { ...style, inks: style.inks.map((i) => (i.id === a ? { ...i, colour: second } : i.id === b ? { ...i, colour: first } : i)) };
}

/** Takes an ink away; coats that used it take `instead`. */
export const removeInk = (style: Style, id: string, instead: string): Style => ({
  ...style,
  inks: style.inks.filter((i) => i.id !== id),
  coats: style.coats.map((c) => (inksOf(c).includes(id) ? withInks(c, (k) => (k === id ? instead : k)) : c)),
});

/** Links letterings to a style of the shelf, dropping what they had of their own. */
export const applyStyle = (work: Work, ids: readonly string[], style: Style): Work =>
  produce(work, (w) => {
    w.styles[style.id] ??= style;
    for (const item of w.piece.items)
      if (ids.includes(item.id)) {
        item.styleId = style.id;
        item.ownStyle = null;
      }
  });

/** Makes what a lettering shows a style of its own on the shelf and links the lettering to it. */
export function saveAsStyle(work: Work, letteringId: string, name: string): { work: Work; style: Style } | undefined {
  const lettering = itemOf(work, letteringId);
  const shown = shownStyle(work, lettering);
  if (!lettering || !shown) return undefined;
  const style: Style = {
    ...shown,
    id: nanoid(12),
    name,
    ...(lettering.kind === "lettering" ? { madeWith: { face: lettering.face } } : {}),
  };
  return { style, work: applyStyle(work, [letteringId], style) };
}

/** Gives an item a style of its own, still linked to the one that it followed. */
export const setOwnStyle = (work: Work, id: string, style: Style): Work =>
  produce(work, (w) => {
    const item = w.piece.items.find((i) => i.id === id);
    if (item) item.ownStyle = style;
  });

/** Keeps the look and cuts the link. */
export const detach = (work: Work, letteringId: string): Work =>
  produce(work, (w) => {
    const item = w.piece.items.find((i) => i.id === letteringId);
    if (!item?.styleId) return;
    item.ownStyle ??= w.styles[item.styleId] ?? null;
    item.styleId = null;
  });

/** Gives every lettering that shows one of these styles a copy of it as its own, still linked. */
export const withOwnLooks = (work: Work, styleIds: readonly string[]): Work =>
  produce(work, (w) => {
    for (const item of w.piece.items) if (item.styleId && styleIds.includes(item.styleId)) item.ownStyle ??= w.styles[item.styleId] ?? null;
  });

/** Drops a lettering's own changes to the style it is linked to. */
export const revert = (work: Work, letteringId: string): Work =>
  produce(work, (w) => {
    const item = w.piece.items.find((i) => i.id === letteringId);
    if (item?.styleId) item.ownStyle = null;
  });

/** Gives a lettering's own changes to the style, and so to all who use it. */
export const updateStyle = (work: Work, letteringId: string): Work =>
  produce(work, (w) => {
    const item = w.piece.items.find((i) => i.id === letteringId);
    const linked = item?.styleId ? w.styles[item.styleId] : undefined;
    if (!item?.ownStyle || !linked) return;
    w.styles[linked.id] = { ...item.ownStyle, id: linked.id, name: linked.name };
    item.ownStyle = null;
  });
