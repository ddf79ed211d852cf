import * as z from "zod";

/** Past this the bench would no longer follow the hand; long before it, it is no longer lettering. */
export const longestText = 2000;

export const alignments = ["left", "centre", "right", "justified"] as const;
export type Alignment = (typeof alignments)[number];

export const directions = ["auto", "ltr", "rtl"] as const;
export const lineFits = ["size", "spacing", "axis"] as const;

const tag = z.string().length(4);
const thousandths = z.number().min(-20_000).max(20_000).default(0);

/** What was done to one letter. It belongs to the letter that starts at `at` and moves with it when text is put in before. */
export const letterChangeSchema = z.object({
  /** UTF-16 position in the text. */
  at: z.number().int().min(0).max(longestText),
  /** Thousandths of the em. */
  right: thousandths,
  down: thousandths,
  /** Degrees, clockwise, about the middle of the letter. */
  turn: z.number().min(-360).max(360).default(0),
  /** Ratios. */
  width: z.number().min(0.05).max(20).default(1),
  height: z.number().min(0.05).max(20).default(1),
  /** Degrees by which its stems lean to the right. */
  slant: z.number().min(-80).max(80).default(0),
  /** Thousandths of the em added after it. */
  space: thousandths,
  /** Another form of it: an OpenType feature and its value. */
  alternate: z
    .object({ tag, value: z.number().int().min(1).max(999) })
    .nullable()
    .default(null),
  /** Inks of the style that are another ink in this letter. */
  inks: z.record(z.string().max(64), z.string().max(64)).default({}),
});
export type LetterChange = z.infer<typeof letterChangeSchema>;

export const newLetterChange = (at: number): LetterChange => letterChangeSchema.parse({ at });

/** All letters nudged and turned at random, by at most these amounts. */
export const loosenSchema = z.object({
  /** Thousandths of the em. */
  shift: z.number().min(0).max(1000),
  /** Degrees. */
  turn: z.number().min(0).max(180),
  /** Percent. */
  size: z.number().min(0).max(90),
  seed: z.number().int().min(0).max(1e9),
});
export type Loosen = z.infer<typeof loosenSchema>;

/** A line fitted to an exact width of ink, in pixels of the board; null leaves it as it is. */
export const lineSchema = z.object({
  width: z.number().min(0.1).max(1e6).nullable().default(null),
  by: z.enum(lineFits).default("size"),
});
export type LineOptions = z.infer<typeof lineSchema>;

/** How the words of a lettering are set. */
export const settingFields = {
  text: z.string().max(longestText, `A lettering holds at most ${longestText} characters.`),
  face: z.string().min(1).max(64),
  /** Places on the axes of a variable face, by tag; what is not named stands as the face has it. */
  axes: z.record(tag, z.number().min(-1e5).max(1e5)).default({}),
  /** OpenType features, by tag: 0 is off. */
  features: z.record(tag, z.number().int().min(0).max(999)).default({}),
  /** A BCP 47 language, for faces whose forms differ by language. */
  language: z.string().max(35).nullable().default(null),
  direction: z.enum(directions).default("auto"),
  /** Pixels of the board to the em. */
  size: z.number().min(1).max(20_000),
  /** Thousandths of the em, between letters and at every word space. */
  letterSpacing: z.number().min(-500).max(5000),
  wordSpacing: z.number().min(-1000).max(5000).default(0),
  /** Baseline to baseline, as a ratio of the em. */
  lineSpacing: z.number().min(0).max(10),
  align: z.enum(alignments),
  /** Whether round letters hang out over the edge of the lines. */
  optical: z.boolean().default(false),
  /** Spaces as the face has them, or such that the areas between neighbouring letters are equal. */
  gaps: z.enum(["face", "even"]).default("face"),
  /** Width of the letters as a ratio of what they are in the face. */
  stretch: z.number().min(0.1).max(10).default(1),
  /** One entry a line of text. */
  lines: z.array(lineSchema).max(200).default([]),
  letters: z.array(letterChangeSchema).max(longestText).default([]),
  /** A number for each character, which stays its own while others are typed before it; empty where they are in order. */
  keys: z.array(z.number().int().min(0).max(1e9)).max(longestText).default([]),
  loosen: loosenSchema.nullable().default(null),
  /** Whether letters that touch are one shape before the coats are built. */
  joined: z.boolean().default(true),
};
export const settingSchema = z.object(settingFields);
export type SettingValues = z.infer<typeof settingSchema>;
