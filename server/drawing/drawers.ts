import type { SoundFont } from "../faces/sound";
import { Drawer } from "./drawer";
import type { DrawJob, Drawing } from "./job";

/** The processes beside the server. What is asked for by hand does not wait for pictures of the shelf. */
interface Drawers {
  readonly exports: Drawer;
  readonly pictures: Drawer;
  readonly fonts: Drawer;
}

// Kept on the process, since routes may be bundled apart.
const shared = globalThis as typeof globalThis & { vextalDrawers?: Drawers };
const drawers = (): Drawers =>
  (shared.vextalDrawers ??= {
    exports: new Drawer({ time: 60_000, memory: 2000 }),
    pictures: new Drawer({ time: 20_000, memory: 1000 }),
    fonts: new Drawer({ time: 30_000, memory: 1000 }),
  });

export const drawExport = (job: DrawJob, signal?: AbortSignal): Promise<Drawing> => drawers().exports.ask({ kind: "draw", job }, signal);
export const drawPicture = (job: DrawJob): Promise<Drawing> => drawers().pictures.ask({ kind: "draw", job });

/** The fonts of a file, read where what goes wrong ends nothing else. @throws Problem in the user's words where one is not sound */
export const checkFont = (fileName: string, bytes: Uint8Array): Promise<SoundFont[]> =>
  drawers().fonts.ask({ kind: "font", fileName, bytes });

/** Lets the children go. */
export function closeDrawers(): void {
  for (const drawer of Object.values(drawers())) drawer.close();
}
