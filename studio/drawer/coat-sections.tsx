import { ArrowDown, ArrowUp, Eye, EyeOff, Plus, TriangleAlert, X } from "lucide-react";
import { formStepKind, formStepKinds } from "@/core/coat/forms";
import type { FormStepKind, Pass, StepFacts } from "@/core/coat/form-step";
import { copiesOf } from "@/core/coat/copies-of";
import { layKind, layKinds } from "@/core/coat/lays";
import { paintKind, paintKinds } from "@/core/coat/paints";
import { coloursOfCopies } from "@/core/coat/paints/copies";
import { passesOf } from "@/core/coat/passes";
import { showsOthers } from "@/core/coat/pictured";
import { newFormStep, newLay, type Coat } from "@/core/coat/schema";
import { withValue } from "@/core/params";
import { inkLookup } from "@/core/style/inks";
import { Button, IconButton } from "../parts/button";
import { Choice } from "../parts/choice";
import { Field, Section } from "../parts/field";
import { Menu } from "../parts/menu";
import { Tip } from "../parts/tip";
import { editCoat, repainted, withPaintValue, withPass, withStep } from "../state/edits/style";
import { studioNow, useShownStyle } from "../state/store";
import { useStepFacts } from "../step-facts";
import { useStyleControls } from "./controls/context";
import { ParamControls } from "./controls/param-controls";
import { FinishSection } from "./finish-section";
import { LightSection } from "./light-section";

const options = (kinds: readonly { kind: string; label: string; hint: string }[]) =>
  kinds.map((k) => ({ value: k.kind, label: k.label, hint: k.hint }));

/** One coat in its three parts: which shape, painted with what, lying how on what is below. */
export function CoatSections({ coat }: { coat: Coat }) {
  const { changeStyle, settle } = studioNow();
  const edit = (name: string | null, change: (c: Coat) => Coat) =>
    changeStyle((s) => editCoat(s, coat.id, change), name && `${name} ${coat.id}`);
  return (
    <>
      <div className="border-b border-rule bg-sheet/50 px-4 py-2">
        <input
          aria-label="Name of the coat"
          value={coat.name}
          maxLength={80}
          onChange={(e) => edit("name", (c) => ({ ...c, name: e.target.value }))}
          onBlur={settle}
          className="h-8 w-full rounded-md border border-transparent bg-transparent px-1.5 text-[15px] font-semibold outline-none hover:border-rule focus:border-accent focus:bg-sheet"
        />
      </div>
      <FormSection coat={coat} edit={edit} />
      {!showsOthers(coat) && <PaintSection coat={coat} edit={edit} />}
      {passesOf(coat).map((pass) => (
        <PassSection key={pass.id} coat={coat} pass={pass} edit={edit} />
      ))}
      <LightSection coat={coat} edit={edit} />
      <FinishSection coat={coat} edit={edit} />
    </>
  );
}

function PaintSection({ coat, edit }: { coat: Coat; edit: Edit }) {
  const style = useShownStyle();
  return (
    <Section title="Paint">
      <Choice
        wide
        label="Paint"
        value={coat.paint.kind}
        options={options(paintKinds)}
        onChange={(kind) => edit(null, (c) => ({ ...c, paint: repainted(c, kind, style?.inks ?? []) }))}
      />
      {coat.paint.kind === "unknown" && (
        <p className="text-xs text-pencil">
          “{coat.paint.held.kind}”, made with a later Vextal: it is kept as it is until another paint is chosen.
        </p>
      )}
      <ParamControls
        params={paintKind(coat.paint.kind).params}
        values={coat.paint}
        onChange={(name, value) => edit(`paint ${name}`, (c) => ({ ...c, paint: withPaintValue(c.paint, name, value) }))}
      />
      <StepColours coat={coat} />
      <Field label="Laid as" hint="Over the whole form, or as a line along its edge">
        <Choice
          label="Laid as"
          value={coat.lay.kind}
          options={options(layKinds)}
          onChange={(kind) => edit(null, (c) => ({ ...c, lay: newLay(kind) }))}
        />
      </Field>
      <ParamControls
        params={layKind(coat.lay.kind).params}
        values={coat.lay}
        onChange={(name, value) => edit(`lay ${name}`, (c) => ({ ...c, lay: withValue(c.lay, name, value) }))}
      />
    </Section>
  );
}

/** More than these are no longer told apart in the strip. */
const mostShown = 120;

/** The colours of the copies that the coat makes, as they come. */
function StepColours({ coat }: { coat: Coat }) {
  const { inks } = useStyleControls();
  const { paint } = coat;
  const count = copiesOf(coat);
  if (paint.kind !== "gradient" || paint.shape !== "copies" || !count) return null;
  const shown = Math.min(mostShown, count);
  const colours = coloursOfCopies(shown, paint.stops, paint.mix, inkLookup(inks));
  return (
    <Tip text={`The colours of the ${count} copies, from the letters to the last`}>
      <div
        role="img"
        aria-label={`Colours of the ${count} copies`}
        data-steps={count}
        className="flex h-5 overflow-hidden rounded-md border border-rule"
      >
        {colours.map((colour, i) => (
          <span key={i} className="grow" style={{ background: colour }} />
        ))}
      </div>
    </Tip>
  );
}

const withValues = <S extends object>(step: S, values: Readonly<Record<string, unknown>>): S =>
  Object.entries(values).reduce((next, [name, value]) => withValue(next, name, value), step);

/** What there is to say of a step on these letters, with settings that would be better. */
function Remark({
  message,
  offer,
  onTake,
}: NonNullable<StepFacts["remark"]> & { onTake: (values: Readonly<Record<string, unknown>>) => void }) {
  return (
    <div className="flex items-center gap-2 text-xs">
      <TriangleAlert className="size-3.5 shrink-0 text-warn" />
      <span className="min-w-0 grow">{message}</span>
      {offer && (
        <Button className="!h-7 shrink-0" onClick={() => onTake(offer.values)}>
          {offer.label}
        </Button>
      )}
    </div>
  );
}

/** The steps that can be added, by what they are about. */
const stepGroups: readonly (readonly FormStepKind[])[] = (["outline", "place", "edge", "fill", "depth", "others"] as const).map((group) =>
  formStepKinds.map((k) => formStepKind(k.kind)).filter((k) => !k.starts && k.group === group),
);

type Edit = (name: string | null, change: (c: Coat) => Coat) => void;

const asTheRest = "rest";

/** What a part of the coat is painted with that its steps set apart. */
function PassSection({ coat, pass, edit }: { coat: Coat; pass: Pass; edit: Edit }) {
  const style = useShownStyle();
  const paint = coat.passes[pass.id];
  return (
    <Section title={pass.label}>
      <Choice
        label={`Paint of: ${pass.label}`}
        value={paint?.kind ?? asTheRest}
        options={[{ value: asTheRest, label: "As the rest", hint: "The paint of the coat" }, ...options(paintKinds)]}
        onChange={(kind) => edit(null, (c) => withPass(c, pass.id, kind === asTheRest ? null : repainted(c, kind, style?.inks ?? [])))}
      />
      {paint && (
        <ParamControls
          params={paintKind(paint.kind).params}
          values={paint}
          onChange={(name, value) => edit(`pass ${pass.id} ${name}`, (c) => withPass(c, pass.id, withPaintValue(paint, name, value)))}
        />
      )}
    </Section>
  );
}

function FormSection({ coat, edit }: { coat: Coat; edit: Edit }) {
  const style = useShownStyle();
  const facts = useStepFacts();
  const move = (from: number, to: number) =>
    edit(null, (c) => {
      const form = [...c.form];
      form.splice(to, 0, ...form.splice(from, 1));
      return { ...c, form };
    });
  return (
    <Section
      title="Form"
      actions={
        <Menu
          trigger={
            <IconButton label="Add a form step">
              <Plus />
            </IconButton>
          }
          wide
          align="start"
          items={stepGroups.flatMap((group, i) => [
            ...(i > 0 ? [null] : []),
            ...group.map((k) => ({
              label: k.label,
              hint: k.hint,
              onSelect: () => edit(null, (c) => withStep(c, k.kind, style?.inks ?? [])),
            })),
          ])}
        />
      }
    >
      <ol className="space-y-1.5">
        {coat.form.map((step, i) => {
          const kind = formStepKind(step.kind);
          return (
            <li key={step.id} className={`rounded-lg border border-rule bg-sheet/60 px-2 py-0.5 ${step.on ? "" : "opacity-60"}`}>
              <div className={kind.starts ? "flex items-center py-1" : "flex h-8 items-center"}>
                {kind.starts ? (
                  <div className="-mx-1 grow">
                    <Choice
                      label="Starts from"
                      value={step.kind}
                      options={options(formStepKinds.filter((k) => formStepKind(k.kind).starts))}
                      onChange={(to) =>
                        edit(null, (c) => ({ ...c, form: c.form.map((s) => (s.id === step.id ? newFormStep(to, s.id) : s)) }))
                      }
                    />
                  </div>
                ) : (
                  <Tip text={kind.hint} side="right">
                    <span className="grow font-medium">{step.kind === "unknown" ? `“${step.held.kind}”` : kind.label}</span>
                  </Tip>
                )}
                {!kind.starts && (
                  <>
                    <IconButton label="Earlier" className="!size-6" disabled={i <= 1} onClick={() => move(i, i - 1)}>
                      <ArrowUp />
                    </IconButton>
                    <IconButton label="Later" className="!size-6" disabled={i === coat.form.length - 1} onClick={() => move(i, i + 1)}>
                      <ArrowDown />
                    </IconButton>
                    <IconButton
                      label={step.on ? "Leave this step out" : "Use this step"}
                      className="!size-6"
                      active={!step.on}
                      onClick={() => edit(null, (c) => ({ ...c, form: c.form.map((s) => (s.id === step.id ? { ...s, on: !s.on } : s)) }))}
                    >
                      {step.on ? <Eye /> : <EyeOff />}
                    </IconButton>
                    <IconButton
                      label={`Take ${kind.label} away`}
                      className="!size-6"
                      onClick={() => edit(null, (c) => ({ ...c, form: c.form.filter((s) => s.id !== step.id) }))}
                    >
                      <X />
                    </IconButton>
                  </>
                )}
              </div>
              {Object.keys(kind.params).length > 0 && (
                <div className="space-y-1.5 pb-1.5">
                  <ParamControls
                    params={kind.params}
                    values={step}
                    onChange={(name, value) =>
                      edit(`form ${step.id} ${name}`, (c) => ({
                        ...c,
                        form: c.form.map((s) => (s.id === step.id ? withValue(s, name, value) : s)),
                      }))
                    }
                  />
                  {facts[step.id]?.remark && (
                    <Remark
                      {...facts[step.id].remark!}
                      onTake={(values) =>
                        edit(null, (c) => ({ ...c, form: c.form.map((s) => (s.id === step.id ? withValues(s, values) : s)) }))
                      }
                    />
                  )}
                </div>
              )}
            </li>
          );
        })}
      </ol>
    </Section>
  );
}
