import { describe, expect, test } from "@jest/globals";
import { exported } from "../../tests/exported";
import { rectangle } from "../../tests/paths";
import type { Matrix } from "../curves/matrix";
import type { Scene, SceneLayer } from "../scene/scene";
import { newOutput, photoSidesOf } from "./outputs";
import { photoSides } from "./photo-sides";

const [one, two] = ["1".repeat(32), "2".repeat(32)];

/** A photo as large as a box of 1000 by 500 units. */
function layer(photo: string, matrix?: Matrix, layers?: readonly SceneLayer[]): SceneLayer {
  const box = { minX: 0, minY: 0, maxX: 1000, maxY: 500 };
  return {
    ...{ id: photo, group: photo, label: "Photo", opacity: 1, blend: "normal", bounds: box, ...(layers ? { layers } : {}) },
    fills: [{ kind: "picture", source: { kind: "photo", photo }, area: box, box, opacity: 1, ...(matrix ? { matrix } : {}) }],
    paths: [{ path: rectangle(0, 0, 1000, 500), x: 0, y: 0, fill: 0 }],
  };
}

const sceneOf = (matrix: Matrix, layers: readonly SceneLayer[]): Scene => ({
  ...{ width: 800, height: 400, ground: null },
  items: [{ id: "i", label: "I", matrix, layers }],
});
const board = { kind: "board" } as const;
/** A tenth of a pixel to a unit, turned by a quarter. */
const quarter: Matrix = [0, 0.1, -0.1, 0, 300, 100];

describe("the pixels that a photo needs", () => {
  test("follow from how large it is seen, however it is turned, in steps of 64", () => {
    // A hundred pixels of the board across.
    expect([...photoSides(sceneOf([0.1, 0, 0, 0.1, 0, 0], [layer(one)]), board, 1)]).toEqual([[one, 128]]);
    expect([...photoSides(sceneOf(quarter, [layer(one)]), board, 4)]).toEqual([[one, 448]]);
    // Three times as large in its layer: 300 pixels.
    expect([...photoSides(sceneOf(quarter, [layer(one, [3, 0, 0, 3, 0, 0])]), board, 1)]).toEqual([[one, 320]]);
  });

  test("are those of the largest place that it is seen at, also in a picture of layers", () => {
    const layers = [layer(one), layer(two, undefined, [layer(one, [5, 0, 0, 5, 0, 0])])];
    expect(Object.fromEntries(photoSides(sceneOf(quarter, layers), board, 1))).toEqual({ [one]: 512, [two]: 128 });
    expect(photoSides(sceneOf(quarter, layers), { kind: "items", ids: ["other"] }, 1).size).toBe(0);
  });

  test("are as many as the output shows: none are taken from a file that is opened again", () => {
    const what = exported(sceneOf(quarter, [layer(one)]));
    const side = (kind: Parameters<typeof newOutput>[0], settings = {}) => photoSidesOf(newOutput(kind, settings), what).get(one);
    expect(side("svg")).toBe(448);
    expect(side("svg-with-piece")).toBeUndefined();
    // 1600 pixels across a board of 800: twice.
    expect(side("png", { size: { kind: "width", width: 1600 } })).toBe(256);
    // 600 dots to the inch of 96 pixels: 625.
    expect(side("pdf", { dpi: 600 })).toBe(640);
  });
});
