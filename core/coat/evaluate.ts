import { Budget, BudgetError } from "../curves/budget";
import type { Kernel } from "../curves/kernel";
import type { Path } from "../curves/path";
import type { TurnedBody } from "../depth/turned-body";
import { memoByIdentity, numberOf } from "../memo";
import { isOfUse, type ItemRef, type Params, type Step, type Values } from "../params";
import { isProblem, Problem } from "../problem";
import type { SceneFill, SceneLayer } from "../scene/scene";
import { finishesOf } from "./finish-order";
import type { Laid } from "./finish-kind";
import type { FormStepKind, StepFacts } from "./form-step";
import { formStepKind } from "./forms";
import type { Given, Givens, Need } from "./given";
import { layKind } from "./lays";
import { lampOf } from "./light";
import { materialsOf, neededBy } from "./needs";
import { paintKind } from "./paints";
import { byPaint, paintsOf } from "./passes";
import { picturing, showsOthers } from "./pictured";
import { newLay, type Coat, type FormStep } from "./schema";
import { boundsOf, noShape, type Part, type Shape } from "./shape";

/** What the coats of one item are built from. */
export interface CoatsContext extends Omit<Givens, "materials"> {
  readonly kernel: Kernel;
  /** Units of lettering space in one length of the style. */
  readonly scale: number;
  readonly inks: {
    readonly key: string;
    readonly colour: (id: string) => string;
    readonly name: (id: string) => string | undefined;
  };
  /** How the item is called, where forms of several items are made of one another. */
  readonly label: string;
  /** The forms that are being built, on all items of the board: each waits for the next. */
  readonly open: OpenForm[];
  /** Steps of work that a coat may take; see `Budget`. */
  readonly steps?: number;
  /** What is asked for of another item, in this one's space; undefined where it is gone. @throws Problem where it is made of this one */
  readonly item: (ref: ItemRef) => Shape | undefined;
}

/** A coat's form while it is being built. */
export interface OpenForm {
  readonly coat: Coat;
  readonly of: string;
}

/** Forms that are each made of the next: none of them can be made. */
export class Circle extends Problem {
  constructor(forms: readonly OpenForm[]) {
    const items = new Set(forms.map((f) => f.of));
    const names = forms.map((f) => (items.size > 1 ? f.of : f.coat.name || "a coat without a name"));
    super(`These ${items.size > 1 ? "items" : "coats"} are each made of the next: ${names.map((n) => `“${n}”`).join(", ")}.`);
  }
}

/** A coat as it is seen, or what keeps it from being seen. */
export interface BuiltCoat {
  readonly coat: Coat;
  /** Back to front; the last one is the coat itself, what comes before it lies behind it for itself. */
  readonly layers: readonly SceneLayer[];
  /** Why it is not drawn, in the user's words. */
  readonly fault?: string;
  /** Why nothing is seen of it, in the user's words, where it is drawn and nothing is left. */
  readonly nothing?: string;
}

const isBare = (paths: readonly { readonly path: Path }[]): boolean => paths.every((p) => p.path.coords.length === 0);

/** What a kind is handed, and what that is told apart by. */
interface Handed {
  readonly given: Given<readonly Need[], Params>;
  readonly key: string;
}

type Made<R> = { readonly value: R } | { readonly fault: string };

const shapes = memoByIdentity<object, Made<Shape>>(32);
const laid = memoByIdentity<Shape, Made<readonly SceneLayer[]>>(24);

/** Settings as text, written once an object: documents are not changed but replaced. */
const texts = new WeakMap<object, string>();
function textOf(settings: object): string {
  let text = texts.get(settings);
  if (text === undefined) texts.set(settings, (text = JSON.stringify(settings, withoutPlace)));
  return text;
}

/** Neither what a form step is called nor that it is in use changes what it makes. */
function withoutPlace(this: unknown, name: string, value: unknown): unknown {
  return name === "id" && typeof (this as { on?: unknown }).on === "boolean" ? undefined : value;
}

const newFill = newLay("fill");

const tooMuch = "This coat needs far more work than a picture is worth: take longer dashes, fewer copies, or less depth.";

/** A coat that cannot be drawn: nothing of it is seen, and its card says why. */
const faulty = (coat: Coat, fault: string): BuiltCoat => {
  const { id, name: label } = coat;
  const empty: SceneLayer = { id, group: id, label, opacity: 1, blend: "normal", bounds: boundsOf([]), fills: [], paths: [] };
  return { coat, layers: [empty], fault };
};

/** A coat with each of its layers changed; where that cannot be done, the fault is the coat's own. */
export function withLayers(built: BuiltCoat, change: (layer: SceneLayer) => SceneLayer): BuiltCoat {
  const made = attempt(() => built.layers.map(change));
  return "value" in made ? { ...built, layers: made.value } : faulty(built.coat, made.fault);
}

/** Kept with results: what cannot be made is not tried again until something changes. */
function attempt<R>(work: () => R): Made<R> {
  try {
    return { value: work() };
  } catch (error) {
    if (error instanceof BudgetError) return { fault: tooMuch };
    return { fault: isProblem(error) ? error.message : `This coat could not be drawn. ${(error as Error).message}` };
  }
}

function valueOf<R>(made: Made<R>): R {
  if ("fault" in made) throw new Problem(made.fault);
  return made.value;
}

/**
 * The coats of one item. A step's result is kept by the identity of all that it was given, its input, the shapes that it refers to and what
 * it says it needs, so that a change recomputes from the first changed step on, and nothing that has become stale is ever drawn.
 */
export class Coats {
  readonly #forms = new Map<Coat, Shape>();

  constructor(
    private readonly coats: readonly Coat[],
    private readonly context: CoatsContext,
  ) {}

  /**
   * What a coat covers: its form steps in turn, then its lay. Coats that are switched off have forms, too.
   * @throws Problem where it cannot be made
   */
  form(id: string): Shape | undefined {
    const coat = this.coats.find((c) => c.id === id);
    return coat && this.#covered(coat);
  }

  /** By the coat itself: a file may hold two of one id, and each is drawn as it is. */
  #covered(coat: Coat): Shape {
    const known = this.#forms.get(coat);
    if (known) return known;
    const { open, kernel, label, steps } = this.context;
    const circle = open.slice(open.findIndex((f) => f.coat === coat));
    if (circle[0]?.coat === coat) throw new Circle([...circle, circle[0]]);
    open.push({ coat, of: label });
    try {
      const shape = kernel.within(new Budget(steps), () => this.#formOf(coat));
      this.#forms.set(coat, shape);
      return shape;
    } finally {
      open.pop();
    }
  }

  /** Makes what a coat covers, where it can be made: what keeps it from being made is said when it is built. */
  prepare(coat: Coat): void {
    attempt(() => this.#covered(coat));
  }

  /** A coat as layers of the scene; the same objects while nothing that they show has changed. */
  build(coat: Coat): BuiltCoat {
    const made = attempt(() => this.#layersOf(coat, this.#covered(coat)));
    if ("fault" in made) return faulty(coat, made.fault);
    const seen = isBare(this.context.letters.parts) || made.value.some((l) => !isBare(l.paths));
    if (seen) return { coat, layers: made.value };
    return { coat, layers: made.value, nothing: this.#whyNothing(coat) };
  }

  /** Which step, lay or paint leaves nothing of the letters. */
  #whyNothing(coat: Coat): string {
    let last: FormStepKind | undefined;
    let taker: FormStepKind | undefined;
    let had = false;
    const shape = this.#formOf({ ...coat, lay: newFill }, (_, kind, from) => {
      if (had && isBare(from.parts)) taker ??= last;
      if (!kind.starts) had ||= !isBare(from.parts);
      last = kind;
    });
    if (isBare(shape.parts)) {
      const by = taker ?? last;
      return by && !by.starts ? `“${by.label}” leaves nothing of the letters at these settings.` : "There is nothing here to start from.";
    }
    return coat.lay.kind === "fill"
      ? "Nothing of this coat is seen at these settings of its paint and its finishes."
      : `Laid as “${layKind(coat.lay.kind).label}”, nothing is left at these settings.`;
  }

  /** What there is to say of the steps of a coat on these letters, by the steps' ids. @throws Problem where its form cannot be made */
  facts(id: string): Readonly<Record<string, StepFacts>> {
    const coat = this.coats.find((c) => c.id === id);
    const found: Record<string, StepFacts> = {};
    if (!coat) return found;
    this.#formOf(coat, (step, kind, shape) => {
      if (!kind.facts) return;
      const { given } = this.#given(step, kind.params, neededBy(kind, step), coat);
      found[step.id] = kind.facts(shape, step, given);
    });
    return found;
  }

  /** The body that a coat makes of these letters; undefined where it makes none. @throws Problem where its form cannot be made */
  body(id: string): TurnedBody | undefined {
    const coat = this.coats.find((c) => c.id === id);
    let found: TurnedBody | undefined;
    if (coat)
      this.#formOf(coat, (step, kind, shape) => {
        if (kind.body) found = kind.body(shape, step, this.#given(step, kind.params, kind.needs, coat).given);
      });
    return found;
  }

  /** @param without a step that is left out */
  #formOf(coat: Coat, visit?: (step: FormStep, kind: FormStepKind, shape: Shape) => void, without?: FormStep): Shape {
    let shape = noShape;
    for (const step of coat.form) {
      if (!step.on || step === without) continue;
      const kind: FormStepKind = formStepKind(step.kind);
      // What starts a form is kept with the letters of its item, which live as long as they are set so.
      const from = kind.starts ? noShape : shape;
      visit?.(step, kind, from);
      const anchor = kind.starts ? this.context.letters : from;
      shape = this.#kept(anchor, step, this.#given(step, kind.params, neededBy(kind, step), coat), (given) =>
        kind.apply(from, step, given),
      );
    }
    const { lay } = coat;
    return lay.kind === "fill"
      ? shape
      : this.#kept(shape, lay, this.#given(lay, layKind(lay.kind).params, [], coat), (given) => layKind(lay.kind).apply(shape, lay, given));
  }

  /** A result by the identity of all that it was made from. */
  #kept(anchor: Shape, step: Step, { given, key }: Handed, make: (given: Given<readonly Need[], Params>) => Shape): Shape {
    return valueOf(shapes(anchor, `${textOf(step)} ${key}`, () => attempt(() => make(given))));
  }

  /** What a kind is handed, and what that is told apart by: it is handed no more than it says that it needs. */
  #given(values: Values<Params>, params: Params, needs: readonly Need[] | undefined, coat: Coat): Handed {
    const { kernel, scale } = this.context;
    const referred: Record<string, Shape | undefined> = {};
    for (const [name, param] of Object.entries(params)) {
      const { type } = param;
      if ((type !== "coat" && type !== "item") || !isOfUse(param, values)) continue;
      referred[name] = type === "coat" ? this.form(values[name] as string) : this.context.item(values[name] as ItemRef);
    }
    const { light } = coat;
    const seen: Givens = {
      ...this.context,
      ...(light ? { lamp: lampOf(light, this.context.lamp, this.context.board.toItem) } : {}),
      materials: needs?.includes("materials") ? materialsOf(coat) : [],
    };
    const handed = Object.fromEntries((needs ?? []).map((need) => [need, seen[need]]));
    const told = (needs ?? []).map((need) =>
      need === "letters" || need === "ground" || need === "others" ? numberOf(seen[need]) : JSON.stringify(seen[need]),
    );
    const key = [kernel.name, scale, ...told, ...Object.values(referred).map((s) => (s ? numberOf(s) : ""))].join(" ");
    const given = { kernel, units: (length: number) => length * scale, referred, ...handed };
    // What is not needed is not there: a kind's own types keep it from asking.
    return { given: given as unknown as Given<readonly Need[], Params>, key };
  }

  /** What becomes of what is shown, where a step of a coat changes that. */
  #pictureOf(coat: Coat) {
    const found = picturing(coat);
    if (!found) return undefined;
    const { step, kind } = found;
    const { given, key } = this.#given(step, kind.params, neededBy(kind, step), coat);
    const others = showsOthers(coat) ? this.coats.filter((c) => c.on && !showsOthers(c)).flatMap((c) => this.build(c).layers) : undefined;
    return { step, key, others, of: (layers: readonly SceneLayer[]) => kind.ofLayers!(layers, step, given) };
  }

  #layersOf(coat: Coat, shape: Shape): readonly SceneLayer[] {
    const paints = paintsOf(coat).map((paint) => {
      const kind = paintKind(paint.kind);
      return { kind, ...this.#given(paint, kind.params, neededBy(kind, paint), coat) };
    });
    const picture = this.#pictureOf(coat);
    const steps = coat.form.flatMap((step) => {
      const kind: FormStepKind = formStepKind(step.kind);
      return step.on && kind.ofLayer ? [{ kind, step, ...this.#given(step, kind.params, neededBy(kind, step), coat) }] : [];
    });
    const drawn = picture && !picture.others ? this.#formOf(coat, undefined, picture.step) : shape;
    const values: Readonly<Record<string, Values<Params>>> = coat.finish;
    const finishes = finishesOf(coat).map((k) => ({
      kind: k,
      values: values[k.kind],
      ...this.#given(values[k.kind], k.params, neededBy(k, values[k.kind]), coat),
    }));
    const key = [
      coat.id,
      JSON.stringify(coat.name),
      ...paintsOf(coat).map(textOf),
      textOf(coat.passes),
      textOf(coat.finish),
      textOf(coat.order),
      this.context.inks.key,
      ...paints.map((p) => p.key),
      ...finishes.map((f) => f.key),
      ...steps.flatMap((s) => [textOf(s.step), s.key]),
      ...(picture ? [textOf(picture.step), picture.key, numberOf(drawn), ...(picture.others ?? []).map(numberOf)] : []),
    ].join(" ");
    const { colour: ink, name: inkName } = this.context.inks;
    return valueOf(
      laid(shape, key, () =>
        attempt(() => {
          const fills: SceneFill[] = [];
          let own = 0;
          const fillOf = new Map<Part, number>();
          const lightOf = new Map<Part, number>();
          byPaint(coat, drawn.parts).forEach(({ paint, parts }, i) => {
            if (!parts.length && drawn.parts.length) return;
            // A pass is painted as if it were alone; all of them as one, the very shape that was made.
            const alone = parts.length === drawn.parts.length ? drawn : { parts };
            const { kind, given } = paints[i];
            const painted = kind.apply(alone, paint, { ...given, ink, inkName });
            for (const p of parts) {
              fillOf.set(p, fills.length + (painted.fillOf?.(p) ?? 0));
              const over = painted.lightOf?.(p);
              if (over !== undefined) lightOf.set(p, fills.length + over);
            }
            fills.push(...painted.fills);
            if (i === 0) own = fills.length;
          });
          const paths = drawn.parts.flatMap((p) => {
            const { path, x, y, matrix } = p;
            const at = matrix ? { path, x, y, matrix } : { path, x, y };
            const [fill, over] = [fillOf.get(p)!, lightOf.get(p)];
            return over === undefined
              ? { ...at, fill }
              : [
                  { ...at, fill },
                  { ...at, fill: over },
                ];
          });
          const body: SceneLayer = {
            id: coat.id,
            group: coat.id,
            label: coat.name,
            opacity: 1,
            blend: "normal",
            bounds: boundsOf(drawn.parts),
            fills,
            ...(own < fills.length ? { own } : {}),
            paths,
          };
          const whole = steps.reduce((layer, s) => s.kind.ofLayer!(layer, s.step, s.given, drawn), body);
          const seen = picture ? { ...picture.of(picture.others ?? [whole]), id: coat.id, group: coat.id, label: coat.name } : whole;
          const plain: Laid = { shape, behind: [], body: seen };
          const done = finishes.reduce((layer, f) => f.kind.apply(layer, f.values, { ...f.given, ink, inkName }), plain);
          return [...done.behind, done.body];
        }),
      ),
    );
  }
}
