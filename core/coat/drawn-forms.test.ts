import { beforeAll, describe, expect, test } from "@jest/globals";
import { board, engineWith, styleOf, word } from "../../tests/engine";
import { coatsContext } from "../../tests/coats";
import { area, contours, circle, rectangle } from "../../tests/paths";
import { coat, flat, step, weld } from "../../demo/build";
import { contoursOf } from "../curves/contour";
import { Track, trackPoint } from "../curves/track";
import { PathBuilder, type Path } from "../curves/path";
import { withText } from "../lettering/change-text";
import { compile } from "../piece/compile";
import type { LoadedEngine } from "../piece/engine";
import { Coats } from "./evaluate";
import { boundsOf, boundsOfPart, type Shape } from "./shape";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith("archivo-black", "alfa-slab");
});

const asShape = (...paths: Path[]): Shape => ({ parts: paths.map((path, i) => ({ path, x: 0, y: 0, line: 0, letter: i })) });
/** A form of one step; ten units are one length of the style. */
const made = (letters: Shape, kind: string, values: Record<string, unknown> = {}) => {
  const c = coat("T", flat("face"), [step(kind, values)]);
  return new Coats([c], coatsContext(engine.kernel, letters)).form(c.id)!;
};
const only = (shape: Shape): Path => shape.parts[0].path;
const square = rectangle(0, 0, 1000, 1000);
const disc = circle(500, 500, 400);

describe("a band", () => {
  test("has the area of its stroke", () => {
    // Within the square: what a square of 1000 - 2 x 20 leaves.
    expect(area(only(made(asShape(square), "band", { width: 2, side: "inside" })))).toBeCloseTo(1000 ** 2 - 960 ** 2, 3);
  });

  test("fits its dashes to each outline: a whole number, all of one length", () => {
    for (const dashes of [[3, 2], [7, 1.3], [4.1]]) {
      const band = made(asShape(disc), "band", { width: 1, dashes });
      const pieces = engine.kernel.split(only(band)).map((p) => area(p));
      const period = dashes.length === 2 ? dashes[0] + dashes[1] : 2 * dashes[0];
      expect(pieces).toHaveLength(Math.round((2 * Math.PI * 400) / (10 * period)));
      // Cubics stand for the circle within 3e-4 of its radius, and for the band within a three-hundredth of its width.
      for (const p of pieces) expect(Math.abs(p / pieces[0] - 1)).toBeLessThan(0.004);
    }
  });

  test("of tapered dashes has the integral of its width", () => {
    // Four sides of 1000, dashes of 100 and gaps of 100: 20 dashes, widest 20 in the middle and nothing at the ends.
    const band = made(asShape(square), "band", { width: 2, side: "centre", dashes: [10, 10], taper: "ends", join: "bevel" });
    const dashes = engine.kernel.split(only(band)).map((p) => area(p));
    expect(dashes).toHaveLength(20);
    // Straight dashes: a rhombus of 100 by 20. A dash that turns a corner has the same, less what overlaps inside and is cut outside.
    for (const a of dashes) expect(Math.abs(a - 1000)).toBeLessThan(110);
    expect(dashes.filter((a) => Math.abs(a - 1000) < 1e-3).length).toBeGreaterThanOrEqual(16);
  });

  test("tapers around a whole outline from where it is told, with the integral of its width", () => {
    // A circle of radius 400 in a band that swells from nothing at its foot to 20 at its top: 10 wide in the mean.
    const band = made(asShape(disc), "band", { width: 2, side: "centre", taper: "ends", start: 90 });
    expect(Math.abs(area(only(band)) / (10 * 2 * Math.PI * 400) - 1)).toBeLessThan(2e-3);
    const { minY, maxY } = boundsOf(band.parts);
    expect([minY, maxY]).toEqual([100 - 10, 900].map((v) => expect.closeTo(v, 0)));
    const turned = boundsOf(made(asShape(disc), "band", { width: 2, side: "centre", taper: "ends", start: 180 }).parts);
    expect([turned.minX, turned.maxX]).toEqual([100, 900 + 10].map((v) => expect.closeTo(v, 0)));
  });

  test("lies away from the edge by as much as it is told", () => {
    const { minX, maxX } = boundsOf(made(asShape(disc), "band", { width: 1, side: "outside", away: 3 }).parts);
    expect([minX, maxX]).toEqual([100 - 40, 900 + 40].map((v) => expect.closeTo(v, 0)));
  });
});

describe("ripples", () => {
  /** Where the distance from the middle of the disc is largest, going round. */
  const crests = (path: Path): number => {
    const track = new Track(contoursOf(path, true)[0]);
    const p = trackPoint();
    const radii = Array.from({ length: 4000 }, (_, i) => {
      track.at((i * track.length) / 4000, p);
      return Math.hypot(p[0] - 500, p[1] - 500);
    });
    return radii.filter((r, i) => r > radii[(i + 3999) % 4000] && r >= radii[(i + 1) % 4000]).length;
  };

  test.each([12, 20, 33.3])("go round a disc a whole number of times: %d from crest to crest", (length) => {
    const path = only(made(asShape(disc), "ripple", { length, height: 1 }));
    const count = Math.round((2 * Math.PI * 400) / (10 * length));
    expect(crests(path)).toBe(count);
    // r = R + h sin n a has the area pi R^2 + pi h^2 / 2; the cubics may be off by a sixtieth of the height.
    expect(Math.abs(area(path) - Math.PI * (400 ** 2 + 10 ** 2 / 2))).toBeLessThan((2 * Math.PI * 400 * 10) / 60);
    const nodes = contoursOf(path, true)[0].size;
    expect(nodes / count).toBeLessThanOrEqual(4.5);
  });

  test("of bumps stand outside alone, and pointed ones run straight to their crests", () => {
    const bumps = only(made(asShape(disc), "ripple", { length: 25, height: 1, shape: "bumps" }));
    expect(area(engine.kernel.subtract(disc, [bumps]))).toBeLessThan(20);
    // The mean height of a parabola over its foot is two thirds of its height.
    expect(Math.abs(area(bumps) - area(disc) - 2 * Math.PI * 400 * 10 * (2 / 3)) / area(disc)).toBeLessThan(2e-3);
    const pointed = only(made(asShape(square), "ripple", { length: 10, height: 1, shape: "pointed" }));
    const { maxY } = boundsOf(made(asShape(square), "ripple", { length: 10, height: 1, shape: "pointed" }).parts);
    expect(maxY).toBeCloseTo(1010, 3);
    // Between two corners of one kind runs an odd number of halves, which begins and ends outwards: one more out than in.
    expect(area(pointed)).toBeGreaterThan(1e6);
  });

  const cases = ["smooth", "pointed", "bumps"].flatMap((shape) => ["kept", "softened"].map((corners) => [shape, corners] as const));
  test.each(cases)("%s, corners %s, never cross themselves and leave no crumbs on letters", (shape, corners) => {
    for (const face of ["archivo-black", "alfa-slab"]) {
      const open = engine.face(face)!;
      for (const c of "RaS8&gW") {
        const outline = open.outline(open.glyphOf(c)!);
        const [length, height] = [6, 1.4];
        const path = only(made(asShape(outline), "ripple", { length, height, shape, corners, uneven: 50 }));
        // What does not cross itself is filled the same whichever rule fills it.
        expect(Math.abs(area(engine.kernel.evenOdd(path)) - area(path))).toBeLessThan(1e-3);
        const before = contoursOf(outline, true).length;
        // Waves may close a gap that is narrower than they are high.
        expect(contoursOf(path, true).length).toBeLessThanOrEqual(before + 2);
        expect(Math.abs(area(path) / area(outline) - 1)).toBeLessThan(0.25);
      }
    }
  });

  test("on upper edges leave what faces down as it is", () => {
    const { minY, maxY, minX } = boundsOf(made(asShape(square), "ripple", { length: 10, height: 2, shape: "bumps", edge: "upper" }).parts);
    expect([minX, maxY]).toEqual([expect.closeTo(0, 1), expect.closeTo(1000, 1)]);
    expect(minY).toBeCloseTo(-20, 1);
  });
});

describe("hatching", () => {
  const covered = (values: Record<string, unknown>, form = disc) =>
    area(engine.kernel.weld(only(made(asShape(form), "hatch", values)))) / area(form);

  test.each([
    ["ruled", { loose: 0, ends: 0 }],
    ["at another angle", { loose: 0, ends: 0, angle: 71 }],
    ["loose", { loose: 100, ends: 0, seed: 4 }],
    ["loose, with ends inside", { loose: 60, ends: 40, seed: 9 }],
  ])("%s covers its weight over its spacing", (_, values) => {
    // A share of the area, within 2 %.
    expect(Math.abs(covered({ spacing: 2, weight: 0.7, ...values }) / 0.35 - 1)).toBeLessThan(0.02);
  });

  test("in two directions covers what chance would: both, less where they meet", () => {
    const share = covered({ spacing: 2, weight: 0.7, loose: 0, ends: 0, second: true });
    expect(Math.abs(share / (1 - 0.65 ** 2) - 1)).toBeLessThan(0.02);
    // Each stroke stays one: four nodes with flat ends where it is ruled, and no hole between them.
    const crossed = only(made(asShape(square), "hatch", { spacing: 4, weight: 1, loose: 0, ends: 40, angle: 0, second: true }));
    const one = only(made(asShape(square), "hatch", { spacing: 4, weight: 1, loose: 0, ends: 40, angle: 0 }));
    expect(contours(crossed)).toBeGreaterThan(1.8 * contours(one));
    expect(contours(crossed)).toBeLessThan(2.2 * contours(one));
  });

  test("to and fro is one line where the form lets it", () => {
    const one = made(asShape(square), "hatch", { spacing: 4, weight: 1, loose: 0, ends: 40, way: "joined", angle: 0 });
    expect(engine.kernel.split(only(one))).toHaveLength(1);
    const apart = made(asShape(square), "hatch", { spacing: 4, weight: 1, loose: 0, ends: 40, angle: 0 });
    // The spacing is put right for what the ends leave out.
    expect(engine.kernel.split(only(apart)).length).toBeGreaterThanOrEqual(25);
  });

  test("stays inside, unless its ends are to reach over the edge", () => {
    const outside = (values: Record<string, unknown>) => {
      const path = only(made(asShape(disc), "hatch", { spacing: 3, weight: 1, ...values }));
      return area(engine.kernel.subtract(path, [disc]));
    };
    expect(outside({ ends: 20 })).toBeLessThan(1e-3);
    expect(outside({ ends: -60 })).toBeGreaterThan(500);
  });

  test("fills shapes that overlap as it fills their union", () => {
    // Two bars as they come, not welded: an edge that lies in the ink cuts no stroke.
    const bars = new PathBuilder()
      .add(rectangle(0, 0, 700, 300))
      .add(rectangle(500, -200, 200, 700))
      .build();
    for (const values of [{}, { ends: 0, angle: 10 }, { second: true }, { way: "joined" }]) {
      const [apart, whole] = [bars, engine.kernel.weld(bars)].map((form) =>
        only(made(asShape(form), "hatch", { spacing: 3, weight: 1, ...values })),
      );
      expect([values, area(engine.kernel.exclude([apart, whole])) < 1]).toEqual([values, true]);
    }
  });

  test("refuses what no eye could tell apart", () => {
    const c = coat("T", flat("face"), [step("hatch", { spacing: 0.2 })]);
    const { fault } = new Coats([c], coatsContext(engine.kernel, asShape(rectangle(0, 0, 20_000, 20_000)))).build(c);
    expect(fault).toMatch(/more than 3000 in one letter/);
  });
});

describe("a redrawn outline", () => {
  test("strays by no more than it is told, and keeps its area", () => {
    const path = only(made(asShape(disc), "redraw", { as: "form", wander: 1.5, length: 20 }));
    const track = new Track(contoursOf(path, true)[0]);
    const p = trackPoint();
    for (let i = 0; i < 500; i++) {
      track.at((i * track.length) / 500, p);
      // In x and in y by 15 at most, and half a unit for the cubics.
      expect(Math.abs(Math.hypot(p[0] - 500, p[1] - 500) - 400)).toBeLessThan(15 * Math.SQRT2 + 0.5);
    }
    expect(Math.abs(area(path) / area(disc) - 1)).toBeLessThan(0.03);
  });

  test("as lines covers its weight along the outline once a pass", () => {
    const lines = (passes: number) => area(only(made(asShape(disc), "redraw", { passes, weight: 0.5, wander: 1.2 })));
    const once = 5 * 2 * Math.PI * 400;
    expect(Math.abs(lines(1) / once - 1)).toBeLessThan(0.02);
    expect(lines(3)).toBeGreaterThan(1.5 * once);
    expect(lines(3)).toBeLessThan(3.1 * once);
  });
});

describe("a gleam", () => {
  test("has the area of a band across, or of a bowed one, and keeps inside", () => {
    const level = { angle: 0, place: 50, width: 20 };
    expect(area(only(made(asShape(square), "gleam", level)))).toBeCloseTo(200 * 1000, 3);
    // Bowed bands are moved, not widened.
    expect(area(only(made(asShape(square), "gleam", { ...level, bow: 10 })))).toBeCloseTo(200 * 1000, 0);
    // Between two parabolas: two thirds of the height; the band reaches over both edges by a unit.
    expect(area(only(made(asShape(square), "gleam", { ...level, ends: "points" }))) / (200 * 1000 * (2 / 3))).toBeCloseTo(1, 2);
    const three = made(asShape(square), "gleam", { ...level, count: 3, gap: 5, next: 50 });
    expect(area(only(three))).toBeCloseTo((200 + 100 + 50) * 1000, 3);
    expect(area(only(made(asShape(disc), "gleam", { ...level, width: 200 })))).toBeCloseTo(area(disc), 3);
  });

  test("runs over all, over a line or over each letter, as one band", () => {
    const two = asShape(rectangle(0, 0, 100, 100), rectangle(300, 0, 100, 500));
    const tops = (over: string) => made(two, "gleam", { angle: 0, place: 50, width: 4, over }).parts.map((p) => boundsOfPart(p).minY);
    expect(tops("letter")).toEqual([30, 230].map((v) => expect.closeTo(v, 6)));
    // In the middle of both the first letter is not met.
    expect(tops("all")).toEqual([expect.closeTo(230, 6)]);
  });
});

describe("loosened letters", () => {
  const two = asShape(rectangle(0, 0, 100, 100), rectangle(200, 0, 100, 100));
  test("move and turn about their middles within their amounts, the same for the same seed", () => {
    const places = (values: Record<string, unknown>) => made(two, "loosen", values).parts.map(boundsOfPart);
    for (let seed = 0; seed < 20; seed++) {
      const b = places({ shift: 2, turn: 0, size: 10, seed });
      for (const [i, at] of [50, 250].entries()) {
        expect(Math.abs((b[i].minX + b[i].maxX) / 2 - at)).toBeLessThanOrEqual(20);
        expect(Math.abs((b[i].maxX - b[i].minX) / 100 - 1)).toBeLessThanOrEqual(0.1 + 1e-9);
      }
      expect(places({ shift: 2, turn: 0, size: 10, seed })).toEqual(b);
    }
    expect(places({ seed: 1 })).not.toEqual(places({ seed: 2 }));
    expect(places({ shift: 0, turn: 0, size: 0 })).toEqual(two.parts.map(boundsOfPart));
  });
});

describe("what is drawn by chance", () => {
  test.each(["hatch", "redraw", "ripple", "loosen", "wear"])("%s: typing before a letter changes nothing in it", (kind) => {
    const style = styleOf([coat("T", flat("face"), [step(kind, kind === "ripple" ? { uneven: 80 } : {})])]);
    const pathsOf = (text: string, keys: readonly number[]) =>
      compile(board(word(text, { keys: [...keys] })), new Map([[style.id, style]]), engine).scene.items[0].layers[0].paths;
    const before = pathsOf("moor", []);
    const typed = withText({ text: "moor", letters: [], lines: [] }, "A moor");
    const after = pathsOf(typed.text, typed.keys).slice(1);
    expect(after).toHaveLength(4);
    for (const [i, p] of before.entries()) {
      // The very same outlines: nothing was drawn again.
      expect(after[i].path).toBe(p.path);
      expect(after[i].matrix).toEqual(p.matrix && p.matrix.map((v) => expect.closeTo(v, 9)));
    }
    // Two letters that look alike are drawn by two hands.
    const look = (p: (typeof before)[number]) => (kind === "loosen" ? p.matrix!.join() : p.path.coords.join());
    expect(look(before[1])).not.toBe(look(before[2]));
  });

  test("letters that are welded take the first one's number", () => {
    const shape = made(asShape(rectangle(0, 0, 100, 100), rectangle(50, 0, 100, 100)), "weld");
    expect(shape.parts.map((p) => p.letter)).toEqual([0]);
    expect(weld().kind).toBe("weld");
  });
});

describe("wear", () => {
  const lost = (values: Record<string, unknown>) => area(disc) - area(only(made(asShape(disc), "wear", values)));

  test("takes away and adds nothing; more with more chips, none with none", () => {
    const ring = engine.kernel.subtract(disc, [circle(500, 500, 300)]);
    const whole = made(asShape(ring), "wear", { chips: 80 });
    expect(area(engine.kernel.subtract(only(whole), [ring]))).toBeLessThan(1e-3);
    expect(lost({ chips: 0, specks: 0 })).toBeCloseTo(0, 3);
    const taken = [10, 40, 90].map((chips) => lost({ chips, specks: 0 }));
    expect(taken[0]).toBeGreaterThan(100);
    expect(taken[1]).toBeGreaterThan(2 * taken[0]);
    expect(taken[2]).toBeGreaterThan(1.5 * taken[1]);
  });

  test("leaves what lies farther in than chips reach and specks are found", () => {
    const worn = only(made(asShape(disc), "wear", { chips: 100, specks: 100, size: 2, depth: 5 }));
    // Specks lie up to 50 and twice their size of 20 behind the edge, which is 400 from the middle.
    const core = circle(500, 500, 400 - 50 - 40);
    expect(area(engine.kernel.subtract(core, [worn]))).toBeLessThan(1e-3);
    expect(engine.kernel.split(engine.kernel.subtract(disc, [worn])).length).toBeGreaterThan(50);
  });
});

describe("ribbons", () => {
  test("cover all of the form, each what the next one leaves, in steps along", () => {
    const { parts } = made(asShape(disc), "ribbons", { count: 8, length: 30, height: 2 });
    expect(new Set(parts.map((p) => p.along))).toEqual(new Set(Array.from({ length: 8 }, (_, i) => i / 7)));
    // The first is the whole form, and every next one lies in the one before but for where its wave reaches over it.
    expect(area(parts[0].path)).toBeCloseTo(area(disc), 1);
    const areas = parts.map((p) => area(p.path));
    for (let i = 1; i < areas.length; i++) expect(areas[i]).toBeLessThan(areas[i - 1]);
  });

  test("of even waves take equal shares; of others widths in a row (sum of an arithmetic series)", () => {
    const seen = (values: Record<string, unknown>) => {
      const areas = made(asShape(square), "ribbons", { count: 4, angle: 0, height: 0, uneven: 0, ...values }).parts.map((p) =>
        area(p.path),
      );
      return areas.map((a, i) => Math.round(a - (areas[i + 1] ?? 0)));
    };
    expect(seen({})).toEqual([250_000, 250_000, 250_000, 250_000]);
    // From 1 to 4: tenths of the whole.
    expect(seen({ ratio: 400 })).toEqual([100_000, 200_000, 300_000, 400_000]);
  });

  test("run across all letters as one set, or over each by itself", () => {
    const two = asShape(rectangle(0, 0, 100, 100), rectangle(300, 400, 100, 100));
    const first = (over: string) => made(two, "ribbons", { count: 4, angle: 0, height: 0, over }).parts.filter((p) => p.letter === 0);
    expect(first("letter")).toHaveLength(4);
    // The other ones lie below the first letter.
    expect(first("all")).toHaveLength(1);
  });
});
