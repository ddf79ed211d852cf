import type { FaceInfo } from "../../core/lettering/face";
import type { OutputStep } from "../../core/output/outputs";
import type { Wish } from "../../core/piece/exported";
import type { PieceFile } from "../../core/piece/schema";
import type { SoundFont } from "../faces/sound";

/** All that a drawing is made of: who draws it asks for nothing more. */
export interface DrawJob extends Wish {
  readonly file: PieceFile;
  /** The faces that were brought in and that the piece is set in, as far as they are here. */
  readonly faces: readonly { readonly info: FaceInfo; readonly bytes: Uint8Array }[];
  /** The photos that it shows, as data URLs. */
  readonly photos: ReadonlyMap<string, string>;
}

/** A picture to be looked at: an SVG, or, where that has more characters than `most`, a PNG of `side` pixels. */
export interface PictureJob extends DrawJob {
  readonly most: number;
  readonly side: number;
}

/** A file to be used. */
export interface ExportJob extends DrawJob {
  readonly output: OutputStep;
}

/** What a child is asked. */
export type Request =
  | { readonly kind: "picture"; readonly job: PictureJob }
  | { readonly kind: "export"; readonly job: ExportJob }
  | { readonly kind: "font"; readonly fileName: string; readonly bytes: Uint8Array };

export interface Results {
  readonly picture: string | Uint8Array;
  readonly export: string | Uint8Array;
  readonly font: SoundFont[];
}
export type ResultOf<R extends Request> = Results[R["kind"]];

/** What it answers. */
export type Reply =
  { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly known: boolean; readonly message: string };
