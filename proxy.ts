import { NextResponse, type NextRequest } from "next/server";
import { contentSecurityPolicy, refusal } from "./server/http/guard";
import { problem } from "./server/http/problem-details";

/** Stands before every request: who may ask, and what the page may load. */
export function proxy(request: NextRequest): Response {
  const why = refusal(request.method, request.nextUrl.pathname, request.headers);
  if (why) return problem(403, "Refused", why);
  const nonce = Buffer.from(crypto.randomUUID()).toString("base64");
  const policy = contentSecurityPolicy(nonce, process.env.NODE_ENV === "development");
  const headers = new Headers(request.headers);
  headers.set("x-nonce", nonce);
  headers.set("content-security-policy", policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set("content-security-policy", policy);
  return response;
}

export const config = { matcher: "/((?!_next/static|_next/image).*)" };
