import { chromium, expect, test, type BrowserContext } from "@playwright/test";
import { execFileSync } from "node:child_process";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";

const text = (context: BrowserContext) => context.pages()[0].getByLabel("Text", { exact: true });

test("a browser that is killed in the middle of typing loses nothing of it", async ({ request, launchOptions, baseURL }) => {
  test.setTimeout(120_000);
  const profile = await mkdtemp(path.join(tmpdir(), "vextal-profile-"));
  const id = `killed-${Date.now().toString(36)}`;
  const { document } = await (await request.get("/api/pieces/demo-snowline-lift")).json();
  await request.post("/api/pieces", { data: { ...document, id, name: "Killed" } });
  const open = async () => {
    const context = await chromium.launchPersistentContext(profile, { ...launchOptions, baseURL });
    await context.pages()[0].goto(`/pieces/${id}`);
    return context;
  };
  const first = await open();
  // Nothing reaches the server: what is found again was kept in the browser alone.
  await first.route("**/api/pieces/**", (route) => (route.request().method() === "PUT" ? undefined : route.continue()));
  await text(first).fill("Typed at the last");
  await text(first).press("End");
  await first.pages()[0].keyboard.type(" moment");
  await expect(text(first)).toHaveValue("Typed at the last moment");
  const drafts = () =>
    first.pages()[0].evaluate(
      () =>
        new Promise<string>((resolve) => {
          const asked = indexedDB.open("vextal");
          asked.onsuccess = () => {
            const all = asked.result.transaction("drafts").objectStore("drafts").getAll();
            all.onsuccess = () => resolve(JSON.stringify(all.result));
          };
        }),
    );
  await expect.poll(drafts).toContain("Typed at the last moment");
  for (const pid of execFileSync("pgrep", ["-f", profile]).toString().trim().split("\n")) {
    try {
      process.kill(Number(pid), "SIGKILL");
    } catch {
      // A child goes with its parent.
    }
  }
  await first.close().catch(() => undefined);
  await rm(path.join(profile, "SingletonLock"), { force: true });

  const second = await open();
  await expect(text(second)).toHaveValue("Typed at the last moment");
  const stored = await (await request.get(`/api/pieces/${id}`)).json();
  expect(stored.document.items.at(-1).text).toBe("Typed at the last moment");
  // It was sent once, and is not sent again.
  await second.pages()[0].reload();
  await expect(text(second)).toHaveValue("Typed at the last moment");
  expect((await (await request.get(`/api/pieces/${id}`)).json()).revision).toBe(stored.revision);
  await second.close();
  await rm(profile, { recursive: true, force: true });
});

test("what one tab is still typing, another that opens the shelf does not take for left over", async ({ page, context }) => {
  const id = `living-${Date.now().toString(36)}`;
  const { document } = await (await page.request.get("/api/pieces/demo-snowline-lift")).json();
  await page.request.post("/api/pieces", { data: { ...document, id, name: "Living" } });
  await page.goto(`/pieces/${id}`);
  let held = true;
  await page.route("**/api/pieces/**", (route) => (held && route.request().method() === "PUT" ? route.abort() : route.continue()));
  await page.getByLabel("Text", { exact: true }).fill("Not yet");
  await expect(page.locator("[data-save]")).toHaveAttribute("data-save", "unsaved");
  const other = await context.newPage();
  await other.goto("/");
  await expect(other.getByRole("list", { name: "Pieces" }).getByRole("listitem").first()).toBeVisible();
  await page.getByLabel("Text", { exact: true }).fill("Not yet, but now");
  held = false;
  await expect(page.locator("[data-save]")).toHaveAttribute("data-save", "saved");
  const stored = await (await page.request.get(`/api/pieces/${id}`)).json();
  expect(stored.document.items.at(-1).text).toBe("Not yet, but now");
  const entries: { name: string }[] = await (await page.request.get("/api/pieces")).json();
  expect(entries.filter((e) => e.name.startsWith("Living")).map((e) => e.name)).toEqual(["Living"]);
});
