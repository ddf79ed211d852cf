import type { Lettering } from "@/core/piece/schema";
import { useAlternates } from "../face-facts";
import { changeAt, editLetters } from "../state/edits/letters";
import { studioNow } from "../state/store";
import { OutlinePicture } from "./outline-picture";

/** The other forms of a letter as pictures, to pick one; nothing where the face has none. */
export function Alternates({ lettering, at }: { lettering: Lettering; at: number }) {
  const alternates = useAlternates(lettering, at);
  const { change } = studioNow();
  const shown = changeAt(lettering, at).alternate;
  if (!alternates?.length) return null;
  const pick = (alternate: typeof shown) => change((w) => editLetters(w, lettering.id, [at], (c) => ({ ...c, alternate })));
  const look =
    "size-11 shrink-0 rounded-md border border-rule bg-sheet p-1 hover:border-accent aria-pressed:border-accent aria-pressed:bg-wash";
  return (
    <div role="group" aria-label="Other forms" className="flex flex-wrap gap-1">
      <button
        type="button"
        aria-label="As the face sets it"
        aria-pressed={!shown}
        onClick={() => pick(null)}
        className={`${look} text-[10px] leading-3 text-pencil`}
      >
        as set
      </button>
      {alternates.map((a) => (
        <button
          key={`${a.tag} ${a.value}`}
          type="button"
          title={a.name}
          aria-label={`${a.name} ${a.value}`}
          aria-pressed={shown?.tag === a.tag && shown.value === a.value}
          onClick={() => pick({ tag: a.tag, value: a.value })}
          className={look}
        >
          <OutlinePicture picture={a.picture} className="size-full text-graphite" />
        </button>
      ))}
    </div>
  );
}
