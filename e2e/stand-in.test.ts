import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Browser, Page } from "playwright-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { answered, forget, launch, ready, type Served, serveGarden, visit } from "./garden";

const PHONE = { width: 390, height: 844 };
const PASSPHRASE = "late leeks and frost";
let garden: Served;
let browser: Browser;
let table: Page;
let dir = "";

beforeAll(async () => {
  dir = mkdtempSync(join(tmpdir(), "akmedon-stand-in-e2e-"));
  process.env.AKMEDON_PASSPHRASE = PASSPHRASE;
  garden = await serveGarden("demo", undefined, ["--lan"]);
  delete process.env.AKMEDON_PASSPHRASE;
  browser = await launch();
  table = (await visit(browser, garden.address)).page;
  await table.goto("/settings");
  await table.getByLabel("Passphrase").fill(PASSPHRASE);
  await table.getByRole("button", { name: "Sign in" }).click();
  await table.waitForURL(/settings/);
  await ready(table);
  // the evening before the trip
  await answered(table, () => table.getByRole("button", { name: "Three days" }).click());
  await table.goto("/rounds/stand-in");
  await ready(table);
});
afterAll(async () => {
  await browser.close();
  await garden.stop();
  forget(garden);
  rmSync(dir, { recursive: true, force: true });
});

const log = async () => {
  const csv = await table.evaluate(async () => (await fetch("/out/picks.csv")).text());
  return csv.split("\n").filter((line) => line.includes("Bram"));
};

describe("a stand-in with a phone", () => {
  it("opens his sheet by a link without the passphrase, and nothing else; what he got is in the log under his name", async () => {
    await answered(table, () => table.getByRole("button", { name: "Make a link" }).click());
    await table.getByRole("button", { name: "Renew the link" }).waitFor();
    const path = /\/for\/[\w-]{32}/.exec(await table.innerText("main"))![0];
    const { page, outside, troubles } = await visit(browser, garden.address, { ...PHONE, scripts: false });
    await page.goto(path);
    expect(await page.innerText("h1")).toContain("Bram");
    expect(await page.innerText("main")).toContain("Leave these alone");
    expect(await page.innerText("main")).toContain("Take care");
    const boxes = page.getByLabel("What you got");
    await boxes.nth(0).fill("1.4 kg");
    await boxes.nth(1).fill("heaps");
    await page.getByRole("button", { name: "Send what I got" }).click();
    await page.getByRole("alert").waitFor();
    expect(await boxes.nth(1).inputValue()).toBe("heaps");
    expect(await log()).toHaveLength(1);
    await boxes.nth(1).fill("300 g");
    await page.getByRole("button", { name: "Send what I got" }).click();
    await page.getByRole("status").waitFor();
    expect(await log()).toHaveLength(2);
    // sent once more as it stands, nothing is added
    await page.getByRole("button", { name: "Send what I got" }).click();
    expect(await log()).toHaveLength(2);
    await page.goto("/");
    expect(page.url()).toContain("/sign-in");
    await page.goto(`${path.slice(0, -1)}${path.endsWith("A") ? "B" : "A"}`);
    expect(await page.innerText("body")).toContain("nothing at this address");
    expect(troubles).toEqual([]);
    expect(outside).toEqual([]);
    await answered(table, () => table.getByRole("button", { name: "Close it" }).click());
    await page.goto(path);
    expect(await page.innerText("body")).toContain("nothing at this address");
    await page.context().close();
  });

  it("has it as a file that opens alone without a network, and gives a file that is read back in once", async () => {
    await table.goto("/rounds/stand-in");
    await ready(table);
    const sheet = join(dir, "sheet.html");
    const [taken] = await Promise.all([
      table.waitForEvent("download"),
      table.getByRole("link", { name: "Get the file" }).click(),
    ]);
    await taken.saveAs(sheet);
    const context = await browser.newContext({ viewport: PHONE, offline: true, acceptDownloads: true });
    const page = await context.newPage();
    const asked: string[] = [];
    page.on("request", (r) => asked.push(r.url()));
    await page.goto(`file://${sheet}`);
    await page.getByRole("button", { name: "Make the file" }).click();
    await page.getByText("Nothing is written down yet.").waitFor();
    await page.getByLabel("What you got").nth(0).fill("1.6 kg");
    await page.getByLabel("Anything to tell").nth(0).fill("two had split");
    const [made] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("button", { name: "Make the file" }).click(),
    ]);
    const picked = join(dir, "picked.json");
    await made.saveAs(picked);
    expect(asked.filter((url) => !/^(file|data|blob):/.test(url))).toEqual([]);
    // opened again another evening, what was written still stands there
    await page.reload();
    expect(await page.getByLabel("What you got").nth(0).inputValue()).toBe("1.6 kg");
    await context.close();
    for (let i = 0; i < 2; i++) {
      await table.goto("/rounds/stand-in");
      await ready(table);
      await table.locator("input[type=file]").setInputFiles(picked);
      await table.getByRole("button", { name: "Read it into the log" }).click();
      await table.getByText(/1 entry is in the log, by Bram/).waitFor();
      const lines = await log();
      expect(lines).toHaveLength(2);
      expect(lines.filter((l) => l.includes("two had split"))).toHaveLength(1);
    }
    await table.goto("/rounds/stand-in");
    await ready(table);
    await table.locator("input[type=file]").setInputFiles(sheet);
    await table.getByRole("button", { name: "Read it into the log" }).click();
    await table.getByText("this is not the file that a stand-in’s sheet makes").waitFor();
  });
});
