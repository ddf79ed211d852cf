import { describe, expect, test } from "@jest/globals";
import type { Entry } from "../api/client";
import { everything, found } from "./find";
import { tagsOf } from "./tags-dialog";

const entry = (id: string, tags: string[], uses: number): Entry => ({ id, name: id, revision: 1, updatedAt: 0, tags, uses });
const all = [entry("Gaslight", ["night", "script"], 1), entry("Tube", ["night", "lit"], 4), entry("Chalk", ["shop"], 2)];
const names = (find: Partial<typeof everything>) => found(all, { ...everything, ...find }).map((e) => e.name);

describe("styles on the shelf", () => {
  test("are found by name and by tag", () => {
    expect(names({ search: "LIT" })).toEqual(["Tube"]);
    expect(names({ search: "light" })).toEqual(["Gaslight"]);
    expect(names({ tag: "night" })).toEqual(["Gaslight", "Tube"]);
    expect(names({ tag: "night", search: "script" })).toEqual(["Gaslight"]);
    expect(names({ search: "none" })).toEqual([]);
  });

  test("stand as they come, by use or by name, and the list that was given stays as it is", () => {
    expect(names({})).toEqual(["Gaslight", "Tube", "Chalk"]);
    expect(names({ order: "used" })).toEqual(["Tube", "Chalk", "Gaslight"]);
    expect(names({ order: "name" })).toEqual(["Chalk", "Gaslight", "Tube"]);
    expect(all[0].name).toBe("Gaslight");
  });

  test("take tags as they are typed: small letters, each once, none empty, none too long", () => {
    expect(tagsOf(" Railway, for signs,, railway ,")).toEqual(["railway", "for signs"]);
    expect(tagsOf("x".repeat(60))[0]).toHaveLength(24);
    expect(tagsOf(Array.from({ length: 30 }, (_, i) => `t${i}`).join())).toHaveLength(12);
  });
});
