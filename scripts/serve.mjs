// The server of the built application. Arguments: host, port. It ends in order: what runs is finished, and the database is written back.
import { readFileSync } from "node:fs";
import http from "node:http";
import path from "node:path";
import next from "next";
import sirv from "sirv";
import { root } from "./ensure.mjs";

const [host, port] = [process.argv[2] || "127.0.0.1", Number(process.argv[3] || 4300)];
/** How long what runs may take when the server is asked to end, in milliseconds. */
const patience = 10_000;
const methods = ["GET", "HEAD", "POST", "PUT", "DELETE", "OPTIONS"];

const app = next({ dev: false, dir: root, hostname: host, port });
await app.prepare();
const handle = app.getRequestHandler();

/** What every answer carries, as the build has noted it from the application's own settings. */
const { headers: routes } = JSON.parse(readFileSync(path.join(root, ".next/routes-manifest.json"), "utf8"));
const everywhere = routes.filter((r) => r.source === "/:path*").flatMap((r) => r.headers);
/** Scripts, styles and faces, named by what they hold and so kept for good, packed when they were built. */
const pages = "/_next/static/";
const files = sirv(path.join(root, ".next/static"), {
  brotli: true,
  gzip: true,
  immutable: true,
  maxAge: 31_536_000,
  setHeaders: (response) => everywhere.forEach(({ key, value }) => response.setHeader(key, value)),
});

function refuse(response, status, title, detail, headers = {}) {
  response.writeHead(status, { "content-type": "application/problem+json", "cache-control": "no-store", ...headers });
  response.end(JSON.stringify({ type: "about:blank", title, status, detail }));
}

/** Whether an address can be read: percent signs that stand for no UTF-8 are no address (WHATWG URL, percent-decoding). */
function isReadable(url) {
  try {
    decodeURIComponent(url.split("?")[0]);
    return true;
  } catch {
    return false;
  }
}

const server = http.createServer((request, response) => {
  if (!methods.includes(request.method))
    return refuse(response, 405, "Not done here", `Vextal does nothing by ${request.method}.`, { allow: methods.join(", ") });
  if (!isReadable(request.url)) return refuse(response, 400, "Not understood", "This address cannot be read.");
  if (!request.url.startsWith(pages)) return void handle(request, response);
  const address = request.url;
  request.url = address.slice(pages.length - 1);
  files(request, response, () => {
    request.url = address;
    void handle(request, response);
  });
});

let ending = false;
function end() {
  if (ending) return;
  ending = true;
  server.close(async () => {
    await globalThis.vextalEnd?.();
    process.exit(0);
  });
  server.closeIdleConnections();
  setTimeout(() => server.closeAllConnections(), patience).unref();
}
process.on("SIGINT", end);
process.on("SIGTERM", end);
server.on("error", (error) => {
  console.error(error.message);
  process.exit(1);
});
// Longer than clients keep a connection that they mean to use again: one that is closed in their face is an answer that never comes.
server.keepAliveTimeout = 75_000;
server.listen(port, host);
