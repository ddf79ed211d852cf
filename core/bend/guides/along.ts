import { contoursOf } from "../../curves/contour";
import type { Path } from "../../curves/path";
import { Track, trackPoint } from "../../curves/track";
import { memoByIdentity } from "../../memo";
import type { Params, Values } from "../../params";
import { reversedGuide, straightGuide } from "../guide";
import type { AnchoredGuide, GuideContext } from "../guide-kind";

/** Settings that any drawn line has, wherever it comes from. */
export const alongParams = {
  start: {
    type: "number",
    label: "Start",
    hint: "Where on the line the words are, from its start to its end",
    default: 50,
    min: 0,
    max: 100,
    step: 1,
    suffix: "%",
  },
  way: {
    type: "choice",
    label: "Runs",
    hint: "Which way the words read along the line",
    default: "upright",
    options: [
      { value: "upright", label: "Upright", hint: "Whichever way the words are not upside down where they stand" },
      { value: "along", label: "Along", hint: "From the start of the line to its end" },
      { value: "back", label: "Back", hint: "From its end to its start, on the other side" },
    ],
  },
} as const satisfies Params;

const place = trackPoint();
const tracks = memoByIdentity<Path, Track | null>(1);

/** The guide along the longest contour of a path; the straight line where there is none. */
export function guideAlong(path: Path, values: Values<typeof alongParams>, { left, width }: GuideContext): AnchoredGuide {
  const track = tracks(path, "", () => {
    const all = contoursOf(path, false).map((c) => new Track(c));
    return all.reduce<Track | null>((best, t) => (t.length > 1e-6 && (!best || t.length > best.length) ? t : best), null);
  });
  if (!track)
    return { guide: straightGuide(left, 0, width), anchor: -left, message: "The guide line has no length, so the words stand straight." };
  const at = (values.start / 100) * track.length;
  track.at(at, place);
  const back = values.way === "back" || (values.way === "upright" && place[2] < 0);
  return back ? { guide: reversedGuide(track), anchor: track.length - at } : { guide: track, anchor: at };
}
