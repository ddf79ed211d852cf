import { expect, test } from "@jest/globals";
import { setTimeout as pause } from "node:timers/promises";
import { counted, inTurn } from "./turns";

test("what can wait is done one at a time, in order, and stands back while something else is answered", async () => {
  const said: string[] = [];
  let within = 0;
  const picture = (name: string) =>
    counted(() =>
      inTurn(async () => {
        expect(++within).toBe(1);
        await pause(5);
        within--;
        said.push(name);
      }),
    );
  const all = [picture("one"), picture("two"), picture("three")];
  // A click comes while the first is waiting, and takes its time over several steps.
  const click = counted(async () => {
    for (let i = 0; i < 10; i++) await pause(10);
    said.push("click");
  });
  await Promise.all([...all, click]);
  expect(said).toEqual(["click", "one", "two", "three"]);
});

test("a picture that fails keeps no other waiting", async () => {
  const failing = counted(() => inTurn(() => Promise.reject(new Error("torn"))));
  const next = counted(() => inTurn(() => Promise.resolve("drawn")));
  await expect(failing).rejects.toThrow("torn");
  expect(await next).toBe("drawn");
});
