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
  const inks = new Map(parts.map((p) => [p, JSON.stringify(p.inks ?? {})]));
  const groups = touching(parts, kernel, (a, b) => inks.get(a) === inks.get(b));
  if (groups.length === parts.length) return parts;
  return groups.flatMap((members) => (members.length > 1 ? weldGroup(members, kernel) : members));
}

/** Parts in groups of which each touches another one, where they may belong together; each group where its first part stands. */
export function touching(parts: readonly Part[], kernel: Kernel, together: (a: Part, b: Part) => boolean = () => true): Part[][] {
  const boxes = parts.map(boundsOfPart);
  const group = parts.map((_, i) => i);
  const groupOf = (i: number): number => (group[i] === i ? i : (group[i] = groupOf(group[i])));
  for (let i = 0; i < parts.length; i++)
    for (let k = 0; k < i; k++) {
      const [a, b] = [groupOf(i), groupOf(k)];
      if (a !== b && together(parts[i], parts[k]) && meet(boxes[i], boxes[k]) && touch(parts[k], parts[i], kernel))
        group[Math.max(a, b)] = Math.min(a, b);
    }
  const groups = new Map<number, Part[]>();
  parts.forEach((p, i) => {
    const members = groups.get(groupOf(i));
    if (members) members.push(p);
    else groups.set(groupOf(i), [p]);
  });
  return [...groups.values()];
}

/** Whether two letters have an area in common; by identity and place, so that a word that moves as a whole is not looked at again. */
const known = memoByKey<boolean>(2000);
function touch(a: Part, b: Part, kernel: Kernel): boolean {
  const at = { x: b.x - a.x, y: b.y - a.y };
  const key = `${kernel.name}${numberOf(a.path)},${numberOf(b.path)},${at.x.toFixed(3)},${at.y.toFixed(3)}`;
  return known(key, () => kernel.joined([a.path, b.path], [{ x: 0, y: 0 }, at]) !== null);
}
