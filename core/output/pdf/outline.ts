import { walk } from "../../curves/walk";
import type { Path } from "../../curves/path";
import { place } from "./numbers";

/** A path as PDF's operators for its construction (ISO 32000-1, 8.5.2), moved by x and y. */
export function outline(path: Path, x = 0, y = 0): string {
  const parts: string[] = [];
  const step = (operator: string, ...coords: number[]) =>
    parts.push(`${coords.map((v, i) => place(v + (i % 2 ? y : x))).join(" ")} ${operator}`);
  walk(path, {
    move: (a, b) => step("m", a, b),
    line: (a, b) => step("l", a, b),
    cubic: (a, b, c, d, e, f) => step("c", a, b, c, d, e, f),
    close: () => parts.push("h"),
  });
  return parts.join("\n");
}
