import { multiply, rotation, translation } from "../../curves/matrix";
import { mapped, type Bounds } from "../../curves/bounds";
import type { SceneFill } from "../../scene/scene";
import { paint } from "../paint-kind";
import { boundsOf, type Part } from "../shape";
import { fitted, unexposed } from "./photo";
import { inTurn, turnByParam } from "./in-turn";

/** How far a photo reaches over its letter at 100 %: it can be moved in every direction, and still leaves nothing bare. */
const ample = 1.25;

export const photos = paint({
  kind: "photos",
  label: "Photos",
  hint: "A picture for each letter, word or line",
  params: {
    photos: {
      type: "list",
      shown: "photos",
      label: "Photos",
      hint: "PNG, JPEG or WebP files, dealt out in this order and again from the first",
      most: 200,
      default: [],
      of: {
        photo: { type: "photo", label: "Photo", hint: "A PNG, JPEG or WebP file; kept with the pieces on the shelf", default: null },
        scale: {
          type: "number",
          label: "Size",
          hint: "Larger than it fits by itself",
          default: 100,
          min: 100,
          max: 800,
          step: 1,
          suffix: "%",
        },
        turn: { type: "angle", label: "Turn", hint: "Of the picture in its letter, clockwise", default: 0, min: -180, max: 180 },
        place: {
          type: "place",
          label: "Place",
          hint: "Which share of the photo lies at the same share of its letter",
          default: { x: 0.5, y: 0.5 },
        },
      },
    },
    by: turnByParam("photo"),
    opacity: {
      type: "number",
      label: "Opacity",
      hint: "How much of what is below shows through the photos",
      default: 100,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
    },
  },
  handles: ({ photos: rows }, runs) => {
    if (!rows.length) return null;
    const places = runs.flatMap(({ box, area, matrix }, i) => {
      if (!area) return [];
      const [x, y] = [box.maxX - box.minX - (area.maxX - area.minX), box.maxY - box.minY - (area.maxY - area.minY)];
      return {
        param: "photos",
        label: `Photo ${i + 1}`,
        at: { x: (area.minX + area.maxX) / 2, y: (area.minY + area.maxY) / 2 },
        per: { x: 1 / x, y: 1 / y },
        matrix,
        value: rows[i % rows.length].place,
        // A photo that stands in several letters is moved in this one alone.
        set: (place: { x: number; y: number }) => ({
          photos: dealt(rows, runs.length).map((row, n) => (n === i ? { ...row, place: within(place) } : row)),
        }),
      };
    });
    return { places };
  },
  apply: ({ parts }, { photos: rows, by, opacity }) => {
    if (!rows.length) return { fills: [{ kind: "flat", colour: unexposed, opacity: 1 }] };
    const fills: SceneFill[] = [];
    const fillOf = new Map<Part, number>();
    inTurn(parts, by).forEach(({ parts: own }, turn) => {
      const { photo, scale, turn: angle, place } = rows[turn % rows.length];
      for (const p of own) fillOf.set(p, fills.length);
      if (!photo) return void fills.push({ kind: "flat", colour: unexposed, opacity: opacity / 100 });
      const { box, matrix } = turnedBox(boundsOf(own), angle);
      fills.push({
        kind: "picture",
        source: { kind: "photo", photo: photo.id },
        area: fitted(photo, box, "cover", (ample * scale) / 100, within(place)),
        box,
        opacity: opacity / 100,
        ...(matrix ? { matrix } : {}),
      });
    });
    return { fills, fillOf: (part) => fillOf.get(part)! };
  },
});

const share = (v: number): number => Math.min(1, Math.max(0, v));
const within = ({ x, y }: { x: number; y: number }) => ({ x: share(x), y: share(y) });

/** A row for each turn: rows that come again are rows of their own. */
export const dealt = <R>(rows: readonly R[], turns: number): R[] =>
  Array.from({ length: Math.max(turns, rows.length) }, (_, i) => rows[i % rows.length]);

/** The box around a box as a picture sees it that is turned about its middle, and the way from there. */
function turnedBox(of: Bounds, angle: number): { box: Bounds; matrix?: ReturnType<typeof rotation> } {
  if (!angle) return { box: of };
  const [x, y] = [(of.minX + of.maxX) / 2, (of.minY + of.maxY) / 2];
  const about = (degrees: number) => multiply(translation(x, y), multiply(rotation(degrees), translation(-x, -y)));
  return { box: mapped(about(-angle), of), matrix: about(angle) };
}
