import { produce } from "immer";
import { needsOf } from "@/core/coat/needs";
import { isEmpty } from "@/core/curves/bounds";
import { apply, multiply } from "@/core/curves/matrix";
import type { ItemUpdate } from "@/worker/protocol";
import { editCoat } from "../state/edits/style";
import { studioNow, useShownStyle, useStudio } from "../state/store";
import { newKey, type Gesture } from "./gestures";
import { Grip, Lead } from "./grip";
import { viewMatrix } from "./view";

/** How far from the middle of the letters the lamp hangs on the screen, in pixels: only where it comes from matters. */
const reach = 96;
/** Its ball, and rays around it. */
const ball = 9;
const rays = 8;

const turnOf = (degrees: number) => (degrees * Math.PI) / 180;

/** The lamp of the piece, or the light of its own, where the chosen coat is lit: a ball that is led around the letters. */
export function LampHandle({ item }: { item: ItemUpdate }) {
  const view = useStudio((s) => s.view);
  const coatId = useStudio((s) => s.coatId);
  const lamp = useStudio((s) => s.work!.piece.lamp);
  const coat = useShownStyle()?.coats.find((c) => c.id === coatId);
  if (!coat || isEmpty(item.ink) || !needsOf(coat).has("lamp")) return null;
  const { light } = coat;
  const angle = light?.by === "own" ? light.angle : lamp.angle + (light?.by === "turned" ? light.turn : 0);
  const middle = { x: (item.ink.minX + item.ink.maxX) / 2, y: (item.ink.minY + item.ink.maxY) / 2 };
  const at = apply(multiply(viewMatrix(view), item.matrix), middle);
  const end = { x: at.x + Math.cos(turnOf(angle)) * reach, y: at.y + Math.sin(turnOf(angle)) * reach };
  const drag = (): Gesture => {
    const centre = apply(item.matrix, middle);
    const key = newKey("lamp");
    return ({ at: p, shift }) => {
      const degrees = (Math.atan2(p.y - centre.y, p.x - centre.x) * 180) / Math.PI;
      // In tenths: a step by an arrow key is less than a degree, and must be one.
      const to = ((shift ? Math.round(degrees / 15) * 15 : Number(degrees.toFixed(1))) + 360) % 360;
      const { change, changeStyle } = studioNow();
      if (!light) change((w) => produce(w, (d) => void (d.piece.lamp.angle = to)), key);
      else {
        const next = light.by === "own" ? { ...light, angle: to } : { ...light, turn: Number(((to - lamp.angle + 720) % 360).toFixed(1)) };
        changeStyle((s) => editCoat(s, coat.id, (c) => ({ ...c, light: next })), key);
      }
      return [];
    };
  };
  const label = light ? "The light of this coat: where it comes from" : "The lamp: where the light comes from";
  return (
    <g>
      <Lead points={[at, end]} dashed />
      <g stroke="var(--accent)" strokeWidth={1.5} pointerEvents="none">
        {Array.from({ length: rays }, (_, i) => {
          const [c, s] = [Math.cos((2 * Math.PI * i) / rays), Math.sin((2 * Math.PI * i) / rays)];
          return (
            <line key={i} x1={end.x + c * (ball + 2)} y1={end.y + s * (ball + 2)} x2={end.x + c * (ball + 6)} y2={end.y + s * (ball + 6)} />
          );
        })}
      </g>
      <circle
        cx={end.x}
        cy={end.y}
        r={ball}
        fill={light ? "var(--sheet)" : lamp.colour}
        stroke="var(--accent)"
        strokeWidth={1}
        pointerEvents="none"
      />
      <Grip at={end} look="small" name="lamp" label={`${label} (Shift: in steps of 15°)`} cursor="grab" gesture={drag} />
    </g>
  );
}
