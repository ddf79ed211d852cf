import { finishesOf } from "../coat/finish-order";
import { newFinish, newFormStep, newLay, newPaint, type Coat, type Ink } from "../coat/schema";
import { pasteCoat } from "./inks";
import type { Style } from "./schema";

/** Each finish as every coat has it, as text. */
let plain: Readonly<Record<string, string>> | undefined;

/** The finishes of a coat that are not as every coat's are, in its own order. */
export function finishKindsOf(coat: Coat): string[] {
  const own: Readonly<Record<string, object>> = coat.finish;
  plain ??= Object.fromEntries(Object.entries(newFinish()).map(([kind, values]) => [kind, JSON.stringify(values)]));
  const usual = plain;
  return finishesOf(coat)
    .map((k) => k.kind)
    .filter((kind) => JSON.stringify(own[kind]) !== usual[kind]);
}

/** A coat that carries some finishes of another, with its order, and nothing else. */
export function finishesOnly(coat: Coat, kinds: readonly string[]): Coat {
  const own: Readonly<Record<string, Readonly<Record<string, unknown>>>> = coat.finish;
  return {
    id: coat.id,
    name: coat.name,
    on: true,
    form: [newFormStep("letters", "letters")],
    // The one paint that refers to no ink.
    paint: newPaint("photo"),
    passes: {},
    lay: newLay("fill"),
    finish: newFinish(Object.fromEntries(kinds.map((kind) => [kind, own[kind]]))),
    order: coat.order,
  };
}

/** Lays the finishes that a coat carries on another, with the inks that they need; the others that it has stay. */
export function withFinishes(style: Style, coatId: string, carrier: Coat, inks: readonly Ink[], newId: () => string): Style {
  const brought = pasteCoat(style, carrier, inks, newId);
  const from = brought.coats.at(-1)!;
  const all: Readonly<Record<string, object>> = from.finish;
  const kinds = finishKindsOf(from);
  const laid = Object.fromEntries(kinds.map((kind) => [kind, all[kind]]));
  const coats = style.coats.map((c) =>
    c.id === coatId
      ? { ...c, finish: { ...c.finish, ...laid }, order: kinds.length > 1 && carrier.order.length ? carrier.order : c.order }
      : c,
  );
  return { ...brought, coats };
}
