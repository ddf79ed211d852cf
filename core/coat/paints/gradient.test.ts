import { describe, expect, test } from "@jest/globals";
import { PNG } from "pngjs";
import { coat, form, gradient as paintOf, shape } from "../../../demo/build";
import { board, styleOf } from "../../../tests/engine";
import { pngOf, request } from "../../../tests/exported";
import { mixOklab } from "../../colour";
import { openStyle } from "../../input/open";
import { newStep, type Values } from "../../params";
import { sectorsOf, type AngularFill } from "../../scene/sectors";
import { gradient } from "./gradient";
import { endsOf } from "./gradient-line";
import { sceneStops } from "./gradient-stops";

const box = { minX: 100, minY: 50, maxX: 500, maxY: 150 };
const plain: Values<typeof gradient.params> = newStep(gradient);

describe("the line of a gradient", () => {
  test.each([0, 30, 45, 90, 135, 200, -60])(
    "at %d degrees is at that angle in any box, and reaches the corners (CSS Images 3, 3.1.1)",
    (angle) => {
      for (const b of [box, { minX: 0, minY: 0, maxX: 10, maxY: 400 }]) {
        const [from, to] = endsOf({ ...plain, line: "angle", angle }, b);
        const turn = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
        expect(((turn - angle) % 360) + 0).toBeCloseTo(0, 9);
        // The corners that lie farthest along it are met by the lines at right angles through its ends.
        const a = (angle * Math.PI) / 180;
        const along = (p: { x: number; y: number }) => p.x * Math.cos(a) + p.y * Math.sin(a);
        const corners = [b.minX, b.maxX].flatMap((x) => [b.minY, b.maxY].map((y) => along({ x, y })));
        expect([along(from), along(to)]).toEqual([Math.min(...corners), Math.max(...corners)].map((v) => expect.closeTo(v, 9)));
      }
    },
  );

  test("is spread and moved by shares of its own length", () => {
    const at = (values: Partial<typeof plain>) => endsOf({ ...plain, line: "angle", angle: 0, ...values }, box).map((p) => p.x);
    expect(at({ spread: 50 })).toEqual([200, 400]);
    expect(at({ moved: 25 })).toEqual([200, 600]);
    expect(at({ spread: 50, moved: -25 })).toEqual([100, 300]);
  });

  test("is between two places once one of its ends was taken", () => {
    const values = { ...plain, line: "angle" as const, angle: 45 };
    const [start, end] = gradient.handles!(values, [{ box }])!.places;
    expect(start.also).toMatchObject({ line: "ends" });
    const after = endsOf({ ...values, ...(start.also as Pick<typeof plain, "line" | "from" | "to">) }, box);
    expect(after.map((p) => [p.x, p.y])).toEqual([start, end].map((p) => [expect.closeTo(p.at.x, 9), expect.closeTo(p.at.y, 9)]));
  });
});

describe("what lies between two stops", () => {
  const inks = { ink: (id: string) => ({ a: "#000000", b: "#ffffff", c: "#ff0000" })[id]!, inkName: (id: string) => id };
  const stops = [
    { at: 0, ink: "a", opacity: 100 },
    { at: 50, ink: "b", opacity: 50 },
    { at: 100, ink: "c", opacity: 100 },
  ];
  test("changes at once where it is in bands, each ink up to the place of the next", () => {
    expect(sceneStops(stops, "srgb", "bands", inks).map((s) => [s.offset, s.ink])).toEqual([
      [0, "a"],
      [0.5, "a"],
      [0.5, "b"],
      [1, "b"],
      [1, "c"],
    ]);
  });

  test("is a smooth step: half at the middle, and a quarter of the way 5/32", () => {
    const all = sceneStops(stops.slice(0, 2), "srgb", "smooth", inks);
    const at = (t: number) => {
      const i = all.findIndex((s) => s.offset >= t);
      const [a, b] = [all[i - 1], all[i]];
      const v = (s: (typeof all)[number]) => parseInt(s.colour.slice(1, 3), 16) / 255;
      return v(a) + ((v(b) - v(a)) * (t - a.offset)) / (b.offset - a.offset);
    };
    expect(at(0.25)).toBeCloseTo(0.5, 2);
    expect(at(0.125)).toBeCloseTo(5 / 32, 1);
    // Opacity goes along.
    expect(all.find((s) => s.offset > 0.24)!.opacity).toBeCloseTo(0.75, 1);
  });

  test("is mixed in OKLab where that was chosen", () => {
    const all = sceneStops(stops.slice(1), "oklab", "even", inks);
    const third = all[3];
    expect(third.colour).toBe(mixOklab("#ffffff", "#ff0000", 1 / 3));
    expect(all.filter((s) => s.ink)).toHaveLength(2);
  });
});

describe("an angular gradient", () => {
  const fill: AngularFill = {
    kind: "angular",
    centre: { x: 200, y: 120 },
    turn: 30,
    box,
    stops: [
      { offset: 0, colour: "#000000", opacity: 1 },
      { offset: 0.5, colour: "#ffffff", opacity: 1 },
      { offset: 1, colour: "#000000", opacity: 1 },
    ],
  };

  test("is made of wedges that go once round, cover the box and differ by less than is seen", () => {
    const all = sectorsOf(fill);
    const grey = all.map((s) => parseInt(s.colour.slice(1, 3), 16));
    for (let i = 1; i < grey.length; i++) expect(Math.abs(grey[i] - grey[i - 1])).toBeLessThanOrEqual(3);
    const inside = (p: { x: number; y: number }) =>
      all.some(({ corners: [a, b, c] }) => {
        const side = (u: typeof a, v: typeof a) => (v.x - u.x) * (p.y - u.y) - (v.y - u.y) * (p.x - u.x);
        return side(a, b) >= -1e-6 && side(b, c) >= -1e-6 && side(c, a) >= -1e-6;
      });
    for (const x of [100, 140, 300, 499]) for (const y of [50, 80, 149]) expect(inside({ x, y })).toBe(true);
    expect(all.length).toBeLessThan(600);
  });

  test("in a picture has the colour of each angle around its centre, as conic gradients have (CSS Images 4, 3.3)", async () => {
    const paint = paintOf(
      [
        [0, "a"],
        [50, "b"],
        [100, "a"],
      ],
      { shape: "angular", from: { x: 0.5, y: 0.5 }, to: { x: 1, y: 0.5 } },
    );
    const style = styleOf([coat("A", paint)], "fixed");
    const asked = request();
    asked.file.piece = board(shape("disc", "Disc", 400, 200, 300, 300, form("ellipse"), "x", { styleId: style.id }));
    const ink = (id: string, colour: string) => ({ id, name: id, colour });
    asked.file.styles = [openStyle({ ...style, inks: [ink("a", "#000000"), ink("b", "#ffffff")] })];
    const png = PNG.sync.read(Buffer.from(await pngOf(asked)));
    for (const [angle, radius] of [
      [20, 100],
      [90, 40],
      [135, 120],
      [180, 80],
      [250, 6],
      [340, 110],
    ]) {
      const a = (angle * Math.PI) / 180;
      const [x, y] = [Math.round(400 + radius * Math.cos(a)), Math.round(200 + radius * Math.sin(a))];
      // Of the pixel's own middle.
      const own = ((Math.atan2(y + 0.5 - 200, x + 0.5 - 400) * 180) / Math.PI + 360) % 360;
      const expected = 255 * (own < 180 ? own / 180 : 2 - own / 180);
      expect(Math.abs(png.data[(y * png.width + x) * 4] - expected)).toBeLessThan(4);
    }
  });
});
