import { guideKind } from "@/core/bend/guides";
import type { GuideBend } from "@/core/bend/schema";
import type { Strand } from "@/core/curves/nodes";
import type { Point } from "@/core/curves/matrix";
import { trackPoint } from "@/core/curves/track";
import type { LetteringUpdate } from "@/worker/protocol";
import { editGuide } from "../../state/edits/bend";
import { studioNow } from "../../state/store";
import { newKey, stepped, type Gesture } from "../gestures";
import { Grip } from "../grip";
import { NodeEditor } from "../node-editor";
import type { Place } from "../place";

interface Props {
  item: LetteringUpdate;
  bend: GuideBend;
  place: Place;
}

const degrees = (radians: number) => (radians * 180) / Math.PI;
const whole = (v: number) => Math.round(v * 10) / 10;
const half = (v: number) => ((((v + 180) % 360) + 360) % 360) - 180;

/** The handles of a guide line: those of its kind, and one to move the words along it and away from it. */
export function GuideHandles(props: Props) {
  const { item, bend, place } = props;
  const widest = item.lines.reduce((a, l) => (l.width > a.width ? l : a), item.lines[0]);
  const { left, width } = { left: widest.x, width: widest.width };
  /** A drag that sets some values of the line from where the pointer is, in lettering space. */
  const setting =
    (name: string, values: (now: Point, start: Point, shift: boolean) => Record<string, number>) =>
    (startBoard: Point): Gesture => {
      const key = newKey(name);
      const start = place.fromBoard(startBoard);
      return ({ at, shift }) => {
        const next = values(place.fromBoard(at), start, shift);
        studioNow().change((w) => editGuide(w, item.id, (g) => ({ ...g, line: { ...g.line, ...clamped(g.line.kind, next) } })), key);
        return [];
      };
    };
  const shared = { ...props, left, width, setting };
  return (
    <g>
      {bend.line.kind === "arc" && <Arc {...shared} />}
      {bend.line.kind === "ring" && <Ring {...shared} />}
      {bend.line.kind === "wave" && <Wave {...shared} />}
      {bend.line.kind === "straight" && <Straight {...shared} />}
      {bend.line.kind === "drawn" && (
        <NodeEditor
          strands={[bend.line.line as Strand]}
          except={[item.id]}
          {...place}
          onChange={([line], key) =>
            line && studioNow().change((w) => editGuide(w, item.id, (g) => ({ ...g, line: { ...g.line, line } })), key)
          }
        />
      )}
      <Along {...shared} />
    </g>
  );
}

/** Values within the limits of their settings. */
function clamped(kind: string, values: Record<string, number>): Record<string, number> {
  const { params } = guideKind(kind);
  return Object.fromEntries(
    Object.entries(values).map(([name, v]) => {
      const p = params[name];
      return [name, p?.type === "number" ? Math.min(p.max, Math.max(p.min, v)) : v];
    }),
  );
}

interface Shared extends Props {
  left: number;
  width: number;
  setting: (name: string, values: (now: Point, start: Point, shift: boolean) => Record<string, number>) => (start: Point) => Gesture;
}

const anchored = ({ item, bend, left, width }: Shared) =>
  guideKind(bend.line.kind).make(bend.line, { left, width, capHeight: item.metrics.capHeight, outline: () => undefined });

/** Both ends of an arc: of one with the angle a the end lies in the direction a / 4 from its middle (inscribed angles). */
function Arc(shared: Shared) {
  const { bend, place, left, width, setting } = shared;
  const { guide } = anchored(shared);
  const p = trackPoint();
  const middle = { x: left + width / 2, y: 0 };
  const ends = [0, guide.length].map((s) => (guide.at(s, p), { x: p[0], y: p[1] }));
  return ends.map((end, i) => (
    <Grip
      key={i}
      at={place.toScreen(end)}
      look="diamond"
      name={`arc-${i}`}
      label="Bend of the arc"
      gesture={setting("arc", (now) => {
        const [dx, dy] = [(now.x - middle.x) * (i ? 1 : -1), now.y - middle.y];
        const angle = 4 * Math.atan2(dy, Math.max(0, dx));
        const values: Record<string, number> =
          bend.line.kind === "arc" && bend.line.by === "rise"
            ? { rise: whole((dy / width) * 100) }
            : { angle: Math.round(stepped(degrees(angle), "turn")) };
        return values;
      })}
    />
  ));
}

function Ring({ bend, place, setting }: Shared) {
  const { radius, start } = bend.line as unknown as { radius: number; start: number };
  const at = (angle: number): Point => ({ x: radius * Math.sin((angle * Math.PI) / 180), y: -radius * Math.cos((angle * Math.PI) / 180) });
  return (
    <>
      <Grip
        at={place.toScreen(at(start + 90))}
        look="square"
        name="ring-radius"
        label="Radius of the ring"
        gesture={setting("radius", (now) => ({ radius: Math.round(Math.hypot(now.x, now.y)) }))}
      />
      <Grip
        at={place.toScreen(at(start))}
        look="diamond"
        name="ring-start"
        label="Where on the ring the words are"
        gesture={setting("ring start", (now, _, shift) => ({
          start: whole(half(stepped(degrees(Math.atan2(now.x, -now.y)), "turn", shift))),
        }))}
      />
    </>
  );
}

function Wave({ bend, place, left, width, setting }: Shared) {
  const { height, length, phase } = bend.line as unknown as { height: number; length: number; phase: number };
  // The crest nearest to the middle of the words, and the next one.
  const first = length / 4 - (phase / 360) * length;
  const crest = first + Math.round((left + width / 2 - first) / length) * length;
  return (
    <>
      <Grip
        at={place.toScreen({ x: crest, y: -height })}
        look="diamond"
        name="wave-height"
        label="Crest of the wave: its height, and where it stands"
        gesture={setting("wave", (now, start) => ({
          height: Math.round(-now.y),
          phase: Math.round(half(phase - ((now.x - start.x) / length) * 360)),
        }))}
      />
      <Grip
        at={place.toScreen({ x: crest + length, y: -height })}
        look="square"
        name="wave-length"
        label="Length of the wave"
        gesture={setting("wave length", (now) => ({
          length: Math.round(Math.max(200, now.x - crest)),
          phase: Math.round(half(90 - (crest / Math.max(200, now.x - crest)) * 360)),
        }))}
      />
    </>
  );
}

function Straight(shared: Shared) {
  const { place, left, width, setting } = shared;
  const { guide } = anchored(shared);
  const p = trackPoint();
  guide.at(guide.length, p);
  return (
    <Grip
      at={place.toScreen({ x: p[0], y: p[1] })}
      look="diamond"
      name="climb"
      label="Climb of the line"
      gesture={setting("climb", (now, _, shift) => ({
        climb: whole(
          Math.min(89, Math.max(-89, stepped(degrees(Math.atan2(-now.y, Math.max(1, now.x - left - width / 2))), "turn", shift))),
        ),
      }))}
    />
  );
}

/** Moves the words along the line and away from it. */
function Along(shared: Shared) {
  const { item, bend, place } = shared;
  const mark = item.carets[0];
  if (!mark) return null;
  const first = mark.foot;
  const up = { x: mark.head.x - first.x, y: mark.head.y - first.y };
  const length = Math.hypot(up.x, up.y) || 1;
  const n = { x: up.x / length, y: up.y / length };
  const along = { x: -n.y, y: n.x };
  const gesture = (startBoard: Point): Gesture => {
    const key = newKey("along");
    const start = place.fromBoard(startBoard);
    const { shift: was, distance } = bend;
    return ({ at, shift }) => {
      const now = place.fromBoard(at);
      const [dx, dy] = [now.x - start.x, now.y - start.y];
      let [s, d] = [dx * along.x + dy * along.y, dx * n.x + dy * n.y];
      if (shift) [s, d] = Math.abs(s) > Math.abs(d) ? [s, 0] : [0, d];
      studioNow().change((w) => editGuide(w, item.id, (g) => ({ ...g, shift: limited(was + s), distance: limited(distance + d) })), key);
      return [];
    };
  };
  return (
    <Grip
      at={place.toScreen({ x: first.x - along.x * 60, y: first.y - along.y * 60 })}
      name="along"
      label="Moves the words along the line and away from it"
      gesture={gesture}
    />
  );
}

const limited = (v: number) => Math.min(100_000, Math.max(-100_000, Math.round(v)));
