import { TriangleAlert } from "lucide-react";
import { useEffect, useState } from "react";
import type { Lettering } from "@/core/piece/schema";
import type { Strain } from "@/core/style/carries";
import type { FaceEntry } from "../../api/client";
import { session } from "../../state/session";
import { studioNow, useStudio } from "../../state/store";
import { fileOf, shownStyle } from "../../state/work";

type Strains = Readonly<Record<string, Strain | null>>;

/**
 * Whether each face would carry the style on these words: asked one by one, so that nothing else waits long, and anew when words or style
 * change.
 */
export function useStrains(lettering: Lettering, faces: readonly FaceEntry[]): Strains {
  const [known, setKnown] = useState<{ style: unknown; strains: Strains }>({ style: null, strains: {} });
  const style = useStudio((s) => s.work && shownStyle(s.work, lettering));
  const { id, text } = lettering;
  useEffect(() => {
    let stopped = false;
    void (async () => {
      let strains: Strains = {};
      for (const f of faces) {
        const file = fileOf(studioNow().work!);
        const strain = await session()
          .scene.ask((w) => w.strain(file, id, f.id))
          .catch(() => null);
        if (stopped) return;
        strains = { ...strains, [f.id]: strain };
        setKnown({ style, strains });
      }
    })();
    return () => void (stopped = true);
  }, [faces, id, text, style]);
  // What was said of another style is not shown for this one.
  return known.style === style ? known.strains : {};
}

export function StrainNote({ strain }: { strain: Strain | null | undefined }) {
  if (!strain?.closed) return null;
  return (
    <span data-strain className="flex items-center gap-1 text-xs text-warn">
      <TriangleAlert className="size-3.5 shrink-0" /> The {Math.round(strain.inset)}-unit inset closes {strain.closed} of {strain.of}{" "}
      letters
    </span>
  );
}
