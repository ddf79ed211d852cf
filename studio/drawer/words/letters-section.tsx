import { Dices, MousePointerClick } from "lucide-react";
import type { LetterChange, Loosen } from "@/core/lettering/options";
import type { Lettering } from "@/core/piece/schema";
import { Alternates } from "../../parts/alternates";
import { Button, IconButton } from "../../parts/button";
import { Field, Fold } from "../../parts/field";
import { NumberField } from "../../parts/number-field";
import { Swatch } from "../../parts/colour-field";
import { Switch } from "../../parts/switch";
import { setTool } from "../../state/commands";
import { editLettering } from "../../state/edits/items";
import { changeAt, editLetters } from "../../state/edits/letters";
import { studioNow, useLetteringUpdate, useShownStyle, useStudio } from "../../state/store";

const fields = [
  {
    name: "right",
    label: "Right",
    hint: "Shifted along its line, in thousandths of the em",
    suffix: "‰",
    min: -20_000,
    max: 20_000,
    step: 5,
    scale: 1,
  },
  {
    name: "down",
    label: "Down",
    hint: "Shifted down, in thousandths of the em",
    suffix: "‰",
    min: -20_000,
    max: 20_000,
    step: 5,
    scale: 1,
  },
  { name: "turn", label: "Turn", hint: "Clockwise, about its middle", suffix: "°", min: -360, max: 360, step: 1, scale: 1 },
  { name: "width", label: "Width", hint: "As a share of what it is in the face", suffix: "%", min: 5, max: 2000, step: 1, scale: 100 },
  { name: "height", label: "Height", hint: "As a share of what it is in the face", suffix: "%", min: 5, max: 2000, step: 1, scale: 100 },
  { name: "slant", label: "Slant", hint: "How far it leans to the right", suffix: "°", min: -80, max: 80, step: 1, scale: 1 },
  {
    name: "space",
    label: "Gap after",
    hint: "Added between it and the next letter, in thousandths of the em",
    suffix: "‰",
    min: -20_000,
    max: 20_000,
    step: 5,
    scale: 1,
  },
] as const;

/** What is done to single letters, and to all of them at random. */
export function LettersSection({ lettering }: { lettering: Lettering }) {
  const tool = useStudio((s) => s.tool);
  const { change } = studioNow();
  const changed = lettering.letters.length;
  return (
    <Fold title="Single letters" open={tool === "letters"} key={tool === "letters" ? "letters" : "all"}>
      <Button
        look={tool === "letters" ? "primary" : "plain"}
        className="w-full"
        aria-pressed={tool === "letters"}
        onClick={() => setTool(tool === "letters" ? "items" : "letters")}
      >
        <MousePointerClick className="size-4" /> {tool === "letters" ? "Done with letters" : "Pick letters on the bench"}{" "}
        <kbd className="ml-1 font-sans text-xs opacity-70">L</kbd>
      </Button>
      {tool === "letters" && <Picked lettering={lettering} />}
      {changed > 0 && (
        <div className="flex items-center justify-between">
          <span className="text-xs text-pencil">{changed === 1 ? "One letter is" : `${changed} letters are`} changed</span>
          <Button
            look="quiet"
            className="!h-7 !px-2"
            onClick={() => change((w) => editLettering(w, [lettering.id], (l) => void (l.letters = [])))}
          >
            Reset all
          </Button>
        </div>
      )}
      <LoosenControls lettering={lettering} />
    </Fold>
  );
}

function Picked({ lettering }: { lettering: Lettering }) {
  const picked = useStudio((s) => s.letters);
  const item = useLetteringUpdate(lettering.id);
  const style = useShownStyle();
  const { change, settle } = studioNow();
  const at = picked.at(-1);
  if (at === undefined)
    return (
      <p className="text-pencil">
        Click letters on the bench, with Shift several, or Tab from one to the next. Drag to shift them, the dots below the gaps to kern;
        the arrow keys shift, with Alt they kern.
      </p>
    );
  const shown = changeAt(lettering, at);
  const edit = (name: string | null, apply: (c: LetterChange) => LetterChange) =>
    change((w) => editLetters(w, lettering.id, picked, apply), name && `letters ${name} ${picked.join()}`);
  const names = picked.map((p) => {
    const letter = item?.letters.find((l) => l.from === p);
    return lettering.text.slice(p, letter?.to ?? p + 1);
  });
  return (
    <>
      <div className="flex items-center justify-between">
        <p className="truncate font-medium">{names.join(" ")}</p>
        <Button
          look="quiet"
          className="!h-7 !px-2"
          onClick={() =>
            edit(null, (c) => ({ ...c, right: 0, down: 0, turn: 0, width: 1, height: 1, slant: 0, space: 0, alternate: null, inks: {} }))
          }
        >
          Reset
        </Button>
      </div>
      <div className="grid grid-cols-2 gap-x-2 gap-y-1.5">
        {fields.map((f) => (
          <label key={f.name} className="block">
            <span className="text-xs text-pencil" title={f.hint}>
              {f.label}
            </span>
            <NumberField
              label={`${f.label} of the picked letters`}
              suffix={f.suffix}
              min={f.min}
              max={f.max}
              step={f.step}
              value={shown[f.name] * f.scale}
              onChange={(v) =>
                edit(f.name, (c) => ({
                  ...c,
                  [f.name]: f.name === "right" || f.name === "down" ? c[f.name] + v / f.scale - shown[f.name] : v / f.scale,
                }))
              }
              onSettle={settle}
            />
          </label>
        ))}
      </div>
      {picked.length === 1 && <Alternates lettering={lettering} at={at} />}
      {style && (
        <Field label="Inks" hint="Another ink in these letters: click to go through the inks of the style" stacked>
          <div className="space-y-1">
            {style.inks.map((ink) => {
              const now = style.inks.find((i) => i.id === (shown.inks[ink.id] ?? ink.id)) ?? ink;
              return (
                <div key={ink.id} className="flex items-center gap-2">
                  <span className="min-w-0 flex-1 truncate text-xs text-pencil">{ink.name}</span>
                  {style.inks.map((other) => (
                    <button
                      key={other.id}
                      type="button"
                      aria-label={`${ink.name} in ${other.name}`}
                      aria-pressed={now.id === other.id}
                      title={other.name}
                      onClick={() =>
                        edit(null, (c) => ({
                          ...c,
                          inks: {
                            ...Object.fromEntries(Object.entries(c.inks).filter(([k]) => k !== ink.id)),
                            ...(other.id === ink.id ? {} : { [ink.id]: other.id }),
                          },
                        }))
                      }
                      className="rounded p-0.5 ring-accent aria-pressed:ring-2"
                    >
                      <Swatch colour={other.colour} className="size-5" />
                    </button>
                  ))}
                </div>
              );
            })}
          </div>
        </Field>
      )}
    </>
  );
}

const firstLoosen: Loosen = { shift: 20, turn: 4, size: 0, seed: 1 };

function LoosenControls({ lettering: { id, loosen } }: { lettering: Lettering }) {
  const { change, settle } = studioNow();
  const set = (name: string | null, next: Loosen | null) =>
    change((w) => editLettering(w, [id], (l) => void (l.loosen = next)), name && `loosen ${name} ${id}`);
  const field = (name: "shift" | "turn" | "size", label: string, hint: string, suffix: string, max: number) => (
    <Field label={label} hint={hint} htmlFor={`loosen-${name}`}>
      <NumberField
        id={`loosen-${name}`}
        label={label}
        suffix={suffix}
        min={0}
        max={max}
        value={loosen![name]}
        onChange={(v) => set(name, { ...loosen!, [name]: v })}
        onSettle={settle}
      />
    </Field>
  );
  return (
    <div className="rounded-lg border border-rule bg-sheet/60 px-2 py-0.5">
      <Switch
        label="Loosen"
        hint="All letters nudged and turned at random, the same way each time for the same seed"
        checked={loosen !== null}
        onChange={(on) => set(null, on ? firstLoosen : null)}
      />
      {loosen && (
        <div className="space-y-1.5 pb-1.5">
          {field("shift", "Nudge by", "At most so far, in thousandths of the em", "‰", 1000)}
          {field("turn", "Turn by", "At most so far either way", "°", 180)}
          {field("size", "Resize by", "At most so much larger or smaller", "%", 90)}
          <Field label="Seed" hint="Another seed, another throw of the dice" htmlFor="loosen-seed">
            <div className="flex gap-1.5">
              <NumberField
                id="loosen-seed"
                label="Seed"
                className="grow"
                min={0}
                max={1e9}
                decimals={0}
                value={loosen.seed}
                onChange={(v) => set("seed", { ...loosen, seed: Math.round(v) })}
                onSettle={settle}
              />
              <IconButton label="Throw again" look="plain" onClick={() => set(null, { ...loosen, seed: loosen.seed + 1 })}>
                <Dices />
              </IconButton>
            </div>
          </Field>
        </div>
      )}
    </div>
  );
}
