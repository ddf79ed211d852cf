import type { ReactNode } from "react";
import { leastStudioSide, materialNames, mostStudioSide, studioQualities, type StudioSettings } from "@/core/piece/studio-picture";
import { InkPicker } from "../drawer/controls/ink-picker";
import { Choice } from "../parts/choice";
import { Field } from "../parts/field";
import { NumberField } from "../parts/number-field";
import { Slider } from "../parts/slider";

type Surface = "face" | "rim" | "sides";

const materials: Readonly<Record<(typeof materialNames)[number], { label: string; hint: string }>> = {
  matt: { label: "Matt paint", hint: "Throws light back evenly, as distemper does" },
  satin: { label: "Satin paint", hint: "With a soft shine" },
  enamel: { label: "Enamel", hint: "Colour under a clear, hard coat" },
  brushed: { label: "Brushed metal", hint: "With the fine lines of a brush" },
  polished: { label: "Polished metal", hint: "Mirrors the room: brass, copper, steel, by its ink" },
  glass: { label: "Glass", hint: "Tinted, and seen through" },
  wood: { label: "Wood", hint: "Grain and pores around its ink" },
  stone: { label: "Stone", hint: "Rough and veined" },
  stitched: { label: "Stitched", hint: "Thread beside thread, as on a badge" },
};

const qualities = {
  quick: { label: "Quick", hint: "Six exposures: edges and shadows are a little rough" },
  fine: { label: "Fine", hint: "Twenty-four exposures" },
  finest: { label: "Finest", hint: "Seventy-two exposures: the softest shadows" },
};

const surfaces: readonly { name: Surface; label: string; hint: string }[] = [
  { name: "face", label: "Face", hint: "The letters themselves" },
  { name: "rim", label: "Rim", hint: "Between the face and the sides" },
  { name: "sides", label: "Sides", hint: "What runs back from the letters" },
];

const shares = [
  { name: "shadow", label: "Shadow", hint: "How dark the shadow on the board is; 0 leaves it out", max: 100 },
  { name: "softness", label: "Softness", hint: "How wide the lamp is: the wider, the softer its shadows", max: 100 },
  { name: "room", label: "Room", hint: "How bright the room is that metal, glass and enamel mirror", max: 200 },
] as const;

interface Props {
  settings: StudioSettings;
  /** Whether the body has a rim between its face and its sides. */
  rimmed: boolean;
  onChange: (settings: StudioSettings) => void;
}

/** What a body is made of, how it is lit, and how large its picture is. */
export function SettingsForm({ settings, rimmed, onChange }: Props) {
  return (
    <div className="space-y-4">
      {surfaces
        .filter((s) => s.name !== "rim" || rimmed)
        .map(({ name, label, hint }) => (
          <Group key={name} title={label}>
            <Field label="Made of" hint={hint}>
              <Choice
                label={`${label}: made of`}
                value={settings[name].material}
                options={materialNames.map((value) => ({ value, ...materials[value] }))}
                onChange={(material) =>
                  onChange({ ...settings, [name]: { ...settings[name], material: material as (typeof materialNames)[number] } })
                }
              />
            </Field>
            <Field label="Ink" hint="What it is coloured with: one of the inks of the style">
              <InkPicker
                label={`${label}: ink`}
                value={settings[name].ink}
                onChange={(ink) => onChange({ ...settings, [name]: { ...settings[name], ink } })}
              />
            </Field>
          </Group>
        ))}
      <Group title="Light">
        {shares.map(({ name, label, hint, max }) => (
          <Field key={name} label={label} hint={hint} htmlFor={`studio-${name}`}>
            <div className="flex items-center gap-2">
              <NumberField
                {...{ id: `studio-${name}`, label, suffix: "%", min: 0, max, step: 5, decimals: 0, value: settings[name] }}
                className="w-[92px] shrink-0"
                onChange={(value) => onChange({ ...settings, [name]: value })}
              />
              <Slider
                {...{ label: `${label} slider`, min: 0, max, step: 1, value: settings[name] }}
                onChange={(value) => onChange({ ...settings, [name]: value })}
              />
            </div>
          </Field>
        ))}
      </Group>
      <Group title="Picture">
        <Field label="Longer side" hint={`In pixels, up to ${mostStudioSide.toLocaleString("en")}`} htmlFor="studio-side">
          <NumberField
            {...{ id: "studio-side", label: "Longer side", suffix: "px", decimals: 0, step: 100, value: settings.side }}
            {...{ min: leastStudioSide, max: mostStudioSide }}
            onChange={(side) => onChange({ ...settings, side: Math.round(side) })}
          />
        </Field>
        <Field label="Quality" hint="How many exposures it is the mean of">
          <Choice
            label="Quality"
            value={settings.quality}
            options={studioQualities.map((value) => ({ value, ...qualities[value] }))}
            onChange={(quality) => onChange({ ...settings, quality: quality as StudioSettings["quality"] })}
          />
        </Field>
      </Group>
    </div>
  );
}

function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="space-y-1.5">
      <h3 className="text-[13px] font-semibold">{title}</h3>
      {children}
    </section>
  );
}
