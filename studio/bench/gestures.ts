import { joinAll, shifted } from "@/core/curves/bounds";
import { apply, type Point } from "@/core/curves/matrix";
import type { Lettering } from "@/core/piece/schema";
import type { ItemUpdate } from "@/worker/protocol";
import { editLettering } from "../state/edits/lettering";
import { useStudio } from "../state/store";
import { boardBox, itemBox } from "./hit";
import { snap, snapLines, type Guide } from "./snap";

export interface Move {
  /** On the board, in pixels. */
  readonly at: Point;
  readonly shift: boolean;
  /** Held to leave snapping out. */
  readonly alt: boolean;
}
/** A drag in progress: told of every move, it changes the work and says which guides to show. */
export type Gesture = (move: Move) => readonly Guide[];

let gestures = 0;
/** A key of history for one drag. */
export const newKey = (name: string) => `${name} ${++gestures}`;

const itemsOf = (ids: readonly string[]): ItemUpdate[] => useStudio.getState().scene!.items.filter((i) => ids.includes(i.id));

/** Moves the selected letterings with the pointer; Shift keeps to one axis. */
export function moveGesture(start: Point): Gesture {
  const { work, scene, selection, view } = useStudio.getState();
  const key = newKey("move");
  const box = joinAll(itemsOf(selection).map(boardBox));
  const lines = snapLines(scene!, scene!.items.filter((i) => !selection.includes(i.id)).map(boardBox));
  const from = new Map(work!.piece.items.map((i) => [i.id, { x: i.x, y: i.y }]));
  return ({ at, shift, alt }) => {
    let [dx, dy] = [at.x - start.x, at.y - start.y];
    if (shift) [dx, dy] = Math.abs(dx) > Math.abs(dy) ? [dx, 0] : [0, dy];
    const snapping = useStudio.getState().snapping && !alt;
    const pull = snapping ? snap(shifted(box, dx, dy), lines, 6 / view.zoom) : { dx: 0, dy: 0, guides: [] };
    const [mx, my] = [shift && dx === 0 ? 0 : dx + pull.dx, shift && dy === 0 ? 0 : dy + pull.dy];
    useStudio.getState().change(
      (w) =>
        editLettering(w, selection, (l) => {
          const p = from.get(l.id)!;
          [l.x, l.y] = [p.x + mx, p.y + my];
        }),
      key,
    );
    return pull.guides;
  };
}

/** Keeps `anchor` (lettering space) where it is on the board while a lettering gets another size or turn. */
function keepInPlace(l: Lettering, anchor: Point, at: Point): void {
  const k = l.size / 1000;
  const t = (l.turn * Math.PI) / 180;
  l.x = at.x - (Math.cos(t) * anchor.x - Math.sin(t) * anchor.y) * k;
  l.y = at.y - (Math.sin(t) * anchor.x + Math.cos(t) * anchor.y) * k;
}

/** Scales a lettering by one of its corners; the opposite one stays, or the middle with Alt. */
export function scaleGesture(id: string, corner: 0 | 1 | 2 | 3): Gesture {
  const [item] = itemsOf([id]);
  const key = newKey("scale");
  const b = itemBox(item);
  const middle = { x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 };
  const opposite = [{ x: b.maxX, y: b.maxY }, { x: b.minX, y: b.maxY }, { x: b.minX, y: b.minY }, { x: b.maxX, y: b.minY }][corner];
  const grip = { x: 2 * middle.x - opposite.x, y: 2 * middle.y - opposite.y };
  const size = useStudio.getState().work!.piece.items.find((i) => i.id === id)!.size;
  return ({ at, alt }) => {
    const anchor = alt ? middle : opposite;
    const fixed = apply(item.matrix, anchor);
    const held = apply(item.matrix, grip);
    const [vx, vy] = [held.x - fixed.x, held.y - fixed.y];
    const k = Math.max(0.01, ((at.x - fixed.x) * vx + (at.y - fixed.y) * vy) / (vx * vx + vy * vy));
    useStudio.getState().change(
      (w) =>
        editLettering(w, [id], (l) => {
          l.size = Math.min(20_000, Math.max(1, size * k));
          keepInPlace(l, anchor, fixed);
        }),
      key,
    );
    return [];
  };
}

/** Turns a lettering about its middle; Shift keeps to steps of 15 degrees. */
export function turnGesture(id: string, start: Point): Gesture {
  const [item] = itemsOf([id]);
  const key = newKey("turn");
  const b = itemBox(item);
  const middle = { x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 };
  const centre = apply(item.matrix, middle);
  const turn = useStudio.getState().work!.piece.items.find((i) => i.id === id)!.turn;
  const angle = (p: Point) => (Math.atan2(p.y - centre.y, p.x - centre.x) * 180) / Math.PI;
  const from = angle(start);
  return ({ at, shift }) => {
    const raw = turn + angle(at) - from;
    const next = shift ? Math.round(raw / 15) * 15 : Math.round(raw * 10) / 10;
    useStudio.getState().change(
      (w) =>
        editLettering(w, [id], (l) => {
          l.turn = ((((next + 180) % 360) + 360) % 360) - 180;
          keepInPlace(l, middle, centre);
        }),
      key,
    );
    return [];
  };
}

/** Sets size or turn by number, about the middle of the ink. */
export function resized(l: Lettering, item: ItemUpdate | undefined, change: (l: Lettering) => void): void {
  if (!item) return change(l);
  const b = itemBox(item);
  const middle = { x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 };
  const centre = apply(item.matrix, middle);
  change(l);
  keepInPlace(l, middle, centre);
}
