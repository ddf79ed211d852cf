import { exportArea, type Exported } from "../../core/output/output-kind";
import { grainsFor } from "../../core/output/grains";
import { photoSidesOf, write } from "../../core/output/outputs";
import { toSvg } from "../../core/output/svg";
import { compile } from "../../core/piece/compile";
import type { LoadedEngine } from "../../core/piece/engine";
import { exportedFaces, exportedOf } from "../../core/piece/exported";
import { facesOf } from "../../core/piece/schema";
import { fittedPhotos } from "../photos/fit";
import { drawPng } from "../raster/draw";
import { outputTools } from "./tools";
import type { DrawJob, ExportJob, PictureJob, Request, Results } from "./job";

async function exported(engine: LoadedEngine, { file, photos, ...wish }: DrawJob): Promise<Exported> {
  const { piece, styles } = file;
  await engine.load(facesOf(piece.items));
  const { scene } = compile(piece, new Map(styles.map((s) => [s.id, s])), engine);
  const faces = exportedFaces(piece, wish.area).map((id) => engine.face(id)?.info.name ?? id);
  return exportedOf(file, scene, wish, faces, photos);
}

async function picture(engine: LoadedEngine, job: PictureJob): Promise<string | Uint8Array> {
  const { piece: _, ...content } = await exported(engine, job);
  const box = exportArea(content.scene, content.area);
  const grains = await grainsFor(content.scene, content.area, Math.min(1, job.side / Math.max(1, box.maxX - box.minX)), host.pause);
  const svg = toSvg({ ...content, grains }, box);
  return svg.length > job.most ? drawPng(svg, job.side) : svg;
}

/** @throws Problem where it is refused, or cannot be drawn */
const exportFile = async (engine: LoadedEngine, job: ExportJob): Promise<string | Uint8Array> => {
  const whole = await exported(engine, job);
  const photos = await fittedPhotos(job.photos, photoSidesOf(job.output, whole));
  return write(job.output, { ...whole, photos }, host, outputTools);
};

/** Whoever draws here does nothing else meanwhile. */
const host = { pause: () => Promise.resolve() };

/** Does what a request asks, in this process. */
export const draw = (engine: LoadedEngine, request: Exclude<Request, { kind: "font" }>): Promise<Results["picture"]> =>
  request.kind === "picture" ? picture(engine, request.job) : exportFile(engine, request.job);
