// npm run demo: from a fresh clone to the running application.
import { spawn } from "node:child_process";
import net from "node:net";
import path from "node:path";
import { ensureBuild, ensurePackages, root } from "./ensure.mjs";

const host = process.env.HOST || "127.0.0.1";
const wanted = Number(process.env.PORT || 4300);

const isFree = (port) =>
  new Promise((resolve) => {
    const probe = net.createServer();
    probe.once("error", () => resolve(false));
    probe.listen(port, host, () => probe.close(() => resolve(true)));
  });

async function freePort() {
  for (let port = wanted; port < wanted + 20; port++) if (await isFree(port)) return port;
  throw new Error(`The ports ${wanted} to ${wanted + 19} are all taken. Name another one: PORT=5000 npm run demo`);
}

async function answers(address, child) {
  for (let i = 0; i < 240; i++) {
    if (child.exitCode !== null) throw new Error("The server ended while it was starting; its message is above.");
    try {
      const response = await fetch(`${address}/api/pieces`);
      if (response.ok) return;
      // The server is there and its database is not: it goes on trying, and so does who reads this.
      if (response.status === 503 || response.status === 507) return console.log((await response.json()).detail);
    } catch {
      // Not yet.
    }
    await new Promise((r) => setTimeout(r, 250));
  }
  throw new Error("The server did not answer within a minute.");
}

try {
  ensurePackages();
  ensureBuild();
  const port = await freePort();
  if (port !== wanted) console.log(`Port ${wanted} is taken; using ${port}.`);
  const child = spawn(process.execPath, [path.join(root, "scripts/serve.mjs"), host, String(port)], {
    cwd: root,
    stdio: ["ignore", "ignore", "inherit"],
    env: { ...process.env, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" },
  });
  let ending = false;
  const end = () => {
    if (ending) return;
    ending = true;
    child.kill("SIGTERM");
    setTimeout(() => child.kill("SIGKILL"), 15_000).unref();
  };
  process.on("SIGINT", end);
  process.on("SIGTERM", end);
  child.on("exit", (code) => {
    if (ending) console.log("\nVextal has ended. All work is saved.");
    process.exit(ending ? 0 : (code ?? 1));
  });
  const address = `http://${host}:${port}`;
  await answers(address, child);
  console.log(`
  Vextal runs at ${address}

  Try first:
    1. Open “Night Ferry” and double-click the words: type something else; every coat follows.
    2. Press 2 for Bend: choose Envelope, drag a form over the words, then any handle on the bench.
    3. Press 3 for Coats: click a coat in the strip, drag a slider, recolour an ink.
    4. Select the small line, choose another style from the list, then export an SVG with 4.

  Ctrl+C ends it.
`);
} catch (error) {
  console.error(error.message);
  process.exit(1);
}
