import { withText } from "@/core/lettering/change-text";
import { newLetterChange, type LetterChange } from "@/core/lettering/options";
import type { Lettering } from "@/core/piece/schema";
import type { Work } from "../work";
import { editLettering } from "./items";

/** Another text in a lettering, with what was done to single letters and lines still on them. */
export const setText = (work: Work, id: string, text: string): Work =>
  editLettering(work, [id], (l) => {
    const next = withText(l, text);
    [l.text, l.letters, l.lines, l.keys] = [next.text, next.letters, next.lines, next.keys];
  });

export const changeAt = (l: Lettering, at: number): LetterChange => l.letters.find((c) => c.at === at) ?? newLetterChange(at);

const plain = (c: LetterChange): boolean => JSON.stringify(c) === JSON.stringify(newLetterChange(c.at));

/** Changes single letters, named by where they start in the text. A letter that is as the face has it leaves no entry. */
export const editLetters = (work: Work, id: string, places: readonly number[], change: (c: LetterChange) => LetterChange): Work =>
  editLettering(work, [id], (l) => {
    const others = l.letters.filter((c) => !places.includes(c.at));
    const changed = places.map((at) => change(changeAt(l, at)));
    l.letters = [...others, ...changed.filter((c) => !plain(c))].sort((a, b) => a.at - b.at);
  });
