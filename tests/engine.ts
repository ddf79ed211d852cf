import { coat, flat, style } from "../demo/build";
import type { Coat } from "../core/coat/schema";
import { openStyle } from "../core/input/open";
import { newLettering, newPiece, type Item, type Lettering, type Piece } from "../core/piece/schema";
import type { Measure, Style } from "../core/style/schema";
import { serverEngine } from "../server/engine";

/** The server's engine with these faces opened. */
export async function engineWith(...faces: string[]) {
  const engine = await serverEngine();
  await engine.load(faces);
  return engine;
}

export const word = (text: string, extra: Partial<Parameters<typeof newLettering>[0]> = {}): Lettering =>
  newLettering({
    id: "word",
    text,
    face: "archivo-black",
    size: 100,
    letterSpacing: 0,
    lineSpacing: 1,
    align: "left",
    x: 100,
    y: 300,
    turn: 0,
    styleId: "test-style",
    ownStyle: null,
    ...extra,
  });

export const board = (...items: Item[]): Piece =>
  newPiece({
    id: "test-piece",
    name: "Test piece",
    board: { width: 800, height: 400, unit: "px", dpi: 96, ground: "#ffffff" },
    items,
  });

export const styleOf = (coats: Coat[] = [coat("Letters", flat("face"))], measure: Measure = "em"): Style =>
  openStyle({ ...style("Test", "archivo-black", measure, { Face: "#112233", Edge: "#cc4422" }, coats), id: "test-style" });
