import { expect, test } from "@jest/globals";
import { Ascii } from "./ascii";

/** The same number as JavaScript writes it (ECMA-262, Number::toString), without the 0 before its point. */
const plain = (hundredths: number): string => String(hundredths / 100).replace(/^(-?)0\./, "$1.");

test("writes hundredths as JavaScript writes the number, without an idle 0", () => {
  const counts = [
    0, 1, 5, 9, 10, 11, 99, 100, 101, 110, 999, 1000, 1250, 9_999, 99_999, 100_000, 99_999_99, 12_345_678, 999_999_999, 2_000_000_000,
    2_147_483_647, 2_147_483_648, 123_456_789_012,
  ];
  for (let n = -20_000; n <= 20_000; n += 7) counts.push(n);
  const ascii = new Ascii();
  for (const n of [...counts, ...counts.filter((c) => c > 0).map((c) => -c)]) {
    ascii.reserve(24);
    ascii.hundredths(n);
    expect(ascii.take()).toBe(plain(n));
  }
});

test("holds what is longer than its first room, and gives each text once", () => {
  const ascii = new Ascii();
  const want = Array.from({ length: 5_000 }, (_, n) => plain(n * 37)).join(" ");
  for (let n = 0; n < 5_000; n++) {
    ascii.reserve(25);
    if (n > 0) ascii.put(32);
    ascii.hundredths(n * 37);
  }
  expect(ascii.take()).toBe(want);
  expect(ascii.take()).toBe("");
});
