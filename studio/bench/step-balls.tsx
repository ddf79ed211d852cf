import type { Coat } from "@/core/coat/schema";
import { cameraOf, type Turn } from "@/core/depth/camera";
import { withValue } from "@/core/params";
import type { Point } from "@/core/curves/matrix";
import type { ItemUpdate } from "@/worker/protocol";
import { editCoat } from "../state/edits/style";
import { studioNow, useShownStyle, useStudio } from "../state/store";
import { useStepFacts } from "../step-facts";
import { newKey, type Gesture } from "./gestures";
import { Grip } from "./grip";
import { placeOf } from "./place";
import { Vanishing } from "./vanishing";

/** Pixels of the screen: large enough to be turned, small enough to leave the letters to be seen. */
const radius = 64;
/** Degrees to a pixel of the screen: across the ball it turns by a half. */
const pace = 180 / (2 * radius);
const places = 48;

type Axis = "free" | "swing" | "tilt" | "roll";

/** Bodies of the chosen coat as balls on the art: the knob turns one freely, a grip on each ring about one axis. */
export function StepBalls({ item }: { item: ItemUpdate }) {
  const facts = useStepFacts();
  const coatId = useStudio((s) => s.coatId);
  const coat = useShownStyle()?.coats.find((c) => c.id === coatId);
  return Object.entries(facts).flatMap(([id, { ball }]) => {
    const step = coat?.form.find((s) => s.id === id);
    if (!ball || !step?.on) return [];
    const values = step as unknown as Readonly<Record<string, number>>;
    const turn: Turn = { tilt: values[ball.tilt], swing: values[ball.swing], roll: values[ball.roll] };
    const put = (c: Coat, to: Turn): Coat => ({
      ...c,
      form: c.form.map((s) =>
        s.id === id ? withValue(withValue(withValue(s, ball.tilt, to.tilt), ball.swing, to.swing), ball.roll, to.roll) : s,
      ),
    });
    return [
      <Vanishing key={`${id} vanishing`} item={item} turn={turn} ball={ball} />,
      <Ball key={id} item={item} at={ball.at} turn={turn} set={(to, key) => change((c) => put(c, to), coatId!, key)} />,
    ];
  });
}

const change = (edit: (c: Coat) => Coat, coat: string, key: string) => studioNow().changeStyle((style) => editCoat(style, coat, edit), key);

/** Within half a turn either way, in tenths. */
const within = (v: number): number => Number((((((v + 180) % 360) + 360) % 360) - 180).toFixed(1));

interface BallProps {
  readonly item: ItemUpdate;
  /** Its middle, in the item's space. */
  readonly at: Point;
  readonly turn: Turn;
  readonly set: (turn: Turn, key: string) => void;
}

function Ball({ item, at, turn, set }: BallProps) {
  const view = useStudio((s) => s.view);
  const { toScreen, toBoard } = placeOf(item, view);
  const middle = toScreen(at);
  const { turned } = cameraOf({ ...turn, depth: 1, eye: 0, pivot: { x: 0, y: 0 } });
  const on = (x: number, y: number, z: number) => {
    const p = turned({ x, y, z });
    return { x: middle.x + radius * p.x, y: middle.y + radius * p.y, near: p.z >= -1e-9 };
  };
  const knob = on(0, 0, 1);
  const drag =
    (axis: Axis) =>
    (start: Point): Gesture => {
      const key = newKey(`ball ${axis}`);
      const centre = toBoard(at);
      const zoom = studioNow().view.zoom;
      const from = Math.atan2(start.y - centre.y, start.x - centre.x);
      return ({ at: to, shift }) => {
        const [dx, dy] = [(to.x - start.x) * zoom * pace, (to.y - start.y) * zoom * pace];
        const step = (v: number) => within(shift ? Math.round(v / 15) * 15 : v);
        const about = ((Math.atan2(to.y - centre.y, to.x - centre.x) - from) * 180) / Math.PI;
        set(
          {
            swing: axis === "free" || axis === "swing" ? step(turn.swing + dx) : turn.swing,
            tilt: axis === "free" || axis === "tilt" ? step(turn.tilt - dy) : turn.tilt,
            roll: axis === "roll" ? step(turn.roll + about) : turn.roll,
          },
          key,
        );
        return [];
      };
    };
  const level = ring((c, s) => on(c, 0, s));
  const upright = ring((c, s) => on(0, c, s));
  const corner = { x: middle.x + radius * Math.SQRT1_2, y: middle.y - radius * Math.SQRT1_2 };
  return (
    <g data-ball>
      <Line d={circle(middle)} />
      {[level, upright].map((r, i) => (
        <g key={i}>
          <Line d={r.far} faint />
          <Line d={r.near} />
        </g>
      ))}
      <Grip
        at={{ x: middle.x + radius, y: middle.y }}
        look="small"
        name="ball-swing"
        cursor="ew-resize"
        label="Swing: drag to the left or right (Shift: in steps of 15°)"
        gesture={drag("swing")}
      />
      <Grip
        at={{ x: middle.x, y: middle.y + radius }}
        look="small"
        name="ball-tilt"
        cursor="ns-resize"
        label="Tilt: drag up or down (Shift: in steps of 15°)"
        gesture={drag("tilt")}
      />
      <Grip
        at={corner}
        look="small"
        name="ball-roll"
        cursor="grab"
        label="Roll: drag around (Shift: in steps of 15°)"
        gesture={drag("roll")}
      />
      <Grip at={knob} name="ball" cursor="grab" label="Turn: drag any way (Shift: in steps of 15°)" gesture={drag("free")} />
    </g>
  );
}

const circle = ({ x, y }: Point): string =>
  `M${x - radius} ${y}a${radius} ${radius} 0 1 0 ${2 * radius} 0a${radius} ${radius} 0 1 0 ${-2 * radius} 0Z`;

/** A great circle, what is near of it and what is far. */
function ring(on: (cos: number, sin: number) => Point & { near: boolean }): { near: string; far: string } {
  const lines = { near: "", far: "" };
  for (let i = 0; i < places; i++) {
    const [a, b] = [i, i + 1].map((k) => on(Math.cos((2 * Math.PI * k) / places), Math.sin((2 * Math.PI * k) / places)));
    lines[a.near && b.near ? "near" : "far"] += `M${a.x.toFixed(1)} ${a.y.toFixed(1)}L${b.x.toFixed(1)} ${b.y.toFixed(1)}`;
  }
  return lines;
}

function Line({ d, faint }: { d: string; faint?: boolean }) {
  return (
    <>
      <path d={d} fill="none" stroke="#fff" strokeOpacity={faint ? 0.35 : 0.75} strokeWidth={3} pointerEvents="none" />
      <path d={d} fill="none" stroke="var(--accent)" strokeOpacity={faint ? 0.4 : 1} strokeWidth={1.25} pointerEvents="none" />
    </>
  );
}
