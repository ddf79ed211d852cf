import { beforeAll, describe, expect, test } from "@jest/globals";
import { rectangle } from "../../tests/paths";
import { judge } from "../../tests/kernel/cases";
import { loadClipper, type Clipper } from "../../tests/kernel/clipper";
import { faultOf, hold, reduced } from "../../tests/kernel/held";
import { classNames } from "../../tests/kernel/layered";
import { benchFaces, openFace, outlines } from "../../tests/kernel/letters";
import { together } from "../../tests/kernel/random";
import type { Path } from "./path";

let m: Clipper;
let letters: Path[];
beforeAll(async () => {
  m = await loadClipper();
  letters = (await Promise.all(benchFaces.map(async (f) => outlines(await openFace(f), "Brge&")))).flat();
});

/** A short run of `npm run fuzz -- operations`: random cases of all operations, against fine polygons clipped by Clipper2. */
describe("random cases of every operation", () => {
  test.each([10_001, 10_041, 10_081])(
    "from seed %i on are right",
    (first) => {
      for (let seed = first; seed < first + 40; seed++) {
        const { wrong, what, off, against } = judge(m, seed, letters);
        expect(wrong ? `seed ${seed}, ${what}: ${off} of ${against}` : "").toBe("");
      }
    },
    120_000,
  );
});

/** A short run of `npm run fuzz -- layered`: every boolean of what layered looks make, and what must hold of their areas. */
describe("layered looks", () => {
  test.each(classNames.map((name, i) => [name, i] as const))(
    "%s: every boolean is Clipper2's, and parts make up their whole",
    (_, index) => {
      for (let k = 0; k < 6; k++) {
        const { seed, faults, booleans } = hold(m, 30_000 * classNames.length + index + k * classNames.length, letters);
        expect(booleans).toBeGreaterThan(0);
        expect(faults.map(({ what, off, allowed }) => `seed ${seed}, ${what}: ${off} where ${allowed} is known`)).toEqual([]);
      }
    },
    60_000,
  );
});

describe("the fuzz itself", () => {
  const a = together(rectangle(0, 0, 400, 400), rectangle(500, 500, 0.05, 0.05));
  const b = rectangle(200, 200, 400, 100);

  test("sees a dot that is lost, however small it is", () => {
    expect(
      faultOf(m, {
        op: "union",
        inputs: [a, b],
        result: together(rectangle(0, 0, 400, 400), rectangle(400, 200, 200, 100), rectangle(500, 500, 0.05, 0.05)),
      }),
    ).toBeUndefined();
    expect(
      faultOf(m, { op: "union", inputs: [a, b], result: together(rectangle(0, 0, 400, 400), rectangle(400, 200, 200, 100)) })?.what,
    ).toMatch(/1 parts/);
  });

  test("sees an edge that is a tenth of a unit off", () => {
    expect(faultOf(m, { op: "subtract", inputs: [b, a], result: rectangle(400, 200, 200, 100) })).toBeUndefined();
    expect(faultOf(m, { op: "subtract", inputs: [b, a], result: rectangle(400.1, 200, 199.9, 100) })).toBeDefined();
  });

  test("reduces nothing that is right", () => {
    expect(reduced(m, { op: "union", inputs: [a, b], result: b }).inputs).toHaveLength(2);
  });
});
