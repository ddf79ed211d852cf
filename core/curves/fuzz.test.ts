import { beforeAll, describe, expect, test } from "@jest/globals";
import { judge } from "../../tests/kernel/cases";
import { loadClipper, type Clipper } from "../../tests/kernel/clipper";
import { benchFaces, openFace, outlines } from "../../tests/kernel/letters";
import type { Path } from "./path";

/** A short run of `npm run fuzz`: random cases of all operations, against fine polygons clipped by Clipper2. */
describe("random cases of every operation", () => {
  let m: Clipper;
  let letters: Path[];
  beforeAll(async () => {
    m = await loadClipper();
    letters = (await Promise.all(benchFaces.map(async (f) => outlines(await openFace(f), "Brge&")))).flat();
  });

  test.each([10_001, 10_041, 10_081])("from seed %i on are right", (first) => {
    for (let seed = first; seed < first + 40; seed++) {
      const { wrong, what, off, against } = judge(m, seed, letters);
      expect(wrong ? `seed ${seed}, ${what}: ${off} of ${against}` : "").toBe("");
    }
  }, 120_000);
});
