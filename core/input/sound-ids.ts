import { finishKinds } from "../coat/finishes";
import { formStepKinds } from "../coat/forms";
import { layKinds } from "../coat/lays";
import { paintKinds } from "../coat/paints";
import { soundId } from "../ids";
import type { Kind, Param, Params } from "../params";

/** What a document refers to beside the settings of coats: the thing itself, the style of an item, the shape that words fill. */
const named = new Set(["id", "styleId", "shape", "coat"]);

type Held = Readonly<Record<string, unknown>>;
const isHeld = (v: unknown): v is Held => typeof v === "object" && v !== null && !Array.isArray(v);
const sound = (v: unknown): unknown => (typeof v === "string" ? soundId(v) : v);

/**
 * A document whose ids are sound: any other is renamed, and so is what refers to it. The same id gets the same new name wherever it stands,
 * so that a piece and a style that come in one after the other still know each other. What refers the settings of the kinds say; the
 * document is not read yet, so that anything may stand anywhere in it.
 */
export function withSoundIds(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withSoundIds);
  if (!isHeld(value)) return value;
  const params = typeof value.kind === "string" ? kinds.get(value.kind) : undefined;
  return soundSettings(Object.fromEntries(Object.entries(value).map(([key, v]) => [key, soundField(key, v)])), params ?? {});
}

function soundField(key: string, v: unknown): unknown {
  if (typeof v === "string") return named.has(key) ? soundId(v) : v;
  if (key === "groups" && Array.isArray(v)) return v.map(sound);
  // Inks of one letter, by the inks that they stand for.
  if (key === "inks" && isHeld(v)) return Object.fromEntries(Object.entries(v).map(([from, to]) => [soundId(from), sound(to)]));
  // Finishes, and the paints of passes, stand under their names.
  if (key === "finish" && isHeld(v))
    return Object.fromEntries(
      Object.entries(v).map(([kind, f]) => [soundId(kind), soundSettings(withSoundIds(f), finishes.get(kind) ?? {})]),
    );
  if (key === "passes" && isHeld(v)) return Object.fromEntries(Object.entries(v).map(([pass, p]) => [soundId(pass), withSoundIds(p)]));
  if (key === "order" && Array.isArray(v)) return v.map(sound);
  return withSoundIds(v);
}

/** What becomes of a setting that refers to something, by its type; of any other nothing. */
const refers: { readonly [T in Param["type"]]?: (value: unknown) => unknown } = {
  ink: sound,
  coat: sound,
  shape: sound,
  item: (v) => (isHeld(v) ? { ...v, id: sound(v.id) } : v),
  stops: (v) => (Array.isArray(v) ? v.map((s: unknown) => (isHeld(s) ? { ...s, ink: sound(s.ink) } : s)) : v),
};

function soundSettings(values: unknown, params: Params): unknown {
  if (!isHeld(values)) return values;
  const changed: Record<string, unknown> = { ...values };
  for (const [name, param] of Object.entries(params)) {
    if (!(name in values)) continue;
    const held = values[name];
    if (param.type === "list") changed[name] = Array.isArray(held) ? held.map((row) => soundSettings(row, param.of)) : held;
    else changed[name] = refers[param.type]?.(held) ?? held;
  }
  return changed;
}

/** The settings of every kind of step, paint and lay by its name; of those that share one, all. */
const kinds = byName([...formStepKinds, ...paintKinds, ...layKinds]);
const finishes = byName(finishKinds);

function byName(all: readonly Pick<Kind, "kind" | "params">[]): ReadonlyMap<string, Params> {
  const found = new Map<string, Params>();
  for (const { kind, params } of all) found.set(kind, { ...found.get(kind), ...params });
  return found;
}
