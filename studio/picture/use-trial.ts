import { useEffect, useRef, useState } from "react";
import type { StudioSettings } from "@/core/piece/studio-picture";
import type { Style } from "@/core/style/schema";
import type { StudioBody } from "@/worker/studio/order";
import type { StudioClient } from "../engine/studio-client";
import { orderFor } from "../state/studio-picture";

/** Milliseconds without a change after which settings are tried. */
const rest = 200;

/** What is seen of settings while they are tried. */
export interface Trial {
  /** From 0 to 1; 1 when it is done. */
  readonly done: number;
  readonly problem: string | null;
}

/**
 * Takes small pictures of a body while its settings change, each as soon as there is something to be seen of it, and draws them.
 * @param held while a picture is taken at its own size: nothing is tried
 */
export function useTrial(client: StudioClient, body: StudioBody | null, settings: StudioSettings, style: Style, held: boolean) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [trial, setTrial] = useState<Trial>({ done: 0, problem: null });
  const { side: _, quality: __, ...seen } = settings;
  const asked = JSON.stringify([seen, style.inks]);
  useEffect(() => {
    if (!body || held) return;
    let gone = false;
    const draw = (image: ImageBitmap) => {
      const to = canvas.current;
      if (gone || !to) return;
      [to.width, to.height] = [image.width, image.height];
      to.getContext("2d")!.drawImage(image, 0, 0);
    };
    const timer = setTimeout(() => {
      setTrial({ done: 0, problem: null });
      client
        .take(orderFor(body, settings, style, false), (done, of, soFar) => {
          if (gone) return;
          setTrial({ done: done / of, problem: null });
          if (soFar) draw(soFar);
        })
        .then(async (print) => {
          if (!gone && print) draw(await createImageBitmap(print.png));
        })
        .catch((error: Error) => !gone && setTrial({ done: 1, problem: error.message }));
    }, rest);
    return () => {
      // What is under way ends when the next picture is taken.
      gone = true;
      clearTimeout(timer);
    };
    // The settings that are seen, as text: others change nothing here.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [client, body, asked, held]);
  return { canvas, trial };
}
