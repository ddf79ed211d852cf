import type { FinishKind } from "@/core/coat/finish-kind";
import { finishKinds } from "@/core/coat/finishes";
import type { Handles, PaintFrame, PlaceHandle } from "@/core/coat/handles";
import { paintKind } from "@/core/coat/paints";
import type { Coat } from "@/core/coat/schema";
import { corners, isEmpty } from "@/core/curves/bounds";
import { apply, identity, invert, multiply, type Matrix, type Point } from "@/core/curves/matrix";
import { withValue, type Values, type Params } from "@/core/params";
import { inkLookup } from "@/core/style/inks";
import type { ItemUpdate, LayerUpdate } from "@/worker/protocol";
import { editCoat } from "../state/edits/style";
import { studioNow, useShownStyle, useStudio } from "../state/store";
import { newKey, type Gesture } from "./gestures";
import { Grip, InkLine, Lead } from "./grip";
import { viewMatrix } from "./view";

/** As far as a place may lie from what it is a share of. */
const clamp = (v: number): number => Math.min(20, Math.max(-20, Number(v.toFixed(4))));

/** What is set on the art: of which kind, with which values, and how one of them is changed. */
interface OnArt {
  readonly kind: string;
  readonly values: Values<Params>;
  readonly frame: PaintFrame;
  readonly handles: Handles;
  readonly set: (coat: Coat, param: string, value: unknown) => Coat;
}

function onArt(coat: Coat, layer: LayerUpdate): OnArt[] {
  const found: OnArt[] = [];
  // Where nothing is left of the letters there is nothing to set on them.
  const frames = (layer.frames ?? []).filter((f) => !isEmpty(f.box));
  const covers = layer.covers && !isEmpty(layer.covers) ? layer.covers : undefined;
  const { paint } = coat;
  const [frame] = frames;
  const handles = frame && paintKind(paint.kind).handles?.(paint, frames);
  if (handles)
    found.push({ kind: paint.kind, values: paint, frame, handles, set: (c, p, v) => ({ ...c, paint: withValue(c.paint, p, v) }) });
  const finishes: readonly FinishKind[] = finishKinds;
  const all: Readonly<Record<string, Values<Params>>> = coat.finish;
  if (covers)
    for (const { kind, handles } of finishes) {
      const own = handles?.(all[kind], { box: covers });
      if (!own) continue;
      const set = (c: Coat, p: string, v: unknown): Coat => {
        const before: Readonly<Record<string, Values<Params>>> = c.finish;
        return { ...c, finish: { ...c.finish, [kind]: withValue(before[kind], p, v) } };
      };
      found.push({ kind, values: all[kind], frame: { box: covers }, handles: own, set });
    }
  return found;
}

/** What the paint and the finishes of the chosen coat have to be set on the art itself, as their kinds say. */
export function PaintHandles({ item }: { item: ItemUpdate }) {
  const coatId = useStudio((s) => s.coatId);
  const style = useShownStyle();
  const coat = style?.coats.find((c) => c.id === coatId);
  const layer = item.layers.find((l) => l.id === coatId);
  if (!coat || !layer) return null;
  const ink = inkLookup(style!.inks);
  return onArt(coat, layer).map((art) => <ArtHandles key={art.kind} item={item} coat={coat} art={art} ink={ink} />);
}

interface Props {
  item: ItemUpdate;
  coat: Coat;
  art: OnArt;
  ink: (id: string) => string;
}

function ArtHandles({ item, coat, art, ink }: Props) {
  const view = useStudio((s) => s.view);
  const { handles, frame, values } = art;
  const toBoardSpace = (own?: Matrix) => multiply(item.matrix, own ?? frame.matrix ?? identity);
  const toScreen = (own?: Matrix) => multiply(viewMatrix(view), toBoardSpace(own));
  const places = handles.places.filter((p) => p.per.x || p.per.y);

  const drag =
    ({ param, per, straight, also = {}, matrix, set, ...handle }: PlaceHandle) =>
    (start: { x: number; y: number }): Gesture => {
      const back = invert(toBoardSpace(matrix));
      const from = apply(back, start);
      const key = newKey(`${art.kind} ${param}`);
      const value = handle.value ?? ((also[param] ?? values[param]) as Point);
      return ({ at, shift }) => {
        const to = apply(back, at);
        const upon = straight ?? from;
        const across = Math.abs(to.x - upon.x) > Math.abs(to.y - upon.y);
        const [x, y] = shift ? (across ? [to.x, upon.y] : [upon.x, to.y]) : [to.x, to.y];
        const moved = { x: clamp(value.x + (x - from.x) * per.x), y: clamp(value.y + (y - from.y) * per.y) };
        const changed = set?.(moved) ?? { ...also, [param]: moved };
        const edit = (c: Coat) => Object.entries(changed).reduce((next, [name, v]) => art.set(next, name, v), c);
        studioNow().changeStyle((s) => editCoat(s, coat.id, edit), key);
        return [];
      };
    };

  return (
    <g>
      {handles.edges && places.length > 0 && <Lead points={corners(handles.edges).map((p) => apply(toScreen(), p))} dashed closed />}
      {handles.line && (
        <InkLine
          from={apply(toScreen(), handles.places[0].at)}
          to={apply(toScreen(), handles.places[1].at)}
          inks={handles.line.map((s) => ({ at: s.at, colour: ink(s.ink) }))}
        />
      )}
      {places.map((p, i) => (
        <Grip
          key={i}
          at={apply(toScreen(p.matrix), p.at)}
          look={p.ink === undefined ? "diamond" : "ink"}
          colour={p.ink === undefined ? undefined : ink(p.ink)}
          name={`${art.kind}-${p.param}`}
          label={`${p.label} (Shift: straight)`}
          gesture={drag(p)}
        />
      ))}
    </g>
  );
}
