import { produce } from "immer";
import { nanoid } from "nanoid";
import { shapeOf } from "@/core/bend/bend";
import type { Bounds } from "@/core/curves/bounds";
import type { Strand } from "@/core/curves/nodes";
import type { Photo } from "@/core/photo";
import {
  newShape,
  isLettering,
  isShape,
  newLettering,
  newShapeItem,
  type Item,
  type Lettering,
  type PieceFile,
  type ShapeItem,
} from "@/core/piece/schema";
import { shapeKind } from "@/core/shape/kinds";
import { withItems } from "@/core/style/references";
import type { Style } from "@/core/style/schema";
import { toPx } from "@/core/units";
import type { Work } from "../work";
import { plainStyle, ruleStyle } from "./style";
import { newPaint } from "@/core/coat/schema";

/** Changes items; those that are locked stay as they are. */
export const editItems = (work: Work, ids: readonly string[], change: (item: Item) => void): Work =>
  produce(work, (w) => {
    for (const item of w.piece.items) if (ids.includes(item.id) && !item.locked) change(item as Item);
  });

export const editLettering = (work: Work, ids: readonly string[], change: (l: Lettering) => void): Work =>
  editItems(work, ids, (item) => void (isLettering(item) && change(item)));

export const editShape = (work: Work, ids: readonly string[], change: (s: ShapeItem) => void): Work =>
  editItems(work, ids, (item) => void (isShape(item) && change(item)));

/** These items with the shapes that their words fill or run along, which move with them. */
export function withGrounds(work: Work, ids: readonly string[]): string[] {
  const grounds = work.piece.items.flatMap((i) => (ids.includes(i.id) && isLettering(i) ? [shapeOf(i.bend)] : []));
  return [...new Set([...ids, ...grounds.filter((id): id is string => !!id && work.piece.items.some((i) => i.id === id))])];
}

/** As `withGrounds`, with all words that fill those shapes or run along them: what has to be scaled and turned together. */
export function boundTo(work: Work, ids: readonly string[]): string[] {
  const all = withGrounds(work, ids);
  const followers = work.piece.items.flatMap((i) => (isLettering(i) && all.includes(shapeOf(i.bend) ?? "") ? [i.id] : []));
  return [...new Set([...all, ...followers])];
}

const boardSize = ({ piece: { board } }: Work) => ({ width: toPx(board.width, board.unit), height: toPx(board.height, board.unit) });

const pushed = (work: Work, item: Item): Work => produce(work, (w) => void w.piece.items.push(item as never));

/** Where the middle of new words may stand, from the top of the board: the nearest to its middle that is free. */
const rows = [0.5, 0.75, 0.25, 0.88, 0.12];

/**
 * A new lettering in the middle of the board, or above or below it where other words stand there, like `like` where there is one.
 * @param taken boxes of other words on the board
 */
export function addLettering(
  work: Work,
  like: Lettering | undefined,
  face: string,
  taken: readonly Bounds[] = [],
): { work: Work; id: string } {
  const id = nanoid(8);
  const { width, height } = boardSize(work);
  const size = like?.size ?? Math.min(width / 4, height / 2.5);
  // From the heads of the capitals to the feet, about: the face is not measured here.
  const half = size * 0.35;
  const free = (row: number) =>
    !taken.some(
      (b) => b.minY < height * row + half && b.maxY > height * row - half && b.minX < width / 2 + size && b.maxX > width / 2 - size,
    );
  const row = rows.find(free) ?? rows[0];
  const lettering = newLettering({
    id,
    text: "",
    face: like?.face ?? face,
    axes: like?.axes ?? {},
    size,
    letterSpacing: like?.letterSpacing ?? 0,
    lineSpacing: 1,
    align: "centre",
    x: width / 2,
    y: height * row + size * 0.3,
    styleId: like?.styleId ?? null,
    // Letters are never without a look: unpainted words could not be seen.
    ownStyle: like?.ownStyle ?? (like?.styleId ? null : plainStyle("Plain", like?.face ?? face)),
  });
  return { id, work: pushed(work, lettering) };
}

/** A new shape in the middle of the board, behind everything, so that words stay in sight. */
export function addShape(work: Work, kind: string): { work: Work; id: string } {
  const { width, height } = boardSize(work);
  const across = Math.min(width, height) * 0.5;
  const wide = ["banner", "line", "rectangle"].includes(kind);
  return shapeAdded(work, {
    kind,
    name: shapeKind(kind).label,
    width: wide ? across * 1.5 : across,
    height: kind === "banner" ? across * 0.5 : across,
  });
}

/** A shape of drawn curves. @param strands in board pixels */
export function addPath(work: Work, strands: readonly Strand[], name: string): { work: Work; id: string } {
  const xs = strands.flatMap((s) => s.nodes.map((n) => n.x));
  const ys = strands.flatMap((s) => s.nodes.map((n) => n.y));
  const [minX, maxX, minY, maxY] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const [w, h] = [Math.max(1, maxX - minX), Math.max(1, maxY - minY)];
  const [cx, cy] = [(minX + maxX) / 2, (minY + maxY) / 2];
  const scaled = strands.map((s) => ({
    closed: s.closed,
    nodes: s.nodes.map((n) => ({
      ...n,
      x: ((n.x - cx) / w) * 1000,
      y: ((n.y - cy) / h) * 1000,
      inX: (n.inX / w) * 1000,
      inY: (n.inY / h) * 1000,
      outX: (n.outX / w) * 1000,
      outY: (n.outY / h) * 1000,
    })),
  }));
  return shapeAdded(work, { kind: "path", name, width: w, height: h, x: cx, y: cy, values: { strands: scaled } });
}

/** A rectangle painted with a photo, no larger than the board, behind everything. */
export function addPhoto(work: Work, photo: Photo): { work: Work; id: string } {
  const board = boardSize(work);
  const k = Math.min(1, board.width / photo.width, board.height / photo.height);
  const style = plainStyle("Photo");
  const coats = style.coats.map((c) => ({ ...c, name: "Photo", paint: newPaint("photo", { photo }) }));
  return shapeAdded(work, {
    kind: "rectangle",
    name: photo.name.replace(/\.\w+$/, "").slice(0, 80) || "Photo",
    width: photo.width * k,
    height: photo.height * k,
    style: { ...style, coats },
  });
}

interface Drawn {
  kind: string;
  name: string;
  width: number;
  height: number;
  x?: number;
  y?: number;
  values?: Record<string, unknown>;
  style?: Style;
}

function shapeAdded(work: Work, { kind, name, width, height, x, y, values = {}, style }: Drawn): { work: Work; id: string } {
  const id = nanoid(8);
  const board = boardSize(work);
  const size = Math.min(2000, Math.max(10, Math.min(board.width, board.height) / 5));
  const open = kind === "line" || (values.strands as Strand[] | undefined)?.every((s) => !s.closed);
  const shape = newShapeItem({
    id,
    name,
    size,
    shape: newShape(kind, values),
    width: Math.max(0.1, (width / size) * 1000),
    height: Math.max(0.1, (height / size) * 1000),
    x: x ?? board.width / 2,
    y: y ?? board.height / 2,
    styleId: null,
    ownStyle: style ?? (open ? ruleStyle() : plainStyle("Plain", undefined, "#c9b68f")),
  });
  return { id, work: open ? pushed(work, shape) : produce(work, (w) => void w.piece.items.unshift(shape as never)) };
}

/** Copies, each `step` further on. Groups are copied as groups of their own, and words fill the copy of their shape. */
export function duplicateItems(
  work: Work,
  ids: readonly string[],
  step: { x: number; y: number },
  count = 1,
): { work: Work; ids: string[] } {
  const copied = work.piece.items.filter((i) => ids.includes(i.id));
  const sets = Array.from({ length: count }, (_, n) => copies(copied, { x: step.x * (n + 1), y: step.y * (n + 1) }));
  return { work: produce(work, (w) => void w.piece.items.push(...(sets.flat() as never[]))), ids: sets.at(-1)?.map((i) => i.id) ?? [] };
}

/** A board holds no more than these. */
export const mostItems = 200;

/**
 * Copies of items that come from anywhere. Where they would lie on one of the board's own they are put aside, where they would lie off the
 * board, into its middle.
 * @param shelf the styles that are here; items that follow another keep its look as their own
 */
export function insertItems(work: Work, { piece, styles }: PieceFile, shelf: readonly Style[]): { work: Work; ids: string[] } {
  const { width, height } = boardSize(work);
  const middle = {
    x: piece.items.reduce((sum, i) => sum + i.x, 0) / piece.items.length,
    y: piece.items.reduce((sum, i) => sum + i.y, 0) / piece.items.length,
  };
  const outside = middle.x < 0 || middle.x > width || middle.y < 0 || middle.y > height;
  const by = outside ? { x: width / 2 - middle.x, y: height / 2 - middle.y } : { x: 0, y: 0 };
  const taken = (item: Item) => work.piece.items.some((i) => Math.abs(i.x - item.x - by.x) < 1 && Math.abs(i.y - item.y - by.y) < 1);
  while (piece.items.some(taken)) [by.x, by.y] = [by.x + 20, by.y + 20];
  const dressed = piece.items.map((item): Item => {
    if (!item.styleId || shelf.some((s) => s.id === item.styleId)) return item;
    return { ...item, styleId: null, ownStyle: item.ownStyle ?? styles.find((s) => s.id === item.styleId) ?? null };
  });
  const made = copies(dressed, by);
  const next = produce(work, (w) => {
    for (const style of shelf) if (made.some((i) => i.styleId === style.id)) w.styles[style.id] ??= style;
    w.piece.items.push(...(made as never[]));
  });
  return { work: next, ids: made.map((i) => i.id) };
}

/** Items under new ids, moved by a step, which refer to each other as they did. */
function copies(items: readonly Item[], by: { x: number; y: number }): Item[] {
  const names = new Map<string, string>();
  const renamed = (old: string) => {
    if (!names.has(old)) names.set(old, nanoid(8));
    return names.get(old)!;
  };
  return items.map((item): Item => {
    const copy: Item = { ...item, id: renamed(item.id), x: item.x + by.x, y: item.y + by.y, groups: item.groups.map(renamed) };
    const along = (id: string) => (items.some((c) => c.id === id) ? renamed(id) : id);
    const dressed: Item = copy.ownStyle ? { ...copy, ownStyle: withItems(copy.ownStyle, along) } : copy;
    return isLettering(dressed) ? refitted(dressed, along) : dressed;
  });
}

/** The lettering with the shape that it refers to renamed. */
function refitted(l: Lettering, rename: (id: string) => string): Lettering {
  if (l.bend?.kind === "fit") return { ...l, bend: { ...l.bend, shape: rename(l.bend.shape) } };
  if (l.bend?.kind === "guide" && l.bend.line.kind === "outline")
    return { ...l, bend: { ...l.bend, line: { ...l.bend.line, shape: rename(l.bend.line.shape as string) } } };
  return l;
}

/** Takes items off the board; those that are locked stay. */
export const removeItems = (work: Work, ids: readonly string[]): Work =>
  produce(work, (w) => {
    w.piece.items = w.piece.items.filter((i) => !ids.includes(i.id) || i.locked);
  });

/** Moves items, kept in their order, one place to the front or the back, or all the way. */
export function raiseItems(work: Work, ids: readonly string[], to: "forward" | "backward" | "front" | "back"): Work {
  const { items } = work.piece;
  const chosen = items.filter((i) => ids.includes(i.id));
  if (!chosen.length) return work;
  const rest = items.filter((i) => !ids.includes(i.id));
  const first = items.findIndex((i) => ids.includes(i.id));
  const last = items.findLastIndex((i) => ids.includes(i.id));
  const below = items.slice(0, to === "forward" ? last + 2 : first - 1 < 0 ? 0 : first - 1).filter((i) => !ids.includes(i.id)).length;
  const at = to === "front" ? rest.length : to === "back" ? 0 : Math.min(rest.length, below);
  const order = [...rest.slice(0, at), ...chosen, ...rest.slice(at)];
  if (order.every((i, k) => i === items[k])) return work;
  return { ...work, piece: { ...work.piece, items: order } };
}

/** Hides or locks an item, or takes that back. */
export const flagItems = (work: Work, ids: readonly string[], flag: "hidden" | "locked", on: boolean): Work =>
  produce(work, (w) => {
    for (const item of w.piece.items) if (ids.includes(item.id)) item[flag] = on;
  });
