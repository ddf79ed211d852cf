/** The edge of a body between its face and its sides, as a row of places: how far in from the outline, and how far up to the face. */
export interface ProfilePlace {
  /** From 0, the outline, to 1, the edge of the face. */
  readonly inwards: number;
  /** From 0, where the sides begin, to 1, the face. */
  readonly up: number;
}

/** A place of a profile that was drawn, in percent: how far in, and how far up. */
export interface DrawnPlace {
  readonly at: number;
  readonly value: number;
}

export const edgeProfiles = ["bevel", "round", "cove", "step"] as const;
export type EdgeProfile = (typeof edgeProfiles)[number];

/** Slopes that a round edge is made of. */
const slopes = 5;

const arc = (at: (t: number) => ProfilePlace): ProfilePlace[] =>
  Array.from({ length: slopes + 1 }, (_, i) => at((i / slopes) * (Math.PI / 2)));

/** A bevel is one slope, a round edge a quarter of a circle, a cove one hollowed out, a step a ledge with an upright edge. */
export function profileOf(kind: EdgeProfile): readonly ProfilePlace[] {
  switch (kind) {
    case "bevel":
      return [
        { inwards: 0, up: 0 },
        { inwards: 1, up: 1 },
      ];
    case "round":
      return arc((a) => ({ inwards: 1 - Math.cos(a), up: Math.sin(a) }));
    case "cove":
      return arc((a) => ({ inwards: Math.sin(a), up: 1 - Math.cos(a) }));
    case "step":
      return [
        { inwards: 0, up: 0 },
        { inwards: 1, up: 0 },
        { inwards: 1, up: 1 },
      ];
  }
}

/** Slopes of an edge at most, for a picture while something is dragged. */
const fewSlopes = 3;

/** A profile in fewer slopes: every so many of its places, and both its ends. */
export function coarser(profile: readonly ProfilePlace[]): readonly ProfilePlace[] {
  const slopes = profile.length - 1;
  if (slopes <= fewSlopes) return profile;
  return Array.from({ length: fewSlopes + 1 }, (_, i) => profile[Math.round((i * slopes) / fewSlopes)]);
}

/** Pieces that a soft stretch between two places is drawn with. */
const pieces = 4;

/**
 * A profile that was drawn: from the outline to the face through places in order, straight or softly (the curve of Catmull and Rom, 1974).
 * Where it would run back, out or down, it stays: what lies deeper must not lie over what is higher.
 */
export function drawnProfile(places: readonly DrawnPlace[], soft: boolean): readonly ProfilePlace[] {
  const whole = [{ at: 0, value: 0 }, ...places, { at: 100, value: 100 }].map((p) => ({ inwards: p.at / 100, up: p.value / 100 }));
  const through = soft ? softened(whole) : whole;
  const run: ProfilePlace[] = [];
  for (const { inwards, up } of through) {
    const last = run.at(-1) ?? { inwards: 0, up: 0 };
    const next = { inwards: Math.min(1, Math.max(last.inwards, inwards)), up: Math.min(1, Math.max(last.up, up)) };
    if (!run.length || next.inwards - last.inwards + next.up - last.up > 1e-6) run.push(next);
  }
  return run;
}

function softened(places: readonly ProfilePlace[]): ProfilePlace[] {
  const distinct = places.filter((p, i) => i === 0 || Math.hypot(p.inwards - places[i - 1].inwards, p.up - places[i - 1].up) > 1e-6);
  const at = (i: number) => distinct[Math.min(distinct.length - 1, Math.max(0, i))];
  return distinct.flatMap((b, i) => {
    if (i + 1 === distinct.length) return [b];
    const [a, c, d] = [at(i - 1), at(i + 1), at(i + 2)];
    const mixed = (of: (p: ProfilePlace) => number, t: number) =>
      (2 * of(b) +
        (of(c) - of(a)) * t +
        (2 * of(a) - 5 * of(b) + 4 * of(c) - of(d)) * t ** 2 +
        (3 * of(b) - of(a) - 3 * of(c) + of(d)) * t ** 3) /
      2;
    return Array.from({ length: pieces }, (_, k) => ({
      inwards: mixed((p) => p.inwards, k / pieces),
      up: mixed((p) => p.up, k / pieces),
    }));
  });
}

/** How far up the profile is a place that lies so far in; of several the lowest. */
export function upAt(profile: readonly ProfilePlace[], inwards: number): number {
  const after = profile.findIndex((p) => p.inwards >= inwards - 1e-12);
  if (after <= 0) return profile[Math.max(0, after)]?.up ?? 1;
  const [a, b] = [profile[after - 1], profile[after]];
  const width = b.inwards - a.inwards;
  return width > 1e-12 ? a.up + ((b.up - a.up) * (inwards - a.inwards)) / width : a.up;
}
