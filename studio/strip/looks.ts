import { useEffect, useMemo, useState } from "react";
import type { Style } from "@/core/style/schema";
import { session } from "../state/session";
import { studioNow } from "../state/store";
import { fileOf } from "../state/work";

/** Pixels that a picture is seen at. */
const usual = 150;

/** A picture of an item in a style, as the address of an image, or why there is none. */
export type Look = { readonly src: string } | { readonly message: string };

/**
 * Pictures of an item in styles, by their keys, drawn one after the other so that the bench stays free; those that are there already stay
 * until the new ones come.
 */
export function useLooks(itemId: string | undefined, styles: ReadonlyMap<string, Style>): ReadonlyMap<string, Look> {
  const tries = useMemo(() => new Map([...styles].map(([key, style]) => [key, { style }])), [styles]);
  return useTries(itemId, tries);
}

/** As `useLooks`, in other faces, too. */
export function useTries(
  itemId: string | undefined,
  tries: ReadonlyMap<string, { readonly style: Style; readonly face?: string }>,
  width = usual,
): ReadonlyMap<string, Look> {
  const [looks, setLooks] = useState<ReadonlyMap<string, Look>>(new Map());
  useEffect(() => {
    let wanted = true;
    const draw = async () => {
      for (const [key, { style, face }] of tries) {
        const { work } = studioNow();
        if (!wanted || !work || itemId === undefined) return;
        const look = await session()
          .scene.ask((w) => w.look(fileOf(work), itemId, style, width, face))
          .then((svg): Look => ({ src: `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}` }))
          .catch((error: Error): Look => ({ message: error.message }));
        if (wanted) setLooks((before) => new Map(before).set(key, look));
      }
    };
    void draw();
    return () => {
      wanted = false;
    };
  }, [itemId, tries, width]);
  return looks;
}
