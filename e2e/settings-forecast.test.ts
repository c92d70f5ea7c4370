import type { Page } from "playwright-core";
import { beforeAll, describe, expect, it } from "vitest";
import { ready, withGarden } from "./garden";

const here = withGarden("demo");
let page: Page;
beforeAll(async () => {
  ({ page } = await here.visit({ width: 390, height: 844 }));
});

it("a forecast brought in as CSV moves the frost bed by bed, and undo brings the old one back", async () => {
  await page.goto("/weather");
  await ready(page);
  await page.getByLabel("What it is").selectOption("forecast");
  await page.getByLabel("or its lines, pasted").fill("date,tmin,tmax,gust\n2026-10-06,8,15,5\n2026-10-07,-6,9,5\n");
  await page.getByRole("button", { name: "Bring it in" }).click();
  await page.getByText("Forecast brought in: 2 days").waitFor();
  const text = await page.innerText("main");
  expect(text).toContain("Imported forecast");
  expect(text).toContain("frost 100 %");
  await page.getByRole("button", { name: "Undo" }).click();
  await page.getByText("Undone: Forecast brought in").waitFor();
  expect(await page.innerText("main")).toContain("Simulated forecast desk");
});

describe("the household says", () => {
  it("when it can go out, and when it is away; a trip that ends before it begins is refused", async () => {
    await page.goto("/settings");
    await ready(page);
    await page.getByLabel("Minutes", { exact: true }).fill("40");
    await page.getByRole("button", { name: "Add", exact: true }).first().click();
    await page.getByText("Time to go out added").waitFor();
    await page.getByLabel("Last day away").fill("2026-10-01");
    await page.getByRole("button", { name: "Add the trip" }).click();
    await page.getByText("the trip ends before it begins").waitFor();
    await page.getByLabel("First day away").fill("2026-10-19");
    await page.getByLabel("Last day away").fill("2026-10-20");
    await page.getByRole("button", { name: "Add the trip" }).click();
    await page.getByText("Trip added").waitFor();
    expect(await page.innerText("main")).toContain("Mon 19 Oct to Tue 20 Oct");
  });
  it("what a container weighs, in its own units, and in which units it reckons", async () => {
    await page.getByLabel("Container", { exact: true }).fill("big tub");
    await page.getByLabel("Empty weight").fill("2 lb 3 oz");
    await page.getByRole("button", { name: "Add", exact: true }).last().click();
    await page.getByText("big tub added").waitFor();
    expect(await page.innerText("main")).toContain("big tub, 992 g");
    await page.getByLabel("Units").selectOption("us");
    await page.getByRole("button", { name: "Save the garden" }).click();
    await page.getByText("Garden settings changed").waitFor();
    await page.goto("/rounds");
    expect(await page.getByTestId("ledger").innerText()).toMatch(/\d lb/);
  });
});
