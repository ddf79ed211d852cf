// npm run frames: the time between frames in Chromium, in software, at 1280 x 800, while something is dragged on a look of six coats and
// three finishes. The pointer moves as often as frames come; what takes longer than a frame is seen as a longer wait for the next.
// `npm run frames -- mirror`: of the kinds of depth only those with that in their names.
import { spawn } from "node:child_process";
import path from "node:path";
import { chromium } from "@playwright/test";
import { ensureBuild, ensureChromium, ensurePackages, root } from "./ensure.mjs";

ensurePackages();
ensureBuild();
const port = 4397;
const base = `http://127.0.0.1:${port}`;
const server = spawn(process.execPath, [path.join(root, "e2e/serve.mjs"), String(port)], { cwd: root, stdio: "ignore" });
for (let i = 0; !(await fetch(`${base}/api/pieces`).catch(() => null))?.ok; i++) {
  if (i > 120) throw new Error("The server did not answer.");
  await new Promise((r) => setTimeout(r, 250));
}

/** Harbour Script, which has six coats; its shadow, and two finishes more on its face. */
const { document: piece } = await (await fetch(`${base}/api/pieces/demo-harbour-view`)).json();
const { document: style } = await (await fetch(`${base}/api/styles/demo-harbour-script`)).json();
const face = style.coats.at(-1);
face.finish["outer-glow"].on = true;
face.finish.relief.on = true;
for (const id of ["glow", "light", "shade"]) if (!style.inks.some((i) => i.id === id)) style.inks.push({ id, name: id, colour: "#ffd98a" });
const look = { ...piece, id: "frames", name: "Frames", items: piece.items.map((i) => ({ ...i, styleId: null, ownStyle: style, turn: 0 })) };
await fetch(`${base}/api/pieces`, { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(look) });

const flags = ["--no-sandbox", "--disable-gpu", "--disable-background-networking", "--no-first-run"];
const browser = await chromium.launch({ executablePath: ensureChromium(), args: flags });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`${base}/pieces/frames`);
await page.locator("[data-board] svg path").first().waitFor({ state: "attached" });
await page.keyboard.press("3");
const word = await page.locator("[data-board]").boundingBox();
const middle = { x: word.x + word.width / 2, y: word.y + word.height / 2 };

/** Drags between two places, to and fro, a step a frame, and tells how long the frames took. */
async function drag(from, to) {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.evaluate(() => {
    window.times = [];
    let last = performance.now();
    const tick = (now) => {
      window.times.push(now - last);
      last = now;
      window.ticking = requestAnimationFrame(tick);
    };
    window.ticking = requestAnimationFrame(tick);
  });
  for (let i = 0; i <= 90; i++) {
    const t = (1 - Math.cos((i / 90) * 2 * Math.PI)) / 2;
    await page.mouse.move(from.x + (to.x - from.x) * t, from.y + (to.y - from.y) * t);
    await page.evaluate(() => new Promise((r) => requestAnimationFrame(r)));
  }
  await page.mouse.up();
  const times = await page.evaluate(() => (cancelAnimationFrame(window.ticking), window.times.slice(3)));
  await page.waitForTimeout(400);
  return times.sort((a, b) => a - b);
}

const told = (name, times) => {
  const at = (share) => times[Math.min(times.length - 1, Math.floor(share * times.length))].toFixed(1).padStart(7);
  console.log(`${name.padEnd(34)} ${at(0.5)} ${at(0.95)} ${at(1)}   ${times.length} frames`);
};
const centre = async (locator) => {
  const b = await locator.boundingBox();
  return { x: b.x + b.width / 2, y: b.y + b.height / 2 };
};
/** One of each kind of depth: what is dragged of which coat, on pieces that ship. */
const depths = [
  ["block shade: its point", "demo-fair-ground", "Block", "step-point"],
  ["solid: its ball", "demo-peak-poster", "Summit", "ball"],
  ["chisel: its width", "demo-notary-s-door", "Letters", "Slider Width slider"],
  ["chisel, and a lit plank: the lamp", "demo-notary-s-door", "Letters", "lamp"],
  ["trail of 150: its point", "demo-summit-tunnel", "Tunnel", "step-point"],
  ["mirror: its height", "demo-quay-at-night", "Water", "Slider Height slider"],
];

/** A look of six coats and three finishes. */
async function flat() {
  await page.mouse.click(middle.x, middle.y);
  await page.locator("[data-coat]").last().click();
  told("a word's place", await drag(middle, { x: middle.x + 120, y: middle.y + 40 }));
  await page
    .getByRole("button", { name: /^Ink Foam|Foam/ })
    .first()
    .click();
  const field = page.locator(".react-colorful__saturation");
  const box = await field.boundingBox();
  told("an ink", await drag({ x: box.x + 20, y: box.y + 20 }, { x: box.x + box.width - 20, y: box.y + box.height - 20 }));
  await page.keyboard.press("Escape");
  const strength = page.getByRole("slider", { name: "Glow strength slider" });
  await strength.scrollIntoViewIfNeeded();
  const thumb = await centre(strength);
  told("a finish's strength", await drag(thumb, { x: thumb.x - 40, y: thumb.y }));
  const depth = page
    .getByRole("slider", { name: "Shadow blur slider" })
    .or(page.getByRole("slider", { name: /^Height slider/ }))
    .first();
  await depth.scrollIntoViewIfNeeded();
  const other = await centre(depth);
  told("a finish's length", await drag(other, { x: other.x + 30, y: other.y }));
}

const only = process.argv[2];
try {
  console.log(`${"ms between frames".padEnd(34)}     p50     p95    most`);
  if (!only) await flat();
  for (const [name, id, coat, grip] of depths.filter(([n]) => !only || n.includes(only))) {
    await page.goto(`${base}/pieces/${id}`);
    await page.locator("[data-board] svg path").first().waitFor({ state: "attached" });
    await page.keyboard.press("3");
    const board = await page.locator("[data-board]").boundingBox();
    // The first item that has the coat: it is chosen where it is seen.
    for (const share of [0.5, 0.4, 0.6, 0.3, 0.7]) {
      await page.mouse.click(board.x + board.width * 0.5, board.y + board.height * share);
      if (await page.locator(`[data-coat="${coat}"]`).count()) break;
    }
    await page.locator(`[data-coat="${coat}"]`).click();
    const knob = grip.startsWith("Slider")
      ? page.getByRole("slider", { name: grip.slice(7) }).first()
      : page.locator(`[data-handle="${grip}"]`);
    await knob.waitFor({ state: "attached", timeout: 10_000 });
    await knob.scrollIntoViewIfNeeded().catch(() => undefined);
    const at = await centre(knob);
    const by = grip.startsWith("Slider") ? { x: 40, y: 0 } : { x: 60, y: 36 };
    told(name, await drag(at, { x: at.x + by.x, y: at.y + by.y }));
  }
} finally {
  await browser.close();
  server.kill();
}
