/**
 * OpenType features that a letterer chooses, by plain names (OpenType specification, layout tag registry). Those that a script cannot be
 * set without, such as the joining forms of Arabic, are not a choice and not listed.
 */
const names: Readonly<Record<string, string>> = {
  liga: "Ligatures",
  dlig: "Rare ligatures",
  hlig: "Historical ligatures",
  clig: "Contextual ligatures",
  calt: "Contextual forms",
  swsh: "Swashes",
  cswh: "Contextual swashes",
  salt: "Stylistic alternates",
  titl: "Titling forms",
  hist: "Historical forms",
  rand: "Random forms",
  smcp: "Small capitals",
  c2sc: "Small capitals from capitals",
  pcap: "Petite capitals",
  c2pc: "Petite capitals from capitals",
  unic: "Unicase",
  case: "Forms among capitals",
  cpsp: "Capital spacing",
  ordn: "Ordinals",
  frac: "Fractions",
  afrc: "Stacked fractions",
  sups: "Superscript",
  subs: "Subscript",
  sinf: "Scientific inferiors",
  lnum: "Lining figures",
  onum: "Old-style figures",
  pnum: "Proportional figures",
  tnum: "Tabular figures",
  zero: "Slashed zero",
  ornm: "Ornaments",
  kern: "Kerning",
};

/** Features that are on unless they are turned off. */
export const onByDefault: ReadonlySet<string> = new Set(["liga", "clig", "calt", "kern"]);

/** Its plain name; undefined where it is not for a letterer to choose. */
export function featureName(tag: string): string | undefined {
  const set = /^ss(\d\d)$/.exec(tag);
  if (set && Number(set[1]) >= 1 && Number(set[1]) <= 20) return `Stylistic set ${Number(set[1])}`;
  const variant = /^cv(\d\d)$/.exec(tag);
  if (variant && Number(variant[1]) >= 1) return `Character variant ${Number(variant[1])}`;
  return names[tag];
}

/** Features through which one letter has other forms. */
export const isAlternate = (tag: string): boolean =>
  ["aalt", "salt", "swsh", "cswh", "titl", "hist", "smcp", "onum", "lnum", "zero", "ornm", "ordn", "sups", "subs", "unic"].includes(tag) ||
  /^(ss|cv)\d\d$/.test(tag);
