// npm run quick: what to run while building, in under a minute: types, then format, lint and unit tests of what has changed since a commit
// (the last one, unless another is named). `npm test` runs all of it.
import { spawnSync } from "node:child_process";
import { existsSync, readdirSync } from "node:fs";
import path from "node:path";
import { ensurePackages, root, run } from "./ensure.mjs";

const since = process.argv[2] ?? "HEAD";
/** More files of tests than this are no quick look. */
const most = 15;
const bin = (name) => path.join(root, "node_modules", name);
const git = (...args) => {
  const { status, stdout, stderr } = spawnSync("git", args, { cwd: root, encoding: "utf8" });
  if (status !== 0) throw new Error(stderr.trim());
  return stdout.split("\n").filter(Boolean);
};

/** The tests that stand nearest to a file: in its folder, or in the first one above it that has any. */
function testsNear(file) {
  for (let folder = path.dirname(file); folder !== "."; folder = path.dirname(folder)) {
    const there = existsSync(path.join(root, folder)) ? readdirSync(path.join(root, folder)) : [];
    const tests = there.filter((f) => /\.test\.tsx?$/.test(f));
    if (tests.length) return tests.map((f) => path.join(folder, f));
  }
  return [];
}

ensurePackages();
const changed = [...new Set([...git("diff", "--name-only", since), ...git("ls-files", "--others", "--exclude-standard")])]
  .filter((f) => /\.(tsx?|mjs|cjs)$/.test(f) && existsSync(path.join(root, f)))
  .sort();
const tests = [...new Set(changed.flatMap(testsNear))].filter((f) => !f.startsWith("e2e"));
const steps = [["types", [bin("typescript/bin/tsc"), "--noEmit"]]];
if (changed.length) {
  steps.push(["format", [bin("prettier/bin/prettier.cjs"), "--check", "--log-level", "warn", ...changed]]);
  steps.push(["lint", [bin("eslint/bin/eslint.js"), "--max-warnings", "0", ...changed]]);
}
if (tests.length > most) console.log(`${tests.length} files of tests lie near what has changed: \`npm run unit\` runs them all.`);
else if (tests.length) steps.push(["unit tests nearby", ["--experimental-vm-modules", "--no-warnings", bin("jest/bin/jest.js"), ...tests]]);
const failed = steps.filter(([name, args]) => {
  console.log(`\n== ${name}`);
  return run(process.execPath, args) !== 0;
});
console.log(
  failed.length ? `\nnot sound: ${failed.map(([name]) => name).join(", ")}` : `\nsound: ${steps.map(([name]) => name).join(", ")}`,
);
process.exit(failed.length ? 1 : 0);
