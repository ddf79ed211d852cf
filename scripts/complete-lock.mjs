// After a change of dependencies: `node scripts/complete-lock.mjs`.
// npm leaves optional packages of other platforms out of the lock file where a registry does not carry them, and then
// refuses that lock file with `npm ci`. Each optional package that is named and missing gets a plain entry here.
import { readFileSync, writeFileSync } from "node:fs";

const lock = JSON.parse(readFileSync("package-lock.json", "utf8"));
const { packages } = lock;
const systems = /darwin|win32|freebsd|openbsd|netbsd|sunos|aix|android|openharmony|linux|wasm32/;
const processors = /arm64|x64|ia32|arm|ppc64|s390x|riscv64|loong64|mips64el/;

/** Whether a package is found from `place`, as Node looks for it: there, or in a folder above. */
function found(place, name) {
  for (let at = place; ; at = at.slice(0, Math.max(0, at.lastIndexOf("/node_modules/")))) {
    if (packages[`${at ? `${at}/` : ""}node_modules/${name}`]) return true;
    if (!at) return false;
  }
}

let added = 0;
for (const [place, entry] of Object.entries(packages))
  for (const [name, version] of Object.entries(entry.optionalDependencies ?? {})) {
    const system = systems.exec(name)?.[0];
    if (found(place, name) || !system || !/^\d/.test(version)) continue;
    const cpu = system === "wasm32" ? "wasm32" : (processors.exec(name)?.[0] ?? "x64");
    packages[`node_modules/${name}`] = {
      version,
      cpu: [cpu],
      ...(entry.dev ? { dev: true } : {}),
      optional: true,
      ...(system === "wasm32" ? {} : { os: [system] }),
    };
    added++;
  }
lock.packages = Object.fromEntries(Object.entries(packages).sort(([a], [b]) => (a < b ? -1 : 1)));
writeFileSync("package-lock.json", `${JSON.stringify(lock, null, 2)}\n`);
console.log(`${added} entries added`);
