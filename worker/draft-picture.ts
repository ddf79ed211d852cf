import { isEmpty, mapped, type Bounds } from "../core/curves/bounds";
import { identity, multiply, translation, type Matrix } from "../core/curves/matrix";
import { Verb, type Path } from "../core/curves/path";
import { numberOf } from "../core/memo";
import type { PictureFill, SceneFade, SceneFill, SceneLayer, SceneOverlay, SceneStop } from "../core/scene/scene";
import type { RoughPixels } from "./grains";

/** A layer as pixels, and where they lie on the board. */
export interface DraftPicture {
  readonly bitmap: ImageBitmap;
  readonly box: Bounds;
}

type Pixels = OffscreenCanvasRenderingContext2D;

/** The pixels of a picture that something is filled with; undefined where they are not here. */
export type PicturePixels = (fill: PictureFill) => RoughPixels | undefined;

/** What a page paints late: so many gradients, of which a blur stands for many. */
const costly = 120;
const perBlur = 40;
const perOverlay = 60;
/** Pixels of a picture at most: it is seen in passing. */
const mostPixels = 2_000_000;
/** How far beyond the board it is drawn, as a share of it. */
const beyond = 0.25;

/** How much there is to paint; Infinity where pixels could not show it as the page does. */
function costOf({ fills, over = [], effects = [], layers = [] }: SceneLayer, pictures: PicturePixels): number {
  if (fills.some((f) => f.kind === "angular" || (f.kind === "picture" && !pictures(f)))) return Infinity;
  const own = fills.filter((f) => f.kind !== "flat").length + perBlur * effects.length + perOverlay * over.length;
  return own + layers.reduce((sum, l) => sum + costOf(l, pictures), 0);
}

/** Whether a page takes long to paint a layer that pixels show as well. */
export function isCostly(layer: SceneLayer, pictures: PicturePixels): boolean {
  const cost = costOf(layer, pictures);
  return typeof OffscreenCanvas !== "undefined" && cost >= costly && cost < Infinity && !isEmpty(layer.bounds);
}

/**
 * A costly layer as pixels, for the time of a drag: they are painted here while the page goes on.
 * @param board width and height, in pixels of the board
 * @param density pixels of the screen to one of the board
 * @param pictures what it is filled with, where that is pictures
 */
export function draftPicture(layer: SceneLayer, matrix: Matrix, board: Size, density: number, pictures: PicturePixels): DraftPicture {
  const seen = mapped(matrix, layer.bounds);
  const [mx, my] = [beyond * board.width, beyond * board.height];
  const within = (v: number, most: number, by: number) => Math.min(most + by, Math.max(-by, v));
  const box = {
    minX: within(seen.minX, board.width, mx),
    minY: within(seen.minY, board.height, my),
    maxX: within(seen.maxX, board.width, mx),
    maxY: within(seen.maxY, board.height, my),
  };
  const [w, h] = [box.maxX - box.minX, box.maxY - box.minY];
  const scale = Math.min(density, Math.sqrt(mostPixels / Math.max(1, w * h)));
  const size = { width: Math.max(1, Math.ceil(w * scale)), height: Math.max(1, Math.ceil(h * scale)) };
  const place = multiply([scale, 0, 0, scale, -box.minX * scale, -box.minY * scale], matrix);
  const { canvas } = painted(layer, { place, size, pictures }, 0);
  const drawn = { minX: box.minX, minY: box.minY, maxX: box.minX + size.width / scale, maxY: box.minY + size.height / scale };
  return { bitmap: canvas.transferToImageBitmap(), box: drawn };
}

interface Size {
  readonly width: number;
  readonly height: number;
}

interface Way {
  /** From the layer's space to pixels. */
  readonly place: Matrix;
  readonly size: Size;
  readonly pictures: PicturePixels;
}

/** Sheets that pictures within pictures are painted on, by how deep they lie. */
const sheets: Pixels[] = [];

function sheetOf(depth: number, { width, height }: Size): Pixels {
  const known = sheets[depth];
  const sheet = known ?? new OffscreenCanvas(width, height).getContext("2d")!;
  sheets[depth] = sheet;
  // Which also makes it blank, and all its settings what they are at first.
  sheet.canvas.width = width;
  sheet.canvas.height = height;
  return sheet;
}

/** Sheets for what is made on the side, by what it is: a sheet costs more than what is drawn on it. */
const asides = new Map<string, Pixels>();

function asideOf(what: string, { width, height }: Size): Pixels {
  const known = asides.get(what);
  const sheet = known ?? new OffscreenCanvas(width, height).getContext("2d", { willReadFrequently: true })!;
  asides.set(what, sheet);
  sheet.canvas.width = width;
  sheet.canvas.height = height;
  return sheet;
}

/** A layer on a sheet, without its own opacity and blending. */
function painted(layer: SceneLayer, way: Way, depth: number): Pixels {
  const { place, size } = way;
  const { fade, effects = [], layers = [] } = layer;
  const sheet = sheetOf(depth, size);
  paintPaths(sheet, layer, way);
  for (const inner of layers) {
    const own = painted(inner, way, depth + 1);
    sheet.setTransform(...identity);
    sheet.globalAlpha = inner.opacity;
    sheet.globalCompositeOperation = inner.blend === "normal" ? "source-over" : (inner.blend as GlobalCompositeOperation);
    sheet.drawImage(own.canvas, 0, 0);
    sheet.globalAlpha = 1;
    sheet.globalCompositeOperation = "source-over";
  }
  for (const over of layer.over ?? []) layOver(sheet, layer, over, way);
  if (fade) fadeOut(sheet, fade, place, size);
  const scale = Math.sqrt(Math.abs(place[0] * place[3] - place[1] * place[2]));
  const blur = Math.sqrt(effects.reduce((sum, e) => sum + e.deviation ** 2, 0)) * scale;
  if (!(blur > 0)) return sheet;
  const soft = sheetOf(depth + 1, size);
  soft.filter = `blur(${blur}px)`;
  soft.drawImage(sheet.canvas, 0, 0);
  [sheets[depth], sheets[depth + 1]] = [soft, sheet];
  return soft;
}

function paintPaths(to: Pixels, { paths, fills }: SceneLayer, way: Way): void {
  for (const { path, x, y, matrix, fill } of paths) {
    to.setTransform(...multiply(way.place, multiply(translation(x, y), matrix ?? identity)));
    to.beginPath();
    trace(to, path);
    paint(to, fills[fill], way);
  }
}

/** What is laid on paths within their outline is drawn in pixels so much larger: it is soft. */
const coarser = 2;

/** How far paths cover what lies about each pixel, from 0 to 255: of what was asked for last, since light moves over forms that stay. */
interface Cover extends Size {
  readonly alpha: Uint8Array;
}
const covers = new Map<string, Cover>();
const mostCovers = 6;

function coverOf({ paths }: SceneLayer, deviation: number, way: Way): Cover {
  const { width, height } = way.size;
  const size = { width: Math.max(1, Math.ceil(width / coarser)), height: Math.max(1, Math.ceil(height / coarser)) };
  const key = `${paths.map((p) => [numberOf(p.path), p.x, p.y, p.matrix]).join()} ${deviation} ${way.place.join()} ${width} ${height}`;
  const known = covers.get(key);
  covers.delete(key);
  const cover = known ?? { ...size, alpha: blurredOf(paths, deviation, way, size) };
  covers.set(key, cover);
  if (covers.size > mostCovers) covers.delete(covers.keys().next().value!);
  return cover;
}

function blurredOf(paths: SceneLayer["paths"], deviation: number, { place, size: whole }: Way, { width, height }: Size): Uint8Array {
  const small = multiply([width / whole.width, 0, 0, height / whole.height, 0, 0], place);
  const [sharp, soft] = [asideOf("sharp", { width, height }), asideOf("soft", { width, height })];
  outline(sharp, paths, small);
  sharp.fill();
  const blur = deviation * Math.sqrt(Math.abs(small[0] * small[3] - small[1] * small[2]));
  if (blur > 0) soft.filter = `blur(${blur}px)`;
  soft.drawImage(sharp.canvas, 0, 0);
  const { data } = soft.getImageData(0, 0, width, height);
  return Uint8Array.from({ length: width * height }, (_, i) => data[4 * i + 3]);
}

/** All of the paths as one. */
function outline(to: Pixels, paths: SceneLayer["paths"], place: Matrix): void {
  to.beginPath();
  for (const { path, x, y, matrix } of paths) {
    to.setTransform(...multiply(place, multiply(translation(x, y), matrix ?? identity)));
    trace(to, path);
  }
}

/** Light or shade on the edges of paths, as the filter of the page makes it: see `SceneOverlay`. */
function layOver(to: Pixels, layer: SceneLayer, over: SceneOverlay, way: Way): void {
  const { alpha, width, height } = coverOf(layer, over.deviation, way);
  const { place, size } = way;
  // How many of the pixels a slope rises over, in whole ones.
  const rise = over.kind === "slope" ? over.rise : { x: 0, y: 0 };
  const rx = Math.round(((place[0] * rise.x + place[2] * rise.y) * width) / size.width);
  const ry = Math.round(((place[1] * rise.x + place[3] * rise.y) * height) / size.height);
  const coverAt = (x: number, y: number) => (x < 0 || y < 0 || x >= width || y >= height ? 0 : alpha[y * width + x]);
  const [red, green, blue] = [1, 3, 5].map((at) => parseInt(over.colour.slice(at, at + 2), 16));
  const laid = asideOf("laid", { width, height });
  const pixels = laid.createImageData(width, height);
  const { data } = pixels;
  for (let y = 0, o = 0; y < height; y++)
    for (let x = 0; x < width; x++, o += 4) {
      const shown = over.kind === "edge" ? 255 - alpha[y * width + x] : coverAt(x - rx, y - ry) - coverAt(x + rx, y + ry);
      if (shown <= 0) continue;
      data[o] = red;
      data[o + 1] = green;
      data[o + 2] = blue;
      data[o + 3] = over.opacity * Math.min(255, over.gain * shown);
    }
  laid.putImageData(pixels, 0, 0);
  to.save();
  outline(to, layer.paths, place);
  to.clip();
  to.setTransform(...identity);
  to.globalCompositeOperation = over.blend === "normal" ? "source-over" : (over.blend as GlobalCompositeOperation);
  to.drawImage(laid.canvas, 0, 0, size.width, size.height);
  to.restore();
}

function trace(to: Pixels, { verbs, coords: c }: Path): void {
  let o = 0;
  for (const verb of verbs) {
    if (verb === Verb.Move) to.moveTo(c[o++], c[o++]);
    else if (verb === Verb.Line) to.lineTo(c[o++], c[o++]);
    else if (verb === Verb.Quad) to.quadraticCurveTo(c[o++], c[o++], c[o++], c[o++]);
    else if (verb === Verb.Cubic) to.bezierCurveTo(c[o++], c[o++], c[o++], c[o++], c[o++], c[o++]);
    else to.closePath();
  }
}

/** Fills what has been traced: a path stays where it was traced, and paint lies in the space of its own. */
function paint(to: Pixels, fill: SceneFill, { place, pictures }: Way): void {
  if (fill.kind === "flat") {
    to.fillStyle = withOpacity(fill.colour, fill.opacity);
    to.fill();
    return;
  }
  if (fill.kind === "picture") {
    const pixels = pictures(fill);
    if (pixels) paintPicture(to, fill, pixels, place);
    return;
  }
  if (fill.kind === "angular") return;
  const { from, to: end, stops } = fill;
  to.setTransform(...multiply(place, fill.matrix ?? identity));
  const run =
    fill.kind === "linear"
      ? to.createLinearGradient(from.x, from.y, end.x, end.y)
      : to.createRadialGradient(from.x, from.y, 0, from.x, from.y, Math.max(1e-3, Math.hypot(end.x - from.x, end.y - from.y)));
  addStops(run, stops);
  to.fillStyle = run;
  to.fill();
}

function paintPicture(to: Pixels, { area, matrix, opacity }: PictureFill, { width, height, rgb }: RoughPixels, place: Matrix): void {
  const data = new Uint8ClampedArray(4 * width * height).fill(255);
  for (let i = 0, o = 0; i < rgb.length; i += 3, o += 4) for (let k = 0; k < 3; k++) data[o + k] = rgb[i + k];
  const picture = asideOf("picture", { width, height });
  picture.putImageData(new ImageData(data, width), 0, 0);
  to.save();
  to.clip();
  to.globalAlpha = opacity;
  to.setTransform(...multiply(place, matrix ?? identity));
  to.drawImage(picture.canvas, area.minX, area.minY, area.maxX - area.minX, area.maxY - area.minY);
  to.restore();
}

function addStops(run: CanvasGradient, stops: readonly SceneStop[]): void {
  for (const { offset, colour, opacity } of stops) run.addColorStop(Math.min(1, Math.max(0, offset)), withOpacity(colour, opacity));
}

const withOpacity = (colour: string, opacity: number): string =>
  opacity >= 1
    ? colour
    : `${colour}${Math.round(255 * opacity)
        .toString(16)
        .padStart(2, "0")}`;

function fadeOut(sheet: Pixels, { from, to, stops }: SceneFade, place: Matrix, { width, height }: Size): void {
  sheet.setTransform(...place);
  const run = sheet.createLinearGradient(from.x, from.y, to.x, to.y);
  addStops(
    run,
    stops.map((s) => ({ ...s, colour: "#000000" })),
  );
  sheet.fillStyle = run;
  sheet.globalCompositeOperation = "destination-in";
  // All of the sheet, wherever the fade's own space puts its corners.
  sheet.beginPath();
  sheet.setTransform(...identity);
  sheet.rect(0, 0, width, height);
  sheet.setTransform(...place);
  sheet.fill();
  sheet.globalCompositeOperation = "source-over";
}
