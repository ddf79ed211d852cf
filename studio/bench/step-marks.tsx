import { toggledMark } from "@/core/coat/marks";
import { withValue, type Mark } from "@/core/params";
import type { ItemUpdate } from "@/worker/protocol";
import { editCoat } from "../state/edits/style";
import { studioNow, useStudio } from "../state/store";
import { useAskForStepFacts, useStepFacts } from "../step-facts";
import { placeOf } from "./place";

/** Places on the letters that a click switches, of the steps of the chosen coat. */
export function StepMarks({ item }: { item: ItemUpdate }) {
  useAskForStepFacts();
  const facts = useStepFacts();
  const view = useStudio((s) => s.view);
  const coatId = useStudio((s) => s.coatId);
  const { toScreen } = placeOf(item, view);
  const toggle = (step: string, { param, of, x, y }: Mark & { readonly param: string }) =>
    studioNow().changeStyle((style) =>
      editCoat(style, coatId!, (coat) => ({
        ...coat,
        form: coat.form.map((s) => {
          if (s.id !== step) return s;
          const marks = (s as unknown as Readonly<Record<string, readonly Mark[]>>)[param];
          return withValue(s, param, toggledMark(marks, { of, x, y }));
        }),
      })),
    );
  return Object.entries(facts).flatMap(([step, { marks = [] }]) =>
    marks.map((mark, i) => {
      const at = toScreen(mark.at);
      return (
        <g
          key={`${step} ${i}`}
          role="switch"
          aria-checked={mark.on}
          aria-label={`${mark.label}: ${mark.of}`}
          tabIndex={0}
          data-mark={step}
          className="cursor-pointer outline-offset-2"
          onPointerDown={(e) => {
            e.stopPropagation();
            if (e.button === 0) toggle(step, mark);
          }}
          onKeyDown={(e) => {
            if (e.key !== "Enter" && e.key !== " ") return;
            e.preventDefault();
            e.stopPropagation();
            toggle(step, mark);
          }}
        >
          <title>{`${mark.label} (on every ${mark.of})`}</title>
          <circle cx={at.x} cy={at.y} r={10} fill="transparent" />
          <circle cx={at.x} cy={at.y} r={4.5} fill={mark.on ? "var(--accent)" : "var(--sheet)"} stroke="var(--accent)" strokeWidth={1.5} />
        </g>
      );
    }),
  );
}
