import { describe, expect, it } from "vitest";
import { ready, withGarden } from "../garden";

const here = withGarden("demo");

describe("what the season taught", () => {
  it("yields by crop, kind, bed and year, as a chart, a table and a file", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/season");
    await ready(page);
    await page.getByRole("heading", { name: "Season 2026" }).waitFor();
    await page.locator(".recharts-bar-rectangle").first().waitFor();
    expect(await page.innerText("table")).toMatch(/Slicing tomato\s+52\.9 kg/);
    await page.getByLabel("Draw together").selectOption("bed");
    await page.waitForURL(/by=bed/);
    await page.getByRole("rowheader", { name: "South wall" }).waitFor();
    await page.getByLabel("Season").selectOption("all");
    await page.getByRole("heading", { name: "All seasons" }).waitFor();
    const csv = await (await page.request.get("/out/yields.csv?year=2026&by=crop")).text();
    expect(csv).toMatch(/^crop,weighed_g/);
    expect(csv).toMatch(/Slicing tomato,529\d0,0,/);
    expect(troubles).toEqual([]);
    await page.context().close();
  });
  it("a draft is kept in other words, another thrown away; neither is proposed again", async () => {
    const { page } = await here.visit();
    await page.goto("/season/lessons");
    await ready(page);
    const drafts = page.locator("[data-draft]");
    const before = await drafts.count();
    expect(before).toBeGreaterThan(1);
    await drafts.first().getByLabel("Lesson").fill("The tunnel came late after the cold May.");
    await drafts.first().getByRole("button", { name: "Keep it" }).click();
    await page.getByText("Lesson kept").waitFor();
    expect(await page.innerText("main")).toContain("The tunnel came late after the cold May.");
    expect(await drafts.count()).toBe(before - 1);
    await drafts.first().getByRole("button", { name: "Throw it away" }).click();
    await page.getByText("Draft thrown away").waitFor();
    expect(await drafts.count()).toBe(before - 2);
    await page.context().close();
  });
  it("a lesson from a planting in three taps comes back on Today a year later", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/");
    expect(await page.innerText("main")).toContain("Bring them in at the first clear night of October.");
    await page.goto("/plot/plantings/kale-palm");
    await ready(page);
    await page.getByRole("link", { name: "A lesson" }).click();
    await page.getByRole("heading", { name: "A lesson about Kale ‘black palm’" }).waitFor();
    await ready(page);
    await page.getByRole("button", { name: "Keep it" }).first().click();
    await page.getByText("say what was learned").waitFor();
    await page.getByLabel("What was it?").fill("Caterpillars under every leaf.");
    await page.locator("#next").fill("Net it in July.");
    await page.getByLabel("Comes up from").fill("2027-10-01");
    await page.getByRole("button", { name: "Keep it" }).first().click();
    await page.getByText("Lesson kept").waitFor();
    await page.goto("/");
    expect(await page.innerText("main")).not.toContain("Net it in July.");
    await page.goto("/settings#clock");
    await ready(page);
    await page.getByRole("button", { name: "A year" }).click();
    await page.getByText("365 days passed in the garden").waitFor();
    await page.goto("/");
    expect(await page.innerText("main")).toContain("Net it in July.");
    expect(troubles).toEqual([]);
    await page.context().close();
  });
  it("fits a phone", async () => {
    const { page } = await here.visit({ width: 390, height: 844 });
    for (const path of ["/season", "/season/lessons", "/season/weeks?year=2025", "/season/report", "/season/beds"]) {
      await page.goto(path);
      const wide = await page.evaluate(() => document.documentElement.scrollWidth);
      expect([path, wide <= 390]).toEqual([path, true]);
    }
    await page.context().close();
  });
});
