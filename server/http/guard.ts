/**
 * Whether a request may pass. The Host must be this machine (or one named in VEXTAL_HOSTS), so that a foreign name
 * that resolves here reaches nothing; a write must come from a page of this same host.
 * @returns why not, or undefined
 */
export function refusal(method: string, headers: Headers, extraHosts = process.env.VEXTAL_HOSTS ?? ""): string | undefined {
  const host = headers.get("host") ?? "";
  const name = host.replace(/:\d+$/, "");
  const hosts = ["127.0.0.1", "localhost", "[::1]", ...extraHosts.split(",").map((h) => h.trim()).filter(Boolean)];
  if (!hosts.includes(name)) return `“${host}” is not a name that Vextal answers to.`;
  if (method === "GET" || method === "HEAD") return undefined;
  const origin = headers.get("origin");
  if (origin !== null && !sameHost(origin, host)) return "Changes are taken from Vextal's own pages only.";
  const site = headers.get("sec-fetch-site");
  if (site && site !== "same-origin" && site !== "none") return "Changes are taken from Vextal's own pages only.";
  return undefined;
}

function sameHost(origin: string, host: string): boolean {
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
}

/** Scripts only with this answer's nonce; nothing from elsewhere. WebAssembly is what the geometry runs on. */
export const contentSecurityPolicy = (nonce: string, development: boolean): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic' 'wasm-unsafe-eval'${development ? " 'unsafe-eval'" : ""}`,
    "worker-src 'self' blob:",
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    `connect-src 'self'${development ? " ws:" : ""}`,
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");
