// npm run press: every control of every kind, twice, in both lights. The last lines count them.
import path from "node:path";
import { ensureBuild, ensureChromium, ensurePackages, root, run } from "./ensure.mjs";

ensurePackages();
ensureBuild();
const env = { ...process.env, CHROMIUM: ensureChromium(), VEXTAL_PRESS: "all" };
const cli = path.join(root, "node_modules/@playwright/test/cli.js");
process.exit(run(process.execPath, [cli, "test", "e2e/press", "--reporter=list", ...process.argv.slice(2)], { env }));
