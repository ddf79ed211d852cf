import { finishKinds } from "../coat/finishes";
import { formStepKinds } from "../coat/forms";
import { layKinds } from "../coat/lays";
import { paintKinds } from "../coat/paints";
import { unknownKind } from "../coat/unknown";

type Said = Readonly<Record<string, unknown>>;

const names = (kinds: readonly { readonly kind: string }[]): ReadonlySet<string> => new Set(kinds.map((k) => k.kind));
const known = { form: names(formStepKinds), paint: names(paintKinds), lay: names(layKinds), finish: names(finishKinds) };

const isObject = (v: unknown): v is Said => typeof v === "object" && v !== null && !Array.isArray(v);
const isNamed = (v: unknown): v is Said & { readonly kind: string } => isObject(v) && typeof v.kind === "string" && v.kind !== "";

/** Something with its kind, set aside where that is not known. */
function aside(value: unknown, kinds: ReadonlySet<string>, own: readonly string[] = []): unknown {
  const plain = out(value, own);
  if (!isNamed(plain) || kinds.has(plain.kind)) return plain;
  const keep = Object.fromEntries(own.filter((name) => name in plain).map((name) => [name, plain[name]]));
  const held = Object.fromEntries(Object.entries(plain).filter(([name]) => !own.includes(name)));
  return { ...keep, kind: unknownKind, held };
}

/** What was set aside, as it was said. */
function out(value: unknown, own: readonly string[] = []): unknown {
  if (!isNamed(value) || value.kind !== unknownKind || !isNamed(value.held)) return value;
  return { ...Object.fromEntries(own.filter((name) => name in value).map((name) => [name, value[name]])), ...value.held };
}

/** What a step has whatever its kind. */
const ofStep = ["id", "on"];

const each = (record: unknown, change: (value: unknown) => unknown): unknown =>
  isObject(record) ? Object.fromEntries(Object.entries(record).map(([name, v]) => [name, change(v)])) : record;

/**
 * A style as JSON, with what its coats are made of under names that are not known here set aside: the schema then takes it. What was set
 * aside before and is known by now comes back.
 */
export const withUnknownAside = (style: unknown): unknown =>
  withCoats(style, (coat) => {
    const finish = isObject(coat.finish) || isObject(coat.kept) ? Object.entries({ ...asObject(coat.kept), ...asObject(coat.finish) }) : [];
    const kept = finish.filter(([name, values]) => !known.finish.has(name) && isObject(values));
    const { kept: _, ...rest } = coat;
    return {
      ...rest,
      ...("form" in coat ? { form: list(coat.form, (s) => aside(s, known.form, ofStep)) } : {}),
      ...("paint" in coat ? { paint: aside(coat.paint, known.paint) } : {}),
      ...("passes" in coat ? { passes: each(coat.passes, (p) => aside(p, known.paint)) } : {}),
      ...("lay" in coat ? { lay: aside(coat.lay, known.lay) } : {}),
      ...(isObject(coat.finish) ? { finish: Object.fromEntries(finish.filter(([name]) => known.finish.has(name))) } : {}),
      ...(kept.length ? { kept: Object.fromEntries(kept) } : {}),
    };
  });

/** A style as a file says it: what was set aside stands where it stood. */
export const withUnknownBack = (style: unknown): unknown =>
  withCoats(style, ({ kept, ...coat }) => ({
    ...coat,
    form: list(coat.form, (s) => out(s, ofStep)),
    paint: out(coat.paint),
    passes: each(coat.passes, (p) => out(p)),
    lay: out(coat.lay),
    finish: { ...asObject(coat.finish), ...asObject(kept) },
  }));

const asObject = (v: unknown): Said => (isObject(v) ? v : {});
const list = (v: unknown, change: (v: unknown) => unknown): unknown => (Array.isArray(v) ? v.map(change) : v);

function withCoats(style: unknown, change: (coat: Said) => Said): unknown {
  if (!isObject(style) || !Array.isArray(style.coats)) return style;
  return { ...style, coats: style.coats.map((c: unknown) => (isObject(c) ? change(c) : c)) };
}
