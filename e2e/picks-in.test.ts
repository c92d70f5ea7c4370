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
  it("columns under strange headings are told by hand what they hold", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/picks/import");
    await ready(page);
    const rows = "wann,wo,was,brutto,wer\n2026-08-11,South wall,red slicer,1.31 kg,Ilse";
    await page.getByLabel("The table").fill(rows);
    await page.getByRole("button", { name: "Look at it" }).click();
    const hold = (heading: string) => page.getByLabel(`${heading} holds`);
    await hold("wann").waitFor();
    await hold("wann").selectOption("day");
    await hold("wo").selectOption("bed");
    await hold("was").selectOption("kind");
    await hold("brutto").selectOption("net");
    await hold("wer").selectOption("by");
    await page.getByRole("button", { name: "Look at it" }).click();
    await page.getByRole("heading", { name: "What would come in" }).waitFor();
    expect(await page.innerText("main")).toMatch(/1 pick, 1\.31 kg/);
    await page.getByRole("button", { name: "Bring them in" }).click();
    await page.getByText(/1 pick, 1\.31 kg taken from a table/).waitFor();
    const log = await (await page.request.get("/out/picks.json?from=2026-08-11&to=2026-08-11")).json();
    expect(log.map((p: { by: string; at: string }) => [p.by, p.at.slice(0, 10)])).toContainEqual([
      "Ilse",
      "2026-08-11",
    ]);
    expect(troubles).toEqual([]);
    await page.context().close();
  });
  it("a round brought to the table is weighed line by line, and what was not weighed stays to be taken", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/rounds");
    await ready(page);
    const address = await page.getByRole("link", { name: "Go picking" }).first().getAttribute("href");
    await page.goto(address!);
    await page.getByRole("link", { name: "Weigh all at the table" }).click();
    await page.getByRole("heading", { name: "Several picks" }).waitFor();
    await ready(page);
    const lines = await page.getByLabel(/^What, row/).count();
    expect(lines).toBeGreaterThan(2);
    const first = await page.getByLabel("What, row 1").inputValue();
    expect(first).toMatch(/ · /);
    await page.getByLabel("Weight, net, row 1").fill("640 g");
    await page.getByRole("button", { name: "Save 1 pick" }).click();
    await page.getByText(/1 pick, 640 g taken from a table/).waitFor();
    const log = await (await page.request.get("/out/picks.json")).json();
    expect(log.filter((p: { roundId: string | null }) => p.roundId !== null).length).toBeGreaterThan(0);
    await page.goto(address!);
    await ready(page);
    // a line for each planting and one blank; now one of them is weighed
    expect(await page.getByRole("link", { name: "Weigh", exact: true }).count()).toBe(lines - 2);
    expect(troubles).toEqual([]);
    await page.context().close();
  });
  it("weighed a second time when dry, it teaches what the next lot will lose", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/picks/on-26-1");
    await ready(page);
    await page.getByLabel("Weighed again").fill("9 kg");
    await page.getByLabel("when it was").selectOption("dried");
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.locator("#again-error").waitFor();
    expect(await page.getByLabel("Weighed again").inputValue()).toBe("9 kg");
    // 8.14 kg when lifted
    await page.getByLabel("Weighed again").fill("7.32 kg");
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.getByText("8.14 kg of Bulb onion ‘storage yellow’ changed").waitFor();
    await page.goto("/picks/on-26-2");
    await ready(page);
    expect(await page.innerText("main")).toMatch(/Once dry about 6\.9\d? kg: it has lost 10 % on 1 weighing of yours/);
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

describe("a planting among many", () => {
  it("is found by typing crop, kind or bed, by the mouse or the keys alone, and is the one that is logged", async () => {
    const { page, context, troubles } = await here.visit();
    await page.goto("/picks/new");
    await ready(page);
    const what = page.getByRole("combobox", { name: "What", exact: true });
    await what.click();
    await page.keyboard.type("up palm");
    await page.getByRole("option", { name: /Kale ‘black palm’/ }).waitFor();
    expect(await page.getByRole("listbox").getByRole("option").count()).toBe(1);
    await page.keyboard.press("Enter");
    expect(await what.inputValue()).toContain("Kale ‘black palm’");
    await what.click();
    await page.keyboard.type("nobody’s");
    await page.getByText("Nothing that grows is called so.").waitFor();
    await page.keyboard.press("Escape");
    await page.getByLabel("On the scale").fill("310 g");
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.getByText("310 g of Kale ‘black palm’ logged").waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });
});
