import { readdirSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "playwright-core";
import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { forget, ready, serveGarden, visit, withGarden } from "../garden";

const here = withGarden("demo");

const PHONE = { width: 390, height: 844 };

/** Saves the sheet in hand and waits until the next one lies there. */
async function onward(page: Page): Promise<void> {
  const name = await page.innerText("h1");
  await page
    .getByRole("button", { name: /^(Nothing new|Save)/ })
    .first()
    .click();
  await page.waitForFunction((before) => document.querySelector("h1")?.textContent !== before, name);
}

describe("an evening walk on the phone", () => {
  it("goes bed after bed with undo, resumes where it stopped, and ends in a summary", async () => {
    const { page, troubles } = await here.visit(PHONE);
    await page.goto("/walk");
    await ready(page);
    await page.getByRole("link", { name: "Begin" }).click();
    await page.waitForURL(/walk\/let-frame/);
    await page.getByRole("button", { name: /^Same as/ }).click();
    await page.waitForURL(/walk\/let-tunnel/);
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByText("Undone:").waitFor();
    await page.goto("/walk");
    expect(await page.innerText("main")).toContain("0 of 16 plantings looked at today.");
    await page.getByRole("link", { name: "Begin" }).click();
    await page.getByText("1 of 16 ·").waitFor();
    for (let i = 0; i < 3; i++) {
      await onward(page);
    }
    await page.goto("/walk");
    await page.getByRole("link", { name: "Go on" }).click();
    await page.getByText("4 of 16 ·").waitFor();
    for (let i = 0; i < 13; i++) {
      await onward(page);
    }
    expect(new URL(page.url()).pathname).toBe("/walk");
    const summary = await page.innerText("main");
    expect(summary).toContain("Walked");
    expect(summary).toContain("What today’s looks come to");
    await page.getByRole("link", { name: "Plan a round" }).first().waitFor();
    expect(troubles).toEqual([]);
    await page.context().close();
  });

  it("says when readings disagree, and keeps the doubt wide", async () => {
    const { page } = await here.visit(PHONE);
    await page.goto("/walk/onion-late");
    await ready(page);
    await page.locator("label", { has: page.locator("input[name=cue-tops-down][value='0']") }).click();
    await page.locator("label", { has: page.locator("input[name=cue-neck][value=papery]") }).click();
    await page.getByText("disagree, so the doubt is kept wide").waitFor();
    await page.context().close();
  });

  it("takes a photo: kept small, without where it was taken; shown with the look and removed with it", async () => {
    const { page } = await here.visit(PHONE);
    const photo = await sharp({ create: { width: 2400, height: 1800, channels: 3, background: "#7c9a5b" } })
      .withExif({ IFD3: { GPSLatitudeRef: "N", GPSLatitude: "52/1 30/1 0/1" } })
      .jpeg()
      .toBuffer();
    expect((await sharp(photo).metadata()).exif).toBeDefined();
    await page.goto("/walk/kale-hedge");
    await ready(page);
    await page.locator("input[type=file]").setInputFiles({ name: "spots.jpg", mimeType: "image/jpeg", buffer: photo });
    // shown small before it is sent, taken out again, and one more taken
    await page.getByRole("img", { name: "spots.jpg" }).waitFor();
    await page.getByRole("button", { name: "Take spots.jpg out" }).click();
    await page.getByRole("img", { name: "spots.jpg" }).waitFor({ state: "detached" });
    const eggs = { name: "eggs.jpg", mimeType: "image/jpeg", buffer: photo };
    await page.locator("input[type=file]").setInputFiles(eggs);
    await page.getByRole("img", { name: "eggs.jpg" }).waitFor();
    await page.getByText("Anything wrong?").click();
    await page.getByRole("checkbox", { name: "pests or eggs" }).click();
    await page.getByText("eggs come back until the bed is clean").waitFor();
    await page.getByRole("button", { name: /^Save/ }).first().click();
    await page.waitForURL((url) => !url.pathname.includes("kale-hedge"));
    const names = readdirSync(join(here.garden.dataDir, "photos"));
    expect(names).toHaveLength(1);
    const kept = await sharp(join(here.garden.dataDir, "photos", names[0]!)).metadata();
    expect(Math.max(kept.width, kept.height)).toBe(1600);
    expect(kept.exif).toBeUndefined();
    await page.goto("/plot/plantings/kale-hedge");
    await page.locator(`img[src="/photos/${names[0]}"]`).waitFor();
    const look = page.locator("[data-look]", { has: page.locator("img") });
    await look.getByRole("button", { name: "Remove" }).click();
    await page.getByText("removed").first().waitFor();
    await page.locator(`img[src="/photos/${names[0]}"]`).waitFor({ state: "detached" });
    await page.getByRole("button", { name: "Undo" }).click();
    await page.locator(`img[src="/photos/${names[0]}"]`).waitFor();
    await page.context().close();
  });

  it("a look corrected afterwards changes the verdict that followed from it", async () => {
    const { page } = await here.visit();
    await page.goto("/plot/plantings/squash-lower");
    await ready(page);
    const before = await page.innerText("main");
    await page.locator("[data-look] a[href^='/looks/']").first().click();
    await page.waitForURL(/looks/);
    await ready(page);
    await page.locator("label", { has: page.locator("input[name=cue-rind][value=dents]") }).click();
    await page.locator("label", { has: page.locator("input[name=cue-stalk][value=green]") }).click();
    await page.getByRole("button", { name: "Save the look" }).click();
    await page.waitForURL(/plantings\/squash-lower/);
    expect(before).toContain("Pick all");
    await page.getByText("Undo").waitFor();
    const chance = /(\d+) %\) ready/;
    const share = (text: string) => Number(chance.exec(text)?.[1] ?? 100);
    expect(share(await page.innerText("main"))).toBeLessThan(share(before));
    await page.context().close();
  });

  it("practises on hidden plants and keeps a score for each cue", async () => {
    const { page } = await here.visit(PHONE);
    await page.goto("/walk/practice");
    await ready(page);
    for (let i = 0; i < 3; i++) {
      await page.getByRole("button", { name: "Ready: pick" }).click();
      await page.getByRole("link", { name: "Next plant" }).click();
      await page.getByRole("button", { name: "Ready: pick" }).waitFor();
    }
    expect(await page.innerText("main")).toMatch(/\d of 3 right/);
    expect(await page.innerText("main")).toMatch(/\d of \d/);
    await page.context().close();
  });
});

describe("when the signal goes in the beds", () => {
  it("looks and a pick are taken by the page in hand, outlive a reload, and reach the server once", async () => {
    const garden = await serveGarden("demo");
    const { page, context } = await visit(here.browser, garden.address, PHONE);
    await page.goto("/walk");
    await ready(page);
    await page.getByRole("link", { name: "Begin" }).click();
    await page.waitForURL(/walk\/let-frame/);
    await ready(page);
    const countOf = async () =>
      (
        (await (await fetch(`${garden.address}/out/garden.json`)).json()) as {
          checks: { plantingId: string; at: string }[];
          picks: { note: string }[];
        }
      ).checks.filter((c) => c.at.startsWith("2026-10-06")).length;
    await context.setOffline(true);
    await page
      .locator("label", { has: page.locator("input[name=cue-leaf-length]") })
      .nth(3)
      .click();
    await page.getByRole("button", { name: "Save, next" }).click();
    await page.waitForURL(/walk\/let-tunnel/);
    await page.getByText("1 entry waits on this device for the signal.").waitFor();
    await page.getByRole("button", { name: /^Nothing new/ }).click();
    await page.waitForURL(/walk\/tom-tunnel/);
    await page.getByText("2 entries wait").waitFor();
    // a pick too: its form was had while there was a signal
    await page.locator("label", { has: page.locator("input[name=cue-colour][value=red]") }).click();
    await page.getByRole("button", { name: "Save and pick" }).click();
    await page.waitForURL(/picks\/new/);
    await page.getByLabel("On the scale").fill("1.25 kg");
    await page.getByLabel("Note", { exact: true }).fill("without a signal");
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.getByText("4 entries wait").waitFor();
    expect(await countOf()).toBe(0);
    // the browser is closed and opened again where the page can be had
    await page.close();
    await context.setOffline(false);
    const again = await context.newPage();
    await again.goto("/walk");
    await again.getByText("3 of 16 plantings looked at today.").waitFor();
    expect(await countOf()).toBe(3);
    await again.reload();
    await ready(again);
    expect(await countOf()).toBe(3);
    const log = await (await fetch(`${garden.address}/out/picks.csv`)).text();
    expect(log.split("without a signal")).toHaveLength(2);
    expect(await again.getByText("waits on this device").count()).toBe(0);
    await context.close();
    await garden.stop();
    forget(garden);
  });

  it("shows what the server would not take, and does not overwrite", async () => {
    const garden = await serveGarden("demo");
    const { page, context } = await visit(here.browser, garden.address, PHONE);
    await page.goto("/walk");
    await ready(page);
    await page.getByRole("link", { name: "Begin" }).click();
    await page.waitForURL(/walk\/let-frame/);
    await ready(page);
    await context.setOffline(true);
    await page.getByRole("button", { name: /^Nothing new/ }).click();
    await page.getByText("1 entry waits").waitFor();
    // meanwhile somebody clears the bed at the table
    const other = await here.browser.newContext({ baseURL: garden.address });
    const table = await other.newPage();
    await table.goto("/plot/plantings/let-frame?edit");
    await ready(table);
    await table.getByRole("button", { name: "Remove", exact: true }).first().click();
    await table.waitForURL((url) => url.pathname === "/plot");
    await other.close();
    await context.setOffline(false);
    await page.getByText("was not taken").waitFor();
    await page.getByRole("button", { name: "Throw away" }).click();
    await page.getByText("was not taken").waitFor({ state: "detached" });
    await context.close();
    await garden.stop();
    forget(garden);
  });
});

describe("the home network", () => {
  it("wants the passphrase, limits the tries, and lets sign out", async () => {
    process.env.AKMEDON_PASSPHRASE = "late leeks and frost";
    const garden = await serveGarden("demo", undefined, ["--lan"]);
    delete process.env.AKMEDON_PASSPHRASE;
    const { page } = await visit(here.browser, garden.address, PHONE);
    expect((await fetch(`${garden.address}/out/garden.json`)).status).toBe(401);
    await page.goto("/walk");
    await page.waitForURL(/sign-in\?back=%2Fwalk/);
    await page.getByLabel("Passphrase").fill("early leeks");
    await page.getByRole("button", { name: "Sign in" }).click();
    await page.getByText("That is not the passphrase.").waitFor();
    await page.getByLabel("Passphrase").fill("late leeks and frost");
    await page.getByRole("button", { name: "Sign in" }).click();
    await page.waitForURL((url) => url.pathname === "/walk");
    await ready(page);
    await page.goto("/settings");
    await ready(page);
    expect(await page.innerText("main")).toContain("From the beds");
    const signOut = page.getByRole("button", { name: "Sign out here" });
    if ((await signOut.count()) > 0) {
      await signOut.click();
      // first the device forgets its pages, then it signs out
      await page.waitForURL(/sign-in/);
    } else await page.evaluate(() => fetch("/sign-out", { method: "POST" }));
    await page.goto("/walk");
    await page.waitForURL(/sign-in/);
    const wrong = () =>
      fetch(`${garden.address}/sign-in`, {
        method: "POST",
        headers: { "Content-Type": "application/x-www-form-urlencoded", Origin: garden.address },
        body: "passphrase=guess-guess",
        redirect: "manual",
      });
    const answers: number[] = [];
    for (let i = 0; i < 6; i++) answers.push((await wrong()).status);
    expect(answers.filter((s) => s === 401)).toHaveLength(5);
    expect(answers.at(-1)).toBe(429);
    await page.context().close();
    await garden.stop();
    forget(garden);
  });
});

describe("a crop of one’s own", () => {
  it("is copied, changed, refused where wrong, found, and taken back", async () => {
    const garden = await serveGarden("demo");
    const { page } = await visit(here.browser, garden.address);
    await page.goto("/handbook?q=courgette");
    await ready(page);
    await page.getByRole("link", { name: /Courgette/ }).click();
    await page.getByRole("link", { name: "Copy and change" }).click();
    await page.waitForURL(/change/);
    await ready(page);
    await page.getByLabel("Name", { exact: true }).fill("Round courgette");
    await page.locator("#cue-length-ready").fill("10");
    await page.getByRole("button", { name: "Save the crop" }).click();
    await page.getByText("the values must rise from young to past").waitFor();
    expect(await page.getByLabel("Name", { exact: true }).inputValue()).toBe("Round courgette");
    await page.locator("#cue-length-ready").fill("90");
    await page.getByRole("button", { name: "Save the crop" }).click();
    await page.waitForURL(/handbook\/own-round-courgette/);
    await page.getByRole("heading", { name: "Round courgette", exact: true }).waitFor();
    await page.goto("/handbook?q=round");
    expect(await page.innerText("main")).toContain("yours;");
    await page.goto("/handbook/own-round-courgette/change");
    await ready(page);
    await page.getByRole("button", { name: "Remove" }).click();
    await page.getByText("Handbook: Round courgette removed").waitFor();
    await page.getByRole("button", { name: "Undo" }).click();
    await page.goto("/handbook/own-round-courgette");
    expect(await page.innerText("h1")).toBe("Round courgette");
    await page.context().close();
    await garden.stop();
    forget(garden);
  });

  it("marks squash one by one, and the round says which", async () => {
    const { page, troubles } = await here.visit(PHONE);
    await page.goto("/plot/plantings/squash-round");
    await ready(page);
    await page.getByRole("link", { name: "Edit", exact: true }).click();
    await page.locator("select[name=schoolId]").selectOption("as-they-colour");
    await page.getByRole("button", { name: "Save the planting" }).click();
    await page.getByText("Undo").waitFor();
    await page.goto("/walk/squash-round");
    await ready(page);
    const two = page.getByRole("button", { name: /^number 2:/ });
    await two.click();
    await two.click();
    await page.getByRole("button", { name: "number 2: ready" }).waitFor();
    await page.getByRole("button", { name: /^number 3:/ }).click();
    const size = await two.boundingBox();
    expect(Math.min(size!.width, size!.height)).toBeGreaterThanOrEqual(48);
    await page.getByRole("button", { name: /^Save/ }).first().click();
    await page.waitForURL((url) => !url.pathname.endsWith("squash-round"));
    await page.goto("/walk/squash-round");
    await page.getByRole("button", { name: "number 2: ready" }).waitFor();
    await page.getByRole("button", { name: "number 3: nearly" }).waitFor();
    await page.goto("/plot/plantings/squash-round");
    expect(await page.innerText("main")).toContain("marked one by one: ready: 2; nearly: 3");
    expect(troubles).toEqual([]);
    await page.context().close();
  });

  it("takes a size as it is typed, and says what is wrong with one that is none", async () => {
    const { page } = await here.visit(PHONE);
    await page.goto("/walk/cou-lower");
    await ready(page);
    const typed = page.getByRole("textbox", { name: /How long.*Typed$/ });
    await typed.fill("9 bananas");
    await typed.press("Enter");
    await page.getByText("is not a unit of length here").waitFor();
    await typed.fill("23 cm");
    await typed.press("Enter");
    expect(await page.locator("input[name=cue-length]:checked, input[type=hidden][name=cue-length]").inputValue()).toBe(
      "230",
    );
    await page.context().close();
  });
});
