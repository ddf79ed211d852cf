import type { SoundFont } from "../faces/sound";
import { Drawer } from "./drawer";
import { Lanes } from "./lanes";
import type { ExportJob, PictureJob, Results } from "./job";

/** The processes beside the server. What is asked for by hand does not wait for pictures of the shelf. */
interface Drawers {
  readonly exports: Lanes;
  readonly pictures: Drawer;
  readonly fonts: Drawer;
}

// Kept on the process, since routes may be bundled apart.
const shared = globalThis as typeof globalThis & { vextalDrawers?: Drawers };
const forExports = { time: 90_000, memory: 2000 };
const drawers = (): Drawers =>
  (shared.vextalDrawers ??= {
    exports: new Lanes([new Drawer(forExports), new Drawer(forExports)], new Drawer(forExports)),
    pictures: new Drawer({ time: 20_000, memory: 1000 }),
    fonts: new Drawer({ time: 30_000, memory: 1000 }),
  });

/** Draws a file: a small one does not wait for large ones. */
export const drawExport = (job: ExportJob, signal?: AbortSignal): Promise<Results["export"]> =>
  drawers().exports.ask({ kind: "export", job }, signal) as Promise<Results["export"]>;
export const drawPicture = (job: PictureJob): Promise<Results["picture"]> => drawers().pictures.ask({ kind: "picture", job });

/** The fonts of a file, read where what goes wrong ends nothing else. @throws Problem in the user's words where one is not sound */
export const checkFont = (fileName: string, bytes: Uint8Array): Promise<SoundFont[]> =>
  drawers().fonts.ask({ kind: "font", fileName, bytes });

/** Lets the children go. */
export function closeDrawers(): void {
  const { exports, pictures, fonts } = drawers();
  for (const each of [exports, pictures, fonts]) each.close();
}
