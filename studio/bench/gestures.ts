import { corners, joinAll, shifted, type Bounds } from "@/core/curves/bounds";
import { apply, invert, type Point } from "@/core/curves/matrix";
import { isShape, itemMatrix, type Item } from "@/core/piece/schema";
import { toPx } from "@/core/units";
import type { ItemUpdate } from "@/worker/protocol";
import { boundTo, editItems, withGrounds } from "../state/edits/items";
import { studioNow } from "../state/store";
import { itemOf } from "../state/work";
import { boardBox, itemBox } from "./hit";
import { edgesOf, snap, snapLines, type Guide, type Places } from "./snap";

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

const updatesOf = (ids: readonly string[]): ItemUpdate[] => studioNow().scene!.items.filter((i) => ids.includes(i.id));

/** The nearest multiple of an increment where increments are on, or while Shift is held. */
export function stepped(value: number, by: "move" | "turn" | "scale", shift = false): number {
  const { increments } = studioNow();
  if (!(increments.on || shift) || !(increments[by] > 0)) return value;
  return Math.round(value / increments[by]) * increments[by];
}

/** The heights of the first baseline and of the capitals on the board, of words that stand level and straight. */
function baselines(items: readonly ItemUpdate[]): number[] {
  return items.flatMap((i) => {
    if (i.kind !== "lettering" || i.marks.length || Math.abs(i.matrix[1]) > 1e-9 || i.view) return [];
    return i.lines.flatMap((l) => [
      apply(i.matrix, { x: 0, y: l.baseline }).y,
      apply(i.matrix, { x: 0, y: l.baseline - i.metrics.capHeight * l.scale }).y,
    ]);
  });
}

/** What moved items are drawn to. */
export function targets(except: readonly string[]): { lines: Places; grid: number } {
  const { scene, work } = studioNow();
  const others = scene!.items.filter((i) => !except.includes(i.id) && !i.hidden);
  const lines = snapLines(scene!, others.map(boardBox));
  const { guides, grid, unit } = work!.piece.board;
  const on = (axis: "x" | "y") => guides.filter((g) => g.axis === axis).map((g) => g.at);
  return {
    lines: { x: [...on("x"), ...lines.x], y: [...on("y"), ...lines.y, ...baselines(others)] },
    grid: grid?.on ? toPx(grid.step, unit) : 0,
  };
}

/** Moves the selected items, with the shapes that their words fill; Shift keeps to one axis. */
export function moveGesture(start: Point): Gesture {
  const { work, selection, view } = studioNow();
  const key = newKey("move");
  const ids = withGrounds(work!, selection);
  const updates = updatesOf(ids);
  const box = joinAll(updates.map(boardBox));
  const levels = baselines(updates);
  const { lines, grid } = targets(ids);
  const from = new Map(work!.piece.items.map((i) => [i.id, { x: i.x, y: i.y }]));
  return ({ at, shift, alt }) => {
    let [dx, dy] = [stepped(at.x - start.x, "move"), stepped(at.y - start.y, "move")];
    if (shift) [dx, dy] = Math.abs(dx) > Math.abs(dy) ? [dx, 0] : [0, dy];
    const { snapping, increments } = studioNow();
    const edges = edgesOf([shifted(box, dx, dy)]);
    const places = { x: edges.x, y: [...edges.y, ...levels.map((y) => y + dy)] };
    const pull = snapping && !alt && !increments.on ? snap(places, lines, 6 / view.zoom, grid) : { dx: 0, dy: 0, guides: [] };
    const [mx, my] = [shift && dx === 0 ? 0 : dx + pull.dx, shift && dy === 0 ? 0 : dy + pull.dy];
    studioNow().change(
      (w) =>
        editItems(w, ids, (l) => {
          const p = from.get(l.id)!;
          [l.x, l.y] = [p.x + mx, p.y + my];
        }),
      key,
    );
    return pull.guides;
  };
}

/** Keeps `anchor` (of the item's own space, as it is seen) where it is on the board while the item gets another size or pose. */
function keepInPlace(item: Item, anchor: Point, at: Point): void {
  const now = apply(itemMatrix(item), anchor);
  item.x += at.x - now.x;
  item.y += at.y - now.y;
}

const held = (v: number): number => Math.min(20_000, Math.max(1, v));
const middleOf = (b: Bounds): Point => ({ x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 });

/**
 * Scales an item by one of its corners, its coats and the words that fill it with it; the opposite corner stays, or the middle with Alt.
 */
export function scaleGesture(id: string, corner: 0 | 1 | 2 | 3): Gesture {
  const [item] = updatesOf([id]);
  const key = newKey("scale");
  const box = itemBox(item);
  const opposite = corners(box)[(corner + 2) % 4];
  const grip = corners(box)[corner];
  const work = studioNow().work!;
  const ids = boundTo(work, [id]);
  const sizes = new Map(work.piece.items.map((i) => [i.id, i.size]));
  return ({ at, shift, alt }) => {
    const anchor = alt ? middleOf(box) : opposite;
    const fixed = apply(item.matrix, anchor);
    const start = apply(item.matrix, grip);
    const [vx, vy] = [start.x - fixed.x, start.y - fixed.y];
    const raw = ((at.x - fixed.x) * vx + (at.y - fixed.y) * vy) / (vx * vx + vy * vy || 1);
    const k = Math.max(0.01, stepped(raw * 100, "scale", shift) / 100);
    studioNow().change(
      (w) =>
        editItems(w, ids, (l) => {
          l.size = held(sizes.get(l.id)! * k);
          if (l.id === id) keepInPlace(l, anchor, fixed);
        }),
      key,
    );
    return [];
  };
}

/**
 * Widens or heightens an item by the middle of a side. A shape gets another width or height and keeps its coats as they are; words are
 * stretched as a whole, coats and all.
 * @param side clockwise from the top
 */
export function sideGesture(id: string, side: 0 | 1 | 2 | 3): Gesture {
  const [update] = updatesOf([id]);
  const key = newKey("side");
  const box = itemBox(update);
  const upright = side % 2 === 0;
  const middle = middleOf(box);
  const place = (s: number): Point =>
    upright ? { x: middle.x, y: s === 0 ? box.minY : box.maxY } : { x: s === 3 ? box.minX : box.maxX, y: middle.y };
  const before = itemOf(studioNow().work!, id)!;
  const back = invert(update.matrix);
  return ({ at, shift, alt }) => {
    const anchor = alt ? middle : place((side + 2) % 4);
    const fixed = apply(update.matrix, anchor);
    const p = apply(back, at);
    const grip = place(side);
    const raw = upright ? (p.y - anchor.y) / (grip.y - anchor.y || 1) : (p.x - anchor.x) / (grip.x - anchor.x || 1);
    const k = stepped(raw * 100, "scale", shift) / 100;
    studioNow().change(
      (w) =>
        editItems(w, [id], (item) => {
          const ratio = (v: number) => Math.sign(v || 1) * Math.min(50, Math.max(0.01, Math.abs(v)));
          if (isShape(item) && isShape(before)) {
            if (upright) item.height = Math.min(1e6, Math.max(0.1, before.height * Math.max(0.001, k)));
            else item.width = Math.min(1e6, Math.max(0.1, before.width * Math.max(0.001, k)));
            // The box grows about its middle: the side that stays is put back.
            const grown = { x: upright ? anchor.x : anchor.x * Math.max(0.001, k), y: upright ? anchor.y * Math.max(0.001, k) : anchor.y };
            keepInPlace(item, grown, fixed);
            return;
          }
          if (upright) item.down = ratio(before.down * k);
          else item.across = ratio(before.across * k);
          keepInPlace(item, anchor, fixed);
        }),
      key,
    );
    return [];
  };
}

/** Turns an item about its middle, with the words that fill it; Shift keeps to the increment. */
export function turnGesture(id: string, start: Point): Gesture {
  const [item] = updatesOf([id]);
  const key = newKey("turn");
  const middle = middleOf(itemBox(item));
  const centre = apply(item.matrix, middle);
  const work = studioNow().work!;
  const ids = boundTo(work, [id]);
  const turns = new Map(work.piece.items.map((i) => [i.id, i.turn]));
  const turn = turns.get(id)!;
  const angle = (p: Point) => (Math.atan2(p.y - centre.y, p.x - centre.x) * 180) / Math.PI;
  const from = angle(start);
  return ({ at, shift }) => {
    const next = Math.round(stepped(turn + angle(at) - from, "turn", shift) * 10) / 10;
    studioNow().change(
      (w) =>
        editItems(w, ids, (l) => {
          l.turn = within(turns.get(l.id)! + next - turn);
          if (l.id === id) keepInPlace(l, middle, centre);
        }),
      key,
    );
    return [];
  };
}

/** Degrees from -180 up to 180. */
const within = (degrees: number): number => ((((degrees + 180) % 360) + 360) % 360) - 180;

/** The selected items as one: scaled or turned about a point of the board. */
function together(name: string, measure: (move: Move) => { scale: number; turn: number; about: Point }): Gesture {
  const { work, selection } = studioNow();
  const key = newKey(name);
  const ids = boundTo(work!, selection);
  const from = new Map(work!.piece.items.map((i) => [i.id, i]));
  return (move) => {
    const { scale, turn, about } = measure(move);
    const [c, s] = [Math.cos((turn * Math.PI) / 180) * scale, Math.sin((turn * Math.PI) / 180) * scale];
    studioNow().change(
      (w) =>
        editItems(w, ids, (l) => {
          const was = from.get(l.id)!;
          l.size = held(was.size * scale);
          l.turn = within(was.turn + turn);
          const [dx, dy] = [was.x - about.x, was.y - about.y];
          [l.x, l.y] = [about.x + c * dx - s * dy, about.y + s * dx + c * dy];
        }),
      key,
    );
    return [];
  };
}

/** Scales the selection by a corner of the box around it, on the board. */
export function scaleTogether(box: Bounds, corner: number): Gesture {
  const [grip, opposite] = [corners(box)[corner], corners(box)[(corner + 2) % 4]];
  return together("scale", ({ at, shift, alt }) => {
    const about = alt ? middleOf(box) : opposite;
    const [vx, vy] = [grip.x - about.x, grip.y - about.y];
    const raw = ((at.x - about.x) * vx + (at.y - about.y) * vy) / (vx * vx + vy * vy || 1);
    return { scale: Math.max(0.01, stepped(raw * 100, "scale", shift) / 100), turn: 0, about };
  });
}

export function turnTogether(box: Bounds, start: Point): Gesture {
  const about = middleOf(box);
  const angle = (p: Point) => (Math.atan2(p.y - about.y, p.x - about.x) * 180) / Math.PI;
  const from = angle(start);
  return together("turn", ({ at, shift }) => ({ scale: 1, turn: stepped(angle(at) - from, "turn", shift), about }));
}

/** Changes size or pose by number, about the middle of the ink. */
export function resized(l: Item, item: ItemUpdate | undefined, change: (l: Item) => void): void {
  if (!item) return change(l);
  const middle = middleOf(itemBox(item));
  const centre = apply(item.matrix, middle);
  change(l);
  keepInPlace(l, middle, centre);
}
