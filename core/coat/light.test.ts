import { describe, expect, test } from "@jest/globals";
import { coat, gradient, step } from "../../demo/build";
import { coatsContext } from "../../tests/coats";
import { rectangle } from "../../tests/paths";
import { CurveKernel } from "../curves/kernel";
import { identity, rotation } from "../curves/matrix";
import { toneUnder } from "../depth/light";
import { daylight, lampSeen } from "../piece/lamp";
import { Coats } from "./evaluate";
import { lampOf, lightSchema } from "./light";
import type { Coat } from "./schema";

const near = (v: number) => expect.closeTo(v, 9);
const lamp = lampSeen({ ...daylight, angle: 0 }, identity);

describe("the light of a coat", () => {
  test("is the lamp, the lamp turned, or from a place of its own on the board", () => {
    expect(lampOf(undefined, lamp, identity)).toBe(lamp);
    expect(lampOf(lightSchema.parse({ by: "turned" }), lamp, identity)).toMatchObject({ x: near(-1), y: near(0), height: 45 });
    expect(lampOf(lightSchema.parse({ by: "turned", turn: 90 }), lamp, identity)).toMatchObject({ x: near(0), y: near(1) });
    expect(lampOf(lightSchema.parse({ by: "own", angle: 90, height: 30 }), lamp, identity)).toMatchObject({
      x: near(0),
      y: near(1),
      height: 30,
    });
  });

  test("stays where it is on the board when the item is turned or mirrored", () => {
    const back = rotation(-90);
    expect(lampOf(lightSchema.parse({ by: "own", angle: 0 }), lamp, back)).toMatchObject({ x: near(0), y: near(-1) });
    const mirrored = [-1, 0, 0, 1, 0, 0] as const;
    const seen = lampSeen({ ...daylight, angle: 0 }, mirrored);
    const turned = lampOf(lightSchema.parse({ by: "turned", turn: 90 }), seen, mirrored);
    // A quarter of a turn on the board, from the right to below: below is below in the mirrored item, too.
    expect(turned).toMatchObject({ x: near(0), y: near(1) });
  });

  test("turned round makes dark what was light", () => {
    const square = { parts: [{ path: rectangle(0, 0, 100, 100), x: 0, y: 0, line: 0 }] };
    const tones = (light?: Coat["light"]) => {
      const own: Coat = {
        ...coat(
          "T",
          gradient(
            [
              [0, "a"],
              [100, "b"],
            ],
            { shape: "copies" },
          ),
          [step("chisel")],
        ),
        ...(light ? { light } : {}),
      };
      return new Coats([own], coatsContext(new CurveKernel(), square))
        .form("t")!
        .parts.slice(1)
        .map((p) => p.along!);
    };
    const [top, right, foot, left] = tones();
    expect(tones(lightSchema.parse({ by: "turned" }))).toEqual([near(foot), near(left), near(top), near(right)]);
  });
});

test("a tone under a lamp: half as strong it is half as light, and no darker than the light from all around", () => {
  expect(toneUnder(0.8, { strength: 1, ambient: 0 })).toBe(0.8);
  expect(toneUnder(0.8, { strength: 0.5, ambient: 0 })).toBeCloseTo(0.4, 12);
  expect(toneUnder(0, { strength: 1, ambient: 0.3 })).toBeCloseTo(0.3, 12);
  expect(toneUnder(0.9, { strength: 2, ambient: 0 })).toBe(1);
});
