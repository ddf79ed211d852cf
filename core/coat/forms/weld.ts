import { meet } from "../../curves/bounds";
import type { Path } from "../../curves/path";
import type { Kernel } from "../../curves/kernel";
import { memoByKey, numberOf } from "../../memo";
import { formStep } from "../form-step";
import { boundsOfPart, plain, type Part } from "../shape";

/**
 * Letters that touch become one outline; letters that stand free stay their own part, and the same object, so that
 * a change to one word never recomputes its neighbours.
 */
export const weld = formStep({
  kind: "weld",
  group: "outline",
  label: "Weld",
  hint: "Joins letters that overlap into one outline",
  params: {},
  apply: (shape, _, { kernel }) => ({ parts: groups(shape.parts.map(plain)).flatMap((group) => weldGroup(group, kernel)) }),
});

/** Parts of one pass whose boxes meet, directly or through others, in the order of their first parts. */
function groups(parts: readonly Part[]): Part[][] {
  const boxes = parts.map(boundsOfPart);
  const found: Part[][] = [];
  const seen = new Set<number>();
  for (let i = 0; i < parts.length; i++) {
    if (seen.has(i)) continue;
    seen.add(i);
    const members = [i];
    for (const at of members)
      for (let k = 0; k < parts.length; k++)
        if (!seen.has(k) && parts[at].pass === parts[k].pass && meet(boxes[at], boxes[k])) {
          seen.add(k);
          members.push(k);
        }
    found.push(members.sort((a, b) => a - b).map((k) => parts[k]));
  }
  return found;
}

/** The union of a group, or null where its letters only come near each other. */
const welded = memoByKey<Path | null>(300);
export function weldGroup(group: readonly Part[], kernel: Kernel): readonly Part[] {
  const [first] = group;
  const alone = () =>
    group.map((p) => {
      const path = kernel.weld(p.path);
      return path === p.path ? p : { ...p, path };
    });
  if (group.length === 1) return alone();
  // By identity and place relative to the first, so that a word that moves as a whole is not welded again.
  const key = kernel.name + group.map((p) => `${numberOf(p.path)},${(p.x - first.x).toFixed(3)},${(p.y - first.y).toFixed(3)}`).join(";");
  const path = welded(key, () =>
    kernel.joined(
      group.map((p) => p.path),
      group.map((p) => ({ x: p.x - first.x, y: p.y - first.y })),
    ),
  );
  const text = group.every((p) => p.text !== undefined)
    ? {
        text: group
          .map((p) => p.text)
          .join("")
          .slice(0, 64),
      }
    : {};
  return path ? [{ ...first, ...text, path }] : alone();
}
