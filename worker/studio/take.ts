import type { Bounds } from "../../core/curves/bounds";
import { Darkroom } from "./darkroom";
import { photograph } from "./photograph";
import type { StudioOrder, StudioShot } from "./order";

type Canvas = OffscreenCanvas | HTMLCanvasElement;

/** A picture that has been taken. */
export interface StudioPrint {
  readonly png: Blob;
  readonly width: number;
  readonly height: number;
  /** Where its edges lie, in the space of the letters. */
  readonly box: Bounds;
}

/** What is heard while a picture is taken. @param soFar what is seen of it by then, where it is worth a look */
export type Heard = (done: number, of: number, soFar: ImageBitmap | null) => void;

export interface Studio {
  /** Whether the browser draws in space here. */
  canDraw(): Promise<boolean>;
  /** @returns null where it was stopped @throws Error where the browser draws no WebGL */
  take(order: StudioOrder, heard: Heard): Promise<StudioPrint | null>;
  /** Ends what is under way. */
  stop(): Promise<void>;
}

/** Exposures after which a look is worth its time: each of them is half as noisy as the one before. */
const worthALook = new Set([1, 4, 16]);

/** @param newCanvas where pictures are drawn: not the same in a page and beside it */
export function studioOn(newCanvas: (width: number, height: number) => Canvas): Studio {
  // One at a time: the newest stops what is under way.
  let turn = 0;
  let darkroom: Darkroom | undefined;
  return {
    canDraw: async () => {
      const context = newCanvas(1, 1).getContext("webgl2") as WebGL2RenderingContext | null;
      context?.getExtension("WEBGL_lose_context")?.loseContext();
      return context !== null;
    },
    take: async (order, heard) => {
      const mine = ++turn;
      const shot = await photograph(order, (darkroom ??= new Darkroom(newCanvas(1, 1))), {
        tell: (done, soFar) => {
          if (!worthALook.has(done) || done === order.exposures) return heard(done, order.exposures, null);
          void createImageBitmap(imageOf(soFar())).then((seen) => heard(done, order.exposures, seen));
        },
        pause: () => new Promise((resolve) => setTimeout(resolve)),
        isStopped: () => turn !== mine,
      });
      if (!shot) return null;
      const { width, height, box } = shot;
      return { width, height, box, png: await pngOf(shot, newCanvas(width, height)) };
    },
    stop: async () => void turn++,
  };
}

const imageOf = ({ pixels, width, height }: StudioShot): ImageData => new ImageData(pixels, width, height);

async function pngOf(shot: StudioShot, canvas: Canvas): Promise<Blob> {
  (canvas.getContext("2d") as OffscreenCanvasRenderingContext2D).putImageData(imageOf(shot), 0, 0);
  if ("convertToBlob" in canvas) return canvas.convertToBlob({ type: "image/png" });
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error("The picture could not be packed."))), "image/png"),
  );
}
