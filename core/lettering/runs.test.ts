import { describe, expect, test } from "@jest/globals";
import { visualRuns } from "./runs";

const pieces = (line: string) => visualRuns(line).map((r) => [line.slice(r.from, r.to), r.rtl]);

describe("runs of a line", () => {
  test("of one script are one", () => expect(pieces("Tea Room, 1904")).toEqual([["Tea Room, 1904", false]]));
  test("of nothing are none", () => expect(visualRuns("")).toEqual([]));

  test("stand as Unicode Standard Annex 9 orders them", () => {
    // Left to right as a whole: the Hebrew stands after the Latin and runs backwards by itself.
    expect(pieces("car אבג")).toEqual([
      ["car ", false],
      ["אבג", true],
    ]);
    // Right to left as a whole: the Latin stands left of the Hebrew that precedes it.
    expect(pieces("אבג car")).toEqual([
      ["car", false],
      ["אבג ", true],
    ]);
    // Numbers keep their own order within right-to-left text (rule L2).
    expect(pieces("אב 12 גד")).toEqual([
      [" גד", true],
      ["12", false],
      ["אב ", true],
    ]);
  });

  test("are parted where the script changes, and not at spaces or points", () => {
    expect(pieces("Tea चाय!")).toEqual([
      ["Tea ", false],
      ["चाय!", false],
    ]);
  });

  test("do not part a pair of surrogates", () => expect(pieces("a🚂b")).toEqual([["a🚂b", false]]));
});
