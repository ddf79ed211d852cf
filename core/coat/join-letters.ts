import { meet } from "../curves/bounds";
import type { Kernel } from "../curves/kernel";
import { memoByKey, numberOf } from "../memo";
import { weldGroup } from "./forms/weld";
import { boundsOfPart, type Part } from "./shape";

/**
 * Letters as a hand writes them: those that touch are one outline from the start, so that no coat, no ink that is half opaque and no cutter
 * shows where they overlap. Letters in inks of their own stay apart from the others.
 */
export function joinedLetters(parts: readonly Part[], kernel: Kernel): readonly Part[] {
  const boxes = parts.map(boundsOfPart);
  const inks = parts.map((p) => JSON.stringify(p.inks ?? {}));
  const group = parts.map((_, i) => i);
  const groupOf = (i: number): number => (group[i] === i ? i : (group[i] = groupOf(group[i])));
  for (let i = 0; i < parts.length; i++)
    for (let k = 0; k < i; k++) {
      const [a, b] = [groupOf(i), groupOf(k)];
      if (a !== b && inks[i] === inks[k] && meet(boxes[i], boxes[k]) && touch(parts[k], parts[i], kernel))
        group[Math.max(a, b)] = Math.min(a, b);
    }
  if (parts.every((_, i) => groupOf(i) === i)) return parts;
  // A group comes where its first letter stands.
  return parts.flatMap((p, i) => {
    if (groupOf(i) !== i) return [];
    const members = parts.filter((_, k) => groupOf(k) === i);
    return members.length > 1 ? weldGroup(members, kernel) : [p];
  });
}

/** Whether two letters have an area in common; by identity and place, so that a word that moves as a whole is not looked at again. */
const known = memoByKey<boolean>(2000);
function touch(a: Part, b: Part, kernel: Kernel): boolean {
  const at = { x: b.x - a.x, y: b.y - a.y };
  const key = `${kernel.name}${numberOf(a.path)},${numberOf(b.path)},${at.x.toFixed(3)},${at.y.toFixed(3)}`;
  return known(key, () => kernel.joined([a.path, b.path], [{ x: 0, y: 0 }, at]) !== null);
}
