// Takes the pictures of docs/screenshots from the built application and the demo data: node scripts/screenshots.mjs
import { spawn } from "node:child_process";
import { mkdirSync } from "node:fs";
import path from "node:path";
import { chromium } from "@playwright/test";
import { ensureBuild, ensureChromium, ensurePackages, root } from "./ensure.mjs";

ensurePackages();
ensureBuild();
const port = 4398;
const base = `http://127.0.0.1:${port}`;
const folder = path.join(root, "docs/screenshots");
mkdirSync(folder, { recursive: true });
const server = spawn(process.execPath, [path.join(root, "e2e/serve.mjs"), String(port)], { cwd: root, stdio: "ignore" });

async function up() {
  for (let i = 0; i < 120; i++) {
    if (
      await fetch(`${base}/api/pieces`).then(
        (r) => r.ok,
        () => false,
      )
    )
      return;
    await new Promise((r) => setTimeout(r, 250));
  }
  throw new Error("The server did not answer.");
}

const flags = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
];
try {
  await up();
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: flags });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const shot = async (name) => {
    await page.waitForTimeout(700);
    await page.screenshot({ path: path.join(folder, `${name}.png`) });
  };
  const pictures = () =>
    page.waitForFunction(() => {
      const all = [...document.querySelectorAll("li img, [role=dialog] img")];
      const cards = document.querySelectorAll("[role=tabpanel][data-state=active] li").length;
      return all.length > 5 && all.length >= cards && all.every((i) => i.complete && i.naturalWidth > 0);
    });
  const open = async (id) => {
    await page.goto(`${base}/pieces/${id}`);
    await page.waitForSelector("[data-board] svg path", { state: "attached" });
  };
  /** The middle of the board's upper half, where each demo piece has its main word. */
  const mainWord = async () => {
    const box = await page.locator("[data-board]").boundingBox();
    return [box.x + box.width / 2, box.y + box.height * 0.45];
  };

  await page.goto(base);
  await pictures();
  await shot("shelf");
  await page.getByRole("tab", { name: "styles" }).click();
  await pictures();
  await shot("styles");

  await open("demo-night-ferry");
  await page.mouse.dblclick(...(await mainWord()));
  await page.keyboard.press("End");
  await shot("words");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Face", exact: true }).click();
  await page.waitForTimeout(6000);
  await shot("faces");
  await page.keyboard.press("Escape");

  // Single letters: one of the ferry's picked, its other forms below it.
  await page.locator("[data-bench]").focus();
  await page.keyboard.press("l");
  await page.locator('[data-letter="6"]').click();
  await page.mouse.move(960, 24);
  await shot("letters");
  await page.keyboard.press("Escape");

  // A coat with a word taken out of it, under the lamp; copies that sink into the night.
  await open("demo-goods-shed-door");
  await page.getByRole("button", { name: /^On the board/ }).click();
  await page.getByRole("button", { name: "Select Door" }).click();
  await page.keyboard.press("3");
  await page.locator('[data-coat="Door"]').click();
  await page.mouse.move(960, 24);
  await shot("knock-out");
  await open("demo-sawmill");
  await page.mouse.click(...(await mainWord()));
  await page.keyboard.press("3");
  await page.locator('[data-coat="Boards"]').click();
  await page.locator("aside").evaluate((e) => e.scrollTo(0, 560));
  await page.mouse.move(960, 24);
  // The fine grain is drawn while nothing else is done.
  await page.waitForTimeout(2500);
  await shot("grain");

  await open("demo-mountain-railway-badge");
  await page.getByRole("button", { name: /^On the board/ }).click();
  await page.getByRole("button", { name: /^Select BRINDLEMOOR/ }).click();
  await page.keyboard.press("2");
  await shot("ring");

  await open("demo-cider-press");
  await page.mouse.click(...(await mainWord()));
  await page.keyboard.press("2");
  await shot("envelope");

  await open("demo-high-pass-shield");
  await page.keyboard.press("2");

  // A shape of the board, made a free path, its nodes under the hand.
  await page.keyboard.press("1");
  await page.getByRole("button", { name: /^On the board/ }).click();
  await page.getByRole("button", { name: "Select Shield" }).click();
  await page.getByRole("button", { name: /Make a free path/ }).click();
  await page.locator('[data-handle="node-0-3"]').click();
  await shot("nodes");
  await page.keyboard.press("Control+Z");

  // A body with the ball that it is turned by, and slopes under the lamp.
  await open("demo-ski-cabin");
  await page.mouse.click(...(await mainWord()));
  await page.keyboard.press("3");
  await page.locator('[data-coat="Planks"]').click();
  await page.locator('[data-handle="ball"]').waitFor();
  await page.mouse.move(960, 24);
  await shot("solid");
  // The same body as a picture: seconds without a graphics processor.
  await page.getByRole("button", { name: "Take a picture…" }).click();
  for (const part of ["Face", "Sides"]) {
    await page.getByLabel(`${part}: made of`).click();
    await page.getByRole("option", { name: /^Wood/ }).click();
  }
  await page.getByText("Looking closer").waitFor({ timeout: 60_000 });
  await page.getByText("Looking closer").waitFor({ state: "hidden", timeout: 60_000 });
  await page.mouse.move(960, 24);
  await page.waitForTimeout(1000);
  await shot("studio-picture");
  await page.keyboard.press("Escape");
  await open("demo-bell-ringers");
  await page.mouse.click(...(await mainWord()));
  await page.keyboard.press("3");
  await page.locator('[data-coat="Bell"]').click();
  await page.mouse.move(960, 24);
  await shot("chisel");

  await open("demo-switchback-cycling-club");
  await page.mouse.click(...(await mainWord()));
  await page.keyboard.press("3");
  await page.locator('[data-coat="Sun"]').click();
  await page.mouse.move(960, 24);
  await shot("coats");
  await page.getByLabel("Choose a style").click();
  await pictures();
  // The twelve that are in sight, each on the word that is chosen.
  await page.waitForFunction(() => document.querySelectorAll("[data-tried]").length >= 12);
  await shot("style-picker");
  await page.keyboard.press("Escape");

  // Letters cut out of a photo.
  await open("demo-ridge-walk");
  await page.mouse.click(...(await mainWord()));
  await page.keyboard.press("3");
  await page.locator('[data-coat="Photo"]').click();
  await page.mouse.move(960, 24);
  await shot("photo");

  // Starting coats on the present word.
  await open("demo-harbour-view");
  await page.mouse.click(...(await mainWord()));
  await page.keyboard.press("3");
  await page.getByRole("button", { name: "Add a coat", exact: true }).click();
  await page.getByRole("tab", { name: "Face" }).click();
  await page.waitForFunction(() => document.querySelectorAll("[role=dialog] li img").length >= 20);
  await page.mouse.move(960, 24);
  await shot("starting-coats");
  await page.keyboard.press("Escape");

  await open("demo-radio-brindlemoor");
  await page.keyboard.press("4");
  await shot("export");

  await open("demo-apple-fair");
  await page.getByRole("button", { name: "Evening light" }).click();
  await page.mouse.click(...(await mainWord()));
  await page.keyboard.press("3");
  await page.locator('[data-coat="Cream"]').click();
  await page.mouse.move(960, 24);
  await shot("evening");
  await browser.close();
} finally {
  server.kill("SIGTERM");
}
