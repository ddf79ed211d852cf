import { produce } from "immer";
import { needsOf } from "@/core/coat/needs";
import { isEmpty } from "@/core/curves/bounds";
import { apply, multiply } from "@/core/curves/matrix";
import type { ItemUpdate } from "@/worker/protocol";
import { useShownStyle, useStudio } from "../state/store";
import { newKey, type Gesture } from "./gestures";
import { Grip, Lead } from "./grip";
import { viewMatrix } from "./view";

/** How far from the middle of the letters the lamp hangs on the screen, in pixels: only where it comes from matters. */
const reach = 96;

/** The lamp of the piece, where the chosen coat is lit by it. */
export function LampHandle({ item }: { item: ItemUpdate }) {
  const view = useStudio((s) => s.view);
  const coatId = useStudio((s) => s.coatId);
  const lamp = useStudio((s) => s.work!.piece.lamp);
  const coat = useShownStyle()?.coats.find((c) => c.id === coatId);
  if (!coat || isEmpty(item.ink) || !needsOf(coat).has("lamp")) return null;
  const middle = { x: (item.ink.minX + item.ink.maxX) / 2, y: (item.ink.minY + item.ink.maxY) / 2 };
  const at = apply(multiply(viewMatrix(view), item.matrix), middle);
  const turn = (lamp.angle * Math.PI) / 180;
  const end = { x: at.x + Math.cos(turn) * reach, y: at.y + Math.sin(turn) * reach };
  const drag = (): Gesture => {
    const centre = apply(item.matrix, middle);
    const key = newKey("lamp");
    return ({ at: p, shift }) => {
      const degrees = (Math.atan2(p.y - centre.y, p.x - centre.x) * 180) / Math.PI;
      // In tenths: a step by an arrow key is less than a degree, and must be one.
      const angle = ((shift ? Math.round(degrees / 15) * 15 : Number(degrees.toFixed(1))) + 360) % 360;
      useStudio.getState().change((w) => produce(w, (d) => void (d.piece.lamp.angle = angle)), key);
      return [];
    };
  };
  return (
    <g>
      <Lead points={[at, end]} dashed />
      <Grip at={end} name="lamp" label="The lamp: where the light comes from (Shift: in steps of 15°)" cursor="grab" gesture={drag} />
    </g>
  );
}
