import type { Kernel, NamedWarp } from "../curves/kernel";
import type { Point } from "../curves/matrix";
import type { Path } from "../curves/path";
import { memoByIdentity } from "../memo";
import type { Setting } from "../lettering/setting";
import { unbent, warped, type Bent } from "./bent";
import { coonsMap } from "./coons";
import { caretsInRows, rowsOf, rowWarp, type SquareMap } from "./rows";
import type { FitBend } from "./schema";
import { edgesOf, findCorners, outerTrack, type Corners } from "./shape-edges";
import type { Track } from "../curves/track";

interface Ground {
  readonly track: Track;
  readonly found: Corners;
}
const grounds = memoByIdentity<Path, Ground | null>(4);
const maps = memoByIdentity<Track, SquareMap>(4);

/** A lettering pressed into a shape, with the corners that its outline was parted at. */
export interface Fitted extends Bent {
  readonly corners?: readonly { readonly share: number; readonly x: number; readonly y: number }[];
  /** Places along the outline at equal shares of its length, to find the share nearest to a point. */
  readonly outline?: readonly Point[];
}

/** Enough to put a corner within a quarter of a percent of the outline. */
const places = 400;

/**
 * Fills a shape with a setting: its outline is parted into top, right, bottom and left, and the lines lie one over the other in the
 * patch between them.
 * @param outline of the shape, in lettering space; undefined where it is gone
 */
export function inShape(setting: Setting, bend: FitBend, outline: Path | undefined, kernel: Kernel, key: string): Fitted {
  if (!outline) {
    const why = bend.shape
      ? "The shape that these words filled is gone, so they stand straight."
      : "Choose a shape for these words to fill.";
    return { ...unbent(setting), messages: [why] };
  }
  const ground = grounds(outline, `${bend.inset}`, () => {
    // Crossings are resolved first, so that a shape that crosses itself has an inside.
    const { exact } = kernel;
    const filled = exact.weld(outline);
    const inset = bend.inset === 0 ? filled : exact.grow(filled, -bend.inset, { kind: "miter", limit: 4 });
    const track = outerTrack(inset);
    return track ? { track, found: findCorners(track) } : null;
  });
  if (!ground) {
    const why =
      bend.inset > 0
        ? "Nothing is left of the shape at this inset, so the words stand straight."
        : "This shape encloses nothing, so the words stand straight.";
    return { ...unbent(setting), messages: [why] };
  }
  const { track, found } = ground;
  const corners = bend.corners ?? found;
  const map = maps(track, JSON.stringify(corners), () => coonsMap(edgesOf(track, corners)));
  const rows = rowsOf(setting);
  const warps = setting.lines.map((l, line): NamedWarp => ({
    warp: rowWarp(setting, line, map, rows[line], bend.gap),
    key: `${key} ${JSON.stringify([corners, rows[line], line, l.ink])}`,
  }));
  const p = new Float64Array(6);
  const at = (share: number): Point => {
    track.at(share * track.length, p);
    return { x: p[0], y: p[1] };
  };
  return {
    ...warped(caretsInRows(setting), kernel, (line) => warps[line]),
    corners: corners.map((share) => ({ share, ...at(share) })),
    outline: Array.from({ length: places }, (_, i) => at(i / places)),
  };
}
