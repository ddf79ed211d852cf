import type { PointerEvent } from "react";
import { apply, invert, multiply, type Point } from "@/core/curves/matrix";
import type { Lettering } from "@/core/piece/schema";
import { Alternates } from "../parts/alternates";
import type { LetteringUpdate, LetterUpdate } from "@/worker/protocol";
import { changeAt, editLetters } from "../state/edits/letters";
import { studioNow, useStudio } from "../state/store";
import { letteringOf } from "../state/work";
import { useBench } from "./bench-context";
import { newKey, stepped, type Gesture } from "./gestures";
import { Grip, Lead } from "./grip";
import { viewMatrix } from "./view";

const middle = (l: LetterUpdate): Point => ({ x: l.quad.reduce((n, p) => n + p.x, 0) / 4, y: l.quad.reduce((n, p) => n + p.y, 0) / 4 });

/** Unit directions of a letter where it stands: along its line, and down from its head to its feet. */
function axesOf({ quad: [a, b, c, d] }: LetterUpdate): { right: Point; down: Point } {
  const unit = (x: number, y: number, otherwise: Point): Point => {
    const length = Math.hypot(x, y);
    return length > 1e-9 ? { x: x / length, y: y / length } : otherwise;
  };
  return {
    right: unit(b.x - a.x + c.x - d.x, b.y - a.y + c.y - d.y, { x: 1, y: 0 }),
    down: unit(d.x - a.x + c.x - b.x, d.y - a.y + c.y - b.y, { x: 0, y: 1 }),
  };
}

/** The single letters of a lettering: a click picks one, a drag shifts those that are picked. */
export function LettersLayer({ item }: { item: LetteringUpdate }) {
  const view = useStudio((s) => s.view);
  const picked = useStudio((s) => s.letters);
  const { begin } = useBench();
  const toScreen = multiply(viewMatrix(view), item.matrix);
  const back = invert(item.matrix);

  /** A drag of the picked letters; what it does to each follows from where that stands. */
  const changing =
    (
      name: string,
      ids: readonly number[],
      apart: (start: Point, now: Point, letter: LetterUpdate, shift: boolean) => Partial<ReturnType<typeof changeAt>>,
    ) =>
    (startBoard: Point): Gesture => {
      const key = newKey(name);
      const l = letteringOf(studioNow().work!, item.id)!;
      const before = new Map(ids.map((at) => [at, changeAt(l, at)]));
      const start = apply(back, startBoard);
      return ({ at, shift }) => {
        const now = apply(back, at);
        studioNow().change(
          (w) =>
            editLetters(w, item.id, ids, (c) => {
              const letter = item.letters.find((k) => k.from === c.at);
              return letter ? { ...before.get(c.at)!, ...apart(start, now, letter, shift) } : c;
            }),
          key,
        );
        return [];
      };
    };
  const scaleOf = (letter: LetterUpdate) => item.lines[letter.line]?.scale || 1;
  const limited = (v: number) => Math.min(20_000, Math.max(-20_000, Math.round(v * 10) / 10));
  const l0 = useStudio((s) => letteringOf(s.work!, item.id));

  const shift = (ids: readonly number[]) =>
    changing("shift letters", ids, (start, now, letter, straight) => {
      const { right, down } = axesOf(letter);
      const [dx, dy] = [now.x - start.x, now.y - start.y];
      let [r, d] = [(dx * right.x + dy * right.y) / scaleOf(letter), (dx * down.x + dy * down.y) / scaleOf(letter)];
      if (straight) [r, d] = Math.abs(r) > Math.abs(d) ? [r, 0] : [0, d];
      const was = changeAt(l0!, letter.from);
      return { right: limited(was.right + r), down: limited(was.down + d) };
    });

  const onDown = (letter: LetterUpdate) => (e: PointerEvent) => {
    if (e.button !== 0) return;
    const { set } = studioNow();
    let next: readonly number[];
    if (e.shiftKey) next = picked.includes(letter.from) ? picked.filter((p) => p !== letter.from) : [...picked, letter.from];
    else next = picked.includes(letter.from) ? picked : [letter.from];
    set({ letters: next });
    const board = apply(invert(viewMatrix(view)), pointOf(e));
    begin(shift(next)(board), e);
  };

  const chosen = item.letters.filter((l) => picked.includes(l.from));
  const last = chosen.at(-1);
  return (
    <g>
      {item.letters.map((l) => {
        const on = picked.includes(l.from);
        return (
          <polygon
            key={l.from}
            data-letter={l.from}
            points={l.quad
              .map((p) => apply(toScreen, p))
              .map((p) => `${p.x},${p.y}`)
              .join(" ")}
            fill="var(--accent)"
            fillOpacity={on ? 0.16 : 0.001}
            stroke="var(--accent)"
            strokeOpacity={on ? 1 : 0.35}
            strokeWidth={on ? 1.5 : 1}
            style={{ cursor: "move" }}
            onPointerDown={onDown(l)}
          />
        );
      })}
      {last && <LetterGrips letter={last} toScreen={(p) => apply(toScreen, p)} changing={changing} picked={picked} />}
      {last && l0 && picked.length === 1 && <OnBench letter={last} lettering={l0} toScreen={(p) => apply(toScreen, p)} />}
      {item.letters.map((l) => (
        <GapGrip key={`gap ${l.from}`} item={item} letter={l} toScreen={(p) => apply(toScreen, p)} changing={changing} />
      ))}
    </g>
  );
}

const pointOf = (e: PointerEvent): Point => {
  const box = (e.currentTarget as Element).closest("[data-bench]")!.getBoundingClientRect();
  return { x: e.clientX - box.left, y: e.clientY - box.top };
};

type Changing = (
  name: string,
  ids: readonly number[],
  apart: (start: Point, now: Point, letter: LetterUpdate, shift: boolean) => Partial<ReturnType<typeof changeAt>>,
) => (start: Point) => Gesture;

/** Turn and scale, on the letter that was picked last, for all that are picked. */
function LetterGrips({
  letter,
  toScreen,
  changing,
  picked,
}: {
  letter: LetterUpdate;
  toScreen: (p: Point) => Point;
  changing: Changing;
  picked: readonly number[];
}) {
  const id = useStudio((s) => s.selection.at(-1));
  const l = useStudio((s) => letteringOf(s.work!, id))!;
  const at = letter.quad.map(toScreen);
  const centre = middle(letter);
  const top = { x: (at[0].x + at[1].x) / 2, y: (at[0].y + at[1].y) / 2 };
  const up = Math.hypot(at[0].x - at[3].x, at[0].y - at[3].y) || 1;
  const turn = { x: top.x + ((at[0].x - at[3].x) / up) * 22, y: top.y + ((at[0].y - at[3].y) / up) * 22 };
  const angle = (p: Point) => (Math.atan2(p.y - centre.y, p.x - centre.x) * 180) / Math.PI;
  const far = (p: Point) => Math.hypot(p.x - centre.x, p.y - centre.y);
  const ratio = (v: number) => Math.min(20, Math.max(0.05, Math.round(v * 1000) / 1000));
  return (
    <>
      <Lead points={[top, turn]} />
      <Grip
        passive
        at={turn}
        look="small"
        name="letter-turn"
        label="Turn the picked letters (Shift: in steps)"
        cursor="grab"
        gesture={changing("turn letters", picked, (start, now, k, shift) => {
          const by = angle(now) - angle(start);
          const was = changeAt(l, k.from).turn;
          return { turn: Math.round(stepped(((((was + by + 180) % 360) + 360) % 360) - 180, "turn", shift) * 10) / 10 };
        })}
      />
      <Grip
        passive
        at={at[2]}
        look="square"
        name="letter-scale"
        label="Scale the picked letters"
        cursor="nwse-resize"
        gesture={changing("scale letters", picked, (start, now, k) => {
          const by = far(now) / (far(start) || 1);
          const was = changeAt(l, k.from);
          return { width: ratio(was.width * by), height: ratio(was.height * by) };
        })}
      />
    </>
  );
}

/** The other forms of the picked letter, below it. */
function OnBench({ letter, lettering, toScreen }: { letter: LetterUpdate; lettering: Lettering; toScreen: (p: Point) => Point }) {
  const at = letter.quad.map(toScreen);
  const [x, y] = [Math.min(...at.map((p) => p.x)), Math.max(...at.map((p) => p.y)) + 26];
  return (
    <foreignObject x={x} y={y} width={1} height={1} overflow="visible">
      <div
        className="w-max max-w-[380px] rounded-lg bg-paper shadow-lg empty:hidden [&>div]:p-1"
        data-alternates
        onPointerDown={(e) => e.stopPropagation()}
      >
        <Alternates lettering={lettering} at={letter.from} />
      </div>
    </foreignObject>
  );
}

/** Below the gap after a letter: a drag kerns. */
function GapGrip({
  item,
  letter,
  toScreen,
  changing,
}: {
  item: LetteringUpdate;
  letter: LetterUpdate;
  toScreen: (p: Point) => Point;
  changing: Changing;
}) {
  const l = useStudio((s) => letteringOf(s.work!, item.id));
  const next = item.letters.find((k) => k.line === letter.line && k.from >= letter.to);
  if (!next || !l) return null;
  const [a, b] = [toScreen(letter.quad[2]), toScreen(next.quad[3])];
  const { right, down } = axesOf(letter);
  const foot = toScreen({ x: letter.quad[2].x + down.x, y: letter.quad[2].y + down.y });
  const length = Math.hypot(foot.x - a.x, foot.y - a.y) || 1;
  const at = { x: (a.x + b.x) / 2 + ((foot.x - a.x) / length) * 14, y: (a.y + b.y) / 2 + ((foot.y - a.y) / length) * 14 };
  const was = changeAt(l, letter.from).space;
  return (
    <Grip
      passive
      at={at}
      look="small"
      name={`gap-${letter.from}`}
      cursor="ew-resize"
      picked={was !== 0}
      label={`Gap after “${l.text.slice(letter.from, letter.to)}”: drag, or arrow keys`}
      gesture={changing("kern", [letter.from], (start, now, k) => ({
        space: Math.round((was + ((now.x - start.x) * right.x + (now.y - start.y) * right.y) / (item.lines[k.line]?.scale || 1)) * 10) / 10,
      }))}
    />
  );
}
