import { describe, expect, test } from "@jest/globals";
import { ZodError } from "zod";
import { Problem } from "../../core/problem";
import { Conflict, NotFound } from "../documents";
import { answer } from "./answer";
import { formFile, jsonBody } from "./body";
import { contentSecurityPolicy, refusal } from "./guard";

const headers = (values: Record<string, string>) => new Headers({ host: "127.0.0.1:4300", ...values });

describe("who may ask", () => {
  test.each<[string, string, Record<string, string>, boolean, string?]>([
    ["a page of this machine reads", "GET", {}, true],
    ["a page of ours reads", "GET", { "sec-fetch-site": "same-origin" }, true],
    ["an address that was typed", "GET", { "sec-fetch-site": "none" }, true],
    ["a foreign page names a picture", "GET", { "sec-fetch-site": "cross-site" }, false],
    ["a page of another port names a picture", "HEAD", { "sec-fetch-site": "same-site" }, false],
    ["a foreign page links to a piece", "GET", { "sec-fetch-site": "cross-site" }, true, "/pieces/one"],
    ["by its other names", "GET", { host: "localhost:4300" }, true],
    ["a foreign name that resolves here", "GET", { host: "evil.example:4300" }, false],
    ["a page of ours writes", "PUT", { origin: "http://127.0.0.1:4300", "sec-fetch-site": "same-origin" }, true],
    ["a program writes", "POST", {}, true],
    ["a foreign page writes", "POST", { origin: "https://evil.example" }, false],
    ["a page of another port writes", "POST", { origin: "http://127.0.0.1:9999" }, false],
    ["a sandboxed page writes", "DELETE", { origin: "null" }, false],
    ["a cross-site form without an origin", "POST", { "sec-fetch-site": "cross-site" }, false],
  ])("%s", (_, method, values, passes, address = "/api/pieces/one/picture") => {
    expect(refusal(method, address, headers(values), "") === undefined).toBe(passes);
  });

  test("other hosts where they are named", () => {
    expect(refusal("GET", "/", headers({ host: "studio.brindlemoor.example" }), "studio.brindlemoor.example")).toBeUndefined();
  });
});

test("scripts run only with the nonce, and nothing is framed", () => {
  const policy = contentSecurityPolicy("abc", false);
  expect(policy).toContain("script-src 'self' 'nonce-abc' 'strict-dynamic' 'wasm-unsafe-eval'");
  expect(policy).not.toContain("'unsafe-eval'");
  expect(policy).toContain("frame-ancestors 'none'");
});

describe("errors are problem details (RFC 9457)", () => {
  test.each<[Error, number]>([
    [new NotFound(), 404],
    [new Conflict(4), 412],
    [new Problem("Too wide."), 422],
    [new ZodError([]), 422],
  ])("%p has status %d", async (error, status) => {
    const response = await answer(() => Promise.reject(error));
    expect(response.status).toBe(status);
    expect(response.headers.get("content-type")).toBe("application/problem+json");
    expect(await response.json()).toMatchObject({ type: "about:blank", status, title: expect.any(String), detail: expect.any(String) });
  });

  test("a conflict says which revision is there", async () => {
    expect(await (await answer(() => Promise.reject(new Conflict(4)))).json()).toMatchObject({ revision: 4 });
  });
});

describe("bodies", () => {
  const post = (body: string, type = "application/json") =>
    new Request("http://127.0.0.1/", { method: "POST", body, headers: { "content-type": type } });
  test("are JSON or refused", async () => {
    expect(await jsonBody(post('{"a":1}'))).toEqual({ a: 1 });
    await expect(jsonBody(post("{"))).rejects.toThrow(Problem);
    await expect(jsonBody(post("{}", "text/plain"))).rejects.toThrow(Problem);
  });

  test("a form that carries the file it should", async () => {
    const sent = (fields: Record<string, string | Blob>, headers?: HeadersInit) => {
      const body = new FormData();
      for (const [name, value] of Object.entries(fields)) body.set(name, value);
      return new Request("http://127.0.0.1/", { method: "POST", body, headers });
    };
    const { form, file } = await formFile(sent({ font: new File(["abc"], "a.ttf"), licence: "Open to all." }), "font", 100);
    expect([file.name, file.size, form.get("licence")]).toEqual(["a.ttf", 3, "Open to all."]);
    await expect(formFile(sent({ font: "no file" }), "font", 100)).rejects.toThrow("The request carries no font.");
    await expect(formFile(sent({ photo: new File(["abc"], "a.png") }, { "content-length": "9000000" }), "photo", 5e6)).rejects.toThrow(
      "This file is over 5 MB.",
    );
    await expect(formFile(new Request("http://127.0.0.1/", { method: "POST", body: "no form" }), "photo", 100)).rejects.toThrow(Problem);
  });
});
