import type { Area, Exported } from "../output/output-kind";
import type { OutputStep } from "../output/outputs";
import type { Scene } from "../scene/scene";
import { withUnknownBack } from "../input/unknown-kinds";
import { facesOf, type PieceFile } from "./schema";

/** What of a piece is exported. */
export interface Wish {
  readonly area: Area;
  readonly ground: boolean;
}

/** A file that is asked for: a piece as it is, saved or not, and what it is to be written as. */
export interface ExportRequest extends Wish {
  readonly file: PieceFile;
  readonly output: OutputStep;
}

/** The faces that what is exported is set in. */
export const exportedFaces = ({ items }: PieceFile["piece"], area: Area): string[] =>
  facesOf(area.kind === "board" ? items : items.filter((i) => area.ids.includes(i.id)));

/** A file as it is written: what its styles hold that is not known here stands as it came. */
const toldFile = ({ piece, styles, ...file }: PieceFile) => ({
  ...file,
  piece: { ...piece, items: piece.items.map((i) => (i.ownStyle ? { ...i, ownStyle: withUnknownBack(i.ownStyle) } : i)) },
  styles: styles.map(withUnknownBack),
});

/** A piece's scene with all that its outputs say of it. @param faces the names of `exportedFaces` */
export const exportedOf = (
  file: PieceFile,
  scene: Scene,
  { area, ground }: Wish,
  faces: readonly string[],
  photos: ReadonlyMap<string, string>,
): Exported => ({
  scene,
  area,
  ground,
  title: file.piece.name,
  unit: file.piece.board.unit,
  dpi: file.piece.board.dpi,
  faces,
  photos,
  piece: () => JSON.stringify(toldFile(file)),
});
