import { corners } from "@/core/curves/bounds";
import { apply, identity, invert, multiply } from "@/core/curves/matrix";
import type { ItemUpdate } from "@/worker/protocol";
import { editCoat } from "../state/edits/style";
import { useShownStyle, useStudio } from "../state/store";
import { newKey, type Gesture } from "./gestures";
import { Grip, Lead } from "./grip";
import { viewMatrix } from "./view";
import { withValue } from "@/core/params";

/** The edges of a photo on the art itself, with a grip in the middle that moves it in what it stretches over. */
export function PhotoHandle({ item }: { item: ItemUpdate }) {
  const view = useStudio((s) => s.view);
  const coatId = useStudio((s) => s.coatId);
  const coat = useShownStyle()?.coats.find((c) => c.id === coatId);
  const photo = item.layers.find((l) => l.id === coatId)?.photo;
  const paint = coat?.paint;
  if (!coat || !photo || paint?.kind !== "photo") return null;
  const { area, box, matrix } = photo;
  // The place moves the photo by its share of what is left over; where nothing is, it cannot be moved that way.
  const [spareX, spareY] = [box.maxX - box.minX - (area.maxX - area.minX), box.maxY - box.minY - (area.maxY - area.minY)].map((v) =>
    Math.abs(v) < 1e-3 ? 0 : v,
  );
  if (!spareX && !spareY) return null;
  const toBoardSpace = multiply(item.matrix, matrix ?? identity);
  const toScreen = multiply(viewMatrix(view), toBoardSpace);
  const middle = apply(toScreen, { x: (area.minX + area.maxX) / 2, y: (area.minY + area.maxY) / 2 });

  const drag = (start: { x: number; y: number }): Gesture => {
    const back = invert(toBoardSpace);
    const from = apply(back, start);
    const key = newKey("photo");
    const { place } = paint;
    const moved = (at: number, by: number, spare: number) =>
      !spare ? at : Math.min(20, Math.max(-20, Number((at + by / spare).toFixed(4))));
    return ({ at, shift }) => {
      const p = apply(back, at);
      let [dx, dy] = [p.x - from.x, p.y - from.y];
      if (shift) [dx, dy] = Math.abs(dx) > Math.abs(dy) ? [dx, 0] : [0, dy];
      const value = { x: moved(place.x, dx, spareX), y: moved(place.y, dy, spareY) };
      useStudio.getState().changeStyle((s) => editCoat(s, coat.id, (c) => ({ ...c, paint: withValue(c.paint, "place", value) })), key);
      return [];
    };
  };
  return (
    <g>
      <Lead points={corners(area).map((p) => apply(toScreen, p))} dashed closed />
      <Grip at={middle} look="diamond" name="photo-place" label="Place of the photo (Shift: straight)" gesture={drag} />
    </g>
  );
}
