import { TriangleAlert } from "lucide-react";
import { useEffect, useState } from "react";
import { toast } from "sonner";
import type { Lettering } from "@/core/piece/schema";
import { Button } from "../parts/button";
import { setOwnStyle } from "../state/edits/style";
import { session } from "../state/session";
import { studioNow, useShownStyle } from "../state/store";
import { sayUndoable } from "../state/undoable";
import { fileOf } from "../state/work";

/** Milliseconds without a change after which it is asked. */
const rest = 250;
/** Letters of a word that are named, at most. */
const named = 8;

/** Says which letters the style's insets close on this word, and eases the insets in one click. */
export function StrainLine({ lettering }: { lettering: Lettering }) {
  const style = useShownStyle();
  const { id, text, face, size } = lettering;
  const [strain, setStrain] = useState<{ of: unknown; inset: number; letters: readonly string[] } | null>(null);
  useEffect(() => {
    let wanted = true;
    // A drag changes the style many times a second: it is asked when the hand rests.
    const timer = setTimeout(() => {
      const file = fileOf(studioNow().work!);
      void session()
        .scene.ask((w) => w.strain(file, id))
        .then((s) => wanted && setStrain(s && { of: style, inset: s.inset, letters: s.letters }))
        .catch(() => wanted && setStrain(null));
    }, rest);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [id, text, face, size, style]);
  if (!strain?.letters.length || strain.of !== style) return null;
  const letters = [...new Set(strain.letters)];
  const ease = async () => {
    try {
      const file = fileOf(studioNow().work!);
      const made = await session().scene.ask((w) => w.ease(file, id));
      if (!made) return;
      studioNow().change((w) => setOwnStyle(w, id, made.style));
      sayUndoable(`What goes into these letters is ${Math.round(made.share * 100)} % as deep here.`);
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  return (
    <div data-strain-line className="flex items-center gap-2 rounded-md border border-rule bg-sheet/60 px-2 py-1.5 text-xs">
      <TriangleAlert className="size-4 shrink-0 text-warn" />
      <span className="min-w-0 grow">
        The {Math.round(strain.inset)}-unit inset closes {letters.slice(0, named).join(" ")}
        {letters.length > named ? " and more" : ""}
      </span>
      <Button className="!h-7 shrink-0" onClick={() => void ease()}>
        Ease it
      </Button>
    </div>
  );
}
