import * as z from "zod";
import type { Params, Values } from "./param";
import { shapeOf } from "./schema";

/** Anything that names itself and its settings: one entry of a registry. */
export interface Kind<K extends string = string, P extends Params = Params> {
  readonly kind: K;
  readonly label: string;
  readonly hint: string;
  readonly params: P;
}

/** A kind's name with its settings beside it, as documents hold it: a union, where `K` is one. */
export type StepOf<K> = K extends { kind: infer N extends string; params: infer P } ? { readonly kind: N } & Values<P> : never;

/** Any step, whatever its kind: what is written for all of them reads its settings by their descriptions. */
export type Step = { readonly kind: string } & Values<Params>;

type Named = { readonly kind: string; readonly params: Params };

/** The schema of a choice from a registry: each kind with its own settings beside it. */
export const unionOf = <const Ks extends readonly Named[]>(kinds: Ks): z.ZodType<StepOf<Ks[number]>> => unionWith(kinds, {});

/** As `unionOf`, with what each has whatever its kind. */
export function unionWith<const Ks extends readonly Named[], X extends z.ZodRawShape>(
  kinds: Ks,
  extra: X,
): z.ZodType<StepOf<Ks[number]> & z.output<z.ZodObject<X>>> {
  const [first, ...others] = kinds.map((k) => z.object({ kind: z.literal(k.kind), ...extra, ...shapeOf(k.params) }));
  // The one place where a description becomes a type: the schema is made from the very same `params`.
  return z.discriminatedUnion("kind", [first, ...others]) as unknown as z.ZodType<StepOf<Ks[number]> & z.output<z.ZodObject<X>>>;
}

/** A step of a kind with all its settings at their defaults. */
export const newStep = <const K extends Named>(kind: K): StepOf<K> =>
  z.object({ kind: z.literal(kind.kind), ...shapeOf(kind.params) }).parse({ kind: kind.kind }) as unknown as StepOf<K>;

/**
 * The step with another value for one of its settings, of which nothing is known but its name: controls are made from descriptions, too.
 */
export const withValue = <S extends object>(step: S, name: string, value: unknown): S => ({ ...step, [name]: value });

/** Finds a kind of a registry by its name. */
export function finder<K extends Named>(kinds: readonly K[]): (kind: string) => K {
  const named = new Map(kinds.map((k) => [k.kind, k]));
  return (kind) => named.get(kind)!;
}
