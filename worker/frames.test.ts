import { expect, test } from "@jest/globals";
import { coat, flat, step } from "../demo/build";
import { coatsContext } from "../tests/coats";
import { rectangle } from "../tests/paths";
import { Coats } from "../core/coat/evaluate";
import { newPaint } from "../core/coat/schema";
import { CurveKernel } from "../core/curves/kernel";
import { framesOf } from "./frames";

const kernel = new CurveKernel();
const letters = { parts: [0, 400].map((x) => ({ path: rectangle(0, 0, 300, 300), x, y: 0, line: 0 })) };
const photo = { id: "a".repeat(32), name: "Moor", width: 400, height: 300, type: "image/png" };
const photos = newPaint("photos", { photos: [{ photo }, { photo }] });
const layerOf = (paint: typeof photos, passes: Record<string, typeof photos> = {}) => {
  const body = coat("Body", paint, [step("solid", { tilt: 20, swing: -20, depth: 10 })], { passes });
  return new Coats([body], coatsContext(kernel, letters)).build(body).layers[0];
};

test("a paint is set where it lies itself, and not where a pass of its coat does", () => {
  // Photos on the faces of two letters, over flat sides: the coat's own paint has nothing to be set on the art.
  expect(layerOf(flat("face"), { face: photos }).fills.filter((f) => f.kind === "picture")).toHaveLength(2);
  expect(framesOf(layerOf(flat("face"), { face: photos }))).toEqual({});
  // Photos on the sides, and others on the faces: one for each part of the sides.
  const both = layerOf(photos, { face: photos });
  const own = layerOf(photos, { face: flat("face") });
  expect(framesOf(both).frames).toEqual(framesOf(own).frames);
  expect(framesOf(own).frames!.length).toBeGreaterThan(0);
  expect(framesOf(both).frames!.length).toBeLessThan(both.fills.length);
});
