import { type ChildProcess, spawn } from "node:child_process";
import { existsSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Browser, type BrowserContext, chromium, type Page } from "playwright-core";
import { afterAll, beforeAll } from "vitest";
import { restoreArchive } from "#db/archive";
import { openGarden } from "#db/open";
import { demoGarden } from "#standins/demo-garden";

export const ROOT = join(import.meta.dirname, "..");
const firstOf = (paths: string[]): string => paths.find((p) => existsSync(p)) ?? "";
/** Chromium with a window of its own: it alone asks the user's list of authorities. */
const WINDOWED = firstOf(["/usr/bin/chromium", "/usr/bin/chromium-browser", "/usr/bin/google-chrome"]);
const CHROMIUM = process.env.AKMEDON_CHROMIUM ?? firstOf(["/usr/bin/chromium-headless-shell", WINDOWED]);
const FLAGS = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
];

export type Served = {
  address: string;
  dataDir: string;
  stop(): Promise<void> /** at once, in the middle of anything */;
  kill(): void;
};

/** Serves a garden from the production build in a data folder of its own, on a port the system chooses. */
export async function serveGarden(
  verb: "demo" | "serve",
  dataDir = mkdtempSync(join(tmpdir(), "akmedon-e2e-")),
  extra: string[] = [],
): Promise<Served> {
  const child: ChildProcess = spawn(
    process.execPath,
    [join(ROOT, "build", "cli", "akmedon.mjs"), verb, "--data", dataDir, "--port", "0", ...extra],
    { cwd: ROOT, env: { ...process.env, AKMEDON_ROOT: ROOT, NODE_ENV: "production" } },
  );
  let said = "";
  const address = await new Promise<string>((resolve, reject) => {
    child.stdout?.on("data", (chunk) => {
      said += chunk;
      const found = /http:\/\/127\.0\.0\.1:\d+/.exec(said);
      if (found) resolve(found[0]);
    });
    child.stderr?.on("data", (chunk) => {
      said += chunk;
    });
    child.once("exit", (code) => reject(new Error(`the server ended with ${code}: ${said}`)));
  });
  return {
    address,
    dataDir,
    kill: () => child.kill("SIGKILL"),
    stop: () =>
      new Promise((resolve) => {
        child.once("exit", () => resolve());
        child.kill("SIGTERM");
        setTimeout(() => child.kill("SIGKILL"), 4000).unref();
      }),
  };
}

export const forget = (served: Served): void => rmSync(served.dataDir, { recursive: true, force: true });

/** A data folder with the demo garden in it, not served yet. */
export function grownFolder(): string {
  const dataDir = mkdtempSync(join(tmpdir(), "akmedon-grown-"));
  const db = openGarden(dataDir);
  restoreArchive(db, demoGarden(), "2026-10-06T15:30");
  db.$client.close();
  return dataDir;
}

/** Sends a form as a page of the garden would. */
export const post = (served: Served, path: string, body: BodyInit, type?: string): Promise<Response> =>
  fetch(`${served.address}${path}`, {
    method: "POST",
    body,
    redirect: "manual",
    headers: { origin: served.address, ...(type ? { "content-type": type } : {}) },
  });

/** A browser. @param home another home folder, whose authorities it trusts */
export const launch = (home?: string): Promise<Browser> =>
  chromium.launch({
    executablePath: home ? WINDOWED : CHROMIUM,
    args: FLAGS,
    env: { ...(process.env as Record<string, string>), ...(home ? { HOME: home } : {}) },
  });

export type Visit = { page: Page; context: BrowserContext; troubles: string[]; outside: string[] };

/** A page of its own that notes every console error and every request to another host. */
export async function visit(
  browser: Browser,
  address: string,
  options: { width?: number; height?: number; scripts?: boolean; worker?: boolean } = {},
): Promise<Visit> {
  const { width = 1280, height = 800, scripts = true, worker = false } = options;
  const context = await browser.newContext({
    baseURL: address,
    viewport: { width, height },
    javaScriptEnabled: scripts,
    // most tests look at the server's own answers
    serviceWorkers: worker ? "allow" : "block",
    acceptDownloads: true,
    timezoneId: "Pacific/Auckland", // far from the garden on purpose: days must not move with the browser's zone
  });
  const page = await context.newPage();
  page.setDefaultTimeout(Number(process.env.STEP_MS ?? 180_000));
  const troubles: string[] = [];
  const outside: string[] = [];
  page.on("console", (m) => {
    if (m.type() === "error" && !/status of 4\d\d/.test(m.text())) troubles.push(m.text());
  });
  page.on("pageerror", (e) => troubles.push(e.message));
  page.on("request", (r) => {
    if (!r.url().startsWith(address) && !r.url().startsWith("data:") && !r.url().startsWith("blob:"))
      outside.push(r.url());
  });
  return { page, context, troubles, outside };
}

type Options = Parameters<typeof visit>[2];

/** A garden and a browser for the tests of one file: started before the first, put away after the last. */
export function withGarden(verb: "demo" | "serve") {
  const here = {
    browser: undefined as unknown as Browser,
    garden: undefined as unknown as Served,
    /** a page of its own in this file's garden */
    visit: (options?: Options) => visit(here.browser, here.garden.address, options),
  };
  beforeAll(async () => {
    here.garden = await serveGarden(verb);
    here.browser = await launch();
  });
  afterAll(async () => {
    await here.browser.close();
    await here.garden.stop();
    forget(here.garden);
  });
  return here;
}

/** Does what sends a change and waits for the server's answer to it: the quiet before it is no answer. */
export async function answered(page: Page, act: () => Promise<unknown>): Promise<void> {
  const answer = page.waitForResponse((response) => response.request().method() === "POST");
  await act();
  await answer;
}

/** Waits until the page listens: the first load is drawn before its scripts run, and says when they do. */
export async function ready(page: Page): Promise<void> {
  await page.locator("html[data-awake]").waitFor({ state: "attached" });
  await page.waitForLoadState("networkidle");
}
