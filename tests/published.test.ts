import { describe, expect, test } from "@jest/globals";
import { existsSync, readFileSync } from "node:fs";
import * as z from "zod";
import { pieceFileSchema, pieceSchema } from "../core/piece/schema";
import { librarySchema, styleFileSchema } from "../core/style/library";
import { defaultOf, listKinds, rangeOf } from "../core/kinds";
import type { Param } from "../core/params";
import { shippedFaces } from "../server/faces/shipped";

describe("what is published", () => {
  test.each([
    ["piece", pieceSchema],
    ["style", styleFileSchema],
    ["library", librarySchema],
    ["file", pieceFileSchema],
  ] as const)("the JSON Schema of a %s is today's", (name, schema) => {
    const published = JSON.parse(readFileSync(`docs/schemas/${name}.schema.json`, "utf8"));
    expect(published).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(schema, { io: "input", reused: "ref" }))));
  });

  test("every kind is in the documents as it is today, with a picture", () => {
    const text = readFileSync("docs/kinds.md", "utf8");
    for (const { group, kind, label, hint, params } of listKinds()) {
      expect(text).toContain(`### ${label} (\`${kind}\`)`);
      expect(text).toContain(`${hint}.`);
      if (group !== "output") expect(existsSync(`docs/kinds/${group}-${kind}.svg`)).toBe(true);
      for (const [name, p] of Object.entries(params))
        expect(text).toContain(`| ${p.label} | \`${name}\` | ${rangeOf(p as Param)} | ${defaultOf(p as Param)} | ${p.hint} |`);
    }
  });

  test("every face has its file, its licence and its line in the notice", () => {
    const notice = readFileSync("docs/faces.md", "utf8");
    expect(new Set(shippedFaces.map((f) => f.id)).size).toBe(shippedFaces.length);
    for (const f of shippedFaces) {
      expect(existsSync(`node_modules/${f.file}`)).toBe(true);
      expect(readFileSync(`node_modules/${f.licenceFile}`, "utf8")).toMatch(/Open Font License|OPEN FONT LICENSE|Apache License/);
      expect(notice).toContain(`| ${f.name} |`);
    }
  });

  test("every dependency has its reason", () => {
    const { dependencies } = JSON.parse(readFileSync("package.json", "utf8")) as { dependencies: Record<string, string> };
    const reasons = readFileSync("docs/dependencies.md", "utf8");
    for (const name of Object.keys(dependencies)) {
      const known = /^@(expo-google-fonts|fontsource|fontsource-variable)\//.test(name)
        ? `${name.split("/")[0]}/`
        : name.replace(/^@dnd-kit\//, "");
      expect(reasons).toContain(known);
    }
  });
});
