import type { ChoiceParam } from "../../params";
import type { Part } from "../shape";

/** What takes turns. */
export type TurnBy = "letter" | "word" | "line";

/** @param one what comes in its turn, in a sentence */
export const turnByParam = (one: string): ChoiceParam<TurnBy> => ({
  type: "choice",
  label: "By",
  hint: `What each ${one} is for`,
  default: "letter",
  options: [
    { value: "letter", label: "Letter", hint: `The next letter has the next ${one}` },
    { value: "word", label: "Word", hint: `The next word has the next ${one}` },
    { value: "line", label: "Line", hint: `The next line has the next ${one}` },
  ],
});

/**
 * The parts that share a turn, in order. By what is there: a blank takes no turn, and what a letter falls into shares its own.
 * @returns for each turn the place that it is for (a letter's, a word's or a line's number) and its parts
 */
export function inTurn(parts: readonly Part[], by: TurnBy): { readonly place: number; readonly parts: readonly Part[] }[] {
  const placeOf = (p: Part, i: number) => (by === "line" ? p.line : by === "word" ? (p.word ?? 0) : (p.letter ?? i));
  const turns = new Map<number, Part[]>();
  parts.forEach((p, i) => {
    const place = placeOf(p, i);
    const known = turns.get(place);
    if (known) known.push(p);
    else turns.set(place, [p]);
  });
  return [...turns].map(([place, own]) => ({ place, parts: own }));
}
