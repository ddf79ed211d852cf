import { finishKinds } from "@/core/coat/finishes";
import { formStepKind } from "@/core/coat/forms";
import type { Coat } from "@/core/coat/schema";
import { isEmpty } from "@/core/curves/bounds";
import { apply, invert, multiply, type Point } from "@/core/curves/matrix";
import { isOfUse, withValue, type Direction, type Params } from "@/core/params";
import { unitsPerLength } from "@/core/style/measure";
import type { ItemUpdate } from "@/worker/protocol";
import { editCoat } from "../state/edits/style";
import { studioNow, useSelectedItem, useShownStyle, useStudio } from "../state/store";
import { newKey, type Gesture } from "./gestures";
import { Grip, Lead } from "./grip";
import { viewMatrix } from "./view";

/** One direction among a coat's settings, and how it is changed. */
interface Way {
  readonly key: string;
  readonly label: string;
  readonly value: Direction;
  readonly max: number;
  readonly put: (coat: Coat, value: Direction) => Coat;
}

function waysIn(
  params: Params,
  values: Readonly<Record<string, unknown>>,
  of: string,
  put: (c: Coat, name: string, v: Direction) => Coat,
): Way[] {
  return Object.entries(params).flatMap(([name, p]) =>
    p.type === "direction" && isOfUse(p, values)
      ? [
          {
            key: `${of} ${name}`,
            label: p.label,
            max: p.max,
            value: values[name] as Direction,
            put: (c: Coat, v: Direction) => put(c, name, v),
          },
        ]
      : [],
  );
}

/** Every direction that a coat is set to, whatever kind it belongs to: a new kind brings no handle of its own. */
function waysOf(coat: Coat): Way[] {
  const forms = coat.form.flatMap((step) => {
    const put = (c: Coat, name: string, v: Direction): Coat => ({
      ...c,
      form: c.form.map((s) => (s.id === step.id ? withValue(s, name, v) : s)),
    });
    return step.on ? waysIn(formStepKind(step.kind).params, step, step.id, put) : [];
  });
  const finishes = finishKinds.flatMap(({ kind, params }) => {
    const put = (c: Coat, name: string, v: Direction): Coat => ({
      ...c,
      finish: { ...c.finish, [kind]: withValue(c.finish[kind], name, v) },
    });
    return waysIn(params, coat.finish[kind], kind, put);
  });
  return [...forms, ...finishes];
}

/** The directions of the chosen coat on the art itself: each a line from the middle of the letters with a grip at its end. */
export function DirectionHandles({ item }: { item: ItemUpdate }) {
  const view = useStudio((s) => s.view);
  const coatId = useStudio((s) => s.coatId);
  const style = useShownStyle();
  const size = useSelectedItem()?.size ?? 100;
  const coat = style?.coats.find((c) => c.id === coatId);
  if (!style || !coat || isEmpty(item.ink)) return null;
  const scale = unitsPerLength(style.measure, item.metrics, size);
  const toScreen = multiply(viewMatrix(view), item.matrix);
  const middle = { x: (item.ink.minX + item.ink.maxX) / 2, y: (item.ink.minY + item.ink.maxY) / 2 };
  return waysOf(coat).map((way) => {
    const turn = (way.value.angle * Math.PI) / 180;
    const end = { x: middle.x + Math.cos(turn) * way.value.distance * scale, y: middle.y + Math.sin(turn) * way.value.distance * scale };
    const drag = (start: Point): Gesture => {
      const back = invert(item.matrix);
      const from = apply(back, start);
      const key = newKey(way.key);
      return ({ at, shift }) => {
        const p = apply(back, at);
        const [dx, dy] = [end.x + p.x - from.x - middle.x, end.y + p.y - from.y - middle.y];
        const degrees = (Math.atan2(dy, dx) * 180) / Math.PI;
        const angle = shift ? Math.round(degrees / 15) * 15 : Number(degrees.toFixed(1));
        const value = { angle, distance: Math.min(way.max, Number((Math.hypot(dx, dy) / scale).toFixed(2))) };
        studioNow().changeStyle((s) => editCoat(s, coat.id, (c) => way.put(c, value)), key);
        return [];
      };
    };
    return (
      <g key={way.key}>
        <Lead points={[apply(toScreen, middle), apply(toScreen, end)]} />
        <Grip
          at={apply(toScreen, end)}
          look="diamond"
          name={`way-${way.key.split(" ")[1]}`}
          label={`${way.label} (Shift: in steps of 15°)`}
          gesture={drag}
        />
      </g>
    );
  });
}
