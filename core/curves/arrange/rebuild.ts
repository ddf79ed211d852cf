import { ContourBuilder, reversed, type Contour } from "../contour";
import { join, junctionAt } from "./junction";
import type { GridMesh } from "./mesh";
import type { Reach } from "./rings";
import { emit, sectionOf, type Section } from "./section";
import type { Strands } from "./strands";
import { withoutIdleNodes } from "./tidy";

export interface Rebuilt {
  /** Nothing where all of the ring is too short to keep. */
  readonly contour: Contour | undefined;
  /** How many junctions are not at a common point of their two curves, which stay more than `slack` units apart there. */
  readonly misses: number;
}

/** How closely curves are known: how far chords lie from them, and how far apart they may be where they are joined. In units. */
export interface Closeness {
  readonly chord: number;
  readonly slack: number;
}

/**
 * A ring as one contour: between its ends the segments of a reach are those of its source, bit for bit; where two meet, both are
 * cut at their exact common point, found by Newton's method from where their chords met.
 */
export function rebuild(mesh: GridMesh, { nodeX, nodeY }: Strands, ring: readonly Reach[], { chord, slack }: Closeness): Rebuilt {
  if (ring.length === 1) {
    const [{ contour, u0, u1, from, to }] = ring;
    const c = mesh.contours[contour];
    // The whole of a contour: also where it only ran through nodes that turned out to be no borders.
    if (from < 0 || (from === to && Math.abs(Math.abs(u1 - u0) - c.size) < 1e-9)) return { contour: u1 > u0 ? c : reversed(c), misses: 0 };
  }
  const sections: Section[] = [];
  for (const reach of ring) {
    const section = sectionOf(mesh.contours[reach.contour], reach);
    if (section) sections.push(section);
  }
  if (sections.length === 0) return { contour: undefined, misses: 0 };
  const after = (i: number) => sections[(i + 1) % sections.length];
  let misses = 0;
  sections.forEach((section, i) => {
    const node = junctionAt(nodeX[section.to], nodeY[section.to], mesh.grid, chord);
    if (join(section, after(i), node) > slack) misses++;
  });
  const out = new ContourBuilder();
  const { start } = sections[0];
  out.move(start.x, start.y);
  sections.forEach((section, i) => emit(section, out, after(i).start));
  if (out.size === 0) return { contour: undefined, misses };
  // A last section that was too short to keep leaves a gap of less than that.
  out.endAt(start.x, start.y);
  return { contour: withoutIdleNodes(out.build(true)), misses };
}
