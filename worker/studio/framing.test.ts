import { beforeAll, describe, expect, test } from "@jest/globals";
import { PerspectiveCamera, Vector3 } from "three";
import { engineWith } from "../../tests/engine";
import { wordOf } from "../../tests/words";
import { cameraOf, type Sight } from "../../core/depth/camera";
import { meshOf, surfaceNames } from "../../core/depth/mesh";
import type { LoadedEngine } from "../../core/piece/engine";
import { framingOf, roomMatrix } from "./framing";
import type { StudioBody } from "./order";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith("archivo-black");
});

const light = { from: { x: -0.5, y: -0.5, z: Math.SQRT1_2 }, strength: 1, ambient: 0, colour: "#ffffff" };
const sights: Partial<Sight>[] = [
  { tilt: 14, swing: -18, roll: 7, eye: 0 },
  { tilt: 14, swing: -18, roll: 7, eye: 3000 },
  { tilt: -35, swing: 40, roll: 0, eye: 2200 },
  { tilt: 160, swing: 20, roll: 0, eye: 2600 },
];

function bodyOf(values: Partial<Sight>): StudioBody {
  const outline = engine.kernel.weld(wordOf(engine, "archivo-black", "Rag"));
  const { minX, maxX, minY, maxY } = outline.bounds;
  const sight: Sight = { tilt: 0, swing: 0, roll: 0, depth: 120, eye: 0, pivot: { x: (minX + maxX) / 2, y: (minY + maxY) / 2 }, ...values };
  return { sight, light, mesh: meshOf(outline, sight.depth, undefined, engine.kernel) };
}

describe("a body before the camera", () => {
  test.each(sights)("is seen where its vectors are drawn, and in the frame: %j", (values) => {
    const body = bodyOf(values);
    const { pivot, eye } = body.sight;
    const { project } = cameraOf(body.sight);
    const framing = framingOf(body, undefined);
    const toRoom = roomMatrix(body.sight);
    // As the picture's camera is set up: a frustum through the plane of the middle.
    const camera = new PerspectiveCamera();
    const near = eye * 0.1;
    const { left, right, top, bottom } = framing;
    if (eye > 0) camera.projectionMatrix.makePerspective(left * 0.1, right * 0.1, top * 0.1, bottom * 0.1, near, eye * 10);
    for (const name of surfaceNames) {
      const { positions } = body.mesh[name];
      for (let i = 0; i < positions.length; i += 3 * 17) {
        const [x, y, z] = positions.subarray(i, i + 3);
        const p = new Vector3(x, y, z).applyMatrix4(toRoom);
        if (eye > 0) {
          p.z -= eye;
          p.applyMatrix4(camera.projectionMatrix);
          p.set(left + ((p.x + 1) / 2) * (right - left), bottom + ((p.y + 1) / 2) * (top - bottom), 0);
        }
        const drawn = project({ x, y: -y, z });
        // Places of the mesh are numbers of 32 bits.
        expect(Math.hypot(pivot.x + p.x - drawn.x, pivot.y - p.y - drawn.y)).toBeLessThan(0.01);
        expect([p.x > left, p.x < right, p.y < top, p.y > bottom]).toEqual([true, true, true, true]);
      }
    }
  });

  test("has its shadow in the picture, the larger the wider the lamp, on the side away from it", () => {
    const body = bodyOf({ tilt: 20, swing: -30 });
    const [bare, hard, soft] = [undefined, { wide: 0 }, { wide: 0.2 }].map((shadow) => framingOf(body, shadow));
    // The lamp stands on the upper left.
    expect([hard.right > bare.right, hard.bottom < bare.bottom]).toEqual([true, true]);
    expect(Math.abs(hard.left - bare.left)).toBeLessThan(0.02 * (bare.right - bare.left));
    expect([soft.right > hard.right, soft.bottom < hard.bottom]).toEqual([true, true]);
    // A lamp on the horizon throws it no farther than a picture is worth.
    const low = framingOf({ ...body, light: { ...light, from: { x: -1, y: 0, z: 0.01 } } }, { wide: 0.2 });
    expect(low.right - low.left).toBeLessThan(5 * (bare.right - bare.left));
  });
});
