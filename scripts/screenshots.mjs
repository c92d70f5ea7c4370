// npm run screenshots: one picture of each main view, from a fresh demo garden, into docs/screenshots/.
import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium as browserOf } from "playwright-core";
import { build, bundleCommand, chromium, install, root } from "./ready.mjs";

install();
build();
const dir = mkdtempSync(join(tmpdir(), "akmedon-shots-"));
const server = spawn(process.execPath, [bundleCommand(), "demo", "--data", dir, "--port", "0"], {
  env: { ...process.env, AKMEDON_ROOT: root, NODE_ENV: "production" },
});
const address = await new Promise((resolve) => {
  let said = "";
  server.stdout.on("data", (chunk) => {
    said += chunk;
    const found = /http:\/\/127\.0\.0\.1:\d+/.exec(said);
    if (found) resolve(found[0]);
  });
});
const TABLE = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const browser = await browserOf.launch({ executablePath: chromium(), args: ["--no-sandbox", "--disable-gpu"] });
const shot = async (name, path, size = TABLE, height = size.height) => {
  const page = await browser.newPage({ viewport: { ...size, height }, baseURL: address });
  if (name.includes("sunlight"))
    await page.context().addCookies([{ name: "ak-mode", value: "sunlight", url: address }]);
  await page.goto(path, { waitUntil: "networkidle" });
  await page.screenshot({ path: join(root, "docs", "screenshots", `${name}.png`) });
  await page.close();
};
await shot("today", "/");
await shot("rounds", "/rounds", TABLE, 1010);
await shot("walk-planting", "/walk/squash-lower");
await shot("plot", "/plot");
await shot("planting", "/plot/plantings/tom-wall");
await shot("weather", "/weather");
await shot("what-if", "/rounds/what-if?colderC=2&pickers=2", TABLE, 1000);
await shot("pick", "/picks/new?planting=onion-late");
await shot("picks", "/picks");
await shot("crop", "/handbook/peach");
await shot("jobs", "/jobs", TABLE, 1000);
await shot("keep", "/keep", TABLE, 1000);
await shot("season", "/season", TABLE, 1000);
await shot("season-compare", "/season/compare?crop=tomato", TABLE, 1000);
await shot("season-weeks", "/season/weeks", TABLE, 1000);
const plot = await browser.newPage({ baseURL: address });
await plot.goto("/season/next", { waitUntil: "networkidle" });
await plot.getByRole("button", { name: "Draw it up" }).click();
await plot.getByText(/drawn up/).waitFor();
await plot.close();
await shot("season-next", "/season/next", TABLE, 1000);
await shot("lot", "/keep/lots/on-26-1", TABLE, 1000);
await shot("phone-walk", "/walk/tom-wall", PHONE);
await shot("phone-today-sunlight", "/", PHONE);
await browser.close();
server.kill("SIGTERM");
server.once("exit", () => {
  rmSync(dir, { recursive: true, force: true });
  process.exit(0);
});
