import { execFileSync } from "node:child_process";
import { existsSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Browser, Page } from "playwright-core";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { forget, launch, ready, type Served, serveGarden, visit } from "../garden";

const PHONE = { width: 390, height: 844 };
const PASSPHRASE = "late leeks and frost";

/** A port that is free, and the next one as well: a server that is stopped comes back at the same address. */
async function freePort(): Promise<number> {
  const taken = (port: number) =>
    new Promise<number | null>((resolve) => {
      const server = createServer();
      server.once("error", () => resolve(null));
      server.listen(port, "127.0.0.1", () => {
        const at = server.address() as { port: number };
        server.close(() => resolve(at.port));
      });
    });
  for (;;) {
    const port = await taken(0);
    if (port && port < 65_000 && (await taken(port + 1))) return port;
  }
}

/** A demo garden that can be stopped and comes back at its address. */
async function stoppable(extra: string[] = []) {
  process.env.AKMEDON_PASSPHRASE = PASSPHRASE;
  const port = await freePort();
  const args = ["--port", `${port}`, ...extra];
  const first = await serveGarden("demo", undefined, args);
  let now: Served | null = first;
  return {
    port,
    dataDir: first.dataDir,
    plain: first.address,
    stop: async () => {
      await now?.stop();
      now = null;
    },
    start: async () => {
      now = await serveGarden("demo", first.dataDir, args);
    },
    end: async () => {
      await now?.stop();
      forget(first);
      delete process.env.AKMEDON_PASSPHRASE;
    },
  };
}

/** Waits until the service worker has every page that is kept ahead, and serves this page. */
async function keptAhead(page: Page): Promise<void> {
  for (;;) {
    const all = await page.evaluate(async () => {
      if (!navigator.serviceWorker.controller) return false;
      const { pages } = (await (await fetch("/pages-ahead")).json()) as { pages: string[] };
      const kept = new Set((await (await caches.open("pages")).keys()).map((r) => new URL(r.url).pathname));
      return kept.has("/shell") && pages.every((p) => kept.has(p === "/" ? "/_.data" : `${p}.data`));
    });
    if (all) return;
    await page.waitForTimeout(300);
  }
}

/** How many files the page has had so far. */
const countScripts = (page: Page): Promise<number> =>
  page.evaluate(() => performance.getEntriesByType("resource").length);

/** What the garden's archive holds, read without its doors. */
function archive(dataDir: string) {
  const text = execFileSync(process.execPath, ["build/cli/akmedon.mjs", "export", "--data", dataDir, "-"], {
    cwd: join(import.meta.dirname, "..", ".."),
    maxBuffer: 1 << 28,
  });
  return JSON.parse(String(text)) as {
    checks: { plantingId: string; at: string; photos: string[] }[];
    picks: { note: string; by: string; entered: string; photos: string[] }[];
    ticks: { id: string }[];
    lotEvents: { kind: string; lotId: string }[];
  };
}

/** The loop of a day among the beds: what is done in it waits, and survives a reload and a new tab. */
async function journey(page: Page, stop: () => Promise<void>, start: () => Promise<void>, photo: string) {
  await page.goto("/");
  await ready(page);
  await keptAhead(page);
  await stop();
  const thumb = (name: string) =>
    page.getByRole("navigation", { name: "Parts, at the thumb" }).getByRole("link", { name, exact: true }).click();
  await thumb("Walk");
  await page.getByText(/No signal\. This page is as it was (at|yesterday|on)/).waitFor();
  // Today has a link of nearly that name
  await page.getByRole("heading", { name: "Walk the beds" }).waitFor();
  await page.getByRole("link", { name: "Begin", exact: true }).click();
  await page.getByRole("heading", { name: "Loose-leaf lettuce ‘winter butter’" }).waitFor();
  await page.locator("input[type=file]").setInputFiles(photo);
  await page.getByRole("button", { name: /^(Save, next|Nothing new)/ }).click();
  await page.getByText("1 entry waits on this device for the signal.").waitFor();
  // opened anew, in the same tab and in another
  await page.reload();
  await page.getByRole("heading", { level: 1 }).waitFor();
  await page.getByText("1 entry waits on this device for the signal.").waitFor();
  const tab = await page.context().newPage();
  await tab.goto("/picks/new?planting=cou-lower");
  await tab.getByLabel("On the scale").fill("1.25 kg");
  await tab.getByLabel("Note", { exact: true }).fill("picked without a signal");
  await tab.locator("input[name=photo]").setInputFiles(photo);
  await tab.getByRole("button", { name: "Save the pick" }).click();
  await tab.getByText("2 entries wait").waitFor();
  await tab.goto("/keep");
  await tab.getByRole("button", { name: "All used" }).first().click();
  await tab.getByText("3 entries wait").waitFor();
  for (const path of ["/", "/rounds", "/handbook", "/handbook/courgette", "/jobs"]) {
    await tab.goto(path);
    await tab.getByText(/This page is as it was/).waitFor();
    expect(await tab.innerText("h1"), path).not.toMatch(/No signal|did not work/);
  }
  // what was never opened says so within the frame, and the way back stays
  await tab.goto("/season/compare");
  await tab.getByRole("heading", { name: "No signal" }).waitFor();
  await tab.getByRole("link", { name: "Log a pick" }).first().waitFor();
  await start();
  await tab.goto("/walk");
  await ready(tab);
  await tab.getByText(/on this device/).waitFor({ state: "detached", timeout: 60_000 });
}

let dir = "";
let photo = "";
beforeAll(async () => {
  dir = mkdtempSync(join(tmpdir(), "akmedon-offline-"));
  photo = join(dir, "leaf.jpg");
  const leaf = { create: { width: 60, height: 40, channels: 3, background: "#557733" } } as const;
  writeFileSync(photo, await sharp(leaf).jpeg().toBuffer());
});
afterAll(() => rmSync(dir, { recursive: true, force: true }));

function expectOnce(dataDir: string) {
  const held = archive(dataDir);
  const look = held.checks.filter((c) => c.plantingId === "let-frame" && c.at.startsWith("2026-10-06"));
  expect(look).toHaveLength(1);
  expect(look[0]!.photos).toHaveLength(1);
  const picked = held.picks.filter((p) => p.note === "picked without a signal");
  expect(picked).toHaveLength(1);
  expect(picked[0]!.photos).toHaveLength(1);
  expect(existsSync(join(dataDir, "photos", picked[0]!.photos[0]!))).toBe(true);
  return held;
}

describe("among the beds with the server stopped", () => {
  it("opens, takes, and sends each thing once, at this machine's own address", async () => {
    const garden = await stoppable();
    const browser = await launch();
    const before = archive(garden.dataDir).lotEvents.length;
    const { page, troubles } = await visit(browser, garden.plain, { ...PHONE, worker: true });
    await journey(page, garden.stop, garden.start, photo);
    expect(expectOnce(garden.dataDir).lotEvents).toHaveLength(before + 1);
    expect(troubles.filter((t) => !/ERR_|Failed to fetch/.test(t))).toEqual([]);
    await browser.close();
    await garden.end();
  });

  it("does so encrypted on the home network, by an authority that the browser was told to trust", async () => {
    const garden = await stoppable(["--lan"]);
    const home = join(dir, "home");
    const certificate = join(dir, "garden.crt");
    const got = await fetch(`${garden.plain}/trust/akmedon-garden.crt`);
    writeFileSync(certificate, Buffer.from(await got.arrayBuffer()));
    const nss = join(home, ".pki", "nssdb");
    execFileSync("mkdir", ["-p", nss]);
    execFileSync("certutil", ["-d", `sql:${nss}`, "-N", "--empty-password"]);
    const secure = `https://localhost:${garden.port + 1}`;
    const refused = await launch(join(dir, "nobody"));
    await expect(visit(refused, secure, PHONE).then(({ page }) => page.goto("/"))).rejects.toThrow(/ERR_CERT/);
    await refused.close();
    execFileSync("certutil", ["-d", `sql:${nss}`, "-A", "-t", "C,,", "-n", "garden", "-i", certificate]);
    const browser: Browser = await launch(home);
    const { page } = await visit(browser, secure, { ...PHONE, worker: true });
    await page.goto("/");
    await page.getByLabel("Passphrase").fill(PASSPHRASE);
    await page.getByRole("button", { name: "Sign in" }).click();
    await page.getByRole("navigation", { name: "Parts, at the thumb" }).waitFor();
    const cookie = (await page.context().cookies()).find((c) => c.name === "ak-session");
    expect(cookie).toMatchObject({ secure: true, httpOnly: true, sameSite: "Strict" });
    await journey(page, garden.stop, garden.start, photo);
    expectOnce(garden.dataDir);
    // whoever signs out leaves no page of the garden on the device
    await page.goto("/settings");
    await ready(page);
    const out = page.getByRole("button", { name: "Sign out here" });
    // a machine that is on no network shows no sign-out
    if ((await out.count()) > 0) {
      // pages are just being had in advance, and the way to the server is long
      await page.evaluate(() => {
        const send = HTMLFormElement.prototype.submit;
        HTMLFormElement.prototype.submit = function () {
          setTimeout(() => send.call(this), 600);
        };
        const ahead = ["/", "/walk", "/rounds", "/picks", "/keep", "/season", "/plot", "/weather", "/handbook"];
        const again = ahead.map((path) => `${path}?again`);
        for (const pages of [ahead, again]) navigator.serviceWorker.controller!.postMessage({ pages });
      });
      await out.click();
      await page.getByLabel("Passphrase").waitFor();
      await page.waitForTimeout(2500);
      const left = await page.evaluate(async () => (await (await caches.open("pages")).keys()).map((r) => r.url));
      expect(left).toEqual([]);
    }
    await browser.close();
    await garden.end();
  });

  it("without a service worker the page in hand goes on, and a tap that needs the server says so", async () => {
    const garden = await stoppable();
    const browser = await launch();
    const { page } = await visit(browser, garden.plain, PHONE);
    await page.goto("/walk");
    await ready(page);
    // every page's script is had while there is a signal
    await page.waitForFunction(
      () => performance.getEntriesByType("resource").some((r) => /lessons/.test(r.name)),
      null,
      {
        timeout: 60_000,
      },
    );
    // and no other one is on its way any more, however busy the machine
    for (let had = -1, now = 0; now !== had; now = await countScripts(page)) {
      had = now;
      await page.waitForTimeout(3000);
    }
    await garden.stop();
    await page.getByRole("link", { name: "Begin" }).click();
    await page.waitForURL(/walk\/let-frame/);
    await page.getByRole("button", { name: /^Nothing new/ }).click();
    await page.getByText("1 entry waits on this device").waitFor();
    await page.getByRole("button", { name: "More", exact: true }).click();
    await page.getByRole("menuitem", { name: "Season" }).click();
    await page.getByRole("heading", { name: "No signal" }).waitFor();
    await page.getByRole("link", { name: "Walk" }).first().click();
    await page.getByRole("heading", { name: "Walk" }).waitFor();
    await garden.start();
    await page.getByText(/on this device/).waitFor({ state: "detached", timeout: 60_000 });
    await browser.close();
    await garden.end();
  });

  it("puts what somebody else did meanwhile beside what waits, and lets the gardener choose", async () => {
    const garden = await stoppable();
    const browser = await launch();
    const { page } = await visit(browser, garden.plain, { ...PHONE, worker: true });
    await page.goto("/keep");
    await ready(page);
    await keptAhead(page);
    const lot = (await page.locator("[data-lot]").first().getAttribute("data-lot"))!;
    await page.context().setOffline(true);
    await page.locator(`[data-lot="${lot}"]`).getByRole("button", { name: "All used" }).click();
    await page.getByText("1 entry waits").waitFor();
    const table = await visit(browser, garden.plain);
    await table.page.goto(`/keep/lots/${lot}`);
    await ready(table.page);
    await table.page.getByText("Look at it").click();
    await table.page.locator("[name=check-note]").fill("two soft ones");
    await table.page.getByRole("button", { name: "Looked at" }).click();
    await table.page.getByText("Looked at: two soft ones").first().waitFor();
    await page.context().setOffline(false);
    await page.reload();
    await page.getByText("Looked at: two soft ones").waitFor();
    const used = () => archive(garden.dataDir).lotEvents.filter((e) => e.lotId === lot && e.kind === "use").length;
    expect(used()).toBe(0);
    await page.getByRole("button", { name: "Do it all the same" }).click();
    await page.getByText("Meanwhile").waitFor({ state: "detached" });
    expect(used()).toBe(1);
    await browser.close();
    await garden.end();
  });
});

describe("the installed application", () => {
  it("has a manifest, icons of the sizes it names, and a service worker at the root", async () => {
    const garden = await serveGarden("demo");
    const manifest = (await (await fetch(`${garden.address}/manifest.webmanifest`)).json()) as {
      icons: { src: string; sizes: string; purpose?: string }[];
      start_url: string;
      display: string;
    };
    expect(manifest).toMatchObject({ start_url: "/", display: "standalone" });
    for (const icon of manifest.icons) {
      const picture = await fetch(`${garden.address}${icon.src}`);
      const { width, height } = await sharp(Buffer.from(await picture.arrayBuffer())).metadata();
      expect(`${width}x${height}`).toBe(icon.sizes);
    }
    expect(manifest.icons.some((i) => i.purpose === "maskable")).toBe(true);
    const worker = await fetch(`${garden.address}/service-worker.js`);
    expect(worker.headers.get("Cache-Control")).toBe("no-cache");
    expect(worker.headers.get("Content-Type")).toMatch(/javascript/);
    await garden.stop();
    forget(garden);
  });
});
