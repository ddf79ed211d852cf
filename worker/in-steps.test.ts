import { expect, test } from "@jest/globals";
import { inSteps } from "./in-steps";

function* counting(to: number, did: number[]): Generator<number, string> {
  for (let i = 1; i <= to; i++) {
    did.push(i);
    yield i;
  }
  return "done";
}

/** A clock that passes ten milliseconds at each look, and what is told at each turn. */
const looking = (left: (turns: number) => boolean = () => false) => {
  let [now, turns] = [0, 0];
  const told: number[] = [];
  const look = {
    clock: () => (now += 10),
    every: 35,
    turn: async () => void turns++,
    isLeft: () => left(turns),
    tell: (p: number) => void told.push(p),
  };
  return { look, told };
};

test("what takes long looks up now and then, says how far it is, and comes to its end", async () => {
  const did: number[] = [];
  const { look, told } = looking();
  expect(await inSteps(counting(10, did), look)).toBe("done");
  expect(did).toHaveLength(10);
  // It looks at the clock once a step: every fourth look is past 35 milliseconds.
  expect(told).toEqual([4, 8]);
});

test("what is left does no more, and gives nothing", async () => {
  const did: number[] = [];
  const { look } = looking((turns) => turns === 2);
  expect(await inSteps(counting(100, did), look)).toBeUndefined();
  expect(did).toHaveLength(8);
});
