import { describe, expect, test } from "@jest/globals";
import { defaultOf, kindGroups, listKinds, rangeOf } from "./kinds";

describe("the list of kinds", () => {
  const all = listKinds();

  test("has every group, and each kind once, in kebab case, with what it does", () => {
    for (const group of kindGroups) {
      const kinds = all.filter((k) => k.group === group).map((k) => k.kind);
      expect(kinds.length).toBeGreaterThan(1);
      expect(new Set(kinds).size).toBe(kinds.length);
    }
    for (const k of all) {
      expect(k.kind).toMatch(/^[a-z]+(-[a-z]+)*$/);
      expect(k.label).toMatch(/^[A-Z]/);
      expect(k.hint.length).toBeGreaterThan(8);
    }
  });

  test("is data alone, and says of each setting what it may be", () => {
    expect(JSON.parse(JSON.stringify(all))).toEqual(all);
    for (const { kind, params } of all)
      for (const [name, p] of Object.entries(params)) {
        const range = rangeOf(p as Parameters<typeof rangeOf>[0]);
        if (!range) throw new Error(`${kind}, ${name}: nothing is said of what it may be.`);
        expect(typeof defaultOf(p as Parameters<typeof defaultOf>[0])).toBe("string");
      }
  });

  test("tells of settings that are of use only beside others", () => {
    const shadow = all.find((k) => k.kind === "soft-shadow")!;
    expect(shadow.params.on.depends).toBeUndefined();
    expect(shadow.params.blur).toMatchObject({ type: "length", default: 5, min: 0, depends: true });
  });
});
