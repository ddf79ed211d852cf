// Lines of code that are not empty, and the share of them that are tests.
import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";

const files = execFileSync("git", ["ls-files", "-co", "--exclude-standard", "*.ts", "*.tsx", "*.mjs"], { encoding: "utf8" })
  .trim()
  .split("\n");
const isTest = (f) => /\.(test|spec)\.tsx?$/.test(f) || /^(tests|e2e)\//.test(f);
let code = 0;
let tests = 0;
const rooms = new Map();
for (const file of files) {
  const lines = readFileSync(file, "utf8")
    .split("\n")
    .filter((l) => l.trim()).length;
  if (isTest(file)) tests += lines;
  else {
    code += lines;
    const room = file.includes("/") ? file.split("/")[0] : "(root)";
    rooms.set(room, (rooms.get(room) ?? 0) + lines);
  }
}
for (const [room, lines] of [...rooms].sort((a, b) => b[1] - a[1])) console.log(`${room.padEnd(12)} ${String(lines).padStart(6)}`);
console.log(`tests        ${String(tests).padStart(6)}  ${((100 * tests) / (code + tests)).toFixed(1)} % of ${code + tests} lines`);
