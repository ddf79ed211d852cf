// npm test: installs what is missing, then type check, format, lint, dependency rule, Jest, build, Playwright.
// `--static` stops before the unit tests. The last line counts every check and test.
import { mkdirSync, readFileSync, rmSync } from "node:fs";
import path from "node:path";
import { ensureBuild, ensureChromium, ensurePackages, root, run } from "./ensure.mjs";

const node = process.execPath;
const bin = (name) => path.join(root, "node_modules", name);
let passed = 0;
let failed = 0;

function step(name, work) {
  console.log(`\n== ${name}`);
  const start = Date.now();
  let result;
  try {
    result = work();
  } catch (error) {
    console.error(error.message);
    result = { passed: 0, failed: 1 };
  }
  passed += result.passed;
  failed += result.failed;
  console.log(`== ${name}: ${result.failed ? "FAILED" : "ok"} (${((Date.now() - start) / 1000).toFixed(1)} s)`);
  return result.failed === 0;
}
const check = (args) => () => (run(node, args) === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 });

function jest() {
  const output = path.join(root, "test-results", "unit.json");
  mkdirSync(path.dirname(output), { recursive: true });
  rmSync(output, { force: true });
  const status = run(node, ["--experimental-vm-modules", "--no-warnings", bin("jest/bin/jest.js"), "--json", `--outputFile=${output}`]);
  const { numPassedTests, numFailedTests, numFailedTestSuites } = JSON.parse(readFileSync(output, "utf8"));
  return { passed: numPassedTests, failed: numFailedTests || (status === 0 ? 0 : numFailedTestSuites || 1) };
}

function playwright() {
  const chromium = ensureChromium();
  const output = path.join(root, "test-results", "e2e.json");
  rmSync(output, { force: true });
  const status = run(node, [bin("@playwright/test/cli.js"), "test"], { env: { ...process.env, CHROMIUM: chromium } });
  const { stats } = JSON.parse(readFileSync(output, "utf8"));
  return { passed: stats.expected + stats.flaky, failed: stats.unexpected || (status === 0 ? 0 : 1) };
}

step("packages", () => {
  ensurePackages();
  return { passed: 0, failed: 0 };
});
step("types", check([bin("typescript/bin/tsc"), "--noEmit"]));
step("types of the core, without a platform", check([bin("typescript/bin/tsc"), "--noEmit", "-p", "tsconfig.core.json"]));
step("format", check([bin("prettier/bin/prettier.cjs"), "--check", "--log-level", "warn", "**/*.{ts,tsx,mjs,cjs}"]));
step("lint", check([bin("eslint/bin/eslint.js"), ".", "--max-warnings", "0"]));
step(
  "dependency rule",
  check([
    bin("dependency-cruiser/bin/dependency-cruise.mjs"),
    "--config",
    ".dependency-cruiser.cjs",
    "--output-type",
    "err",
    "core",
    "worker",
    "server",
    "app",
    "studio",
    "cli",
    "wire",
    "demo",
  ]),
);
if (!process.argv.includes("--static")) {
  step("unit tests", jest);
  const built = step("build", () => {
    ensureBuild();
    return { passed: 1, failed: 0 };
  });
  if (built) step("end to end", playwright);
}
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed ? 1 : 0);
