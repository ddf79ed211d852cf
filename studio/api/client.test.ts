import { afterEach, expect, jest, test } from "@jest/globals";
import { board, word } from "../../tests/engine";
import { api, pageOf } from "./client";

const { fetch } = globalThis;
afterEach(() => void (globalThis.fetch = fetch));

test.each(["../pieces/demo-night-ferry", "#x", "?a=b", "字", "a b"])("an address leads to nothing but the id %j", async (id) => {
  const asked: string[] = [];
  globalThis.fetch = jest.fn(async (url: unknown) => {
    asked.push(new URL(String(url), "http://127.0.0.1").href);
    return new Response(JSON.stringify({ document: {}, revision: 1 }));
  }) as unknown as typeof globalThis.fetch;
  await api.get("pieces", id);
  await api.remove("pieces", id);
  await api.restore("styles", id);
  await api.copy("styles", id);
  await api.replace("pieces", { ...board(word("Tea")), id }, 1);
  const addresses = [
    ...asked,
    new URL(api.pictureUrl("pieces", { id, revision: 2 }), "http://127.0.0.1").href,
    new URL(pageOf(id), "http://127.0.0.1").href,
  ];
  // WHATWG URL: a path segment that is encoded is neither resolved nor ended.
  for (const href of addresses)
    expect(
      decodeURIComponent(new URL(href).pathname)
        .replace(/\/(restore|copy|picture)$/, "")
        .endsWith(`/${id}`),
    ).toBe(true);
});

test("an answer that is none of what was agreed on is a message, and not a fault later on", async () => {
  for (const body of ["{}", '{"document":null,"revision":1}', '{"document":{},"revision":"one"}']) {
    globalThis.fetch = jest.fn(async () => new Response(body)) as unknown as typeof globalThis.fetch;
    await expect(api.get("pieces", "tea")).rejects.toThrow(/does not understand/);
  }
  globalThis.fetch = jest.fn(async () => new Response('{"detail":"No room."}', { status: 507 })) as unknown as typeof globalThis.fetch;
  await expect(api.get("pieces", "tea")).rejects.toMatchObject({ status: 507, message: "No room." });
});
