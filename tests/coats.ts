import type { CoatsContext } from "../core/coat/evaluate";
import { noShape, type Shape } from "../core/coat/shape";
import type { Kernel } from "../core/curves/kernel";
import { identity } from "../core/curves/matrix";
import { daylight, lampSeen } from "../core/piece/lamp";

const colours: Readonly<Record<string, string>> = { face: "#ff0000", edge: "#0000ff", shadow: "#221d33" };

/** What coats are built from in tests: ten units to a length, a board of 500 by 200, daylight. */
export const coatsContext = (kernel: Kernel, letters: Shape, more: Partial<CoatsContext> = {}): CoatsContext => ({
  kernel,
  scale: 10,
  letters,
  ground: noShape,
  board: { width: 500, height: 200, toItem: identity },
  others: noShape,
  group: undefined,
  lamp: lampSeen(daylight, identity),
  inks: {
    key: "inks",
    colour: (id) => colours[id] ?? "#808080",
    name: (id) => (id in colours ? `${id[0].toUpperCase()}${id.slice(1)}` : undefined),
  },
  label: "Word",
  open: [],
  item: () => undefined,
  ...more,
});
