/**
 * Whether a request may pass. The Host must be this machine (or one named in VEXTAL_HOSTS), so that a foreign name
 * that resolves here reaches nothing; a write must come from a page of this same host, and so must what is read of the API: a foreign page
 * could set the server drawing by naming pictures. Links to pages may stand anywhere.
 * @returns why not, or undefined
 */
export function refusal(method: string, path: string, headers: Headers, extraHosts = process.env.VEXTAL_HOSTS ?? ""): string | undefined {
  const host = headers.get("host") ?? "";
  const name = host.replace(/:\d+$/, "");
  const hosts = [
    "127.0.0.1",
    "localhost",
    "[::1]",
    ...extraHosts
      .split(",")
      .map((h) => h.trim())
      .filter(Boolean),
  ];
  if (!hosts.includes(name)) return `“${host}” is not a name that Vextal answers to.`;
  const site = headers.get("sec-fetch-site");
  const foreign = site !== null && site !== "same-origin" && site !== "none";
  if (method === "GET" || method === "HEAD")
    return foreign && path.startsWith("/api/") ? "This is for Vextal's own pages only." : undefined;
  const origin = headers.get("origin");
  if (origin !== null && !sameHost(origin, host)) return "Changes are taken from Vextal's own pages only.";
  if (foreign) return "Changes are taken from Vextal's own pages only.";
  return undefined;
}

function sameHost(origin: string, host: string): boolean {
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
}

/**
 * What every answer carries beside its policy (OWASP Secure Headers Project, the list of response headers). HSTS is a matter of whoever
 * puts TLS before it.
 */
export const safetyHeaders: Readonly<Record<string, string>> = {
  "x-content-type-options": "nosniff",
  "x-frame-options": "DENY",
  "x-permitted-cross-domain-policies": "none",
  "referrer-policy": "same-origin",
  "cross-origin-opener-policy": "same-origin",
  "cross-origin-resource-policy": "same-origin",
  "permissions-policy":
    "accelerometer=(), camera=(), display-capture=(), geolocation=(), gyroscope=(), magnetometer=(), microphone=(), midi=(), payment=(), usb=()",
};

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
