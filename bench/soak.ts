/**
 * npm run soak: kills, damaged files and load, against the built application on this machine; ends with status 1 where something was lost,
 * crashed, hung or answered wrongly.
 *   npm run soak                      200 kills, 10,000 damaged files, 60 s of load, 1,000 fonts in and out: some half an hour
 *   npm run soak -- kills 40          one of kills, hostile, load, fonts, and how many (or for how many seconds)
 *   npm run soak -- hostile 500 7     ... from a seed on
 */
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { readFace } from "../server/faces/read";
import { Random } from "../tests/kernel/random";
import { hostile } from "../tests/soak/hostile";
import { killing } from "../tests/soak/kills";
import { fontsInAndOut, load } from "../tests/soak/load";
import { Served } from "../tests/soak/served";

const [which, count, seed] = process.argv.slice(2);
const wanted = (name: string) => which === undefined || which === name;
const many = (otherwise: number) => (which === undefined ? otherwise : Number(count) || otherwise);
const first = Number(seed) || 1;
const table: Record<string, Record<string, string | number>> = {};
let bad = 0;
const tell = (what: string, of: number) => (done: number) =>
  void (done % Math.max(1, Math.floor(of / 10)) === 0 && console.log(`${what}: ${done} of ${of}`));

if (wanted("kills")) {
  const times = many(200);
  const k = await killing(times, new Random(first), tell("kills", times));
  table.kills = { asked: k.kills, acknowledged: k.acknowledged, lost: k.lost, crashed: k.torn };
  bad += k.lost + k.torn;
}
if (wanted("hostile") || wanted("load") || wanted("fonts")) {
  const folder = mkdtempSync(path.join(tmpdir(), "vextal-soak-"));
  const served = await Served.start(folder);
  await served.ready();
  const megabytes = (before: number) => ({ before: `${before.toFixed(0)} MB`, after: `${served.memory.toFixed(0)} MB` });
  if (wanted("load")) {
    // Pictures of the demo are drawn when it starts.
    for (const { id } of JSON.parse((await served.ask("/api/pieces")).body.toString())) await served.ask(`/api/pieces/${id}/picture?fresh`);
    const before = served.memory;
    const times = await load(served, many(60), { readers: 50, savers: 10, exporters: 2 });
    for (const [kind, t] of Object.entries(times)) {
      table[kind] = {
        asked: t.asked,
        crashed: t.wrong,
        p50: t.p50.toFixed(0),
        p95: t.p95.toFixed(0),
        p99: t.p99.toFixed(0),
        ...megabytes(before),
      };
      bad += t.wrong;
    }
  }
  if (wanted("hostile")) {
    const before = served.memory;
    const cases = many(10_000);
    const h = await hostile(served, cases, first, tell("hostile", cases));
    table.hostile = { asked: h.given, refused: h.refused, acknowledged: h.taken, crashed: h.crashed, hung: h.hung, ...megabytes(before) };
    bad += h.crashed + h.hung;
  }
  if (wanted("fonts")) {
    const times = many(1000);
    const f = await fontsInAndOut(served, times, (await readFace("anton"))!.bytes, tell("fonts", times));
    table.fonts = { asked: times, crashed: f.wrong, before: `${f.before.toFixed(0)} MB`, after: `${f.after.toFixed(0)} MB` };
    bad += f.wrong;
  }
  await served.end("SIGTERM");
  rmSync(folder, { recursive: true, force: true });
}
console.table(table, ["asked", "acknowledged", "lost", "refused", "crashed", "hung", "p50", "p95", "p99", "before", "after"]);
console.log("p50, p95 and p99 in milliseconds; crashed counts faults, torn databases and answers that were not to be expected");
process.exit(bad ? 1 : 0);
