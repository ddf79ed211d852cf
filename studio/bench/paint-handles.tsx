import { paintKind } from "@/core/coat/paints";
import type { PlaceHandle } from "@/core/coat/handles";
import { corners } from "@/core/curves/bounds";
import { apply, identity, invert, multiply } from "@/core/curves/matrix";
import { withValue, type Values, type Params } from "@/core/params";
import { inkLookup } from "@/core/style/inks";
import type { ItemUpdate } from "@/worker/protocol";
import { editCoat } from "../state/edits/style";
import { useShownStyle, useStudio } from "../state/store";
import { newKey, type Gesture } from "./gestures";
import { Grip, InkLine, Lead } from "./grip";
import { viewMatrix } from "./view";

/** As far as a place may lie from what it is a share of. */
const clamp = (v: number): number => Math.min(20, Math.max(-20, Number(v.toFixed(4))));

/** What the paint of the chosen coat has to be set on the art itself, as its kind says. */
export function PaintHandles({ item }: { item: ItemUpdate }) {
  const view = useStudio((s) => s.view);
  const coatId = useStudio((s) => s.coatId);
  const style = useShownStyle();
  const coat = style?.coats.find((c) => c.id === coatId);
  const frame = item.layers.find((l) => l.id === coatId)?.frame;
  const kind = coat && paintKind(coat.paint.kind);
  const values: Values<Params> | undefined = coat?.paint;
  const handles = frame && values && kind?.handles?.(values, frame);
  if (!coat || !handles) return null;
  const toBoardSpace = multiply(item.matrix, frame.matrix ?? identity);
  const toScreen = multiply(viewMatrix(view), toBoardSpace);
  const ink = inkLookup(style!.inks);
  const places = handles.places.filter((p) => p.per.x || p.per.y);

  const drag =
    ({ param, per, straight }: PlaceHandle) =>
    (start: { x: number; y: number }): Gesture => {
      const back = invert(toBoardSpace);
      const from = apply(back, start);
      const key = newKey(`${coat.paint.kind} ${param}`);
      const value = values![param] as { readonly x: number; readonly y: number };
      return ({ at, shift }) => {
        const to = apply(back, at);
        const upon = straight ?? from;
        const across = Math.abs(to.x - upon.x) > Math.abs(to.y - upon.y);
        const [x, y] = shift ? (across ? [to.x, upon.y] : [upon.x, to.y]) : [to.x, to.y];
        const moved = { x: clamp(value.x + (x - from.x) * per.x), y: clamp(value.y + (y - from.y) * per.y) };
        useStudio.getState().changeStyle((s) => editCoat(s, coat.id, (c) => ({ ...c, paint: withValue(c.paint, param, moved) })), key);
        return [];
      };
    };

  return (
    <g>
      {handles.edges && places.length > 0 && <Lead points={corners(handles.edges).map((p) => apply(toScreen, p))} dashed closed />}
      {handles.line && (
        <InkLine
          from={apply(toScreen, handles.places[0].at)}
          to={apply(toScreen, handles.places[1].at)}
          inks={handles.line.map((s) => ({ at: s.at, colour: ink(s.ink) }))}
        />
      )}
      {places.map((p) => (
        <Grip
          key={p.param}
          at={apply(toScreen, p.at)}
          look={p.ink === undefined ? "diamond" : "ink"}
          colour={p.ink === undefined ? undefined : ink(p.ink)}
          name={`${coat.paint.kind}-${p.param}`}
          label={`${p.label} (Shift: straight)`}
          gesture={drag(p)}
        />
      ))}
    </g>
  );
}
