import { apply, identity, invert, multiply } from "@/core/curves/matrix";
import { withValue } from "@/core/params";
import { inkLookup } from "@/core/style/inks";
import type { ItemUpdate } from "@/worker/protocol";
import { editCoat } from "../state/edits/style";
import { useShownStyle, useStudio } from "../state/store";
import { useBench } from "./bench-context";
import { newKey, type Gesture } from "./gestures";
import { viewMatrix } from "./view";

/** The line of a gradient on the art itself, with a grip at each end. */
export function GradientHandle({ item }: { item: ItemUpdate }) {
  const { begin } = useBench();
  const view = useStudio((s) => s.view);
  const coatId = useStudio((s) => s.coatId);
  const style = useShownStyle();
  const coat = style?.coats.find((c) => c.id === coatId);
  const layer = item.layers.find((l) => l.id === coatId);
  const paint = coat?.paint;
  if (!coat || !layer?.line || paint?.kind !== "gradient") return null;
  const { from, to, box, matrix } = layer.line;
  const toBoardSpace = multiply(item.matrix, matrix ?? identity);
  const toScreen = multiply(viewMatrix(view), toBoardSpace);
  const [a, b] = [apply(toScreen, from), apply(toScreen, to)];
  const ink = inkLookup(style!.inks);
  const { stops } = paint;

  const drag = (end: "from" | "to"): Gesture => {
    const back = invert(toBoardSpace);
    const key = newKey(`gradient ${end}`);
    return ({ at, shift }) => {
      const p = apply(back, at);
      const o = end === "from" ? paint.to : paint.from;
      const place = { x: (p.x - box.minX) / (box.maxX - box.minX || 1), y: (p.y - box.minY) / (box.maxY - box.minY || 1) };
      if (shift) {
        const across = Math.abs(place.x - o.x) * (box.maxX - box.minX) > Math.abs(place.y - o.y) * (box.maxY - box.minY);
        if (across) place.y = o.y;
        else place.x = o.x;
      }
      const clamp = (v: number) => Math.min(20, Math.max(-20, Number(v.toFixed(4))));
      const value = { x: clamp(place.x), y: clamp(place.y) };
      useStudio.getState().changeStyle((s) => editCoat(s, coat.id, (c) => ({ ...c, paint: withValue(c.paint, end, value) })), key);
      return [];
    };
  };

  return (
    <g>
      <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="#000" strokeOpacity={0.55} strokeWidth={4} pointerEvents="none" />
      <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="#fff" strokeWidth={1.75} pointerEvents="none" />
      {stops.map((s, i) => (
        <circle
          key={i}
          cx={a.x + ((b.x - a.x) * s.at) / 100}
          cy={a.y + ((b.y - a.y) * s.at) / 100}
          r={4}
          fill={ink(s.ink)}
          stroke="#fff"
          strokeWidth={1.5}
          pointerEvents="none"
        />
      ))}
      {(
        [
          ["from", a],
          ["to", b],
        ] as const
      ).map(([end, p]) => (
        <circle
          key={end}
          cx={p.x}
          cy={p.y}
          r={8}
          fill={ink((end === "from" ? stops[0] : stops[stops.length - 1]).ink)}
          stroke="#fff"
          strokeWidth={2.5}
          style={{ cursor: "move", filter: "drop-shadow(0 0 1.5px #000)" }}
          data-handle={`gradient-${end}`}
          onPointerDown={(e) => begin(drag(end), e)}
        >
          <title>{end === "from" ? "Start of the gradient" : "End of the gradient"} (Shift: straight)</title>
        </circle>
      ))}
    </g>
  );
}
