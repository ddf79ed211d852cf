import { expose } from "comlink";
import { empty, joinAll } from "../core/curves/bounds";
import { firstFace } from "../core/lettering/face";
import { memoByIdentity } from "../core/memo";
import { layerNode } from "../core/output/layer-svg";
import { toSvg } from "../core/output/svg";
import type { SvgNode } from "../core/output/svg-node";
import { compile, type Compiled } from "../core/piece/compile";
import { createEngine, type LoadedEngine } from "../core/piece/engine";
import type { PieceFile } from "../core/piece/schema";
import { Problem } from "../core/problem";
import type { SceneItem, SceneLayer } from "../core/scene/scene";
import { fetchFace, listFaces } from "./faces";
import { layerKey, type Answer, type Known, type LayerUpdate, type SceneUpdate, type SceneWorker, type SvgRequest } from "./protocol";

let engine: Promise<LoadedEngine> | undefined;
const ready = () =>
  (engine ??= createEngine({
    standIn: firstFace,
    readFace: fetchFace,
  }));

/** A number for each layer object, so that the page can say which ones it holds. */
const versions = new WeakMap<SceneLayer, number>();
let lastVersion = 0;
const versionOf = (layer: SceneLayer): number => {
  let version = versions.get(layer);
  if (version === undefined) versions.set(layer, (version = ++lastVersion));
  return version;
};

// By item too: two letterings that are set alike share their layers, and ids must be their own.
const nodes = memoByIdentity<SceneLayer, SvgNode>(16);
const nodeOf = (layer: SceneLayer, item: SceneItem): SvgNode =>
  nodes(layer, item.id, () => layerNode(layer, item, `b-${item.id}-${layer.id}`));

function layerUpdate(layer: SceneLayer, item: SceneItem, known: Known): LayerUpdate {
  const version = versionOf(layer);
  const [fill] = layer.fills;
  return {
    id: layer.id,
    version,
    opacity: layer.opacity,
    blend: layer.blend,
    bounds: layer.bounds,
    ...(known[layerKey(item.id, layer.id)] === version ? {} : { node: nodeOf(layer, item) }),
    ...(fill && fill.kind !== "flat" ? { line: { from: fill.from, to: fill.to, box: fill.box, matrix: fill.matrix } } : {}),
  };
}

async function sceneOf({ piece, styles }: PieceFile): Promise<Compiled & { faceHere: (id: string) => boolean }> {
  const e = await ready();
  await e.load(piece.items.map((i) => i.face));
  return { ...compile(piece, new Map(styles.map((s) => [s.id, s])), e, () => performance.now()), faceHere: (id) => e.face(id) !== undefined };
}

async function answered<T>(work: () => Promise<T>): Promise<Answer<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (error) {
    if (error instanceof Problem) return { ok: false, message: error.message };
    throw error;
  }
}

const worker: SceneWorker = {
  compile: (file, known) =>
    answered(async () => {
      const { scene, placed, times, faceHere } = await sceneOf(file);
      const start = performance.now();
      const items = scene.items.map((item, i) => {
        const { setting, matrix, face } = placed[i];
        return {
          id: item.id,
          matrix,
          layers: item.layers.map((layer) => layerUpdate(layer, item, known)),
          ink: setting.ink,
          painted: item.layers.length ? joinAll(item.layers.map((l) => l.bounds)) : empty,
          frame: setting.frame,
          carets: setting.carets,
          lines: setting.lines,
          missing: setting.missing,
          metrics: face.metrics,
          faceHere: faceHere(file.piece.items[i].face),
        };
      });
      const update: SceneUpdate = { width: scene.width, height: scene.height, ground: scene.ground, items, times: { ...times, svg: performance.now() - start } };
      return update;
    }),
  svg: ({ file, items, ground, withPiece }: SvgRequest) =>
    answered(async () => {
      const { scene } = await sceneOf(file);
      const names = await listFaces();
      const used = [...new Set(file.piece.items.filter((i) => !items || items.includes(i.id)).map((i) => i.face))];
      return toSvg(scene, {
        title: file.piece.name,
        unit: file.piece.board.unit,
        faces: used.map((id) => names.find((f) => f.id === id)?.name ?? id),
        area: items ? { kind: "items", ids: items } : { kind: "board" },
        ground,
        ...(withPiece ? { piece: JSON.stringify(file) } : {}),
      });
    }),
};

expose(worker);
