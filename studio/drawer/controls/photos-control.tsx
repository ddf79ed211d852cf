import { ArrowLeft, ArrowRight, ImagePlus, Trash2 } from "lucide-react";
import { clsx } from "clsx";
import { useEffect, useRef, useState, type ReactNode } from "react";
import { newRow, withValue, type ListParam, type Values, type Params } from "@/core/params";
import type { Photo } from "@/core/photo";
import { Button, IconButton } from "../../parts/button";
import { Field } from "../../parts/field";
import { keepPhoto, photoFiles } from "../../state/photos";

type Row = Values<Params> & { readonly photo: Photo | null };

interface Props {
  label: string;
  param: ListParam;
  value: readonly Row[];
  onChange: (rows: readonly Row[]) => void;
  /** The controls of a row. */
  settings: (row: Row, onChange: (name: string, value: unknown) => void) => ReactNode;
}

/** Photos in the order in which they are dealt out. The chosen one is placed, sized, turned, moved along, changed for another. */
export function PhotosControl({ label, param, value, onChange, settings }: Props) {
  const file = useRef<HTMLInputElement>(null);
  const latest = useRef(value);
  useEffect(() => void (latest.current = value), [value]);
  const [at, setAt] = useState(0);
  const chosen = Math.min(at, value.length - 1);
  const row = value.at(chosen);

  const add = async (files: readonly File[]) => {
    const kept: Row[] = [];
    for (const f of files.slice(0, param.most - value.length)) {
      const photo = await keepPhoto(f);
      if (photo) kept.push(newRow(param, { photo }) as Row);
    }
    if (!kept.length) return;
    // What was changed while the files were read stays.
    onChange([...latest.current, ...kept]);
    setAt(latest.current.length);
  };
  const move = (by: number) => {
    const rows = [...value];
    rows.splice(chosen + by, 0, ...rows.splice(chosen, 1));
    onChange(rows);
    setAt(chosen + by);
  };

  return (
    <>
      <Field label={label} hint={`${param.hint}. On the bench each is dragged inside its letter`}>
        <Button className="w-full" disabled={value.length >= param.most} onClick={() => file.current?.click()}>
          <ImagePlus className="size-4" /> {value.length ? "More files…" : "Choose files…"}
        </Button>
        <input
          ref={file}
          type="file"
          multiple
          accept={photoFiles}
          aria-label={`${label} files`}
          className="hidden"
          onChange={(e) => {
            void add([...(e.target.files ?? [])]);
            e.target.value = "";
          }}
        />
      </Field>
      {value.length > 0 && (
        <div role="radiogroup" aria-label={label} className="grid max-h-40 grid-cols-5 gap-1 overflow-y-auto p-0.5">
          {value.map(({ photo }, i) => (
            <button
              key={i}
              type="button"
              role="radio"
              aria-checked={i === chosen}
              aria-label={`Photo ${i + 1}${photo ? `: ${photo.name}` : ""}`}
              title={photo?.name}
              onClick={() => setAt(i)}
              className={clsx(
                "checker relative aspect-square overflow-hidden rounded border",
                i === chosen ? "border-accent shadow-[0_0_0_1px_var(--accent)]" : "border-rule hover:border-pencil",
              )}
            >
              {photo && (
                // eslint-disable-next-line @next/next/no-img-element -- served by the application itself, in its own size
                <img src={`/api/photos/${photo.id}`} alt="" className="size-full object-cover" />
              )}
              <span className="absolute bottom-0 left-0 rounded-tr bg-graphite/80 px-1 text-[10px] leading-4 text-paper">{i + 1}</span>
            </button>
          ))}
        </div>
      )}
      {row && (
        <div className="space-y-1.5 rounded-lg border border-rule bg-sheet/60 px-2 py-1">
          <div className="flex h-7 items-center">
            <span className="grow font-medium">Photo {chosen + 1}</span>
            <IconButton label="Earlier" className="!size-6" disabled={chosen === 0} onClick={() => move(-1)}>
              <ArrowLeft />
            </IconButton>
            <IconButton label="Later" className="!size-6" disabled={chosen === value.length - 1} onClick={() => move(1)}>
              <ArrowRight />
            </IconButton>
            <IconButton
              label={`Take photo ${chosen + 1} out`}
              className="!size-6"
              onClick={() => onChange(value.filter((_, i) => i !== chosen))}
            >
              <Trash2 />
            </IconButton>
          </div>
          {settings(row, (name, to) => onChange(value.map((r, i) => (i === chosen ? withValue(r, name, to) : r))))}
        </div>
      )}
    </>
  );
}
