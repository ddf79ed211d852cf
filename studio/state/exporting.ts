import { useEffect, useState } from "react";
import { outputOf, type OutputName, type OutputStep } from "@/core/output/outputs";
import type { Wish } from "@/core/piece/exported";
import { api } from "../api/client";
import { session } from "./session";
import { useParts } from "./store";
import { fileOf, type Work } from "./work";

/** Writes a file: here, or on the server where the output needs what a browser has not. @throws Error with a message for the user */
export async function writtenFile(work: Work, wish: Wish, output: OutputStep, signal: AbortSignal): Promise<Blob> {
  const { needs = [], mediaType } = outputOf(output.kind);
  const request = { file: fileOf(work), ...wish, output };
  if (needs.length) return api.export(request, signal);
  const file = await session().scene.ask((w) => w.write(request));
  return new Blob([typeof file === "string" ? file : new Uint8Array(file)], { type: mediaType });
}

/** Milliseconds without a change after which outputs are asked. */
const rest = 150;

export type Refusals = Readonly<Partial<Record<OutputName, string | null>>>;

/** Why outputs do not write what is shown, by their names, as it is at each scene. */
export function useRefusals(wish: Wish, outputs: readonly OutputStep[]): Refusals {
  const { work, scene } = useParts("work", "scene");
  const [refusals, setRefusals] = useState<Refusals>({});
  const asked = JSON.stringify([wish, outputs]);
  useEffect(() => {
    let gone = false;
    const [at, steps] = JSON.parse(asked) as [Wish, OutputStep[]];
    const ask = () =>
      void session()
        .scene.ask((w) => w.refusals(fileOf(work!), at, steps))
        // What cannot be said now is said when it is exported.
        .catch(() => steps.map(() => null))
        .then((why) => {
          if (!gone) setRefusals(Object.fromEntries(steps.map((s, i) => [s.kind, why[i]])));
        });
    // Not at each scene of a drag: the worker would draw all of them exactly.
    const timer = setTimeout(ask, rest);
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [work, scene, asked]);
  return refusals;
}
