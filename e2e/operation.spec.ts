import { expect, test } from "@playwright/test";
import { spawn, type ChildProcess } from "node:child_process";
import { once } from "node:events";
import { copyFileSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { freePort } from "../tests/free-port";

let folder: string;
let server: ChildProcess | undefined;
let says = "";
test.beforeEach(() => void (folder = mkdtempSync(path.join(tmpdir(), "vextal-operation-"))));
test.afterEach(() => {
  server?.kill("SIGKILL");
  rmSync(folder, { recursive: true, force: true });
});

/** The built application with a database of its own. @returns its address */
async function serve(databaseUrl: string): Promise<string> {
  const port = await freePort();
  says = "";
  server = spawn(process.execPath, ["scripts/serve.mjs", "127.0.0.1", String(port)], {
    env: { ...process.env, NODE_ENV: "production", DATABASE_URL: databaseUrl },
    stdio: ["ignore", "ignore", "pipe"],
  });
  server.stderr!.on("data", (d) => (says += d));
  return `http://127.0.0.1:${port}`;
}

const read = async (address: string): Promise<{ status: number; body: unknown } | undefined> => {
  const response = await fetch(`${address}/api/pieces`).catch(() => undefined);
  return response && { status: response.status, body: await response.json() };
};

test("a server that is asked to end finishes what runs, and leaves all in the file of its database", async () => {
  const file = path.join(folder, "one.db");
  const address = await serve(`file:${file}`);
  await expect.poll(async () => (await read(address))?.status, { timeout: 30_000 }).toBe(200);
  const piece = {
    format: "vextal.piece",
    version: 2,
    id: "last",
    name: "Last words",
    board: { width: 100, height: 50, unit: "px", dpi: 96, ground: null },
    items: [],
  };
  const saves = Array.from({ length: 20 }, (_, i) =>
    fetch(`${address}/api/pieces`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ ...piece, id: `last-${i}` }),
    }).then(
      (r) => r.status,
      () => 0,
    ),
  );
  // Some are still on their way.
  expect(await saves[0]).toBe(201);
  server!.kill("SIGTERM");
  const [code] = await once(server!, "exit");
  expect(code).toBe(0);
  const acknowledged = (await Promise.all(saves)).filter((s) => s === 201).length;
  const copy = path.join(folder, "copy.db");
  copyFileSync(file, copy);
  const again = await serve(`file:${copy}`);
  await expect.poll(async () => (await read(again))?.status, { timeout: 30_000 }).toBe(200);
  const kept = ((await read(again))!.body as { id: string }[]).filter((e) => e.id.startsWith("last-")).length;
  expect(kept).toBeGreaterThanOrEqual(acknowledged);
});

test("a server whose database is away says so, and serves when it is there", async ({ page }) => {
  // A file stands where its folder should be.
  const place = path.join(folder, "shelf");
  writeFileSync(place, "");
  const address = await serve(`file:${path.join(place, "one.db")}`);
  await expect.poll(async () => (await read(address))?.status, { timeout: 30_000 }).toBe(503);
  expect((await read(address))!.body).toMatchObject({ title: "Not at hand", detail: expect.stringContaining("cannot be opened") });
  expect(says).toContain("cannot be opened");
  await page.goto(address);
  await expect(page.getByText(/The database cannot be opened/)).toBeVisible();
  rmSync(place);
  mkdirSync(place);
  await expect.poll(async () => (await read(address))?.status, { timeout: 30_000 }).toBe(200);
  await page.reload();
  await expect(page.getByRole("link", { name: "Open Night Ferry" })).toBeVisible();
});

test("a server that cannot work ends, and says why", async () => {
  const damaged = path.join(folder, "damaged.db");
  writeFileSync(damaged, "no database at all ".repeat(1000));
  for (const [url, why] of [
    [`file:${damaged}`, "damaged"],
    ["gopher://somewhere", "no address"],
  ]) {
    await serve(url);
    const [code] = await once(server!, "exit");
    expect(code).toBe(1);
    expect(says).toContain(why);
    expect(says).not.toMatch(/ at .*\.js/);
  }
});
