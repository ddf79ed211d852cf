import createBidi from "bidi-js";

export interface Run {
  /** UTF-16 positions in the text. */
  readonly from: number;
  readonly to: number;
  readonly rtl: boolean;
}

const bidi = createBidi();

/**
 * Parts of one line that are shaped as a whole, from left to right as they stand: one direction each (Unicode
 * Standard Annex 9) and, within it, one script each, since a shaper reads a run by a single script's rules.
 * @param direction of the line as a whole; auto takes that of its first letter
 */
export function visualRuns(line: string, direction: "auto" | "ltr" | "rtl" = "auto"): Run[] {
  if (line === "") return [];
  const { levels } = bidi.getEmbeddingLevels(line, direction);
  const byLevel: { from: number; to: number; level: number }[] = [];
  for (let i = 0; i < line.length; i++) {
    const last = byLevel.at(-1);
    if (last && last.level === levels[i]) last.to = i + 1;
    else byLevel.push({ from: i, to: i + 1, level: levels[i] });
  }
  const pieces = byLevel.flatMap((r) => byScript(line, r.from, r.to).map((p) => ({ ...p, level: r.level })));
  // Rule L2: reverse every stretch at or above each level, from the highest to the lowest odd one.
  const top = Math.max(...pieces.map((p) => p.level));
  for (let level = top; level >= 1; level--)
    for (let i = 0; i < pieces.length; i++) {
      let k = i;
      while (k < pieces.length && pieces[k].level >= level) k++;
      if (k > i) pieces.splice(i, k - i, ...pieces.slice(i, k).reverse());
      i = Math.max(i, k - 1);
    }
  return pieces.map(({ from, to, level }) => ({ from, to, rtl: level % 2 === 1 }));
}

const scripts = ["Latin", "Arabic", "Devanagari", "Hebrew", "Greek", "Cyrillic", "Thai", "Bengali", "Tamil"].map((name) => ({
  name,
  test: new RegExp(`\\p{Script=${name}}`, "u"),
}));

function scriptOf(character: string): string | undefined {
  if (/[\p{Script=Common}\p{Script=Inherited}]/u.test(character)) return undefined;
  return scripts.find((s) => s.test.test(character))?.name ?? "Other";
}

function byScript(text: string, from: number, to: number): { from: number; to: number }[] {
  const out: { from: number; to: number; script: string | undefined }[] = [];
  let i = from;
  for (const c of text.slice(from, to)) {
    const script = scriptOf(c);
    const last = out.at(-1);
    if (last && (script === undefined || last.script === undefined || last.script === script)) {
      last.to = i + c.length;
      last.script ??= script;
    } else out.push({ from: i, to: i + c.length, script });
    i += c.length;
  }
  return out;
}
