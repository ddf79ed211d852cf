// Draws pieces in a process of its own: however much there is to draw, the server answers meanwhile, and what goes wrong ends nothing else.
import { firstFace, type FaceInfo } from "../../core/lettering/face";
import { createEngine } from "../../core/piece/engine";
import { isProblem } from "../../core/problem";
import { readFace } from "../faces/read";
import { shippedFaces } from "../faces/shipped";
import { soundFonts } from "../faces/sound";
import { draw } from "./draw";
import type { Reply, Request } from "./job";

let own = new Map<string, { info: FaceInfo; bytes: Uint8Array }>();
const engine = createEngine({
  standIn: firstFace,
  readFace: async (id) => {
    const info = shippedFaces.find((f) => f.id === id);
    return info ? { info, bytes: (await readFace(id)!).bytes } : own.get(id);
  },
});

process.on("message", (request: Request) => void answer(request).then((reply) => process.send!(reply)));
process.once("disconnect", () => process.exit(0));
// Ctrl C at a terminal is told to all: the server ends in order, and what runs here with it.
process.on("SIGINT", () => undefined);

async function answer(request: Request): Promise<Reply> {
  try {
    return { ok: true, value: request.kind === "font" ? await soundFonts(request.fileName, request.bytes) : await drawn(request) };
  } catch (error) {
    return { ok: false, known: isProblem(error), message: (error as Error).message };
  }
}

async function drawn(request: Exclude<Request, { kind: "font" }>): Promise<string | Uint8Array> {
  const loaded = await engine;
  const faces = new Map(request.job.faces.map((f) => [f.info.id, f]));
  // Faces come with the job: one that was taken away is here no longer, one that came back is.
  if ([...faces.keys()].join() !== [...own.keys()].join()) loaded.forget();
  own = faces;
  return draw(loaded, request);
}
