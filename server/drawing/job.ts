import type { FaceInfo } from "../../core/lettering/face";
import type { SvgOptions } from "../../core/output/svg";
import type { PictureSize } from "../../core/output/picture-size";
import type { SoundFont } from "../faces/sound";
import type { PieceFile } from "../../core/piece/schema";

/** All that a drawing is made of: who draws it asks for nothing more. */
export interface DrawJob {
  readonly file: Pick<PieceFile, "piece" | "styles">;
  readonly area: SvgOptions["area"];
  readonly ground: boolean;
  /** The faces that were brought in and that the piece is set in, as far as they are here. */
  readonly faces: readonly { readonly info: FaceInfo; readonly bytes: Uint8Array }[];
  /** The photos that it shows, as data URLs. */
  readonly photos: ReadonlyMap<string, string>;
  /** For a picture of exact pixels. */
  readonly size?: PictureSize;
  /** Larger drawings than this, in characters, come as a PNG of `side` pixels: for looking at, not for use. */
  readonly small?: { readonly most: number; readonly side: number };
}

/** What a child is asked. */
export type Request =
  { readonly kind: "draw"; readonly job: DrawJob } | { readonly kind: "font"; readonly fileName: string; readonly bytes: Uint8Array };
export type ResultOf<R extends Request> = R["kind"] extends "draw" ? Drawing : SoundFont[];

/** What it answers. */
export type Reply =
  { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly known: boolean; readonly message: string };

export type Drawing =
  | {
      readonly kind: "svg";
      readonly svg: string;
      readonly pixels?: { readonly width: number; readonly height: number; readonly dpi: number };
    }
  | { readonly kind: "png"; readonly png: Uint8Array };
