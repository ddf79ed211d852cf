import { pieceVersion } from "../core/piece/schema";
import { expect, test } from "@playwright/test";
import { request as httpRequest } from "node:http";
import { PNG } from "pngjs";

const piece = (id: string) => ({
  format: "vextal.piece",
  version: 1,
  id,
  name: "From outside",
  board: { width: 100, height: 50, unit: "px", dpi: 96, ground: null },
  items: [],
});

/** A request with headers that a browser would not let a page set. */
function raw(
  url: string,
  method: string,
  headers: Record<string, string>,
  body = "",
): Promise<{ status: number; type: string; body: string }> {
  return new Promise((resolve, reject) => {
    const r = httpRequest(url, { method, headers: { "content-type": "application/json", ...headers } }, (res) => {
      let text = "";
      res.on("data", (d) => (text += d));
      res.on("end", () => resolve({ status: res.statusCode!, type: res.headers["content-type"] ?? "", body: text }));
    });
    r.on("error", reject);
    r.end(body);
  });
}

test("documents are created, read, replaced by revision and refused with problem details", async ({ request }) => {
  const created = await request.post("/api/pieces", { data: piece("outside") });
  expect(created.status()).toBe(201);
  expect(created.headers().etag).toBe('"1"');
  // Asked again with the same it is the same; another document does not get the place of the first.
  expect(await (await request.post("/api/pieces", { data: piece("outside") })).json()).toMatchObject({ revision: 1 });
  expect((await request.post("/api/pieces", { data: { ...piece("outside"), name: "Another" } })).status()).toBe(409);
  expect((await request.post("/api/pieces", { data: piece("outside"), headers: { "if-none-match": "*" } })).status()).toBe(409);
  const put = (match: string | null, name: string) =>
    request.put("/api/pieces/outside", { data: { ...piece("outside"), name }, headers: match ? { "if-match": match } : {} });
  expect((await put(null, "A")).status()).toBe(428);
  expect((await put('"1"', "A")).headers().etag).toBe('"2"');
  expect((await put('"1"', "A")).headers().etag).toBe('"2"');
  const stale = await put('"1"', "B");
  expect(stale.status()).toBe(412);
  expect(stale.headers()["content-type"]).toContain("application/problem+json");
  expect(await stale.json()).toMatchObject({ status: 412, title: "Changed elsewhere", revision: 2 });
  expect((await put("*", "C")).status()).toBe(200);
  for (const [data, message] of [
    [{ ...piece("x"), board: {} }, "board.width"],
    [{ ...piece("x"), version: pieceVersion + 1 }, "newer Vextal"],
    [[], "no format version"],
  ] as const) {
    const refused = await request.post("/api/pieces", { data });
    expect(refused.status()).toBe(422);
    expect((await refused.json()).detail).toContain(message);
  }
  expect((await request.get("/api/pieces/none")).status()).toBe(404);
  for (const address of ["/api/hats", "/api/constructor", "/api/__proto__/x", "/api/pieces/%E5%AD%97", "/api/pieces/%00"])
    expect((await request.get(address)).status()).toBe(404);
});

test("photos and documents of more than ten megabytes arrive whole", async ({ request }) => {
  // Noise, which no format makes smaller: 2,300 x 2,300 pixels are some 16 MB.
  const noise = new PNG({ width: 2300, height: 2300 });
  for (let i = 0, state = 1; i < noise.data.length; i++) noise.data[i] = i % 4 === 3 ? 255 : (state = (state * 48271) % 2147483647) >>> 8;
  const buffer = PNG.sync.write(noise, { deflateLevel: 0 });
  expect(buffer.length).toBeGreaterThan(12_000_000);
  const photo = await request.post("/api/photos", { multipart: { photo: { name: "noise.png", mimeType: "image/png", buffer } } });
  expect(photo.status()).toBe(201);
  const large = await request.post("/api/pieces", { data: { ...piece("large"), board: { note: "x".repeat(12_000_000) } } });
  expect((await large.json()).detail).toContain("board.width");
});

test("pages carry a strict policy, and their scripts run under it", async ({ page }) => {
  const blocked: string[] = [];
  page.on("console", (m) => {
    if (/Content Security Policy/i.test(m.text())) blocked.push(m.text());
  });
  const response = (await page.goto("/"))!;
  const policy = response.headers()["content-security-policy"];
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/);
  expect(policy).not.toContain("'unsafe-eval'");
  await expect(page.getByRole("link", { name: /Open/ }).first()).toBeVisible();
  expect(blocked).toEqual([]);
});

test("foreign hosts and foreign pages are refused", async ({ baseURL }) => {
  const body = JSON.stringify(piece("evil"));
  expect((await raw(`${baseURL}/api/pieces`, "GET", { host: "evil.example" })).status).toBe(403);
  const foreign = await raw(`${baseURL}/api/pieces`, "POST", { origin: "https://evil.example" }, body);
  expect(foreign.status).toBe(403);
  expect(foreign.type).toContain("application/problem+json");
  expect((await raw(`${baseURL}/api/pieces/evil`, "GET", {})).status).toBe(404);
});

test("what no page of ours asks is refused with words, and never by a fault", async ({ baseURL }) => {
  const address = baseURL!;
  expect((await raw(`${address}/api/pieces`, "TRACE", {})).status).toBe(405);
  for (const bad of ["/api/pieces/%E0%A4%A", "/%", "/api/faces/%ff"]) {
    const answer = await raw(`${address}${bad}`, "GET", {});
    expect([answer.status, answer.type]).toEqual([400, "application/problem+json"]);
  }
  expect(
    (await raw(`${address}/api/pieces`, "POST", { "content-type": "application/json-evil" }, JSON.stringify(piece("evil")))).status,
  ).toBe(422);
  expect(JSON.parse((await raw(`${address}/api/faces/%25/uses`, "GET", {})).body)).toEqual([]);
  for (const [where, field] of [
    ["photos", "photo"],
    ["faces", "font"],
  ]) {
    const form = new FormData();
    form.set(field, new File([], "empty"));
    expect((await fetch(`${address}/api/${where}`, { method: "POST", body: form })).status).toBe(422);
  }
  // A picture that a foreign page names would set the server drawing; a link to a page is what links are for.
  expect((await raw(`${address}/api/pieces/demo-night-ferry/picture`, "GET", { "sec-fetch-site": "cross-site" })).status).toBe(403);
  expect((await raw(`${address}/pieces/demo-night-ferry`, "GET", { "sec-fetch-site": "cross-site" })).status).toBe(200);
});

test("every answer carries the headers that keep others out (OWASP Secure Headers Project)", async ({ request }) => {
  const page = await (await request.get("/")).text();
  const script = /\/_next\/static\/[^"]+\.js/.exec(page)![0];
  for (const address of ["/", "/api/pieces", "/api/hats", "/icon.svg", script]) {
    const headers = (await request.get(address)).headers();
    expect(headers).toMatchObject({
      "x-content-type-options": "nosniff",
      "x-frame-options": "DENY",
      "referrer-policy": "same-origin",
      "cross-origin-opener-policy": "same-origin",
      "cross-origin-resource-policy": "same-origin",
      "permissions-policy": expect.stringContaining("camera=()"),
    });
    expect(headers).not.toHaveProperty("x-powered-by");
  }
});

test("absurd pictures are refused at once, and the server goes on", async ({ request }) => {
  const file = {
    format: "vextal.file",
    version: 1,
    piece: { ...piece("wide"), version: pieceVersion, board: { width: 20000, height: 20000, unit: "in", dpi: 2400, ground: "#000000" } },
    styles: [],
  };
  const response = await request.post("/api/export", {
    data: { file, area: { kind: "board" }, ground: true, output: { kind: "png", size: { kind: "dpi", dpi: 2400 } } },
  });
  expect(response.status()).toBe(422);
  expect((await response.json()).detail).toContain("too large");
  expect((await request.get("/api/pieces")).status()).toBe(200);
});

test("faces come with their files and licences", async ({ request }) => {
  const faces = (await (await request.get("/api/faces")).json()) as { id: string; licence: string; own: boolean }[];
  expect(faces.length).toBeGreaterThanOrEqual(16);
  // Those that ship: faces that other tests brought in come with what they say of themselves.
  for (const { id, licence } of faces.filter((f) => !f.own)) {
    const file = await request.get(`/api/faces/${id}`);
    expect(file.headers().etag).toMatch(/^"[0-9a-f]{64}"$/);
    const text = await (await request.get(`/api/faces/${id}/licence`)).text();
    expect(text).toMatch(licence === "OFL-1.1" ? /SIL Open Font License/i : /Apache License/i);
  }
});
