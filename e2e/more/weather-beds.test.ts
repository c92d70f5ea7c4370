import type { Page } from "playwright-core";
import { describe, expect, it } from "vitest";
import { forget, ready, serveGarden, visit, withGarden } from "../garden";

const here = withGarden("demo");

/** Chance of frost in a bed as the page says it, percent. */
async function frostIn(page: Page, bed: string): Promise<number> {
  const text = await page.locator("#beds").innerText();
  const part = text.slice(text.indexOf(bed));
  return Number(/\((\d+) %\) of frost/.exec(part)?.[1] ?? 0);
}

describe("a bed's own night", () => {
  it("a thermometer reading moves the bed's frost chance, a nonsense one is refused, undo takes it out", async () => {
    const { page } = await here.visit();
    await page.goto("/weather?day=2026-10-09");
    await ready(page);
    const before = await frostIn(page, "Upper third");
    const bed = page.locator("#beds > div", { hasText: "Upper third" });
    await bed.getByText("Thermometer").click();
    await bed.getByLabel("Lowest it showed").fill("warm");
    await bed.getByRole("button", { name: "Note it" }).click();
    await page.getByText("write the lowest it showed").waitFor();
    expect(await bed.getByLabel("Lowest it showed").inputValue()).toBe("warm");
    // far below the station's minimum of a still night in the record
    await bed.getByLabel("Lowest it showed").fill("-3,5");
    await bed.getByLabel("In the night to").fill("2026-10-03");
    await bed.getByRole("button", { name: "Note it" }).click();
    await page.getByText("Upper third: thermometer read").waitFor();
    await page.goto("/weather?day=2026-10-09");
    expect(await frostIn(page, "Upper third")).toBeGreaterThan(before);
    expect(await page.locator("#beds").innerText()).toMatch(
      /Offset [−-]\d[.\d]* ± [\d.]+ K on still nights, from 1 night/,
    );
    await page.context().close();
  });
  it("a cover tonight lowers the chance and what would be harmed, on the plan too; off again brings it back", async () => {
    const { page } = await here.visit();
    await page.goto("/weather?day=2026-10-09");
    await ready(page);
    const before = await frostIn(page, "Brook bed");
    const bed = page.locator("#beds > div", { hasText: "Brook bed" });
    await bed.getByRole("button", { name: "Cover it" }).click();
    await page.getByText("Brook bed: cover on for the night to Fri 9 Oct").waitFor();
    await bed.getByRole("button", { name: "Covered" }).waitFor();
    const under = await frostIn(page, "Brook bed");
    expect(under).toBeLessThan(before);
    // the plan reckons with it too: not every bed is named there, but none is named with another chance
    await page.goto("/plot");
    const plan = await page.innerText("main");
    const named = [...plan.matchAll(/([A-Z][\w ]+?) (\d+) %/g)].map((m) => [m[1]!.trim(), Number(m[2])] as const);
    expect(named.length).toBeGreaterThan(2);
    await page.goto("/weather?day=2026-10-09");
    await ready(page);
    for (const [name, chance] of named) expect(await frostIn(page, name), name).toBe(chance);
    await bed.getByRole("button", { name: "Covered" }).click();
    await bed.getByRole("button", { name: "Cover it" }).waitFor();
    expect(await frostIn(page, "Brook bed")).toBe(before);
    await page.context().close();
  });
  it("a forecast typed by hand comes into force; half a day of one is refused beside it", async () => {
    const { page } = await here.visit({ width: 390, height: 844 });
    await page.goto("/weather");
    await ready(page);
    await page.getByLabel("Tue 6 Oct, low, °C").fill("4");
    await page.getByRole("button", { name: "Keep this forecast" }).click();
    await page.getByText("Tue 6 Oct: give both the lowest and the highest").waitFor();
    expect(await page.getByLabel("Tue 6 Oct, low, °C").inputValue()).toBe("4");
    await page.getByLabel("Tue 6 Oct, high, °C").fill("12");
    await page.getByLabel("Wed 7 Oct, low, °C").fill("-4");
    await page.getByLabel("Wed 7 Oct, high, °C").fill("6");
    await page.getByRole("button", { name: "Keep this forecast" }).click();
    await page.getByText("Forecast typed in: 2 days").waitFor();
    expect(await page.innerText("main")).toContain("Typed by hand, issued today");
    await page.goto("/");
    expect(await page.innerText("main")).toMatch(/frost/i);
    await page.context().close();
  });
  it("an ensemble moves the nights bed by bed, each a way to its own page, and says how it was put right", async () => {
    const { page } = await here.visit();
    await page.goto("/weather");
    await ready(page);
    const lows = [-5, -4.8, -4.6, -5.2, -5.4, 6, 6.2, 5.8, 6.4, 5.9];
    const rows = lows.map((low, i) => `2026-10-07,m${i},${low},12,0,3`).join("\n");
    await page.getByLabel("What it is").selectOption("forecast");
    await page.getByLabel("Where it comes from").fill("valley office");
    await page
      .getByLabel("or its lines, pasted")
      .fill(`date,member,tmin,tmax,rain,gust\n2026-10-06,m0,5,12,0,3\n2026-10-06,m1,upside,12,0,3\n${rows}`);
    await page.getByRole("button", { name: "Bring it in" }).click();
    await page.getByText("row 3, column tmin: “upside” is not a number").waitFor();
    await page
      .getByLabel("or its lines, pasted")
      .fill(`date,member,tmin,tmax,rain,gust\n2026-10-06,m0,5,12,0,3\n${rows}`);
    await page.getByRole("button", { name: "Bring it in" }).click();
    await page.getByText("Forecast brought in: 2 days, 10 members").waitFor();
    const nights = page.locator("#nights");
    expect(await nights.innerText()).toContain("by 10 members");
    // half of the members freeze hard, the other half not at all: a tunnel and an open bed agree on about a half
    const brook = nights.getByRole("link", { name: /^Brook bed, Wed 7 Oct: frost (\d+) %/ });
    const chance = Number(/frost (\d+) %/.exec((await brook.getAttribute("aria-label")) ?? "")?.[1]);
    expect(chance).toBeGreaterThan(45);
    expect(chance).toBeLessThan(75);
    await brook.click();
    await page.waitForURL(/day=2026-10-07/);
    expect(await page.locator("#beds").innerText()).toContain("lowest in the night to Wednesday");
    await page.context().close();
  });
  it("the record lays its years side by side, in charts and in figures that go out and come back the same", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/weather/record");
    await ready(page);
    for (const name of [
      /Lowest and highest temperatures of 2026/,
      /Rain of 2026 by month/,
      /Degree days gathered in 2026/,
    ])
      await page.getByRole("img", { name }).locator("svg path").first().waitFor();
    await page.getByLabel("Year", { exact: true }).selectOption("2024");
    await page.waitForURL(/year=2024/);
    await page.getByRole("img", { name: /Rain of 2024/ }).waitFor();
    const csv = await (await fetch(`${here.garden.address}/out/weather.csv`)).text();
    const days = csv
      .trim()
      .split("\r\n")
      .slice(1)
      .map((line) => line.split(","));
    const rows = days.filter(([day]) => day!.startsWith("2024"));
    const lowest = Math.min(...rows.map((r) => Number(r[1])));
    const frosts = rows.filter((r) => Number(r[1]) <= 0).length;
    const told = await page.locator("#years tbody tr", { hasText: "2024" }).first().innerText();
    expect(told).toContain(`${String(lowest).replace("-", "−")} °C`);
    expect(told.split("\t").map((c) => c.trim())).toContain(String(frosts));
    expect(troubles).toEqual([]);
    await page.context().close();
  });
  it("the demo's clock: a day passes, is recorded and has its own forecast; undo turns it back", async () => {
    const fresh = await serveGarden("demo");
    const { page } = await visit(here.browser, fresh.address);
    await page.goto("/settings");
    await ready(page);
    await page.getByRole("button", { name: "Three days" }).click();
    await page.getByText("3 days passed in the garden").waitFor();
    expect(await page.innerText("h1")).toBe("Friday 9 Oct");
    await page.goto("/weather");
    expect(await page.innerText("main")).toContain("Simulated forecast desk, issued today");
    await page.goto("/weather/record");
    expect(await page.innerText("main")).toContain("1377 days from 2023 to 2026");
    await page.goBack();
    await page.getByText("Simulated forecast desk").first().waitFor();
    await ready(page);
    await page.goBack();
    await ready(page);
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByText("Undone: 3 days passed").waitFor();
    await page.goto("/");
    expect(await page.innerText("h1")).toBe("Tuesday 6 Oct");
    await page.context().close();
    await fresh.stop();
    forget(fresh);
  });
  it("says the good hours, the soil and what is in danger, dearest first", async () => {
    const fresh = await serveGarden("demo");
    const { page } = await visit(here.browser, fresh.address);
    await page.goto("/weather?day=2026-10-09");
    const text = await page.innerText("main");
    expect(text).toMatch(
      /Good hours: leaves, roots and heads \d\d to \d\d h; tomatoes, beans and fruit \d\d to \d\d h/,
    );
    expect(text).toMatch(/About -?\d[\d.]* °C at 10 cm/);
    expect(text).toMatch(/Winter squash ‘blue storer’ Lower first\s+Frost Fri 9 Oct/);
    expect(text).toMatch(/As likely as not by|At least two autumns/);
    await page.context().close();
    await fresh.stop();
    forget(fresh);
  });
  it("a station's own columns are shown first, a wrong unit is mended, and only then the days come in", async () => {
    const fresh = await serveGarden("demo");
    const { page } = await visit(here.browser, fresh.address);
    await page.goto("/weather");
    await ready(page);
    await page
      .getByLabel("or its lines, pasted")
      .fill("Day,Low,High,Precip\n2019-03-01,38,44,0.4\n2019-03-02,40,45,0\n2019-03-05,39,46,0");
    await page.getByRole("button", { name: "Bring it in" }).click();
    await page.getByText("Are these the right columns?").waitFor();
    expect(await page.getByLabel("Low is written in").inputValue()).toBe("C");
    const recordDays = async () =>
      (await (await fetch(`${fresh.address}/out/garden.json`)).text()).includes("2019-03-01");
    expect(await recordDays()).toBe(false);
    await page.getByLabel("High holds").selectOption("");
    await page.getByRole("button", { name: "Bring it in" }).click();
    await page.getByText("say which columns hold the lowest and highest temperature").waitFor();
    expect(await recordDays()).toBe(false);
    await page.getByLabel("High holds").selectOption("tmax");
    for (const name of ["Low", "High"]) await page.getByLabel(`${name} is written in`).selectOption("F");
    await page.getByLabel("Precip is written in").selectOption("in");
    await page.getByRole("button", { name: "Bring it in" }).click();
    await page.getByText("Record brought in: 3 days, 1 Mar 2019 to 5 Mar 2019, 2 missing between").waitFor();
    const garden = (await (await fetch(`${fresh.address}/out/garden.json`)).json()) as {
      weather: { day: string; tempMinC: number; rainMm: number }[];
    };
    expect(garden.weather.find((w) => w.day === "2019-03-01")).toMatchObject({ tempMinC: 3.33, rainMm: 10.16 });
    await page.context().close();
    await fresh.stop();
    forget(fresh);
  });
});
