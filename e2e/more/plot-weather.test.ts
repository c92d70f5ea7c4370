import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { writeArchive } from "#formats/archive";
import { demoGarden } from "#standins/demo-garden";
import { ready, withGarden } from "../garden";

const here = withGarden("serve");

describe("a garden of one's own, from nothing", () => {
  it("leads from an empty garden to the first bed and planting", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/");
    await ready(page);
    expect(await page.innerText("h1")).toBe("Welcome to your picking desk");
    await page.getByRole("link", { name: "Draw the first bed" }).click();
    await page.getByLabel("Name", { exact: true }).fill("By the door");
    await page.getByLabel("East to west").fill("2,5");
    await page.getByRole("button", { name: "Save, then plant it" }).click();
    await page.waitForURL(/plantings\/new\?bed=/);
    await ready(page);
    await page.getByLabel("Crop", { exact: true }).selectOption("kale");
    await page.getByLabel("Kind").fill("red frill");
    await page.getByLabel("On", { exact: true }).fill("2026-05-20");
    await page.getByLabel("Plants", { exact: true }).fill("6");
    await page.getByRole("button", { name: "Save the planting" }).click();
    await page.getByText("Kale ‘red frill’ added").waitFor();
    expect(await page.innerText("main")).toContain("2.5 m × 1.2 m");
    await page.goto("/");
    expect(await page.innerText("main")).toContain("red frill");
    await page.goto("/rounds");
    await ready(page);
    expect(await page.innerText("main")).toContain("No time to go out is known");
    expect(troubles).toEqual([]);
    await page.context().close();
  });

  it("keeps what was typed when a bed or planting is wrong, and says where", async () => {
    const { page } = await here.visit();
    await page.goto("/plot/beds/new");
    await ready(page);
    await page.getByLabel("Name", { exact: true }).fill("");
    await page.getByLabel("East to west").fill("wide");
    await page.getByRole("button", { name: "Save, then plant it" }).click();
    await page.locator("#name-error").waitFor();
    expect(await page.locator("#name-error").innerText()).toContain("give the bed a name");
    expect(await page.locator("#widthM-error").innerText()).toContain("write it like 3.5");
    expect(await page.getByLabel("East to west").inputValue()).toBe("wide");
    await page.goto("/plot/plantings/new");
    await ready(page);
    await page.getByLabel("Packet: days from").fill("90");
    await page.getByLabel("to", { exact: true }).fill("60");
    await page.getByRole("button", { name: "Save the planting" }).click();
    await page.locator("#packetMaxDays-error").waitFor();
    expect(await page.locator("#packetMaxDays-error").innerText()).toContain("ends before it begins");
    await page.context().close();
  });

  it("removes a bed with its planting, and undo brings both back", async () => {
    const { page } = await here.visit();
    await page.goto("/plot");
    await ready(page);
    await page.getByRole("link", { name: "By the door" }).click();
    await page.getByRole("button", { name: "Remove" }).click();
    await page.getByText("Bed By the door removed").waitFor();
    expect(await page.innerText("main")).toContain("An empty plot");
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByText("Undone: Bed By the door removed").waitFor();
    expect(await page.innerText("main")).toContain("red frill");
    await page.context().close();
  });
});

describe("weather comes in", () => {
  const paste = async (what: "record" | "forecast", lines: string) => {
    const { page } = await here.visit();
    await page.goto("/weather");
    await ready(page);
    await page.getByLabel("What it is").selectOption(what);
    await page.getByLabel("or its lines, pasted").fill(lines);
    await page.getByRole("button", { name: "Bring it in" }).click();
    return page;
  };
  it("refuses a bad CSV by row and column, keeps the lines, and imports nothing of it", async () => {
    const page = await paste("record", "date,tmin,tmax\n2026-05-01,4,14\n2026-05-02,cold,13\n2026-05-03,9,2\n");
    const alert = page.getByRole("alert");
    await alert.waitFor();
    const text = await alert.innerText();
    expect(text).toContain("row 3, column tmin: “cold” is not a number");
    expect(text).toContain("row 4, column tmax: the maximum is below the minimum");
    expect(text).toContain("Nothing was imported.");
    expect(await page.getByLabel("or its lines, pasted").inputValue()).toContain("cold");
    expect(await page.innerText("main")).toContain("No record yet");
    await page.context().close();
  });
  it("takes a good record in US units, and undo takes it out again", async () => {
    const page = await paste("record", "date,tmin_f,tmax_f,rain_in\n2026-05-01,41,59,0.5\n2026-05-02,32,50,0\n");
    await page.getByText("Record brought in: 2 days, 1 May 2026 to 2 May 2026").waitFor();
    expect(await page.innerText("main")).toContain("Record: 2 days");
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByText("Undone: Record brought in").waitFor();
    expect(await page.innerText("main")).toContain("No record yet");
    await page.context().close();
  });
  it("does not take a forecast for a record", async () => {
    const page = await paste("record", "date,tmin,tmax\n2099-05-01,4,14\n");
    await page.getByText(/Was it a forecast\?/).waitFor();
    await page.context().close();
  });
});

it("brings a whole garden back from its archive, and gives the same archive out again", async () => {
  const { page } = await here.visit();
  const demo = JSON.parse(JSON.stringify(demoGarden())) as ReturnType<typeof demoGarden>;
  await page.goto("/settings");
  await ready(page);
  await page.getByLabel("Bring back a garden").setInputFiles({
    name: "garden.json",
    mimeType: "application/json",
    buffer: Buffer.from('{"format": "akmedon-garden"}'),
  });
  await page.getByRole("button", { name: "Bring it back" }).click();
  await page.getByText("Nothing was changed.").waitFor();
  await page
    .getByLabel("Bring back a garden")
    .setInputFiles({ name: "garden.json", mimeType: "application/json", buffer: Buffer.from(writeArchive(demo)) });
  await page.getByRole("button", { name: "Bring it back" }).click();
  await page.getByText("Garden brought back from an archive").waitFor();
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.goto("/settings").then(() => page.getByRole("link", { name: "Whole garden, JSON" }).click()),
  ]);
  const out = JSON.parse(readFileSync((await download.path()) ?? "", "utf8"));
  const byId = (rows: { id?: string; day?: string }[]) => Object.fromEntries(rows.map((r) => [r.id ?? r.day, r]));
  for (const part of ["beds", "plantings", "picks", "checks", "weather", "forecasts", "trips", "windows"] as const)
    expect(byId(out[part])).toEqual(byId(demo[part]));
  expect(out.garden).toEqual(demo.garden);
  await page.context().close();
});
