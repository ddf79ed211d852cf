import { isOfUse, type Param, type Params, type ValueOf } from "../params";
import { finishKinds } from "./finishes";
import { formStepKind } from "./forms";
import { layKind } from "./lays";
import { paintKind } from "./paints";
import { paintsOf } from "./passes";
import type { Coat } from "./schema";

type ParamOf<T extends Param["type"]> = Extract<Param, { readonly type: T }>;

/** What becomes of the settings of each type; those of other types stay. */
export type Changes = { readonly [T in Param["type"]]?: (value: ValueOf<ParamOf<T>>, param: ParamOf<T>) => ValueOf<ParamOf<T>> };

/** What is done with the settings of each type. */
export type Visits = { readonly [T in Param["type"]]?: (value: ValueOf<ParamOf<T>>, param: ParamOf<T>) => void };

/** Shows the settings of a coat that are of use as it stands: of its form, its paint, its lay and its finishes, with those in lists. */
export function eachSetting(coat: Coat, visits: Visits): void {
  for (const step of coat.form) visit(step, formStepKind(step.kind).params, visits);
  for (const paint of paintsOf(coat)) visit(paint, paintKind(paint.kind).params, visits);
  visit(coat.lay, layKind(coat.lay.kind).params, visits);
  for (const { kind, params } of finishKinds) visit(coat.finish[kind], params, visits);
}

function visit(values: object, params: Params, visits: Visits): void {
  const held = values as Readonly<Record<string, unknown>>;
  for (const [name, param] of Object.entries(params)) {
    if (!isOfUse(param, held)) continue;
    if (param.type === "list") for (const row of held[name] as readonly object[]) visit(row, param.of, visits);
    const show = visits[param.type] as ((value: unknown, param: Param) => void) | undefined;
    show?.(held[name], param);
  }
}

/** The coat with its settings changed; the same object where all come back as they were. */
export function mapSettings(coat: Coat, changes: Changes): Coat {
  const form = coat.form.map((step) => mapped(step, formStepKind(step.kind).params, changes));
  const paint = mapped(coat.paint, paintKind(coat.paint.kind).params, changes);
  let { passes } = coat;
  for (const [pass, own] of Object.entries(coat.passes)) {
    const changed = mapped(own, paintKind(own.kind).params, changes);
    if (changed !== own) passes = { ...passes, [pass]: changed };
  }
  const lay = mapped(coat.lay, layKind(coat.lay.kind).params, changes);
  let { finish } = coat;
  for (const { kind, params } of finishKinds) {
    const values = mapped(coat.finish[kind], params, changes);
    if (values !== coat.finish[kind]) finish = { ...finish, [kind]: values };
  }
  const samePaint = paint === coat.paint && passes === coat.passes;
  const same = samePaint && lay === coat.lay && finish === coat.finish && form.every((step, i) => step === coat.form[i]);
  return same ? coat : { ...coat, form, paint, passes, lay, finish };
}

/**
 * An object that holds the values of settings, with them changed. The schema has seen to it that each value is what its description says.
 */
function mapped<V extends object>(values: V, params: Params, changes: Changes): V {
  const held = values as Readonly<Record<string, unknown>>;
  const changed: Record<string, unknown> = {};
  for (const [name, param] of Object.entries(params)) {
    const change = changes[param.type] as ((value: unknown, param: Param) => unknown) | undefined;
    let after = held[name];
    if (param.type === "list") after = rows(held[name] as readonly object[], param.of, changes);
    if (change) after = change(after, param);
    if (after !== held[name]) changed[name] = after;
  }
  return Object.keys(changed).length ? { ...values, ...changed } : values;
}

function rows(list: readonly object[], params: Params, changes: Changes): readonly object[] {
  const after = list.map((row) => mapped(row, params, changes));
  return after.every((row, i) => row === list[i]) ? list : after;
}
