import * as z from "zod";
import { PathBuilder } from "../curves/path";
import { fingerprint } from "../fingerprint";
import { idSchema as id } from "../ids";
import { memoByIdentity, memoByKey, numberOf } from "../memo";
import { photoSchema } from "../photo";
import type { SceneLayer } from "../scene/scene";
import type { Style } from "../style/schema";
import type { Lamp } from "./lamp";

/** What surfaces of a body may be made of. */
export const materialNames = ["matt", "satin", "enamel", "brushed", "polished", "glass", "wood", "stone", "stitched"] as const;
export type MaterialName = (typeof materialNames)[number];

const surfaceSchema = z.object({ material: z.enum(materialNames), ink: id });
const percent = (most: number) => z.number().min(0).max(most);

/** Pixels of the longer side. */
export const leastStudioSide = 64;
export const mostStudioSide = 4096;

export const studioQualities = ["quick", "fine", "finest"] as const;

/** How the body that a coat makes of its letters is photographed. */
export const studioSettingsSchema = z.object({
  coat: id,
  face: surfaceSchema,
  rim: surfaceSchema,
  sides: surfaceSchema,
  /** Percent: how dark the shadow on the board is. */
  shadow: percent(100).default(55),
  /** Percent: how wide the lamp is, and so how soft the edges of shadows are. */
  softness: percent(100).default(35),
  /** Percent of the light of a bright room, which metal and enamel show. */
  room: percent(200).default(100),
  /** How many exposures it is the mean of: how smooth its shadows are, and how long it takes. */
  quality: z.enum(studioQualities).default("fine"),
  side: z.number().int().min(leastStudioSide).max(mostStudioSide).default(2000),
});
export type StudioSettings = z.infer<typeof studioSettingsSchema>;
export type SurfaceSettings = z.infer<typeof surfaceSchema>;

/** A picture of an item's body that is seen instead of its vectors. */
export const studioPictureSchema = z.object({
  settings: studioSettingsSchema,
  photo: photoSchema,
  /** Where its edges lie, in the item's space. */
  box: z.object({ minX: z.number(), minY: z.number(), maxX: z.number(), maxY: z.number() }),
  /** What it was made of, by its fingerprint. */
  of: z.string().max(32),
  shown: z.boolean().default(true),
});
export type StudioPicture = z.infer<typeof studioPictureSchema>;

interface Pictured {
  readonly studio: StudioPicture | null;
}

/** What of an item changes neither its body nor the light on it. */
const unseen = new Set(["id", "x", "y", "hidden", "locked", "groups", "styleId", "ownStyle", "studio"]);

/** What a studio picture of an item is made of: its words as they are set and bent, the forms of its coats, their inks, and the lamp. */
export function studioFingerprint(item: object, style: Style, lamp: Lamp, { face, rim, sides }: StudioSettings): string {
  const own = Object.fromEntries(Object.entries(item).filter(([name]) => !unseen.has(name)));
  const colour = (ink: string) => style.inks.find((i) => i.id === ink)?.colour;
  const coats = style.coats.map(({ id: coat, form, light }) => ({ coat, form, light }));
  return fingerprint(JSON.stringify([own, lamp, style.measure, coats, [face, rim, sides].map((s) => colour(s.ink))]));
}

const known = memoByIdentity<object, boolean>(2);

/**
 * Whether the words of an item, its look and its light are still those of its picture. It is asked at every scene and by every part of the
 * interface that says so: each state of a document is told once.
 */
export const isCurrent = (item: Pictured & object, style: Style | undefined, lamp: Lamp): boolean => {
  const { studio } = item;
  if (!studio || !style) return false;
  return known(item, `${numberOf(style)} ${numberOf(lamp)}`, () => studioFingerprint(item, style, lamp, studio.settings) === studio.of);
};

const layers = memoByKey<SceneLayer>(64);

/**
 * The picture that stands in the place of the coat that it was taken of; undefined where there is none, or where it shows what is no longer
 * so: then the coat itself is seen.
 */
export function studioLayer(item: Pictured & object, style: Style | undefined, lamp: Lamp): SceneLayer | undefined {
  const { studio } = item;
  const coat = style?.coats.find((c) => c.id === studio?.settings.coat);
  if (!studio?.shown || !coat || !isCurrent(item, style, lamp)) return undefined;
  const { box, photo } = studio;
  return layers(JSON.stringify([box, photo.id, coat.id, coat.name]), () => {
    const { minX, minY, maxX, maxY } = box;
    const frame = new PathBuilder().move(minX, minY).line(maxX, minY).line(maxX, maxY).line(minX, maxY).close().build();
    return {
      ...{ id: coat.id, group: coat.id, label: coat.name, opacity: 1, blend: "normal", bounds: box },
      fills: [{ kind: "picture", source: { kind: "photo", photo: photo.id }, area: box, box, opacity: 1 }],
      paths: [{ path: frame, x: 0, y: 0, fill: 0 }],
    };
  });
}
