import { createHash } from "node:crypto";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { createClient } from "@libsql/client";
import { PNG } from "pngjs";
import { demoPieces } from "../../demo/pieces";
import { board, word } from "../engine";
import type { Random } from "../kernel/random";
import { Served } from "./served";

export interface Kills {
  kills: number;
  /** Writes that the server said were done. */
  acknowledged: number;
  lost: number;
  /** Databases that are not sound, or hold a part of the demo. */
  torn: number;
}

/**
 * Kills the server at random moments: while it starts for the first time, while pieces are saved and while photos come in. What it
 * acknowledged must be there afterwards.
 */
export async function killing(times: number, r: Random, tell: (done: number) => void = () => undefined): Promise<Kills> {
  const sum: Kills = { kills: 0, acknowledged: 0, lost: 0, torn: 0 };
  let folder = "";
  for (let n = 0; n < times; n++) {
    // Of four kills one falls into a first start.
    const first = n % 4 === 0;
    if (first) {
      if (folder) rmSync(folder, { recursive: true, force: true });
      folder = mkdtempSync(path.join(tmpdir(), "vextal-soak-"));
    }
    const served = await Served.start(folder);
    const acknowledged: { address: string; holds: string }[] = [];
    if (first) await new Promise((go) => setTimeout(go, r.between(0, 4000)));
    else {
      await served.ready();
      const until = Date.now() + r.between(5, 600);
      await Promise.race([
        Promise.all([0, 1, 2].map((k) => saving(served, r, `${n}-${k}`, acknowledged, until))),
        new Promise((go) => setTimeout(go, until - Date.now())),
      ]);
    }
    await served.end("SIGKILL");
    sum.kills++;
    await checkFile(path.join(folder, "soak.db"), sum);
    if (acknowledged.length || first) {
      const again = await Served.start(folder);
      await again.ready();
      for (const { address, holds } of acknowledged) {
        sum.acknowledged++;
        const { status, body } = await again.ask(address);
        if (status !== 200 || !body.includes(holds)) sum.lost++;
      }
      const demo = JSON.parse((await again.ask("/api/pieces")).body.toString()).filter((e: { id: string }) =>
        e.id.startsWith("demo-"),
      ).length;
      if (demo !== demoPieces().length) sum.torn++;
      await again.end("SIGTERM");
    }
    tell(n + 1);
  }
  if (folder) rmSync(folder, { recursive: true, force: true });
  return sum;
}

async function saving(
  served: Served,
  r: Random,
  name: string,
  acknowledged: { address: string; holds: string }[],
  until: number,
): Promise<void> {
  for (let i = 0; Date.now() < until && !served.ended; i++) {
    if (r.chance(0.2)) {
      const bytes = noise(r);
      const { status } = await served.file("/api/photos", "photo", bytes, "noise.png");
      if (status === 201)
        acknowledged.push({ address: `/api/photos/${createHash("sha256").update(bytes).digest("hex").slice(0, 32)}`, holds: "PNG" });
      continue;
    }
    const id = `soak-${name}-${i}`;
    const piece = { ...board(word("Tea")), id, name: "First" };
    if ((await served.json("POST", "/api/pieces", piece)).status !== 201) continue;
    acknowledged.push({ address: `/api/pieces/${id}`, holds: '"First"' });
    if ((await served.json("PUT", `/api/pieces/${id}`, { ...piece, name: "Second" }, { "if-match": '"1"' })).status === 200)
      acknowledged[acknowledged.findIndex((a) => a.address.endsWith(id))] = { address: `/api/pieces/${id}`, holds: '"Second"' };
    // A replace that was not acknowledged may have happened.
    else
      acknowledged.splice(
        acknowledged.findIndex((a) => a.address.endsWith(`/${id}`)),
        1,
        { address: `/api/pieces/${id}`, holds: id },
      );
  }
}

function noise(r: Random): Buffer {
  const png = new PNG({ width: 40, height: 40 });
  for (let i = 0; i < png.data.length; i++) png.data[i] = r.whole(0, 255);
  return PNG.sync.write(png);
}

/** SQLite's own check of the file, where there is one. */
async function checkFile(file: string, sum: Kills): Promise<void> {
  const client = createClient({ url: `file:${file}` });
  try {
    const { rows } = await client.execute("PRAGMA integrity_check");
    if (rows[0].integrity_check !== "ok") sum.torn++;
  } finally {
    client.close();
  }
}
