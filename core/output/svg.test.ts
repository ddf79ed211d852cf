import { beforeAll, describe, expect, test } from "@jest/globals";
import { SaxesParser } from "saxes";
import { board, engineWith, styleOf, word } from "../../tests/engine";
import { coat, flat, gradient } from "../../demo/build";
import { open } from "../input/open";
import { compile } from "../piece/compile";
import type { LoadedEngine } from "../piece/engine";
import type { Piece, PieceFile } from "../piece/schema";
import { fileName } from "./file-name";
import { photosOf, withPhotos } from "../style/photos";
import { svgOf as svgOfScene } from "../../tests/exported";
import { photosIn, type SvgContent } from "./svg";
import { newPaint } from "../coat/schema";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith("archivo-black");
});

const style = styleOf([
  coat(
    "Back & <front>",
    gradient(
      [
        [0, "face", 50],
        [100, "edge"],
      ],
      { span: "letter" },
    ),
    [],
    { opacity: 60, blend: "multiply" },
  ),
  coat("Face", flat("face", 30)),
]);
const svgOf = (piece: Piece, values: Partial<SvgContent> = {}) =>
  svgOfScene(compile(piece, new Map([[style.id, style]]), engine).scene, {
    title: piece.name,
    unit: piece.board.unit,
    faces: ["Archivo Black"],
    ...values,
  });

interface Element {
  name: string;
  attributes: Record<string, string>;
}
function elements(svg: string): Element[] {
  const found: Element[] = [];
  const parser = new SaxesParser();
  parser.on("opentag", (t) => found.push({ name: t.name, attributes: t.attributes as Record<string, string> }));
  parser.on("error", (e) => {
    throw e;
  });
  parser.write(svg).close();
  return found;
}

describe("the exported SVG", () => {
  test("is well-formed, plain, and as large as the board in its own unit", () => {
    const piece = {
      ...board(word("Tea")),
      board: { ...board().board, width: 12, height: 4, unit: "in" as const, dpi: 300, ground: "#fafafa" },
    };
    const all = elements(svgOf(piece));
    expect(all[0].attributes).toMatchObject({ width: "12in", height: "4in", viewBox: "0 0 1152 384", style: "isolation:isolate" });
    expect(all.map((e) => e.name)).not.toContain("text");
    expect(all.find((e) => e.name === "rect")!.attributes.fill).toBe("#fafafa");
  });

  test("has one group a coat and one path a letter, with blend mode and opacity on the group", () => {
    const all = elements(svgOf(board(word("Tea"))));
    const groups = all.filter((e) => e.attributes.id?.match(/^l1c\d$/));
    expect(groups).toHaveLength(2);
    expect(groups[0].attributes).toMatchObject({ opacity: "0.6", style: "mix-blend-mode:multiply" });
    expect(all.filter((e) => e.name === "path")).toHaveLength(6);
    expect(all.filter((e) => e.name === "linearGradient")).toHaveLength(3);
    expect(all.filter((e) => e.name === "path" && e.attributes["fill-opacity"] === "0.3")).toHaveLength(3);
  });

  test("refers only to ids that it has, each once", () => {
    const all = elements(svgOf(board(word("Tea"), word("Room", { id: "two" }))));
    const ids = all.map((e) => e.attributes.id).filter(Boolean);
    expect(new Set(ids).size).toBe(ids.length);
    for (const e of all) {
      const reference = /url\(#(.+)\)/.exec(e.attributes.fill ?? "")?.[1];
      if (reference) expect(ids).toContain(reference);
    }
  });

  test("leaves the ground out where it is asked to, or where there is none", () => {
    expect(svgOf(board(word("Tea")), { ground: false })).not.toContain("<rect");
    expect(svgOf({ ...board(word("Tea")), board: { ...board().board, ground: null } })).not.toContain("<rect");
  });

  test("of a selection is cut to its ink", () => {
    const piece = board(word("Tea"), word("Room", { id: "two", y: 100 }));
    const all = elements(svgOf(piece, { area: { kind: "items", ids: ["two"] } }));
    expect(all.filter((e) => e.name === "path")).toHaveLength(8);
    const [, , w, h] = all[0].attributes.viewBox.split(" ").map(Number);
    expect(w).toBeLessThan(400);
    expect(h).toBeLessThan(120);
  });

  test("carries awkward names unharmed", () => {
    const piece = { ...board(word('<Tea> & "Co"\u0007')), name: "Tea & <Co>" };
    expect(() => elements(svgOf(piece))).not.toThrow();
    expect(svgOf(piece)).toContain("<title>Tea &amp; &lt;Co&gt;</title>");
  });

  test("names the piece and its faces in the metadata", () => {
    const made = elements(svgOf(board(word("Tea")))).find((e) => e.name === "v:made")!;
    expect(made.attributes).toMatchObject({ piece: "Test piece", faces: "Archivo Black" });
  });

  test("is the same text for the same piece", () => expect(svgOf(board(word("Tea")))).toBe(svgOf(board(word("Tea")))));
});

describe("an SVG with its piece inside", () => {
  const file: PieceFile = { format: "vextal.file", version: 1, piece: board(word('Tea & <Room>\n"two"')), styles: [style] };

  test("opens again as the very piece", () => {
    const opened = open(svgOf(file.piece, { piece: JSON.stringify(file) }));
    expect(opened).toEqual({ kind: "piece", file, photos: new Map() });
  });

  test("brings its photos along by their names, and nothing that only calls itself one", () => {
    const photo = { id: "00ff00ff00ff00ff00ff00ff00ff00ff", name: "ridge.png", width: 4, height: 2 };
    const painted = { ...style, coats: [coat("Photo", newPaint("photo", { photo }))] };
    const scene = compile(file.piece, new Map([[style.id, painted]]), engine).scene;
    expect(photosIn(scene)).toEqual([photo.id]);
    const carrying = { ...file, styles: [painted] };
    const written = (data: string) =>
      svgOfScene(scene, {
        piece: JSON.stringify(carrying),
        photos: new Map([[photo.id, data]]),
      });
    expect(open(written("data:image/png;base64,AAAA"))).toEqual({
      kind: "piece",
      file: carrying,
      photos: new Map([[photo.id, "data:image/png;base64,AAAA"]]),
    });
    expect(open(written("data:text/html;base64,AAAA"))).toMatchObject({ photos: new Map() });

    const other = { ...photo, id: "11".repeat(16) };
    const moved = withPhotos(painted, new Map([[photo.id, other]]));
    expect(photosOf(moved)).toEqual([other]);
    expect(withPhotos(style, new Map([[photo.id, other]]))).toBe(style);
  });

  test("a plain one says that it carries none", () => {
    expect(() => open(svgOf(file.piece))).toThrow(/carries no piece/);
  });
});

describe("file names", () => {
  test("carry the piece's name and the faces'", () => {
    expect(fileName("Night Ferry", ["Pacifico", "Anton", "Pacifico"], "svg")).toBe("Night Ferry - Pacifico - Anton.svg");
  });

  test("hold nothing that a file system refuses", () => {
    expect(fileName('a/b\\c:d*e?f"g<h>i|j\n', [], "png")).toBe("a b c d e f g h i j.png");
    expect(fileName("..", [], "svg")).toBe("Piece.svg");
    expect(fileName("x".repeat(500), ["Anton"], "svg").length).toBeLessThanOrEqual(124);
    expect(fileName("Käse & Brot – نص", [], "svg")).toBe("Käse & Brot – نص.svg");
  });
});
