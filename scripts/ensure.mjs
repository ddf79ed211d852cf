// What a command needs before it can run: packages, a build, a browser. Only Node's own modules are used here.
import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import path from "node:path";
import { brotliCompressSync, constants, gzipSync } from "node:zlib";
import { fileURLToPath } from "node:url";

export const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), "..");
const at = (...parts) => path.join(root, ...parts);

export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: "inherit", ...options });
  if (result.error) throw result.error;
  return result.status ?? 1;
}

const sha = (text) => createHash("sha256").update(text).digest("hex");

/** Installs from the lock file where packages are missing or the lock has changed. */
export function ensurePackages({ quiet = false } = {}) {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major < 20 || (major === 20 && minor < 15)) throw new Error(`Vextal needs Node 20.15 or newer; this is ${process.versions.node}.`);
  const stamp = at("node_modules", ".vextal-lock");
  const lock = sha(readFileSync(at("package-lock.json")));
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === lock) return;
  if (!quiet) console.log("Installing packages from the lock file (about a minute)…");
  const status = run("npm", ["ci", "--include=dev", "--no-audit", "--no-fund"], { stdio: quiet ? ["ignore", 2, 2] : "inherit" });
  if (status !== 0) throw new Error("The packages could not be installed; npm's message is above.");
  writeFileSync(stamp, lock);
}

const sources = ["app", "core", "demo", "server", "studio", "worker", "types", "public", "wire"];
const files = ["package-lock.json", "next.config.ts", "postcss.config.mjs", "tsconfig.json", "proxy.ts", "instrumentation.ts", "empty.ts"];

function* walk(folder) {
  if (!existsSync(folder)) return;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const place = path.join(folder, entry.name);
    if (entry.isDirectory()) yield* walk(place);
    else if (!/\.test\.tsx?$/.test(entry.name)) yield place;
  }
}

function sourceStamp() {
  const all = [...sources.flatMap((s) => [...walk(at(s))]), ...files.map((f) => at(f))].filter(existsSync).sort();
  const hash = createHash("sha256");
  for (const file of all) hash.update(path.relative(root, file)).update(sha(readFileSync(file)));
  return hash.digest("hex");
}

/** Builds the application where its sources have changed since the last build. */
export function ensureBuild() {
  const stampFile = at(".next", "vextal-sources");
  const stamp = sourceStamp();
  if (existsSync(stampFile) && existsSync(at(".next", "BUILD_ID")) && readFileSync(stampFile, "utf8") === stamp) return false;
  console.log("Building the application (about half a minute)…");
  const status = run(process.execPath, [at("node_modules/next/dist/bin/next"), "build"], {
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1", NODE_ENV: "production" },
  });
  if (status !== 0) throw new Error("The application could not be built; the message is above.");
  bundleChild();
  packStatic();
  mkdirSync(at(".next"), { recursive: true });
  writeFileSync(stampFile, stamp);
  return true;
}

/** What pages load, packed once beside itself, as small as it gets: the server hands on what the browser takes. */
function packStatic() {
  for (const file of walk(at(".next", "static"))) {
    if (!/\.(js|css|wasm|svg|json)$/.test(file)) continue;
    const content = readFileSync(file);
    const params = { [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY, [constants.BROTLI_PARAM_SIZE_HINT]: content.length };
    writeFileSync(`${file}.br`, brotliCompressSync(content, { params }));
    writeFileSync(`${file}.gz`, gzipSync(content, { level: 9 }));
  }
}

/** The process that draws beside the server, as one file: it starts in a moment. */
function bundleChild() {
  const { buildSync } = createRequire(import.meta.url)("esbuild");
  buildSync({
    entryPoints: [at("server/drawing/child.ts")],
    outfile: at(".next", "vextal", "drawing.mjs"),
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    packages: "external",
    logLevel: "warning",
  });
}

const chromiumPlaces = [process.env.CHROMIUM, "/usr/bin/chromium", "/usr/bin/chromium-browser", "/usr/bin/google-chrome"];

/** Debian's Chromium, installed where this user may. @returns its path */
export function ensureChromium() {
  const found = chromiumPlaces.find((p) => p && existsSync(p) && statSync(p).isFile());
  if (found) return found;
  if (process.getuid?.() === 0 && existsSync("/usr/bin/apt-get")) {
    console.log("Installing Debian's chromium for the browser tests…");
    const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
    run("apt-get", ["update", "-qq"], { env, stdio: ["ignore", "ignore", "inherit"] });
    run("apt-get", ["install", "-y", "-qq", "--no-install-recommends", "chromium"], { env, stdio: ["ignore", "ignore", "inherit"] });
    if (existsSync("/usr/bin/chromium")) return "/usr/bin/chromium";
  }
  throw new Error(
    "The browser tests need Chromium. Install Debian's package with “sudo apt-get install chromium”, or name a browser in the variable CHROMIUM.",
  );
}
