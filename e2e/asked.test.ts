import { describe, expect, it } from "vitest";
import { ready, withGarden } from "./garden";

const here = withGarden("demo");
const logged = async () => (await (await fetch(`${here.garden.address}/out/picks.csv`)).text()).split("\r\n").length;

describe("what cannot well be", () => {
  it("a pick of next year is asked about once, nothing typed is lost, and it is kept on the second go", async () => {
    const { page, troubles } = await here.visit();
    const before = await logged();
    await page.goto("/picks/new?planting=tom-wall");
    await ready(page);
    await page.locator("[name=gross]").fill("1.23 kg");
    await page.getByLabel("When").fill("2027-09-01T10:00");
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.getByText("this day is still to come").waitFor();
    expect(await logged()).toBe(before);
    expect(await page.locator("[name=gross]").inputValue()).toBe("1.23 kg");
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.getByRole("button", { name: "Undo" }).waitFor();
    expect(await logged()).toBe(before + 1);
    expect(troubles).toEqual([]);
  });
  it("what cannot be read is said as its field is left, the rest as it is sent, and nothing is sent", async () => {
    const { page, troubles } = await here.visit();
    const sent: string[] = [];
    page.on("request", (r) => r.method() === "POST" && sent.push(r.url()));
    await page.goto("/picks/new?planting=tom-wall");
    await ready(page);
    // a weight not given yet is nothing wrong: the containers may come first
    await page.getByRole("button", { name: "one flat tray more" }).click();
    await page.getByText("1.25 kg, 850 g").waitFor();
    expect(await page.getByRole("alert").count()).toBe(0);
    await page.getByRole("button", { name: "one flat tray fewer" }).click();
    await page.locator("[name=gross]").fill("heavy");
    // pressed slowly right after the field: the word that comes must not move it from under the finger
    await page.getByText("Other containers").click({ delay: 120 });
    await page.getByText("Other empties, weight").waitFor();
    await page.getByText("“heavy” is not a weight").first().waitFor();
    // nobody has tried to save it yet
    expect(await page.getByText("Not saved").count()).toBe(0);
    await page.getByText("More about this pick").click();
    await page.getByLabel("Minutes it took").fill("-3");
    await page.getByRole("button", { name: "Set a part apart" }).click();
    await page.getByLabel("Part 1, weight").fill("some");
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.getByText("Not saved: 3 fields want a look. Nothing you typed is lost.").waitFor();
    await page.getByText("“some” is not a weight").waitFor();
    expect(await page.locator("[name=gross]").evaluate((field) => document.activeElement === field)).toBe(true);
    expect(sent).toEqual([]);
    expect(troubles).toEqual([]);
    await page.context().close();
  });
  it("a courgette is not picked to ripen: its form does not offer it", async () => {
    const { page } = await here.visit();
    await page.goto("/picks/new?planting=cou-lower");
    await ready(page);
    const grades = await page.getByLabel("Grade", { exact: true }).locator("option").allInnerTexts();
    expect(grades).toContain("small or immature");
    expect(grades.filter((g) => /to ripen|finish indoors/.test(g))).toEqual([]);
  });
});

describe("fruit that ripens indoors", () => {
  it("is ticked off as it ripens: three ripe, the rest ripens on, and one undo puts them together again", async () => {
    const { page } = await here.visit();
    await page.goto("/picks/new?planting=tom-wall");
    await ready(page);
    await page.locator("[name=gross]").fill("1.2 kg");
    await page.locator("[name=count]").fill("9");
    await page.getByLabel("Grade", { exact: true }).selectOption("half-to-ripen");
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.getByRole("button", { name: "Undo" }).waitFor();
    await page.goto("/keep");
    await ready(page);
    await page.getByText("9 left; ripe:").waitFor();
    await page.getByRole("group", { name: "How many are ripe" }).getByRole("button", { name: "3" }).click();
    await page.getByText("6 left; ripe:").waitFor();
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByText("9 left; ripe:").waitFor();
  });
});
