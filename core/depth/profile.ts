/** The edge of a body between its face and its sides, as a row of places: how far in from the outline, and how far up to the face. */
export interface ProfilePlace {
  /** From 0, the outline, to 1, the edge of the face. */
  readonly inwards: number;
  /** From 0, where the sides begin, to 1, the face. */
  readonly up: number;
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

/** How far up the profile is a place that lies so far in; of several the lowest. */
export function upAt(profile: readonly ProfilePlace[], inwards: number): number {
  const after = profile.findIndex((p) => p.inwards >= inwards - 1e-12);
  if (after <= 0) return profile[Math.max(0, after)]?.up ?? 1;
  const [a, b] = [profile[after - 1], profile[after]];
  const width = b.inwards - a.inwards;
  return width > 1e-12 ? a.up + ((b.up - a.up) * (inwards - a.inwards)) / width : a.up;
}
