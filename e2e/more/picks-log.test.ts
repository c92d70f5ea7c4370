import { describe, expect, it } from "vitest";
import { ready, withGarden } from "../garden";

const here = withGarden("demo");

describe("a pick told in full", () => {
  it("is sorted, the rest put off to a day, weighed again; what is wrong is said beside its part", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/picks/new?planting=tom-wall");
    await ready(page);
    await page.getByLabel("On the scale").fill("3 kg");
    await page.getByLabel("How much of it").selectOption("some");
    await page.getByRole("button", { name: "dropped or bruised" }).click();
    await page.getByLabel("Part 1, weight").fill("4 kg");
    await page.getByText("The parts weigh 1 kg more than the whole.").waitFor();
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.getByText("the parts weigh more than the whole pick").waitFor();
    expect(await page.getByLabel("Part 1, weight").inputValue()).toBe("4 kg");
    await page.getByLabel("Part 1, weight").fill("400 g");
    await page.getByText("The rest: 2.6 kg").waitFor();
    await page.getByText("More about this pick").click();
    await page.getByLabel("Minutes it took").fill("9");
    await page.getByLabel("The rest on").fill("2026-10-09");
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.getByText("3 kg of Slicing tomato ‘red slicer’ logged").waitFor();
    expect(await page.innerText("main")).toContain("sound, eat first");
    await page.goto("/picks?group=grade&from=2026-10-06&to=2026-10-06");
    expect(await page.innerText("main")).toMatch(/eat first\s+0\s+400 g/);
    // the wish for the rest stands with the planting
    await page.goto("/plot/plantings/tom-wall");
    expect(await page.innerText("main")).toContain("take all on");
    expect(troubles).toEqual([]);
    await page.context().close();
  });
  it("the clock is started, left, found again on another page, and fills in the minutes", async () => {
    const { page } = await here.visit();
    await page.goto("/picks/new");
    await ready(page);
    await page.getByText("More about this pick").click();
    await page.getByRole("button", { name: "Start clock" }).click();
    await page.getByRole("button", { name: /^Stop 0:0/ }).waitFor();
    await page.evaluate(() => localStorage.setItem("akmedon-picking-since", String(Date.now() - 25 * 60_000)));
    await page.goto("/picks/new");
    await ready(page);
    await page.getByText("More about this pick").click();
    await page.getByRole("button", { name: /^Stop 25:/ }).click();
    expect(await page.getByLabel("Minutes it took").inputValue()).toBe("25");
    await page.evaluate(() => localStorage.setItem("akmedon-picking-since", String(Date.now() - 9 * 3_600_000)));
    await page.goto("/picks/new");
    await ready(page);
    await page.getByText("More about this pick").click();
    await page.getByText("The clock was forgotten: it has run for 9 hours.").waitFor();
    expect(await page.getByLabel("Minutes it took").inputValue()).toBe("");
    await page.context().close();
  });
  it("an own weighing of a litre is reckoned by from then on", async () => {
    const { page } = await here.visit();
    await page.goto("/handbook/tomato");
    await ready(page);
    await page.getByLabel("So many").fill("5");
    await page.getByLabel("weigh", { exact: true }).fill("plenty");
    await page.getByRole("button", { name: "Note it" }).click();
    await page
      .getByText(/is not a weight|not a weight/)
      .first()
      .waitFor();
    await page.getByLabel("weigh", { exact: true }).fill("3.5 kg");
    await page.getByRole("button", { name: "Note it" }).click();
    await page.getByText("A litre weighs 700 g").waitFor();
    await page.goto("/picks/new?planting=tom-wall");
    await ready(page);
    await page.getByLabel("On the scale").fill("10 l");
    expect(await page.getByTestId("arithmetic").innerText()).toContain("by your own weighing; 7 kg net");
    await page.context().close();
  });
});

describe("a sheet of picks", () => {
  it("is filled in by the keyboard, says which line is wrong, and saves all or nothing", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/picks/several");
    await ready(page);
    await page.getByLabel("What, row 1").fill("Slicing tomato ‘red slicer’ · South wall");
    await page.keyboard.press("Tab");
    await page.keyboard.type("1.1 kg");
    await page.keyboard.press("Enter");
    await page.keyboard.type("2 kilos of it");
    await page.getByLabel("What, row 2").focus();
    await page.keyboard.press("Control+d");
    expect(await page.getByLabel("What, row 2").inputValue()).toBe("Slicing tomato ‘red slicer’ · South wall");
    const before = await (await page.request.get("/out/picks.json")).json();
    await page.getByRole("button", { name: "Save 2 picks" }).click();
    await page.getByText("One line wants a look.").waitFor();
    expect(await page.getByLabel("Weight, net, row 2").getAttribute("aria-invalid")).toBe("true");
    expect(await (await page.request.get("/out/picks.json")).json()).toHaveLength(before.length);
    // cells as a spreadsheet puts them on the clipboard
    await page.getByLabel("Weight, net, row 2").evaluate((cell) => {
      const clipboardData = new DataTransfer();
      clipboardData.setData("text/plain", "850 g\t7\n\t12");
      cell.dispatchEvent(new ClipboardEvent("paste", { clipboardData, bubbles: true, cancelable: true }));
    });
    expect(await page.getByLabel("Pieces, row 3").inputValue()).toBe("12");
    await page.getByLabel("What, row 3").fill("orange slicer");
    await page.getByRole("button", { name: "Save 3 picks" }).click();
    await page.getByText(/3 picks, [\d.]+ kg taken from a table/).waitFor();
    expect(await page.innerText("main")).toContain("about 1.92 kg");
    expect(troubles).toEqual([]);
    await page.context().close();
  });
});

describe("looking back", () => {
  it("draws together, chooses columns, keeps the view under a name and forgets it", async () => {
    const { page } = await here.visit();
    await page.goto("/picks");
    await ready(page);
    await page.getByLabel("Draw together").selectOption("kind");
    await page.waitForURL(/group=kind/);
    await page.getByText("storage yellow").first().waitFor();
    await page.getByLabel("Draw together").selectOption("");
    await page.getByText("More filters, and columns").click();
    await page.getByLabel("column Minutes").check();
    await page.waitForURL(/col=minutes/);
    await page.getByRole("columnheader", { name: "Minutes" }).waitFor();
    await page.getByLabel("Name for what is shown").fill("with minutes");
    await page.getByRole("button", { name: "Keep" }).click();
    await page.getByText("“with minutes” kept").waitFor();
    await page.goto("/picks");
    await page.getByRole("link", { name: "with minutes" }).click();
    await page.waitForURL(/col=minutes/);
    await ready(page);
    await page.getByRole("button", { name: "Forget “with minutes”" }).click();
    await page.getByText("Kept view forgotten").waitFor();
    await page.context().close();
  });
  it("by day, on paper, as the life of a planting, on labels; and every file goes out", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/picks/calendar?month=2026-09");
    await page.getByRole("link", { name: /^20 Sep 2026: 12\.6 kg/ }).click();
    await page.waitForURL(/from=2026-09-20/);
    expect(await page.innerText("main")).toContain("storage orange");
    await page.goto("/picks/sheet?year=2025");
    expect(await page.innerText("main")).toContain("Wrenfold Garth, 2025");
    await page.goto("/plot/plantings/tom-wall/line");
    expect(await page.innerText("main")).toMatch(/First picked on day 105; the range is 70 to 80: 25 days past it/);
    expect(await page.innerText("main")).toMatch(/gusts of 7\d km\/h/);
    await page.goto("/plot/labels?bed=lower-1");
    expect(await page.locator("svg[aria-label^='Code of']").count()).toBeGreaterThan(0);
    const ics = await (await page.request.get("/out/picks.ics?crop=tomato&year=2026")).text();
    expect(ics.match(/BEGIN:VEVENT/g)!.length).toBeGreaterThan(5);
    expect(troubles).toEqual([]);
    await page.context().close();
  });
  it("the trail tells what stood before, and takes back", async () => {
    const { page } = await here.visit();
    await page.goto("/picks/tom-wall-1");
    await ready(page);
    await page.getByLabel("Note", { exact: true }).fill("first truss");
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.getByText("Slicing tomato ‘red slicer’ changed").first().waitFor();
    await page.goto("/changes?q=changed");
    await page.getByText("what changed").first().click();
    await page.getByText(/note: nothing → first truss/).waitFor();
    await page.getByRole("button", { name: "Take back" }).first().click();
    await page
      .getByText(/^Undone: /)
      .first()
      .waitFor();
    await page.goto("/picks/tom-wall-1");
    expect(await page.getByLabel("Note", { exact: true }).inputValue()).toBe("");
    await page.context().close();
  });
});
