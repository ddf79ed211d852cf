import { describe, expect, test } from "@jest/globals";
import { picturePixels, printed } from "./picture-size";

describe("the size of a picture", () => {
  const screen = { unit: "px" as const, dpi: 300 };
  const print = { unit: "mm" as const, dpi: 300 };
  const mm = 96 / 25.4;

  test("a board in pixels has its own pixels, whatever it prints at (Full HD is 1,920 x 1,080)", () => {
    for (const dpi of [72, 96, 300])
      expect(picturePixels({ kind: "dpi", dpi }, 1920, 1080, screen)).toEqual({ width: 1920, height: 1080, dpi });
    expect(picturePixels({ kind: "times", times: 1 }, 1920, 1080, screen)).toEqual({ width: 1920, height: 1080, dpi: 300 });
    expect(picturePixels({ kind: "times", times: 3 }, 1920, 1080, screen)).toEqual({ width: 5760, height: 3240, dpi: 300 });
    expect(printed(picturePixels({ kind: "dpi", dpi: 300 }, 1920, 1080, screen))).toEqual({ width: 6.4, height: 3.6 });
  });

  test("a board in millimetres gets its pixels from the resolution (A4 at 300 dpi is 2480 x 3508, common practice)", () => {
    expect(picturePixels({ kind: "dpi", dpi: 300 }, 210 * mm, 297 * mm, print)).toEqual({ width: 2480, height: 3508, dpi: 300 });
    expect(printed(picturePixels({ kind: "width", width: 2480 }, 210 * mm, 297 * mm, print)).width).toBeCloseTo(210 / 25.4, 6);
  });

  test("a width in print at a resolution has their product in pixels", () => {
    for (const board of [screen, print])
      expect(picturePixels({ kind: "print", width: 10, dpi: 150 }, 800, 400, board)).toEqual({ width: 1500, height: 750, dpi: 150 });
  });

  test("nothing is thinner than a pixel, and the shape is kept within half of one", () => {
    expect(picturePixels({ kind: "times", times: 0.01 }, 50, 3, screen)).toMatchObject({ width: 1, height: 1 });
    const { width, height } = picturePixels({ kind: "width", width: 777 }, 1000, 333, screen);
    expect(Math.abs(height - (width * 333) / 1000)).toBeLessThanOrEqual(0.5);
  });
});
