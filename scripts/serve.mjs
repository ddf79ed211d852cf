// The server of the built application. Arguments: host, port. It ends in order: what runs is finished, and the database is written back.
import http from "node:http";
import next from "next";
import { root } from "./ensure.mjs";

const [host, port] = [process.argv[2] || "127.0.0.1", Number(process.argv[3] || 4300)];
/** How long what runs may take when the server is asked to end, in milliseconds. */
const patience = 10_000;
const methods = ["GET", "HEAD", "POST", "PUT", "DELETE", "OPTIONS"];

const app = next({ dev: false, dir: root, hostname: host, port });
await app.prepare();
const handle = app.getRequestHandler();

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
  void handle(request, response);
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
