import { chance } from "../../grain/noise";
import type { InkParam } from "../../params";
import type { SceneFill } from "../../scene/scene";
import { paint } from "../paint-kind";
import type { Part } from "../shape";
import { inTurn, turnByParam } from "./in-turn";

const names = ["first", "second", "third", "fourth", "fifth", "sixth"] as const;
const suggested = [
  { id: "turn-1", name: "Turn 1", colour: "#c8452c" },
  { id: "turn-2", name: "Turn 2", colour: "#e3a63a" },
  { id: "turn-3", name: "Turn 3", colour: "#2b7f86" },
  { id: "turn-4", name: "Turn 4", colour: "#27406b" },
  { id: "turn-5", name: "Turn 5", colour: "#7a9a4a" },
  { id: "turn-6", name: "Turn 6", colour: "#8b4a72" },
] as const;

const inkParam = (i: number): InkParam => ({
  type: "ink",
  label: `Ink ${i + 1}`,
  hint: "Comes in its turn",
  default: suggested[i].id,
  suggests: { name: suggested[i].name, colour: suggested[i].colour },
  when: (v) => Number(v.count) > i,
});

export const turns = paint({
  kind: "turns",
  label: "In turn",
  hint: "Inks that change from letter to letter, from word to word or from line to line",
  params: {
    by: turnByParam("ink"),
    count: { type: "number", label: "Inks", hint: "How many take turns", default: 2, min: 2, max: 6, step: 1 },
    first: inkParam(0),
    second: inkParam(1),
    third: inkParam(2),
    fourth: inkParam(3),
    fifth: inkParam(4),
    sixth: inkParam(5),
    order: {
      type: "choice",
      label: "Order",
      hint: "Which comes next",
      default: "turn",
      options: [
        { value: "turn", label: "In turn", hint: "One after the other, and again from the first" },
        { value: "chance", label: "By chance", hint: "Any but the one before" },
      ],
    },
    seed: { type: "seed", label: "Again", hint: "Another throw of the dice", default: 1, when: (v) => v.order === "chance" },
  },
  apply: ({ parts }, values, { ink, inkName }) => {
    const { by, order, seed } = values;
    const count = Math.round(values.count);
    const inks = names.slice(0, count).map((name) => values[name]);
    const fills: SceneFill[] = [];
    const known = new Map<string, number>();
    const fillOf = new Map<Part, number>();
    let before = -1;
    inTurn(parts, by).forEach(({ place, parts: own }, turn) => {
      let next = order === "turn" ? turn % count : Math.floor(chance(place, 1, seed) * count);
      if (order === "chance" && next === before) next = (next + 1) % count;
      before = next;
      for (const p of own) {
        const id = p.inks?.[inks[next]] ?? inks[next];
        let at = known.get(id);
        if (at === undefined) known.set(id, (at = fills.push({ kind: "flat", colour: ink(id), ink: inkName(id), opacity: 1 }) - 1));
        fillOf.set(p, at);
      }
    });
    return { fills, fillOf: (part) => fillOf.get(part)! };
  },
});
