import { readFileSync } from "node:fs";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { answered, forget, launch, ready, type Served, serveGarden, visit, withGarden } from "../garden";

const here = withGarden("demo");

const pick = (address: string, id: string, gross: string) =>
  fetch(`${address}/picks/new`, {
    method: "POST",
    redirect: "manual",
    headers: { origin: address },
    body: new URLSearchParams({
      ...{ plantingId: "tom-wall", id, gross, count: "", at: "2026-10-06T15:00", by: "", method: "snap" },
      ...{ extent: "some", grade: "sound", note: "", otherTare: "" },
    }),
  });

describe("backups", () => {
  it("are made, looked into without touching anything, brought back, and that taken back", async () => {
    const { page, troubles, outside } = await here.visit();
    await page.goto("/settings");
    await page.getByRole("link", { name: "Backups" }).click();
    await page.getByText("None yet.").waitFor();
    await ready(page);
    await page.getByRole("button", { name: "Back up now" }).click();
    await page.getByRole("link", { name: "Look inside" }).waitFor();
    expect(await page.innerText("main")).toMatch(/\d+ plantings, \d+ looks, \d+ picks; [\d.]+ [kM]B/);
    expect((await pick(here.garden.address, "after-backup", "1.23 kg")).status).toBe(302);
    await page.getByRole("link", { name: "Look inside" }).click();
    await page.getByRole("heading", { name: "Picks that would go" }).waitFor();
    expect(await page.innerText("main")).toContain("Slicing tomato ‘red slicer’, 1.23 kg");
    expect(await (await fetch(`${here.garden.address}/out/picks.csv`)).text()).toContain("1.23 kg");
    await ready(page);
    await page.getByRole("button", { name: "Bring it back" }).click();
    await page.getByRole("button", { name: "Undo" }).waitFor();
    expect(await (await fetch(`${here.garden.address}/out/picks.csv`)).text()).not.toContain("1.23 kg");
    await answered(page, () => page.getByRole("button", { name: "Undo" }).click());
    expect(await (await fetch(`${here.garden.address}/out/picks.csv`)).text()).toContain("1.23 kg");
    expect([troubles, outside]).toEqual([[], []]);
  });
  it("one that is not there any more is a page that says so", async () => {
    expect((await fetch(`${here.garden.address}/settings/backups/garden-2020-01-01-000000`)).status).toBe(404);
    expect((await fetch(`${here.garden.address}/settings/backups/..%2F..%2Fgarden`)).status).toBe(404);
  });
  it("the whole garden goes away as one zip and comes back", async () => {
    const { page } = await here.visit();
    await page.goto("/settings");
    await ready(page);
    const download = page.waitForEvent("download");
    await page.getByRole("link", { name: "Garden and photos, ZIP" }).click();
    const file = await (await download).path();
    expect(readFileSync(file).subarray(0, 2).toString()).toBe("PK");
    expect((await pick(here.garden.address, "after-zip", "3.21 kg")).status).toBe(302);
    await page.getByLabel("Bring back a garden").setInputFiles({
      name: "garden.zip",
      mimeType: "application/zip",
      buffer: readFileSync(file),
    });
    await page.getByRole("button", { name: "Bring it back" }).click();
    await page.getByRole("button", { name: "Undo" }).waitFor();
    expect(await (await fetch(`${here.garden.address}/out/picks.csv`)).text()).not.toContain("3.21 kg");
    await page.goto("/settings");
    await ready(page);
    await page.getByLabel("Bring back a garden").setInputFiles({
      name: "half.zip",
      mimeType: "application/zip",
      buffer: readFileSync(file).subarray(0, 900),
    });
    await page.getByRole("button", { name: "Bring it back" }).click();
    await page.getByText("Nothing was changed.").waitFor();
  });
});

describe("who is signed in on the home network", () => {
  let served: Served;
  beforeAll(async () => {
    process.env.AKMEDON_PASSPHRASE = "late leeks and frost";
    served = await serveGarden("demo", undefined, ["--lan"]);
  });
  afterAll(async () => {
    await served.stop();
    forget(served);
  });
  it("is listed, and ended from another device", async () => {
    const browser = await launch();
    const enter = async () => {
      const seen = await visit(browser, served.address);
      await seen.page.goto("/sign-in?back=/settings");
      await seen.page.getByLabel("Passphrase").fill("late leeks and frost");
      await seen.page.getByRole("button", { name: "Sign in" }).click();
      await seen.page.getByRole("heading", { name: "Settings" }).waitFor();
      await ready(seen.page);
      return seen.page;
    };
    const lost = await enter();
    const own = await enter();
    const listed = await own.getByText("Signed in", { exact: true }).count();
    // a machine that is on no network has no home address, and shows no list
    if (listed > 0) {
      expect(await own.getByRole("button", { name: "End", exact: true }).count()).toBe(2);
      const other = own.locator("form", { has: own.getByText("Linux, Chrome") }).filter({ hasNotText: "this one" });
      await other.getByRole("button", { name: "End", exact: true }).click();
      await own.waitForFunction(
        () => [...document.querySelectorAll("button")].filter((b) => b.textContent === "End").length === 1,
      );
      await lost.goto("/walk");
      expect(new URL(lost.url()).pathname).toBe("/sign-in");
    }
    expect((await own.request.post("/sign-out", { headers: { origin: served.address } })).url()).toContain("/sign-in");
    await own.goto("/walk");
    expect(new URL(own.url()).pathname).toBe("/sign-in");
    await browser.close();
  });
});
