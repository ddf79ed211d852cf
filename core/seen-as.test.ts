import { describe, expect, test } from "@jest/globals";
import { matrixOfSeeing, waysOfSeeing } from "./seen-as";

describe("ways of seeing", () => {
  test("leave greys as they are, and white white", () => {
    for (const { id } of waysOfSeeing) for (const row of matrixOfSeeing(id) ?? []) expect(row.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 4);
  });

  test("have the figures of Machado, Oliveira and Fernandes (2009), table 1, severity 1.0", () => {
    const close = (rows: number[][]) => rows.map((row) => row.map((v) => expect.closeTo(v, 5)));
    expect(matrixOfSeeing("protan")).toEqual(
      close([
        [0.152286, 1.052583, -0.204868],
        [0.114503, 0.786281, 0.099216],
        [-0.003882, -0.048116, 1.051998],
      ]),
    );
    expect(matrixOfSeeing("deutan")).toEqual(
      close([
        [0.367322, 0.860646, -0.227968],
        [0.280085, 0.672501, 0.047413],
        [-0.01182, 0.04294, 0.968881],
      ]),
    );
    expect(matrixOfSeeing("tritan")).toEqual(
      close([
        [1.255528, -0.076749, -0.178779],
        [-0.078411, 0.930809, 0.147602],
        [0.004733, 0.691367, 0.3039],
      ]),
    );
  });
});
