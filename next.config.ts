import type { NextConfig } from "next";

const config: NextConfig = {
  serverExternalPackages: ["@resvg/resvg-js", "@libsql/client", "harfbuzzjs", "woff2-encoder"],
  turbopack: { root: process.cwd(), resolveAlias: { module: { browser: "./empty.ts" } } },
  poweredByHeader: false,
  // The type check is a step of its own in the tests.
  typescript: { ignoreBuildErrors: true },
  devIndicators: false,
};
export default config;
