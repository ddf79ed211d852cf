import { expect, test } from "@playwright/test";
import { spawn } from "node:child_process";
import { once } from "node:events";

/** Short runs of `npm run soak`, from seeds of their own. */
for (const [what, count, seed] of [
  ["kills", "4", "901"],
  ["hostile", "250", "90001"],
  ["load", "4", "1"],
  ["fonts", "24", "1"],
])
  test(`nothing is lost, crashes or hangs in a short soak: ${what}`, async () => {
    test.setTimeout(240_000);
    const soak = spawn(process.execPath, ["scripts/with-packages.mjs", "bench/soak.ts", what, count, seed], {
      stdio: ["ignore", "pipe", "pipe"],
    });
    let said = "";
    for (const from of [soak.stdout, soak.stderr]) from.on("data", (d) => (said += d));
    const [code] = await once(soak, "exit");
    expect(code, said).toBe(0);
    expect(said).toContain("asked");
  });
