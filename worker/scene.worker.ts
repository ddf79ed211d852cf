import { expose, transfer } from "comlink";
import { joinAll, mapped, shifted, type Bounds } from "../core/curves/bounds";
import { strandsOf } from "../core/curves/nodes";
import type { Path } from "../core/curves/path";
import { meshOf } from "../core/depth/mesh";
import { svgShapes } from "../core/input/svg-shapes";
import { toSvgPath } from "../core/curves/svg-path";
import { axesOf, namedPlacesOf } from "../core/lettering/axes";
import { firstFace } from "../core/lettering/face";
import { alternatesOf, featuresOf } from "../core/lettering/features";
import { set } from "../core/lettering/setting";
import { memoByIdentity } from "../core/memo";
import { once } from "../core/once";
import { imageNode } from "../core/output/fill-svg";
import { layerBody } from "../core/output/layer-svg";
import { photoSidesOf, refusalOf, write } from "../core/output/outputs";
import { grainsFor } from "../core/output/grains";
import { exportArea, hasInk } from "../core/output/output-kind";
import { photosIn, toSvg } from "../core/output/svg";
import type { SvgNode } from "../core/output/svg-node";
import { bodyOf, compiling, factsOf, styleOf, toEnd, type Progress } from "../core/piece/compile";
import { createEngine } from "../core/piece/engine";
import { exportedFaces, exportedOf, type Wish } from "../core/piece/exported";
import { facesOf, isLettering, type Item, type Lettering, type PieceFile } from "../core/piece/schema";
import { Problem } from "../core/problem";
import type { SceneFill, SceneItem, SceneLayer } from "../core/scene/scene";
import { fillsIn } from "../core/scene/walk";
import { eased, strainOf } from "../core/style/carries";
import type { Style } from "../core/style/schema";
import { fetchFace, forgetList, listFaces } from "./faces";
import { embeddedPhotos, forgetMissingPhotos, isMissing, lookForPhotos, photoAddress } from "./photos";
import { Incoming } from "./delta";
import { draftPicture, isCostly, type DraftPicture, type PicturePixels } from "./draft-picture";
import { Drafting } from "./drafting";
import { framesOf } from "./frames";
import { BenchGrains, type RoughPixels } from "./grains";
import { inSteps } from "./in-steps";
import { itemUpdate } from "./item-update";
import {
  layerKey,
  type AliveMessage,
  type Answer,
  type Known,
  type FinerMessage,
  type LayerUpdate,
  type ProgressMessage,
  type Picture,
  type SceneUpdate,
  type SceneWorker,
} from "./protocol";

const ready = once(() =>
  createEngine({
    standIn: firstFace,
    readFace: fetchFace,
  }),
);

/** A number for each layer object and the grains that it is seen with, so that the page can say which ones it holds. */
let versions = new WeakMap<SceneLayer, { version: number; grains: string }>();
let lastVersion = 0;
function versionOf(layer: SceneLayer, seen: string): number {
  const known = versions.get(layer);
  if (known?.grains === seen) return known.version;
  versions.set(layer, { version: ++lastVersion, grains: seen });
  return lastVersion;
}

const grains = new BenchGrains(
  { make: (bytes) => URL.createObjectURL(new Blob([bytes], { type: "image/bmp" })), drop: (address) => URL.revokeObjectURL(address) },
  () => performance.now(),
  () => new Promise((resolve) => setTimeout(resolve)),
  () => postMessage({ finer: true } satisfies FinerMessage),
);

type GrainsSeen = Map<SceneFill, { readonly now: string; readonly before: string | undefined; readonly rough: RoughPixels }>;

/** Where the grains of a layer are read. */
function grainsOf(layer: SceneLayer, item: SceneItem): GrainsSeen {
  const seen: GrainsSeen = new Map();
  fillsIn(layer).forEach((fill, i) => {
    const at = fill.kind === "picture" && grains.at(`${item.id}/${layer.id}/${i}`, fill, item.matrix);
    if (at) seen.set(fill, at);
  });
  return seen;
}

const image = (href: string, at: Bounds): SvgNode => imageNode({ href }, at);

// By item too: two letterings that are set alike share their layers, and ids must be their own.
let nodes = memoByIdentity<SceneLayer, SvgNode>(16);
const nodeOf = (layer: SceneLayer, item: SceneItem, seen: GrainsSeen, seenAs: string): SvgNode =>
  nodes(layer, `${item.id} ${seenAs}`, () =>
    layerBody(layer, item.matrix, `b-${item.id}-${layer.id}`, {
      pictures: (fill, at) => {
        if (fill.source.kind === "photo") return isMissing(fill.source.photo) ? undefined : image(photoAddress(fill.source.photo), at);
        const { now, before } = seen.get(fill)!;
        // What was seen before stays below until the new one has been read.
        return { name: "g", attributes: {}, children: [image(before ?? now, at), image(now, at)] };
      },
    }),
  );

function layerUpdate(
  layer: SceneLayer,
  item: SceneItem,
  known: Known,
  { fault, nothing }: { readonly fault?: string; readonly nothing?: string },
  inPixels: ((layer: SceneLayer, item: SceneItem, pictures: PicturePixels) => DraftPicture) | undefined,
): LayerUpdate {
  const seen = grainsOf(layer, item);
  const drawn = [...seen.values()].map((s) => s.now).join(" ");
  const before = versions.get(layer);
  const key = layerKey(item.id, layer.id);
  // What the page holds as an element needs no pixels, and the other way round; pixels stand in the place of an element.
  const pictures: PicturePixels = (fill) => seen.get(fill)?.rough;
  const held = before?.grains === drawn && before.version === known[key];
  const pixels = known[key] !== undefined && !held && isCostly(layer, pictures) ? inPixels : undefined;
  // Pixels lie where the item lay when they were painted; elements are placed by the page.
  const seenAs = pixels ? `${drawn} pixels ${item.matrix.join(" ")}` : drawn;
  const version = versionOf(layer, seenAs);
  return {
    id: layer.id,
    coat: layer.group,
    version,
    opacity: layer.opacity,
    blend: layer.blend,
    bounds: layer.bounds,
    ...(fault === undefined ? {} : { fault }),
    ...(nothing === undefined ? {} : { nothing }),
    ...(known[key] === version ? {} : pixels ? { picture: pixels(layer, item, pictures) } : { node: nodeOf(layer, item, seen, seenAs) }),
    ...framesOf(layer),
    ...(layer.fade ? { covers: boxOf(layer) } : {}),
  };
}

const boxOf = ({ paths }: SceneLayer): Bounds =>
  joinAll(paths.map(({ path, x, y, matrix }) => shifted(matrix ? mapped(matrix, path.bounds) : path.bounds, x, y)));

const lacksPhoto = (item: SceneItem | undefined): boolean =>
  item?.layers.some((l) => fillsIn(l).some((f) => f.kind === "picture" && f.source.kind === "photo" && isMissing(f.source.photo))) ?? false;

/** Milliseconds that a scene is drawn without looking whether it is still wanted. */
const patience = 60;
let left = false;
const looking = {
  clock: () => performance.now(),
  every: patience,
  turn: () => new Promise<void>((resolve) => setTimeout(resolve)),
  isLeft: () => left,
  tell: (progress: Progress) => postMessage({ progress } satisfies ProgressMessage),
};

/** Lets others have a turn in what takes long, and says that it goes on. */
const pause = () => {
  postMessage({ alive: true } satisfies AliveMessage);
  return looking.turn();
};

async function compilingOf({ piece, styles }: PieceFile, draft: boolean) {
  const e = await ready();
  await e.load(facesOf(piece.items));
  const engine = draft ? { ...e, kernel: e.draft } : e;
  return { engine: e, steps: compiling(piece, new Map(styles.map((s) => [s.id, s])), engine, () => performance.now()) };
}

const drafting = new Drafting();
const incoming = new Incoming();

async function answered<T>(work: () => Promise<T>): Promise<Answer<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (error) {
    if (error instanceof Problem) return { ok: false, message: error.message };
    throw error;
  }
}

/** What is exported, without its photos. */
async function exported(file: PieceFile, wish: Wish) {
  const { scene } = toEnd((await compilingOf(file, false)).steps);
  const names = await listFaces();
  const faces = exportedFaces(file.piece, wish.area).map((id) => names.find((f) => f.id === id)?.name ?? id);
  return exportedOf(file, scene, wish, faces, new Map());
}

const pictureOf = (path: Path): Picture => ({ d: toSvgPath(path), box: path.bounds });

/** Letters of a picture: more would not be told apart. */
const mostPictured = 24;

/** The piece with one item alone, in a style; what it is bent to or made of is there, but not drawn. */
function inStyle({ piece, ...file }: PieceFile, itemId: string, style: Style, face?: string): PieceFile {
  const items = piece.items.map((item): Item => {
    if (item.id !== itemId) return { ...item, hidden: true };
    const worn = { ...item, hidden: false, ownStyle: style };
    const shown: Item = face !== undefined && isLettering(worn) ? { ...worn, face, axes: {}, features: {} } : worn;
    if (!isLettering(shown) || shown.text.length <= mostPictured) return shown;
    return { ...shown, text: shown.text.trim().slice(0, mostPictured).split("\n")[0], bend: null, letters: [], lines: [], keys: [] };
  });
  return { ...file, piece: { ...piece, items } };
}

/** A lettering with an opened face: its own, or that of `faceId` at the place where it stands by itself. */
async function withFace({ piece }: PieceFile, itemId: string, faceId?: string) {
  const e = await ready();
  const item = piece.items.find((i) => i.id === itemId);
  if (!item || !isLettering(item)) throw new Problem("This lettering is gone.");
  const id = faceId ?? item.face;
  await e.load([id]);
  const opened = e.face(id) ?? e.standIn;
  return { e, item: item as Lettering, opened, face: faceId === undefined ? opened.at(item.axes) : opened };
}

/** A lettering's letters as they come from its face, or from another, without what is done to single ones; and the style that it shows. */
async function plainly(file: PieceFile, itemId: string, faceId?: string) {
  const { e, item, opened, face } = await withFace(file, itemId, faceId);
  const own = faceId === undefined ? item : { ...item, axes: {}, features: {} };
  const { letters } = set(e.hb, opened, { ...own, lines: [], letters: [], loosen: null });
  return {
    style: styleOf(item, new Map(file.styles.map((s) => [s.id, s]))),
    outlines: letters.map((l) => l.outline),
    texts: letters.map((l) => item.text.slice(l.from, l.to)),
    face,
    size: item.size,
    kernel: e.kernel,
  };
}

const worker: SceneWorker = {
  compile: async (delta, known, { dragging, behind }, density) => {
    const pictures: ImageBitmap[] = [];
    const answer = await answered(async () => {
      const file = incoming.whole(delta);
      const draft = drafting.next(file.piece.items, dragging, behind);
      left = false;
      const { engine: e, steps } = await compilingOf(file, draft);
      const compiled = await inSteps(steps, looking);
      if (!compiled) return null;
      const { scene, placed, faults, nothing, times } = compiled;
      if (!draft)
        drafting.exactTook(
          Object.values(times).reduce((a, b) => a + b, 0),
          dragging,
        );
      const start = performance.now();
      await lookForPhotos(photosIn(scene));
      grains.begin(density, dragging);
      const inPixels = (layer: SceneLayer, item: SceneItem, of: PicturePixels) => {
        const made = draftPicture(layer, item.matrix, scene, density, of);
        pictures.push(made.bitmap);
        return made;
      };
      const drawn = new Map(scene.items.map((i) => [i.id, i]));
      const items = file.piece.items.map((item, i) => {
        const sceneItem = drawn.get(item.id);
        const said = (of: typeof faults) => new Map(of.filter((f) => f.item === item.id).map((f) => [f.coat, f.message]));
        const [faulty, bare] = [said(faults), said(nothing)];
        const layers =
          sceneItem?.layers.map((layer) =>
            layerUpdate(
              layer,
              sceneItem,
              known,
              { fault: faulty.get(layer.id), nothing: bare.get(layer.id) },
              draft && behind ? inPixels : undefined,
            ),
          ) ?? [];
        const faceHere = !isLettering(item) || e.face(item.face) !== undefined;
        return itemUpdate(item, placed[i], layers, { faceHere, photoMissing: lacksPhoto(sceneItem) }, e.kernel);
      });
      // When this has been answered.
      setTimeout(() => void grains.refine());
      const update: SceneUpdate = {
        width: scene.width,
        height: scene.height,
        ground: scene.ground,
        items,
        draft: draft || grains.isPassing,
        times: { ...times, svg: performance.now() - start },
      };
      return update;
    });
    return transfer(answer, pictures);
  },
  leave: async () => {
    left = true;
  },
  write: ({ file, output, ...wish }) =>
    answered(async () => {
      const bare = await exported(file, wish);
      const photos = await embeddedPhotos(photosIn(bare.scene), photoSidesOf(output, bare));
      return write(output, { ...bare, photos }, { pause });
    }),
  refusals: (file, wish, outputs) =>
    answered(async () => {
      const what = await exported(file, wish);
      return outputs.map((output) => refusalOf(output, what));
    }),
  look: (file, itemId, style, width, face) =>
    answered(async () => {
      const alone = inStyle(file, itemId, style, face);
      const { scene } = toEnd((await compilingOf(alone, false)).steps);
      const area = { kind: "items", ids: [itemId] } as const;
      const box = exportArea(scene, area);
      if (!hasInk(box)) throw new Problem("Nothing is left of the letters.");
      const what = exportedOf(alone, scene, { area, ground: false }, [], await embeddedPhotos(photosIn(scene)));
      const grains = await grainsFor(scene, area, Math.min(2, (2 * width) / (box.maxX - box.minX)), pause);
      return toSvg({ ...what, piece: undefined, grains }, box);
    }),
  faceFacts: (file, itemId) =>
    answered(async () => {
      const { e, item, opened, face } = await withFace(file, itemId);
      const features = featuresOf(e.hb, face, item.text, item);
      return {
        axes: axesOf(opened),
        places: namedPlacesOf(opened),
        features: features.map(({ picture, ...f }) => ({ ...f, picture: picture && !picture.isEmpty ? pictureOf(picture) : null })),
      };
    }),
  alternates: (file, itemId, at) =>
    answered(async () => {
      const { e, item, face } = await withFace(file, itemId);
      return alternatesOf(e.hb, face, item.text, at, item).map(({ outline, ...a }) => ({ ...a, picture: pictureOf(outline) }));
    }),
  strain: (file, itemId, faceId) =>
    answered(async () => {
      const { style, outlines, texts, ...on } = await plainly(file, itemId, faceId);
      const strain = style && strainOf(style, on.face, outlines, on.size, on.kernel);
      return strain ? { ...strain, letters: strain.which.map((i) => texts[i]) } : null;
    }),
  facts: ({ piece, styles }, of) =>
    answered(async () => {
      const e = await ready();
      await e.load(facesOf(piece.items));
      return factsOf(piece, new Map(styles.map((s) => [s.id, s])), e, of);
    }),
  body: ({ piece, styles }, of) =>
    answered(async () => {
      const e = await ready();
      await e.load(facesOf(piece.items));
      const body = bodyOf(piece, new Map(styles.map((s) => [s.id, s])), e, of);
      if (!body) throw new Problem("This coat makes no body: it needs the step Solid, with some depth, and letters.");
      const { outline, sight, edge, light } = body;
      return { sight, light, mesh: meshOf(outline, sight.depth, edge, e.kernel) };
    }),
  ease: (file, itemId) =>
    answered(async () => {
      const { style, outlines, ...on } = await plainly(file, itemId);
      return style ? eased(style, on.face, outlines, on.size, on.kernel) : null;
    }),
  svgShapes: (text) =>
    answered(async () => {
      const { path, leftOut } = svgShapes(text, (await ready()).kernel);
      return { strands: strandsOf(path), box: path.bounds, leftOut };
    }),
  photosChanged: () =>
    answered(async () => {
      forgetMissingPhotos();
      // What was drawn without them is drawn and sent anew.
      versions = new WeakMap();
      nodes = memoByIdentity(16);
      return null;
    }),
  facesChanged: () =>
    answered(async () => {
      forgetList();
      (await ready()).forget();
      return null;
    }),
};

expose(worker);
