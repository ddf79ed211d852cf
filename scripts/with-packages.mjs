// Runs a TypeScript program of the project, installing its packages first where they are missing.
import { spawnSync } from "node:child_process";
import path from "node:path";
import { ensurePackages, root } from "./ensure.mjs";

try {
  ensurePackages({ quiet: true });
} catch (error) {
  console.error(error.message);
  process.exit(1);
}
const [program, ...args] = process.argv.slice(2);
const tsx = path.join(root, "node_modules/tsx/dist/cli.mjs");
// Files are named from where the user stands; the program itself runs in the project.
const result = spawnSync(process.execPath, [tsx, path.join(root, program), ...args], {
  cwd: root,
  stdio: "inherit",
  env: { ...process.env, VEXTAL_FROM: process.env.INIT_CWD ?? process.cwd() },
});
process.exit(result.status ?? 1);
