import { describe, expect, test } from "@jest/globals";
import { CurveKernel } from "../curves/kernel";
import { Problem } from "../problem";
import { svgShapes } from "./svg-shapes";

const kernel = new CurveKernel();
const read = (inside: string, root = 'width="100" height="100"') =>
  svgShapes(`<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${root}>${inside}</svg>`, kernel);
const bounds = (inside: string, root?: string) => read(inside, root).path.bounds;
const box = (minX: number, minY: number, maxX: number, maxY: number) => ({ minX, minY, maxX, maxY });
const near = (b: object) => Object.fromEntries(Object.entries(b).map(([k, v]) => [k, expect.closeTo(v as number, 3)]));

// SVG 2, chapters 7 (coordinate systems, units), 8, 9 (paths) and 10 (basic shapes).
describe("shapes of an SVG file", () => {
  test.each<[string, string, object]>([
    ["a path", '<path d="M10 10h20v30z"/>', box(10, 10, 30, 40)],
    ["a rectangle", '<rect x="5" y="6" width="10" height="20"/>', box(5, 6, 15, 26)],
    ["a rounded one", '<rect x="5" y="6" width="10" height="20" rx="3"/>', box(5, 6, 15, 26)],
    ["a circle", '<circle cx="50" cy="50" r="20"/>', box(30, 30, 70, 70)],
    ["an ellipse", '<ellipse cx="50" cy="50" rx="20" ry="10"/>', box(30, 40, 70, 60)],
    ["a line", '<line x1="1" y1="2" x2="30" y2="40"/>', box(1, 2, 30, 40)],
    ["a polygon", '<polygon points="0,0 10,0 10 10"/>', box(0, 0, 10, 10)],
    ["a group moved and turned", '<g transform="translate(50 50) rotate(90)"><rect width="20" height="10"/></g>', box(40, 50, 50, 70)],
    ["transforms in their order", '<rect width="10" height="10" transform="scale(2) translate(5,0) skewX(45)"/>', box(10, 0, 50, 20)],
    ["a use, placed", '<defs><rect id="a" width="10" height="10"/></defs><use href="#a" x="30" y="40"/>', box(30, 40, 40, 50)],
    [
      "a symbol in its viewport",
      '<symbol id="s" viewBox="0 0 10 10"><rect width="10" height="10"/></symbol><use xlink:href="#s" x="10" width="50" height="50"/>',
      box(10, 0, 60, 50),
    ],
    ["a nested svg", '<svg x="20" width="40" height="40" viewBox="0 0 80 80"><rect width="80" height="80"/></svg>', box(20, 0, 60, 40)],
  ])("%s", (_, inside, want) => expect(bounds(inside)).toEqual(near(want)));

  test("units are kept: an inch is 96 pixels, 25.4 mm and 72 pt", () => {
    expect(bounds('<rect width="1in" height="25.4mm"/>')).toEqual(near(box(0, 0, 96, 96)));
    expect(bounds('<rect width="10" height="10"/>', 'width="2in" height="144pt" viewBox="0 0 10 10"')).toEqual(near(box(0, 0, 192, 192)));
  });

  test("preserveAspectRatio places what does not fill its viewport", () => {
    const root = (how: string) => `width="200" height="100" viewBox="0 0 10 10" preserveAspectRatio="${how}"`;
    const r = '<rect width="10" height="10"/>';
    expect(bounds(r, root("xMidYMid meet"))).toEqual(near(box(50, 0, 150, 100)));
    expect(bounds(r, root("xMinYMin meet"))).toEqual(near(box(0, 0, 100, 100)));
    expect(bounds(r, root("xMaxYMax slice"))).toEqual(near(box(0, -100, 200, 100)));
    expect(bounds(r, root("none"))).toEqual(near(box(0, 0, 200, 100)));
  });

  test("an even-odd hole stays a hole", () => {
    const { path } = read('<path fill-rule="evenodd" d="M0 0H30V30H0Z M10 10H20V20H10Z"/>');
    expect(kernel.area(path)).toBeCloseTo(800, 3);
    expect(kernel.area(read('<path style="fill-rule:evenodd" d="M0 0H30V30H0Z M10 10H20V20H10Z"/>').path)).toBeCloseTo(800, 3);
  });

  test("what an outline goes round twice is a hole by the even-odd rule: the pentagram of SVG 2, section 13.3", () => {
    const star = "M50 2L79 92L3 36H97L21 92Z";
    const by = (rule: string) => kernel.area(kernel.weld(read(`<path fill-rule="${rule}" d="${star}"/>`).path));
    // By nonzero the pentagon in the middle is filled, and is what they differ by: counted here by its own five crossings.
    const lines = [
      [50, 2, 79, 92],
      [79, 92, 3, 36],
      [3, 36, 97, 36],
      [97, 36, 21, 92],
      [21, 92, 50, 2],
    ];
    const meet = (a: number[], b: number[]) => {
      const [ux, uy, vx, vy] = [a[2] - a[0], a[3] - a[1], b[2] - b[0], b[3] - b[1]];
      const t = ((b[0] - a[0]) * vy - (b[1] - a[1]) * vx) / (ux * vy - uy * vx);
      return [a[0] + t * ux, a[1] + t * uy];
    };
    const inner = [0, 1, 2, 3, 4].map((i) => meet(lines[i], lines[(i + 2) % 5]));
    const order = inner.sort((p, q) => Math.atan2(p[1] - 55, p[0] - 50) - Math.atan2(q[1] - 55, q[0] - 50));
    const pentagon = Math.abs(order.reduce((sum, p, i) => sum + (p[0] * order[(i + 1) % 5][1] - p[1] * order[(i + 1) % 5][0]) / 2, 0));
    expect(by("nonzero") - by("evenodd")).toBeCloseTo(pentagon, 2);
  });

  test("what is left out is named, what is hidden is not brought in", () => {
    const { leftOut, path } = read(
      '<rect width="10" height="10"/><text>Tea</text><text>Room</text><image href="x.png"/><circle r="50" display="none"/><path d="M0 0L5 X"/>',
    );
    expect(leftOut).toEqual(["2 × text (bring it in as outlines)", "pictures", "damaged paths"]);
    expect(path.bounds.maxX).toBe(10);
  });
});

describe("what is refused", () => {
  test.each<[string, string, RegExp]>([
    ["a document type", '<!DOCTYPE svg [<!ENTITY a "b">]><svg xmlns="http://www.w3.org/2000/svg"/>', /document type/],
    ["no SVG", "<html/>", /no SVG/],
    ["broken markup", "<svg><path</svg>", /damaged/],
    ["nothing drawn", '<svg xmlns="http://www.w3.org/2000/svg"><text>Tea</text></svg>', /holds no shapes, only text/],
    ["a part inside itself", '<svg xmlns="http://www.w3.org/2000/svg"><g id="a"><use href="#a"/></g></svg>', /inside itself/],
    ["thousands of levels", `<svg>${"<g>".repeat(50_000)}`, /deep/],
    ["six megabytes", `<svg>${" ".repeat(6_000_000)}</svg>`, /5 MB/],
    ["too many nodes", `<svg><path d="M0 0${"L1 1L2 2".repeat(60_000)}"/></svg>`, /nodes/],
  ])("%s", (_, svg, why) => {
    expect(() => svgShapes(svg, kernel)).toThrow(Problem);
    expect(() => svgShapes(svg, kernel)).toThrow(why);
  });

  test.each<[string, string, RegExp | null]>([
    ["groups in groups", `<svg>${"<g>".repeat(20_000)}${"</g>".repeat(20_000)}</svg>`, /deep/],
    ["a transform without end", `<svg><rect width="9" height="9" transform="${"translate(".repeat(20_000)}"/></svg>`, null],
    ["a transform of one word", `<svg><rect width="9" height="9" transform="${"a".repeat(200_000)}"/></svg>`, null],
    ["a transform of spaces", `<svg><rect width="9" height="9" transform="${" ,".repeat(100_000)}"/></svg>`, null],
    ["a length of digits", `<svg><rect width="${"1".repeat(200_000)}x" height="9"/><rect width="9" height="9"/></svg>`, null],
    ["a style of colons", `<svg><rect width="9" height="9" style="${"display ".repeat(25_000)}"/></svg>`, null],
    ["points of commas", `<svg><polygon points="${",".repeat(200_000)}"/><rect width="9" height="9"/></svg>`, null],
    ["path data of flags", `<svg><path d="M0 0${"a".repeat(200_000)}"/><rect width="9" height="9"/></svg>`, null],
    [
      "a tangle by the even-odd rule",
      `<svg><path fill-rule="evenodd" d="M0 0${Array.from({ length: 1500 }, (_, i) => `L${(i * 7919) % 1000} ${(i * 104_729) % 1000}`).join("")}Z"/></svg>`,
      /crosses itself too often/,
    ],
    ["a scale without measure", '<svg><rect width="9" height="9" transform="scale(1e308)"/></svg>', /beyond all measure/],
    ["a place without measure", '<svg><rect x="1e300" width="9" height="9"/></svg>', /beyond all measure|damaged/],
  ])(
    "small files that would hold the program end soon: %s",
    (_, svg, why) => {
      const once = () => svgShapes(svg, new CurveKernel());
      if (why) expect(once).toThrow(why);
      else expect(once().path.bounds).toEqual(box(0, 0, 9, 9));
    },
    5000,
  );

  test("uses that double themselves over and over end soon", () => {
    const levels = Array.from({ length: 20 }, (_, i) => `<g id="l${i + 1}"><use href="#l${i}"/><use href="#l${i}"/></g>`).join("");
    expect(() => read(`<defs><rect id="l0" width="1" height="1"/>${levels}</defs><use href="#l20"/>`)).toThrow(/repeats its parts/);
  });

  test("scripts and handlers leave nothing but numbers", () => {
    const { path } = read('<script>alert(1)</script><rect width="10" height="10" onclick="alert(1)"/>');
    expect(path.nodes).toBe(4);
  });
});
