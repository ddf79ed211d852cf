import type { Bounds } from "../../core/curves/bounds";
import type { BodyMesh, SurfaceName } from "../../core/depth/mesh";
import type { TurnedBody } from "../../core/depth/turned-body";
import type { MaterialName } from "../../core/piece/studio-picture";

/** A body, ready to be photographed: plain data, which is handed from worker to worker. */
export interface StudioBody extends Pick<TurnedBody, "sight" | "light"> {
  readonly mesh: BodyMesh;
}

export interface SurfaceLook {
  readonly material: MaterialName;
  /** As #rrggbb. */
  readonly colour: string;
}

/** What surfaces are made of, and how they are lit. Shares from 0 to 1, the room's up to 2. */
export interface StudioLook {
  readonly surfaces: Readonly<Record<SurfaceName, SurfaceLook>>;
  readonly shadow: number;
  readonly softness: number;
  readonly room: number;
}

export interface StudioOrder {
  readonly body: StudioBody;
  readonly look: StudioLook;
  /** Pixels of the longer side. */
  readonly side: number;
  /** Exposures that it is the mean of: each has the lamp and the pixels' places a little elsewhere. */
  readonly exposures: number;
}

/** A picture with alpha, row by row from the top, and where its edges lie in the space of the letters. */
export interface StudioShot {
  readonly width: number;
  readonly height: number;
  readonly box: Bounds;
  /** Four bytes a pixel, colours not multiplied by alpha. */
  readonly pixels: Uint8ClampedArray<ArrayBuffer>;
}
