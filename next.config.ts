import type { NextConfig } from "next";
import { safetyHeaders } from "./server/http/guard";

const config: NextConfig = {
  serverExternalPackages: ["@resvg/resvg-js", "@libsql/client", "harfbuzzjs", "woff2-encoder"],
  turbopack: { root: process.cwd(), resolveAlias: { module: { browser: "./empty.ts" } } },
  poweredByHeader: false,
  // A drag changes the work many times a second: each part of the studio is drawn anew only where what it shows has changed.
  reactCompiler: true,
  compress: true,
  // The type check is a step of its own in the tests.
  typescript: { ignoreBuildErrors: true },
  devIndicators: false,
  // As much as the largest photo takes; what each request may hold is said where it is read.
  headers: async () => [{ source: "/:path*", headers: Object.entries(safetyHeaders).map(([key, value]) => ({ key, value })) }],
  experimental: { proxyClientMaxBodySize: "48mb" },
};
export default config;
