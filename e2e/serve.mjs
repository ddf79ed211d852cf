// The built application on a database of its own, fresh for each run.
import { spawn } from "node:child_process";
import { rmSync } from "node:fs";
import path from "node:path";
import { root } from "../scripts/ensure.mjs";

const folder = path.join(root, "data", "e2e");
rmSync(folder, { recursive: true, force: true });
const child = spawn(process.execPath, [path.join(root, "scripts/serve.mjs"), "127.0.0.1", process.argv[2]], {
  cwd: root,
  stdio: "inherit",
  env: { ...process.env, NODE_ENV: "production", DATABASE_URL: `file:${path.join(folder, "e2e.db")}` },
});
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => child.kill("SIGTERM"));
child.on("exit", (code) => process.exit(code ?? 0));
