import { beforeAll, expect, test } from "@jest/globals";
import { demoStyles } from "../../demo/styles";
import { engineWith } from "../../tests/engine";
import { faultsOf, grounds, transplants } from "../../tests/transplants";
import type { LoadedEngine } from "../piece/engine";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith(...grounds.map((g) => g.face));
});

// Sixty of what `npm run transplants` does by the hundred.
const sample = transplants(demoStyles(), 60);

test("there are two dozen styles", () => {
  expect(demoStyles().length).toBeGreaterThanOrEqual(24);
});

test.each([0, 1, 2, 3, 4, 5])("styles on words, faces and scripts that they were not made for: part %d of 6", (part) => {
  for (const t of sample.filter((_, i) => i % 6 === part))
    expect([t.style.name, t.face, t.text, faultsOf(t, engine)]).toEqual([t.style.name, t.face, t.text, []]);
});
