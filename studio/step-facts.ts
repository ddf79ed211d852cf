import { useEffect } from "react";
import { create } from "zustand";
import { formStepKind } from "@/core/coat/forms";
import type { StepFacts } from "@/core/coat/form-step";
import { session } from "./state/session";
import { useShownStyle, useStudio } from "./state/store";
import { fileOf } from "./state/work";

type Facts = Readonly<Record<string, StepFacts>>;
interface Known {
  readonly facts: Facts;
  /** The coat that they are of. */
  readonly of: string;
}

const nothing: Facts = {};
/** Shown in the drawer and on the bench: asked for once. */
const useKnown = create<Known>(() => ({ facts: nothing, of: "" }));

const keyOf = (item: string | undefined, coat: string | null): string => `${item} ${coat}`;

/** What there is to say of the steps of the chosen coat, by the steps' ids. While it is found out, what was said before stays. */
export function useStepFacts(): Facts {
  const item = useStudio((s) => s.selection.at(-1));
  const coat = useStudio((s) => s.coatId);
  return useKnown((s) => (s.of === keyOf(item, coat) ? s.facts : nothing));
}

/** Asks for them whenever the chosen coat, its item or what these are made of has changed, and nothing is being dragged. */
export function useAskForStepFacts(): void {
  const item = useStudio((s) => s.selection.at(-1));
  const coatId = useStudio((s) => s.coatId);
  const work = useStudio((s) => s.work);
  const stage = useStudio((s) => s.stage);
  const style = useShownStyle();
  const coat = style?.coats.find((c) => c.id === coatId);
  const asks = stage === "coats" && Boolean(coat?.form.some((s) => s.on && formStepKind(s.kind).facts));
  useEffect(() => {
    const of = keyOf(item, coatId);
    if (!work || item === undefined || coatId === null || !asks) return useKnown.setState({ facts: nothing, of });
    let wanted = true;
    // Typing and dragging change the work many times a second: it is asked when they rest.
    const timer = setTimeout(() => {
      void session()
        .scene.ask((w) => w.facts(fileOf(work), { item, coat: coatId }))
        .then((facts) => wanted && useKnown.setState({ facts, of }))
        .catch(() => wanted && useKnown.setState({ facts: nothing, of }));
    }, 150);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [work, item, coatId, asks]);
}
