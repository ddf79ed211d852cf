import { DraftKernel } from "../curves/draft/draft-kernel";
import { CurveKernel } from "../curves/kernel";
import { Face, type FaceInfo } from "../lettering/face";
import { loadHarfBuzz } from "../lettering/harfbuzz";
import type { Engine } from "./tools";

/** Where faces come from differs by host; everything else about an engine does not. */
export interface EngineHost {
  readonly standIn: string;
  /** A face and its bytes; undefined where it is not here. */
  readonly readFace: (id: string) => Promise<{ info: FaceInfo; bytes: Uint8Array } | undefined>;
}

/** Opens faces as they are asked for and keeps them open. */
export interface LoadedEngine extends Engine {
  readonly kernel: CurveKernel;
  /** For pictures while a handle is dragged. */
  readonly draft: DraftKernel;
  /** Opens those of `ids` that are here. @throws Problem for a face whose file is damaged */
  load(ids: Iterable<string>): Promise<void>;
  /** Closes all faces but the stand-in, for when faces were added or taken away; they are opened again when they are asked for. */
  forget(): void;
}

export async function createEngine(host: EngineHost): Promise<LoadedEngine> {
  const hb = await loadHarfBuzz();
  const faces = new Map<string, Face>();
  const opening = new Map<string, Promise<void>>();
  const openFace = async (id: string) => {
    const found = await host.readFace(id);
    if (found) faces.set(id, Face.open(hb, found.info, found.bytes));
  };
  const load = async (ids: Iterable<string>) => {
    await Promise.all(
      [...new Set(ids)].map((id) => {
        let job = opening.get(id);
        if (!job) {
          job = openFace(id);
          // A face that could not be fetched may be there the next time it is asked for.
          job.catch(() => opening.delete(id));
          opening.set(id, job);
        }
        return job;
      }),
    );
  };
  await load([host.standIn]);
  const standIn = faces.get(host.standIn);
  if (!standIn) throw new Error(`The stand-in face “${host.standIn}” is not here.`);
  const forget = () => {
    for (const id of opening.keys())
      if (id !== host.standIn) {
        opening.delete(id);
        faces.delete(id);
      }
  };
  const kernel = new CurveKernel();
  return { hb, kernel, draft: new DraftKernel(kernel), face: (id) => faces.get(id), standIn, load, forget };
}
