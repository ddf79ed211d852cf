import type { SoundFont } from "../faces/sound";
import { Drawer } from "./drawer";
import type { ExportJob, PictureJob, Results } from "./job";

/** The processes beside the server. What is asked for by hand does not wait for pictures of the shelf. */
interface Drawers {
  /** Two, so that a small one does not wait for a large one. */
  readonly exports: readonly Drawer[];
  readonly pictures: Drawer;
  readonly fonts: Drawer;
}

// Kept on the process, since routes may be bundled apart.
const shared = globalThis as typeof globalThis & { vextalDrawers?: Drawers };
const forExports = { time: 90_000, memory: 2000 };
const drawers = (): Drawers =>
  (shared.vextalDrawers ??= {
    exports: [new Drawer(forExports), new Drawer(forExports)],
    pictures: new Drawer({ time: 20_000, memory: 1000 }),
    fonts: new Drawer({ time: 30_000, memory: 1000 }),
  });

/** Draws a file, in the process for it that has the least to do. */
export const drawExport = (job: ExportJob, signal?: AbortSignal): Promise<Results["export"]> =>
  drawers()
    .exports.reduce((a, b) => (b.waiting < a.waiting ? b : a))
    .ask({ kind: "export", job }, signal);
export const drawPicture = (job: PictureJob): Promise<Results["picture"]> => drawers().pictures.ask({ kind: "picture", job });

/** The fonts of a file, read where what goes wrong ends nothing else. @throws Problem in the user's words where one is not sound */
export const checkFont = (fileName: string, bytes: Uint8Array): Promise<SoundFont[]> =>
  drawers().fonts.ask({ kind: "font", fileName, bytes });

/** Lets the children go. */
export function closeDrawers(): void {
  for (const drawer of Object.values(drawers()).flat()) drawer.close();
}
