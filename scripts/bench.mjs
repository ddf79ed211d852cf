// npm run bench: bundles the benches as the application is bundled, and runs them. A loader that compiles file by file taxes small
// functions.
import { build } from "esbuild";
import { spawnSync } from "node:child_process";
import path from "node:path";
import { ensurePackages, root } from "./ensure.mjs";

ensurePackages({ quiet: true });
const outfile = path.join(root, "node_modules/.cache/vextal/bench.mjs");
await build({
  entryPoints: [path.join(root, "bench/main.ts")],
  outfile,
  bundle: true,
  platform: "node",
  format: "esm",
  target: "node20",
  packages: "external",
  logLevel: "warning",
  sourcemap: true,
});
const { status } = spawnSync(process.execPath, ["--expose-gc", "--enable-source-maps", outfile, ...process.argv.slice(2)], {
  cwd: root,
  stdio: "inherit",
});
process.exit(status ?? 1);
