import { beforeAll, describe, expect, test } from "@jest/globals";
import { PNG } from "pngjs";
import { coat, flat, shape, form } from "../../demo/build";
import { mixed, type Rgb } from "../../tests/compositing";
import { coatsContext } from "../../tests/coats";
import { board, engineWith, styleOf } from "../../tests/engine";
import { pngOf, request } from "../../tests/exported";
import { rectangle } from "../../tests/paths";
import { mixOklab } from "../colour";
import { openStyle } from "../input/open";
import type { LoadedEngine } from "../piece/engine";
import { daylight, type Lamp } from "../piece/lamp";
import type { BlendMode } from "../scene/scene";
import { Coats } from "./evaluate";
import { needsOf } from "./needs";
import { newFinish, type Coat } from "./schema";
import { finishKinds } from "./finishes";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith("archivo-black");
});

const square = { parts: [{ path: rectangle(0, 0, 100, 100), x: 0, y: 0, line: 0 }] };
const built = (c: Coat) => new Coats([c], coatsContext(engine.kernel, square)).build(c).layers;

/** A style of one coat on an I of 400 px, whose stem lies in the middle of the board. */
const inkOf = (colours: Record<string, string>) => Object.entries(colours).map(([id, colour]) => ({ id, name: id, colour }));
async function stem(c: Coat, colours: Record<string, string>, ground = "#ffffff"): Promise<(x: number, y: number) => Rgb> {
  const asked = request();
  asked.file.styles = [{ ...styleOf([c]), inks: inkOf(colours) }];
  asked.file.piece.board.ground = ground;
  const png = PNG.sync.read(Buffer.from(await pngOf(asked)));
  return (x, y) => [0, 1, 2].map((i) => png.data[(y * png.width + x) * 4 + i] / 255) as Rgb;
}
/** The normal distribution's integral, to 1e-5: Abramowitz and Stegun, 26.2.16. */
function normal(z: number): number {
  if (z < 0) return 1 - normal(-z);
  const t = 1 / (1 + 0.33267 * z);
  return 1 - (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) * t * (0.4361836 + t * (-0.1201676 + t * 0.937298));
}

describe("an inner glow", () => {
  test("comes in from the edge as a blurred edge does (integral of the bell curve)", async () => {
    const at = await stem(
      coat("A", flat("face"), [], { finish: { "inner-glow": { radius: 5, ink: "glow", opacity: 100 } } }),
      { face: "#000000", glow: "#ffffff" },
      "#000000",
    );
    const row = Array.from({ length: 800 }, (_, x) => at(x, 250)[0]);
    const left = row.findIndex((v) => v > 0.5);
    // 5 hundredths of 400 px are 20, half of that the deviation.
    for (const deep of [2, 5, 10, 15, 20])
      expect(Math.abs(row[left + deep] - Math.min(1, 1.6 * (1 - normal((deep + 0.5) / 10))))).toBeLessThan(0.05);
  });

  const below: Rgb = [200 / 255, 60 / 255, 90 / 255];
  const above: Rgb = [40 / 255, 160 / 255, 220 / 255];
  test.each(["normal", "multiply", "screen", "overlay", "soft-light", "color-dodge", "difference", "hue", "color"] as BlendMode[])(
    "mixes with the coat's own paint alone: %s (W3C Compositing and Blending Level 1)",
    async (blend) => {
      // So wide that all of the stem is its edge; the ground must not come into it.
      const finish = { "inner-glow": { radius: 150, ink: "glow", opacity: 60, blend } };
      const at = await stem(coat("A", flat("face"), [], { finish }), { face: "#c83c5a", glow: "#28a0dc" }, "#00ff00");
      const full = mixed(blend, below, above);
      const expected = below.map((b, i) => b + (full[i] - b) * 0.6);
      const seen = at(345, 250);
      // Two roundings to 255.
      for (const i of [0, 1, 2]) expect(Math.abs(seen[i] - expected[i])).toBeLessThan(3 / 255);
    },
  );
});

describe("a relief", () => {
  /** A disc of 300 px, and how light or dark it is just inside its edge at an angle, against its middle. */
  async function disc(values: Record<string, unknown>, lamp: Partial<Lamp> = {}) {
    const style = { ...styleOf([coat("A", flat("face"), [], { finish: { relief: values } })], "fixed") };
    const asked = request();
    asked.file.piece = {
      ...board(shape("disc", "Disc", 400, 200, 300, 300, form("ellipse"), "x", { styleId: style.id })),
      lamp: { ...daylight, ...lamp },
    };
    asked.file.styles = [openStyle({ ...style, inks: inkOf({ face: "#808080", lit: "#ffffff", shadow: "#000000" }) })];
    const png = PNG.sync.read(Buffer.from(await pngOf(asked)));
    return (angle: number, radius: number) => {
      const a = (angle * Math.PI) / 180;
      const [x, y] = [Math.round(400 + radius * Math.cos(a)), Math.round(200 + radius * Math.sin(a))];
      return png.data[(y * png.width + x) * 4] / 255 - 128 / 255;
    };
  }
  // The lamp of daylight stands at the upper left: 225 degrees. Lengths are in points: 12 are 16 px.
  const soft = { height: 3, softness: 24, lightBlend: "normal", shadeBlend: "normal", lightOpacity: 100, shadeOpacity: 100 };

  test("is as bright as the cosine of the angle to the lamp (Lambert's law), light towards it and dark away from it", async () => {
    const at = await disc(soft);
    const most = at(225, 143);
    expect(most).toBeGreaterThan(0.05);
    for (const off of [0, 20, 40, 60, 80, 90, 110, 130, 150, 180]) {
      const share = at(225 + off, 143) / most;
      // Where white lightens grey by as much as black darkens it; sampled on whole pixels.
      expect(Math.abs(share - Math.cos((off * Math.PI) / 180))).toBeLessThan(0.1);
    }
    expect(Math.abs(at(0, 0))).toBeLessThan(1 / 255);
  });

  test("turns with the lamp, is reversed where it is sunk, and weaker under a higher lamp by the cosine of its height", async () => {
    const plain = await disc(soft);
    const turned = await disc(soft, { angle: 0 });
    expect(turned(0, 143)).toBeCloseTo(plain(225, 143), 1);
    const sunk = await disc({ ...soft, form: "sunk" });
    expect(sunk(45, 143)).toBeCloseTo(plain(225, 143), 1);
    expect(sunk(225, 143)).toBeLessThan(-0.05);
    const high = await disc(soft, { height: 70 });
    const ratio = Math.cos((70 * Math.PI) / 180) / Math.cos(Math.PI / 4);
    expect(Math.abs(high(225, 143) / plain(225, 143) - ratio)).toBeLessThan(0.06);
  });

  test("asks for the lamp only while it is on", () => {
    const off = coat("A", flat("face"));
    expect([...needsOf(off)]).toEqual(["letters"]);
    expect(needsOf(coat("A", flat("face"), [], { finish: { relief: {} } })).has("lamp")).toBe(true);
  });
});

describe("a fade", () => {
  test("lets through what is below by its opacity along its line", async () => {
    const finish = { fade: { from: { x: 0, y: 0 }, to: { x: 0, y: 1 }, start: 80, end: 20 } };
    const at = await stem(coat("A", flat("face"), [], { finish }), { face: "#000000" });
    const column = Array.from({ length: 400 }, (_, y) => at(345, y)[0]);
    const top = column.findIndex((v) => v < 0.5);
    const foot = column.length - 1 - [...column].reverse().findIndex((v) => v < 0.95);
    for (const t of [0.1, 0.3, 0.5, 0.7, 0.9]) {
      const y = Math.round(top + t * (foot - top));
      expect(Math.abs(column[y] - (1 - (0.8 - 0.6 * t)))).toBeLessThan(2.5 / 255);
    }
  });

  test("says where it is set on the art, while it is on", () => {
    const kind = finishKinds.find((k) => k.kind === "fade")!;
    const frame = { box: { minX: 0, minY: 0, maxX: 200, maxY: 100 } };
    const values = { ...newFinish().fade, on: true, from: { x: 0.5, y: 0 }, to: { x: 1, y: 1 } };
    expect(kind.handles!(values, frame)!.places.map((p) => [p.param, p.at.x, p.at.y, p.per.x])).toEqual([
      ["from", 100, 0, 1 / 200],
      ["to", 200, 100, 1 / 200],
    ]);
    expect(kind.handles!({ ...values, on: false }, frame)).toBeNull();
  });
});

describe("an outer glow", () => {
  const glow = (values: Record<string, unknown>) => coat("A", flat("face"), [], { finish: { "outer-glow": values } });

  test("is a layer for each radius behind the coat, the widest farthest back, each blurred by half its radius", () => {
    const layers = built(glow({ radii: [8, 3, 0, 20], ink: "face", far: "edge" }));
    expect(layers.map((l) => l.effects?.[0].deviation)).toEqual([100, 40, 15, undefined]);
    // Ink and place in the row: the nearest in its own ink, the farthest in the other, those between mixed evenly.
    expect(layers.slice(0, 3).map((l) => l.fills[0])).toEqual([
      expect.objectContaining({ colour: "#0000ff", ink: "Edge" }),
      expect.objectContaining({ colour: mixOklab("#ff0000", "#0000ff", 0.5), ink: undefined }),
      expect.objectContaining({ colour: "#ff0000", ink: "Face" }),
    ]);
    expect(new Set(layers.map((l) => l.group))).toEqual(new Set(["a"]));
    expect(layers[0].bounds.minX).toBe(-300);
    expect(built(glow({ opacity: 0 }))).toHaveLength(1);
  });

  test("fades outwards as the integral of the bell curve, strength by strength", async () => {
    const at = await stem(glow({ radii: [10], ink: "glow", far: "glow", opacity: 50 }), { face: "#000000", glow: "#ffffff" }, "#000000");
    const row = Array.from({ length: 800 }, (_, x) => at(x, 250)[0]);
    const stemLeft = row.findIndex((v, x) => x > 320 && v < 0.02);
    // 10 hundredths of 400 px are 40, half of that the deviation; the stem is over four of those wide.
    for (const out of [5, 15, 25, 35]) expect(Math.abs(row[stemLeft - out] - 0.5 * (1 - normal((out - 0.5) / 20)))).toBeLessThan(0.03);
  });
});
