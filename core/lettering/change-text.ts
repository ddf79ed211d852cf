import type { LetterChange, LineOptions } from "./options";

interface Anchored {
  readonly text: string;
  readonly letters: readonly LetterChange[];
  readonly lines: readonly LineOptions[];
  readonly keys?: readonly number[];
}

const breaks = (text: string): number => text.split("\n").length - 1;

/**
 * Puts another text in the place of the one there is, with every change still on its letter and every width on its line: what stands
 * before and after the part that differs keeps what it had. Of a part replaced by one of the same length, such as one letter by another,
 * the changes stay too.
 */
export function withText(old: Anchored, text: string): { text: string; letters: LetterChange[]; lines: LineOptions[]; keys: number[] } {
  const shorter = Math.min(old.text.length, text.length);
  let head = 0;
  while (head < shorter && old.text[head] === text[head]) head++;
  let tail = 0;
  while (tail < shorter - head && old.text.at(-1 - tail) === text.at(-1 - tail)) tail++;
  const longer = text.length - old.text.length;
  const end = old.text.length - tail;
  const letters = old.letters.flatMap((l): LetterChange[] => {
    if (l.at < head) return [l];
    if (l.at >= end) return [{ ...l, at: l.at + longer }];
    return longer === 0 ? [l] : [];
  });
  // The line that the part begins in and the one it ends in, before and after. Where a line is broken in two, or two become one, the
  // settings go with the part that holds letters.
  const first = breaks(old.text.slice(0, head));
  const oldLast = first + breaks(old.text.slice(head, end));
  const newLast = first + breaks(text.slice(head, text.length - tail));
  const atStart = head === 0 || old.text[head - 1] === "\n";
  const plain: LineOptions = { width: null, by: "size" };
  const lines = Array.from({ length: breaks(text) + 1 }, (_, i): LineOptions => {
    const from =
      i < first || (i === first && newLast === oldLast)
        ? i
        : i > newLast
          ? i - newLast + oldLast
          : newLast === first
            ? atStart
              ? oldLast
              : first
            : oldLast === first
              ? i === (atStart ? newLast : first)
                ? first
                : undefined
              : i === first
                ? first
                : i === newLast
                  ? oldLast
                  : undefined;
    return (from !== undefined && old.lines[from]) || plain;
  });
  // Entries that say nothing are left out at the end, so that a plain text keeps a plain document.
  while (lines.length && lines.at(-1)!.width === null) lines.pop();
  const own = keysOf(old);
  const next = own.reduce((a, b) => Math.max(a, b), -1) + 1;
  const fresh = Array.from({ length: text.length - head - tail }, (_, i) => next + i);
  const keys = [...own.slice(0, head), ...(longer === 0 ? own.slice(head, end) : fresh), ...own.slice(end)];
  return { text, letters, lines, keys: keys.every((k, i) => k === i) ? [] : keys };
}

/** The number of each character, which stays its own whatever is typed around it; their order where none were kept. */
export const keysOf = ({ text, keys = [] }: Pick<Anchored, "text" | "keys">): readonly number[] =>
  keys.length === text.length ? keys : Array.from({ length: text.length }, (_, i) => i);
