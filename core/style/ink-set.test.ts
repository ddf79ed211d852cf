import { expect, test } from "@jest/globals";
import { styleOf } from "../../tests/engine";
import { withInkSet } from "./ink-set";
import type { Style } from "./schema";

const inks = (colours: Record<string, string>): Style["inks"] =>
  Object.entries(colours).map(([name, colour]) => ({ id: `i-${name}`, name, colour }));
const style: Style = { ...styleOf(), inks: inks({ Face: "#111111", Edge: "#222222", Shade: "#333333", Light: "#444444" }) };
const laid = (set: Record<string, string>) => Object.fromEntries(withInkSet(style, inks(set)).inks.map((i) => [i.name, i.colour]));

test("inks of one name take each other's colours, whatever their order", () => {
  expect(laid({ shade: "#aaaaaa", FACE: "#bbbbbb" })).toEqual({ Face: "#bbbbbb", Edge: "#222222", Shade: "#aaaaaa", Light: "#444444" });
});

test("the others take what is left in order; what is over stays as it is", () => {
  expect(laid({ Sea: "#aaaaaa", Face: "#bbbbbb", Sand: "#cccccc" })).toEqual({
    Face: "#bbbbbb",
    Edge: "#aaaaaa",
    Shade: "#cccccc",
    Light: "#444444",
  });
  expect(laid({})).toEqual({ Face: "#111111", Edge: "#222222", Shade: "#333333", Light: "#444444" });
});

test("nothing but colours changes", () => {
  const next = withInkSet(style, inks({ A: "#abcdef" }));
  expect({ ...next, inks: [] }).toEqual({ ...style, inks: [] });
  expect(next.inks.map((i) => [i.id, i.name])).toEqual(style.inks.map((i) => [i.id, i.name]));
});
