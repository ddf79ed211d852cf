import { describe, expect, test } from "@jest/globals";
import { rectangle } from "../../../tests/paths";
import { imageNode } from "../../output/fill-svg";
import { layerNode, type Sources } from "../../output/layer-svg";
import type { SvgNode } from "../../output/svg-node";
import { type Values, newStep } from "../../params";
import type { SceneLayer } from "../../scene/scene";
import { translation } from "../../curves/matrix";
import { fitted, photo } from "./photo";

const wide = { id: "0123456789abcdef0123456789abcdef", name: "ridge.jpg", width: 400, height: 100 };
const square = { minX: 0, minY: 0, maxX: 200, maxY: 200 };
const middle = { x: 0.5, y: 0.5 };
const box = (x: number, y: number, width: number, height: number) => ({ minX: x, minY: y, maxX: x + width, maxY: y + height });

describe("where a photo lies (CSS Images Module Level 3, object-fit and object-position)", () => {
  test.each([
    // The smallest size of its own proportions that covers: as high as the box, and 800 wide.
    ["cover, in the middle", "cover", 1, middle, box(-300, 0, 800, 200)],
    // The largest that lies within: as wide as the box, and 50 high.
    ["contain, in the middle", "contain", 1, middle, box(0, 75, 200, 50)],
    // A percentage aligns that share of the picture with that share of the box.
    ["cover, at its right edge", "cover", 1, { x: 1, y: 0 }, box(-600, 0, 800, 200)],
    ["contain, at the foot", "contain", 1, { x: 0, y: 1 }, box(0, 150, 200, 50)],
    ["contain, at a quarter", "contain", 1, { x: 0.5, y: 0.25 }, box(0, 37.5, 200, 50)],
    ["contain, at half the size", "contain", 0.5, middle, box(50, 87.5, 100, 25)],
  ] as const)("%s", (_, fit, scale, place, expected) => {
    expect(fitted(wide, square, fit, scale, place)).toEqual(expected);
  });
});

describe("a photo as paint", () => {
  const shape = {
    parts: [
      { path: rectangle(0, 0, 100, 100), x: 0, y: 0, line: 0 },
      { path: rectangle(0, 0, 100, 100), x: 300, y: 0, line: 0 },
    ],
  };
  const context = {
    ink: () => "#000000",
    inkName: () => undefined,
    units: (length: number) => length,
    board: { width: 800, height: 400, toItem: translation(-50, -20) },
    group: undefined,
  };
  const painted = (values: Partial<Values<typeof photo.params>>) => {
    const { fills, fillOf } = photo.apply(shape, { ...newStep(photo), photo: wide, ...values }, context);
    return { fills, paths: shape.parts.map((p) => ({ path: p.path, x: p.x, y: p.y, fill: fillOf?.(p) ?? 0 })) };
  };
  const layer = (values: Partial<Values<typeof photo.params>>): SceneLayer => ({
    id: "c",
    group: "c",
    label: "Photo",
    opacity: 1,
    blend: "normal",
    bounds: box(0, 0, 400, 100),
    ...painted(values),
  });
  const item = { id: "i", label: "I", matrix: translation(0, 0), layers: [] };
  const source: Sources = {
    pictures: (fill, at) => imageNode({ "xlink:href": `data:${fill.source.kind === "photo" && fill.source.photo}` }, at),
  };
  const find = (node: SvgNode, name: string): SvgNode[] => [
    ...(node.name === name ? [node] : []),
    ...(node.children ?? []).flatMap((c) => find(c, name)),
  ];

  test("runs over all letters, or starts again in each, or is the board's", () => {
    expect(painted({ span: "lettering" }).fills).toMatchObject([
      { kind: "picture", source: { kind: "photo", photo: wide.id }, area: box(0, 0, 400, 100), opacity: 1 },
    ]);
    const each = painted({ span: "letter" });
    expect(each.fills.map((f) => f.kind === "picture" && f.area)).toEqual([box(-150, 0, 400, 100), box(150, 0, 400, 100)]);
    expect(each.paths.map((p) => p.fill)).toEqual([0, 1]);
    expect(painted({ span: "board" }).fills).toMatchObject([{ box: box(0, 0, 800, 400), matrix: [1, 0, 0, 1, -50, -20] }]);
  });

  test("is written as one tile that reaches over all that is painted, so that it is seen once", () => {
    const node = layerNode(layer({ span: "lettering", fit: "contain", scale: 50 }), item, "p", source);
    const [pattern] = find(node, "pattern");
    // 200 x 50 in the middle of 400 x 100.
    expect(pattern.attributes).toMatchObject({
      patternUnits: "userSpaceOnUse",
      width: "400",
      height: "100",
      patternTransform: "matrix(1 0 0 1 0 0)",
    });
    expect(find(node, "image")[0].attributes).toEqual({
      x: "100",
      y: "25",
      width: "200",
      height: "50",
      preserveAspectRatio: "none",
      "xlink:href": `data:${wide.id}`,
    });
    expect(find(node, "path").map((p) => p.attributes.fill)).toEqual(["url(#pf0)", "url(#pf0)"]);
    // Larger than what it covers, the tile starts where the photo does.
    expect(find(layerNode(layer({ span: "letter", opacity: 40 }), item, "p", source), "pattern")[0].attributes.patternTransform).toBe(
      "matrix(1 0 0 1 -150 0)",
    );
    expect(find(layerNode(layer({ opacity: 40 }), item, "p", source), "path")[0].attributes["fill-opacity"]).toBe("0.4");
  });

  test("that is not chosen, or not here, leaves the letters in a grey: they are never lost from sight", () => {
    expect(painted({ photo: null }).fills).toEqual([{ kind: "flat", colour: "#9b9890", opacity: 1 }]);
    const node = layerNode(layer({}), item, "p");
    expect(find(node, "pattern")).toEqual([]);
    expect(find(node, "path").map((p) => p.attributes.fill)).toEqual(["#808080", "#808080"]);
  });
});
