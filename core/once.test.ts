import { expect, jest, test } from "@jest/globals";
import { once } from "./once";

test("what is made once is kept, and tried again where it failed", async () => {
  const make = jest.fn<() => Promise<string>>();
  make.mockRejectedValueOnce(new Error("The disk is away."));
  make.mockResolvedValue("there");
  const get = once(make);
  const [a, b] = [get(), get()];
  expect(a).toBe(b);
  await expect(a).rejects.toThrow("The disk is away.");
  expect(await get()).toBe("there");
  expect(get()).toBe(get());
  expect(make).toHaveBeenCalledTimes(2);
});
