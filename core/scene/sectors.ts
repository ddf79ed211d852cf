import { mixSrgb } from "../colour";
import type { SceneFill, SceneStop } from "./scene";

export type AngularFill = Extract<SceneFill, { kind: "angular" }>;

/** A wedge of one colour: three corners, the first in the centre. */
export interface Sector {
  readonly colour: string;
  readonly opacity: number;
  readonly corners: readonly { readonly x: number; readonly y: number }[];
}

/** Steps of 255 that two neighbours differ by: less is not seen. */
const finest = 2;
/** Degrees of the widest wedge, and of what opaque ones reach under those after them: where many meet in one pixel, no ground shows. */
const widest = 10;
const under = 50;

/** An angular fill as wedges, as fine as the eye tells colours apart: neither SVG nor PDF draws one otherwise. */
export function sectorsOf({ centre, turn, box, stops }: AngularFill): Sector[] {
  // As far as the flat side of the widest is from the centre.
  const reach = 1.2 * Math.hypot(Math.max(centre.x - box.minX, box.maxX - centre.x), Math.max(centre.y - box.minY, box.maxY - centre.y));
  const at = (degrees: number) => {
    const a = ((turn + degrees) * Math.PI) / 180;
    return { x: centre.x + reach * Math.cos(a), y: centre.y + reach * Math.sin(a) };
  };
  const first = { ...stops[0], offset: 0 };
  const last = { ...stops[stops.length - 1], offset: 1 };
  const all = [first, ...stops, last];
  const found: Sector[] = [];
  for (let i = 0; i + 1 < all.length; i++) {
    const [a, b] = [all[i], all[i + 1]];
    const degrees = 360 * (b.offset - a.offset);
    if (degrees <= 0) continue;
    const count = Math.ceil(Math.max(degrees / widest, Math.min(distance(a, b) / finest, degrees / 0.25)));
    for (let k = 0; k < count; k++) {
      const t = count > 1 && distance(a, b) > 0 ? k / (count - 1) : 0;
      const opacity = a.opacity + (b.opacity - a.opacity) * t;
      const from = 360 * a.offset + (degrees * k) / count;
      const to = Math.min(360, 360 * a.offset + (degrees * (k + 1)) / count + (opacity >= 1 ? under : 0));
      found.push({ colour: t === 0 ? a.colour : mixSrgb(a.colour, b.colour, t), opacity, corners: [centre, at(from), at(to)] });
    }
  }
  return found;
}

/** How far two stops lie apart, in steps of 255. */
function distance(a: SceneStop, b: SceneStop): number {
  const channels = [1, 3, 5].map((i) => Math.abs(parseInt(a.colour.slice(i, i + 2), 16) - parseInt(b.colour.slice(i, i + 2), 16)));
  return Math.max(...channels, 255 * Math.abs(a.opacity - b.opacity));
}
