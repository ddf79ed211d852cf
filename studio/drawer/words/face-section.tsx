import { onByDefault } from "@/core/lettering/feature-names";
import type { Lettering } from "@/core/piece/schema";
import type { FaceFacts } from "@/worker/protocol";
import { Button } from "../../parts/button";
import { Field, Fold } from "../../parts/field";
import { NumberField } from "../../parts/number-field";
import { Slider } from "../../parts/slider";
import { Switch } from "../../parts/switch";
import { editLettering } from "../../state/edits/items";
import { studioNow, useStudio } from "../../state/store";
import { OutlinePicture } from "../../parts/outline-picture";
import { useFaceFacts } from "../../face-facts";

/** The axes of a variable face and the features of any. */
export function FaceSection({ lettering }: { lettering: Lettering }) {
  const facts = useFaceFacts(lettering);
  if (!facts) return null;
  return (
    <>
      {facts.axes.length > 0 && <Axes lettering={lettering} facts={facts} />}
      <Features facts={facts} />
    </>
  );
}

function Axes({ lettering, facts }: { lettering: Lettering; facts: FaceFacts }) {
  const selection = useStudio((s) => s.selection);
  const { change, settle } = studioNow();
  const edit = (name: string | null, apply: (l: Lettering) => void) =>
    change(
      (w) => editLettering(w, selection, (l) => void (l.face === lettering.face && apply(l))),
      name && `axis ${name} ${selection.join()}`,
    );
  const at = (tag: string) => lettering.axes[tag] ?? facts.axes.find((a) => a.tag === tag)!.default;
  const place = facts.places.findIndex((p) => facts.axes.every((a) => Math.abs((p.axes[a.tag] ?? a.default) - at(a.tag)) < 0.01));
  return (
    <Fold
      title="Axes of the face"
      open
      actions={
        Object.keys(lettering.axes).length > 0 && (
          <Button look="quiet" className="!h-6 !px-2 text-xs" onClick={() => edit(null, (l) => void (l.axes = {}))}>
            As it ships
          </Button>
        )
      }
    >
      {facts.places.length > 0 && (
        <Field label="Instance" hint="Places on the axes that the face itself names" htmlFor="face-place">
          <select
            id="face-place"
            aria-label="Instance"
            value={place}
            onChange={(e) => edit(null, (l) => void (l.axes = { ...facts.places[Number(e.target.value)].axes }))}
            className="h-8 w-full rounded-md border border-rule bg-sheet px-2"
          >
            {place < 0 && <option value={-1}>In between</option>}
            {facts.places.map((p, i) => (
              <option key={i} value={i}>
                {p.name}
              </option>
            ))}
          </select>
        </Field>
      )}
      {facts.axes.map((a) => {
        const step = a.max - a.min > 20 ? 1 : 0.01;
        const set = (v: number) => edit(a.tag, (l) => void (l.axes = { ...l.axes, [a.tag]: v }));
        return (
          <Field key={a.tag} label={a.name} hint={`The axis “${a.tag}”, from ${a.min} to ${a.max}`} htmlFor={`axis-${a.tag}`}>
            <div className="flex items-center gap-2">
              <NumberField
                id={`axis-${a.tag}`}
                label={a.name}
                className="w-[92px] shrink-0"
                min={a.min}
                max={a.max}
                step={step}
                value={at(a.tag)}
                onChange={set}
                onSettle={settle}
              />
              <Slider label={`${a.name} slider`} min={a.min} max={a.max} step={step} value={at(a.tag)} onChange={set} onSettle={settle} />
            </div>
          </Field>
        );
      })}
    </Fold>
  );
}

function Features({ facts }: { facts: FaceFacts }) {
  const { change } = studioNow();
  const selection = useStudio((s) => s.selection);
  const set = (tag: string, on: boolean) =>
    change((w) =>
      editLettering(w, selection, (l) => {
        const rest = Object.fromEntries(Object.entries(l.features).filter(([t]) => t !== tag));
        // What the face does by itself leaves no entry.
        l.features = on === onByDefault.has(tag) ? rest : { ...rest, [tag]: on ? 1 : 0 };
      }),
    );
  const idle = facts.features.filter((f) => !f.changes.length);
  return (
    <Fold title="Features of the face">
      {facts.features.length === 0 && <p className="text-pencil">This face has no features to choose from.</p>}
      {facts.features
        .filter((f) => f.changes.length)
        .map((f) => (
          <div key={f.tag} data-feature={f.tag} className="rounded-lg border border-rule bg-sheet/60 px-2 pb-1.5">
            <Switch label={f.name} hint={`The feature “${f.tag}”`} checked={f.on} onChange={(on) => set(f.tag, on)} />
            <p className="truncate text-xs text-pencil">
              {f.on ? "Made" : "Would change"}{" "}
              {f.changes
                .slice(0, 8)
                .map((c) => c.trim() || "space")
                .join(" ")}
            </p>
            {f.picture && <OutlinePicture picture={f.picture} className="mt-1 h-8 w-full text-graphite" />}
          </div>
        ))}
      {idle.length > 0 && (
        <p className="text-xs text-pencil">Without effect on these words: {idle.map((f) => f.name.toLowerCase()).join(", ")}.</p>
      )}
    </Fold>
  );
}
