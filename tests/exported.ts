import { exportArea, type Exported } from "../core/output/output-kind";
import { newOutput, type OutputStep } from "../core/output/outputs";
import type { PictureSize } from "../core/picture-size";
import type { ExportRequest } from "../core/piece/exported";
import type { Pixels } from "../core/picture-size";
import { toSvg, type SvgContent } from "../core/output/svg";
import type { Scene } from "../core/scene/scene";
import { writeFileHere } from "../server/render";
import { board, styleOf, word } from "./engine";

/** A scene as it is exported: all of its board, with its ground. */
export const exported = (scene: Scene, values: Partial<Exported> = {}): Exported => ({
  scene,
  area: { kind: "board" },
  ground: true,
  title: "T",
  unit: "px",
  dpi: 96,
  faces: [],
  photos: new Map(),
  piece: () => "",
  ...values,
});

/** A scene as an SVG. */
export function svgOf(scene: Scene, values: Partial<SvgContent> = {}, pixels?: Pick<Pixels, "width" | "height">): string {
  const content: SvgContent = { ...exported(scene), piece: undefined, ...values };
  return toSvg(content, exportArea(scene, content.area), pixels);
}

/** What is asked for where a test says nothing else: an I on a board of 800 x 400. */
export const request = (values: Partial<ExportRequest> = {}): ExportRequest => ({
  file: { format: "vextal.file", version: 1, piece: board(word("I", { size: 400, x: 300, y: 350 })), styles: [styleOf()] },
  area: { kind: "board" },
  ground: true,
  output: newOutput("png"),
  ...values,
});

/** The output of a picture of a size. */
export const picture = (size: PictureSize | null): OutputStep => newOutput("png", { size });

export const pngOf = async (asked: ExportRequest, photos?: ReadonlyMap<string, string>): Promise<Uint8Array> =>
  (await writeFileHere(asked, { photos })) as Uint8Array;
