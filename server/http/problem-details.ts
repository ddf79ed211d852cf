/** An error as problem details (RFC 9457). `title` names the kind, `detail` says what the user can read. */
export function problem(
  status: number,
  title: string,
  detail: string,
  extra: Record<string, unknown> = {},
  headers: Record<string, string> = {},
): Response {
  return new Response(JSON.stringify({ type: "about:blank", title, status, detail, ...extra }), {
    status,
    headers: { "content-type": "application/problem+json", "cache-control": "no-store", ...headers },
  });
}
