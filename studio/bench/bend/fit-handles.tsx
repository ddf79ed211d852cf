import type { Point } from "@/core/curves/matrix";
import type { FitBend } from "@/core/bend/schema";
import type { LetteringUpdate } from "@/worker/protocol";
import { setBend } from "../../state/edits/bend";
import { studioNow } from "../../state/store";
import { newKey, type Gesture } from "../gestures";
import { Grip, Lead } from "../grip";
import type { Place } from "../place";

const names = ["top left", "top right", "lower right", "lower left"];

/** The corners at which the outline of a filled shape is parted into top, sides and bottom. */
export function FitHandles({ item, bend, place }: { item: LetteringUpdate; bend: FitBend; place: Place }) {
  const { corners, outline } = item;
  if (!corners || !outline?.length) return null;
  const drag = (corner: number) => (): Gesture => {
    const key = newKey("fit corner");
    return ({ at }) => {
      const share = nearestShare(outline, place.fromBoard(at));
      const next = corners.map((c, i) => (i === corner ? share : c.share));
      // In their order round the outline: a corner does not pass its neighbours.
      const turns = next.map((s, i) => (next[(i + 1) % 4] - s + 1) % 1);
      if (turns.every((t) => t > 0.01) && Math.abs(turns.reduce((a, b) => a + b, 0) - 1) < 1e-6)
        studioNow().change((w) => setBend(w, [item.id], { ...bend, corners: next as [number, number, number, number] }), key);
      return [];
    };
  };
  return (
    <g>
      <Lead points={outline.map(place.toScreen)} closed dashed />
      {corners.map((c, i) => (
        <Grip
          key={i}
          at={place.toScreen(c)}
          look="diamond"
          name={`fit-${i}`}
          label={`Where the outline is parted, ${names[i]}`}
          gesture={drag(i)}
        />
      ))}
    </g>
  );
}

function nearestShare(outline: readonly Point[], p: Point): number {
  let best = { share: 0, distance: Infinity };
  outline.forEach((a, i) => {
    const b = outline[(i + 1) % outline.length];
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const t = Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / (dx * dx + dy * dy || 1)));
    const distance = Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy);
    if (distance < best.distance) best = { share: ((i + t) / outline.length) % 1, distance };
  });
  return best.share;
}
