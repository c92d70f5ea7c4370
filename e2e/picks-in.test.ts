import { describe, expect, it } from "vitest";
import { ready, withGarden } from "./garden";

const here = withGarden("demo");

describe("a backlog of picks", () => {
  it("a pasted table is refused with its rows, then shown, then kept; brought again nothing is doubled", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/picks");
    await ready(page);
    await page.getByRole("link", { name: "From a table" }).click();
    await page.getByRole("heading", { name: "Picks from a table" }).waitFor();
    const table = page.getByLabel("The table");
    const rows =
      "date,kind,bed,weight\n2026-09-01,red slicer,South wall,1.2 kg\n2026-09-03,red slicer,South wall,half a peck";
    await table.fill(`${rows}\n2026-09-04,moon melon,South wall,2 kg`);
    await page.getByRole("button", { name: "Look at it" }).click();
    await page.getByText("row 4, column kind: nothing called “moon melon, South wall” grew on 2026-09-04").waitFor();
    expect(await table.inputValue()).toContain("moon melon");
    await table.fill(rows);
    await page.getByRole("button", { name: "Look at it" }).click();
    await page.getByRole("heading", { name: "What would come in" }).waitFor();
    expect(await page.innerText("main")).toMatch(/2 picks, [\d.]+ kg/);
    expect(await page.innerText("main")).toContain("1 of them are estimates");
    await page.getByRole("button", { name: "Bring them in" }).click();
    await page.getByText(/2 picks, [\d.]+ kg taken from a table/).waitFor();
    await page.goto("/picks/import");
    await ready(page);
    await page.getByLabel("The table").fill(rows);
    await page.getByRole("button", { name: "Look at it" }).click();
    await page.getByText("2 rows are in the log already and left out.").waitFor();
    expect(troubles).toEqual([]);
    await page.context().close();
  });
  it("the scale settles, is taken load by load, and the form sums it", async () => {
    const { page } = await here.visit();
    await page.goto("/picks/new?planting=tom-wall");
    await ready(page);
    await page.getByText("From the scale").click();
    const scale = page.getByTestId("scale");
    for (let load = 0; load < 2; load++) {
      await scale.getByRole("button", { name: "Lay some on" }).click();
      await scale.getByText("settling").waitFor();
      await scale.getByText("settled", { exact: true }).waitFor();
      await scale.getByRole("button", { name: "Take this weight" }).click();
    }
    expect(await page.getByLabel("On the scale").inputValue()).toMatch(/^\d+ g \+ \d+ g$/);
    expect(await page.getByTestId("arithmetic").innerText()).toMatch(/= .* net/);
    await page.getByLabel("On the scale").fill("half a bushel");
    expect(await page.getByTestId("arithmetic").innerText()).toContain("by the published bushel weight");
    await page.context().close();
  });
});
