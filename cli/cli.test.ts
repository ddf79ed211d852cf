import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { PNG } from "pngjs";
import { coat } from "../demo/build";
import { board, styleOf, word } from "../tests/engine";
import { newPaint } from "../core/coat/schema";

let folder: string;
beforeAll(() => void (folder = mkdtempSync(path.join(tmpdir(), "vextal-cli-"))));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

function vextal(...args: string[]) {
  const result = spawnSync(process.execPath, ["node_modules/tsx/dist/cli.mjs", "cli/main.ts", ...args], {
    encoding: "utf8",
    env: { ...process.env, NODE_OPTIONS: "", VEXTAL_FROM: folder, DATABASE_URL: `file:${path.join(folder, "none.db")}` },
  });
  return { status: result.status, out: result.stdout, error: result.stderr };
}
const at = (name: string) => path.join(folder, name);

describe("from a terminal", () => {
  test("a word is lettered as SVG, and as PNG of twice its pixels", () => {
    expect(vextal("render", "--text", "Night Ferry", "--face", "Pacifico", "--style", "Gaslight", "--out", "ferry.svg")).toMatchObject({
      status: 0,
      error: "",
    });
    const svg = readFileSync(at("ferry.svg"), "utf8");
    expect(svg).toContain('faces="Pacifico"');
    const width = Number(/viewBox="\S+ \S+ (\S+)/.exec(svg)![1]);
    expect(
      vextal("render", "--text", "Night Ferry", "--face", "pacifico", "--style", "gaslight", "--out", "ferry.png", "--times", "2").status,
    ).toBe(0);
    const png = PNG.sync.read(readFileSync(at("ferry.png")));
    expect(Math.abs(png.width - width * 2)).toBeLessThanOrEqual(1);
  });

  test("a file is written in the output that its name ends in, or in another of that ending", () => {
    writeFileSync(at("tea.json"), JSON.stringify({ format: "vextal.file", version: 1, piece: board(word("Tea")), styles: [styleOf()] }));
    expect(vextal("render", "--piece", "tea.json", "--out", "tea.pdf", "--dpi", "150")).toMatchObject({ status: 0, error: "" });
    // 800 x 400 pixels, 96 to the inch, are 600 x 300 points.
    expect(readFileSync(at("tea.pdf"), "latin1")).toContain("/MediaBox [0 0 600 300]");
    expect(vextal("render", "--piece", "tea.json", "--out", "tea.svg", "--as", "svg-with-piece").status).toBe(0);
    expect(vextal("check", "tea.svg").out).toContain("a sound piece");
    const other = vextal("render", "--piece", "tea.json", "--out", "other.svg", "--as", "png");
    expect(other).toMatchObject({ status: 1, error: expect.stringContaining("other.svg can be svg or svg-with-piece, not png.") });
  });

  test("a piece file is drawn on its board", () => {
    writeFileSync(at("piece.json"), JSON.stringify({ format: "vextal.file", version: 1, piece: board(word("Tea")), styles: [styleOf()] }));
    expect(vextal("render", "--piece", "piece.json", "--out", "piece.png").status).toBe(0);
    const png = PNG.sync.read(readFileSync(at("piece.png")));
    expect([png.width, png.height]).toEqual([800, 400]);
  });

  test("a piece is drawn with the photos of its file, and not without one that is nowhere", () => {
    const photo = { id: "ab".repeat(16), name: "ridge.png", width: 2, height: 1 };
    const blue = new PNG({ width: 2, height: 1 });
    blue.data.set([0, 0, 255, 255, 0, 0, 255, 255]);
    const file = {
      format: "vextal.file",
      version: 1,
      piece: board(word("I", { size: 400, x: 300, y: 350 })),
      styles: [styleOf([coat("Photo", newPaint("photo", { photo }))])],
    };
    writeFileSync(at("bare.json"), JSON.stringify(file));
    expect(vextal("render", "--piece", "bare.json", "--out", "bare.png")).toMatchObject({
      status: 1,
      error: expect.stringContaining("The photo “ridge.png” is neither in this file nor on the shelf."),
    });
    expect(existsSync(at("bare.png"))).toBe(false);
    const svg = (
      image: string,
    ) => `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" xmlns:v="urn:vextal:piece:1">
      <metadata><v:made>${JSON.stringify(file).replaceAll("&", "&amp;").replaceAll("<", "&lt;")}</v:made></metadata>${image}</svg>`;
    writeFileSync(
      at("whole.svg"),
      svg(`<image v:photo="${photo.id}" xlink:href="data:image/png;base64,${PNG.sync.write(blue).toString("base64")}"/>`),
    );
    expect(vextal("render", "--piece", "whole.svg", "--out", "whole.png")).toMatchObject({ status: 0, error: "" });
    const png = PNG.sync.read(readFileSync(at("whole.png")));
    // The middle of the stem of I.
    expect([...png.data.subarray((250 * png.width + 365) * 4, (250 * png.width + 365) * 4 + 3)]).toEqual([0, 0, 255]);
  });

  test("a piece whose style or face is nowhere is not drawn in another", () => {
    const piece = board(word("Tea"));
    const file = (items: object[], styles: object[]) =>
      JSON.stringify({ format: "vextal.file", version: 1, piece: { ...piece, items }, styles });
    const [item] = piece.items;
    const cases: [string, object, object[], RegExp][] = [
      ["style", { ...item, styleId: "nonesuch" }, [styleOf()], /follows the style “nonesuch”, which is neither in the file nor at hand/],
      ["face", { ...item, face: "own-0123456789" }, [styleOf()], /set in the face “own-0123456789”, which is not at hand/],
    ];
    for (const [name, changed, styles, message] of cases) {
      writeFileSync(at(`${name}.json`), file([changed], styles));
      for (const out of [`${name}.svg`, `${name}.png`]) {
        expect(vextal("render", "--piece", `${name}.json`, "--out", out)).toMatchObject({
          status: 1,
          error: expect.stringMatching(message),
        });
        expect(existsSync(at(out))).toBe(false);
      }
    }
    // A style that is deleted leaves its look with the lettering: that is enough.
    writeFileSync(at("own.json"), file([{ ...item, styleId: "nonesuch", ownStyle: styleOf() }], []));
    expect(vextal("render", "--piece", "own.json", "--out", "own.svg").status).toBe(0);
  });

  test("styles and faces are listed one a line, or as JSON", () => {
    const styles = vextal("styles").out.trim().split("\n");
    expect(styles).toContain("Gaslight");
    expect(JSON.parse(vextal("styles", "--json").out)).toHaveLength(styles.length);
    expect(vextal("faces").out.trim().split("\n").length).toBeGreaterThanOrEqual(16);
  });

  test("check tells sound files from damaged ones, and where", () => {
    writeFileSync(at("style.json"), JSON.stringify(styleOf()));
    expect(vextal("check", "style.json")).toMatchObject({ status: 0, out: "style.json: a sound style, “Test”, 1 coats.\n" });
    writeFileSync(at("torn.json"), JSON.stringify({ ...styleOf(), measure: "ell" }));
    const torn = vextal("check", "torn.json");
    expect(torn.status).toBe(1);
    expect(torn.error).toMatch(/torn\.json: This style is damaged at measure/);
    writeFileSync(at("torn.ttf"), readFileSync("node_modules/@expo-google-fonts/anton/400Regular/Anton_400Regular.ttf").subarray(0, 5000));
    expect(vextal("check", "torn.ttf").error).toMatch(/cut short/);
  });

  test.each<[string, string[], RegExp]>([
    [
      "an unknown face",
      ["render", "--text", "x", "--face", "Nonesuch", "--style", "Gaslight", "--out", "a.svg"],
      /no face called “Nonesuch”/,
    ],
    ["an unknown style", ["render", "--text", "x", "--face", "Anton", "--style", "Nonesuch", "--out", "a.svg"], /no style called/],
    ["empty text", ["render", "--text", " ", "--face", "Anton", "--style", "Gaslight", "--out", "a.svg"], /nothing to letter/],
    ["another ending", ["render", "--text", "x", "--face", "Anton", "--style", "Gaslight", "--out", "a.gif"], /\.svg, \.png or \.pdf/],
    ["a size that is none", ["render", "--text", "x", "--size", "huge", "--out", "a.svg"], /from 1 to 20000/],
    [
      "too many pixels",
      ["render", "--text", "xxxx", "--face", "Anton", "--style", "Gaslight", "--size", "20000", "--times", "50", "--out", "a.png"],
      /too large/,
    ],
    ["a file that is not there", ["check", "none.json"], /no such file/],
    [
      "a folder that is not there",
      ["render", "--text", "x", "--face", "Anton", "--style", "Gaslight", "--out", "no/such/a.svg"],
      /could not be written/,
    ],
    ["no command", ["paint"], /unknown command/],
  ])("%s ends in one line of standard error, a status, and no file", (_, args, message) => {
    const { status, error, out } = vextal(...args);
    expect(status).toBe(1);
    expect(error).toMatch(message);
    expect(error.trim().split("\n")).toHaveLength(1);
    expect(out).toBe("");
    expect(existsSync(at("a.svg")) || existsSync(at("a.png"))).toBe(false);
    expect(readdirSync(folder).filter((f) => f.endsWith(".part"))).toEqual([]);
  });
});
