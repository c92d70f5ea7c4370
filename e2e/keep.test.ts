import { describe, expect, it } from "vitest";
import { answered, ready, withGarden } from "./garden";

const here = withGarden("demo");

describe("from the basket to the last onion", () => {
  it("a pick is a lot at once: what to do first, moved, used in parts, given, lost, and all of it accounted for", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/picks/new?planting=kale-palm");
    await ready(page);
    await page.getByLabel("On the scale").fill("1 kg");
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.getByText("1 kg of Kale ‘black palm’ logged").waitFor();
    await page.goto("/keep");
    await ready(page);
    await page.getByRole("heading", { name: "In the first hour" }).waitFor();
    expect(await page.innerText("main")).toMatch(/Kale: Wash, spin, refrigerate/);
    await page.getByRole("button", { name: /^All \d+$/ }).click();
    await page.locator("[data-lot]", { hasText: "1 kg" }).filter({ hasText: "black palm" }).getByRole("link").click();
    await page.getByRole("heading", { name: "Kale ‘black palm’" }).waitFor();
    await ready(page);
    // more than there is is refused beside its field, and stays typed
    await page.getByLabel("How much").first().fill("3 kg");
    await page.getByRole("button", { name: "Write it down" }).click();
    await page.getByText("only 1 kg of it are left").waitFor();
    expect(await page.getByLabel("How much").first().inputValue()).toBe("3 kg");
    await page.getByLabel("How much").first().fill("300 g");
    await page.getByRole("button", { name: "Write it down" }).click();
    await page.getByText("Kale ‘black palm’: used, 300 g").waitFor();
    await page.getByText("Give some away").click();
    await page.locator("#give-amount").fill("200 g");
    await page.locator("#give-who").fill("Nell");
    await page.getByRole("button", { name: "Given away" }).click();
    await page.getByText("Gave 200 g to Nell").waitFor();
    await page.getByText("Some is lost").click();
    await page.locator("#lose-amount").fill("100 g");
    await page.getByRole("button", { name: "Lost", exact: true }).click();
    await page.getByText("Lost 100 g: rotten").waitFor();
    expect(await page.innerText("main")).toMatch(/400 g\s+of 1 kg, kitchen refrigerator/);
    await page.goto("/keep");
    expect(await page.innerText("main")).toMatch(/Nell\s+200 g/);
    expect(troubles).toEqual([]);
    await page.context().close();
  });
  it("onions: what if they lay elsewhere, a test of the neck, a part set apart, put by, used up, undone", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/keep/lots/on-26-2");
    await ready(page);
    expect(await page.innerText("main")).toContain("Bulb onion does not belong in a refrigerator.");
    await page.getByRole("button", { name: "Show" }).first().click();
    await page.getByText(/dashed:/).waitFor();
    await page.getByText("Look at it").click();
    await page.getByLabel("Cured?").selectOption("ready");
    await page.getByRole("button", { name: "Looked at" }).click();
    await page.getByText("Tested: ready").first().waitFor();
    await page.getByText("Set a part apart").click();
    await page.locator("#split-amount").fill("500 g");
    await page.locator("#split-note").fill("small ones");
    await page.getByRole("button", { name: "Set it apart" }).click();
    await page.getByText("Set 500 g apart: small ones").waitFor();
    await page.getByText("Put some by").click();
    await page.getByLabel("How", { exact: true }).selectOption("canned");
    await page.getByText("There is no tested way to jar this plain").waitFor();
    await page.getByLabel("How", { exact: true }).selectOption("frozen");
    await page.getByText(/Blanch 3 to 7, by size, minutes/).waitFor();
    await page.getByRole("button", { name: "Start 3 minutes" }).click();
    await page.getByText(/^2:5\d$|^3:00$/).waitFor();
    await page.locator("#preserve-amount").fill("1 kg");
    await page.locator("#preserve-out").fill("850 g");
    await page.getByRole("button", { name: "Put by" }).click();
    await page.getByText(/1 kg put by, frozen: 850 g came out/).waitFor();
    await page.goto("/keep");
    await ready(page);
    await page.getByRole("button", { name: /^All \d+$/ }).click();
    const small = page.locator("[data-lot]", { hasText: "small ones" });
    await small.getByRole("button", { name: "All used" }).click();
    await page.getByText("Bulb onion ‘storage yellow’: used").waitFor();
    expect(await page.locator("[data-lot]", { hasText: "small ones" }).allInnerTexts()).toEqual([]);
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByText(/Undone: Bulb onion ‘storage yellow’: used/).waitFor();
    expect(troubles).toEqual([]);
    await page.context().close();
  });
});

describe("places", () => {
  it("air by hand, by sensor and from a file moves how long things keep; a broken file is refused", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/keep/places");
    await ready(page);
    const cellar = page.locator("#cellar");
    await cellar.getByLabel("Read, °C").fill("99");
    await cellar.getByRole("button", { name: "Note it" }).click();
    await page.getByText("hotter than any store").waitFor();
    await cellar.getByText("Readings from a file").click();
    await cellar.getByLabel("Readings of cellar shelf").fill("time,temp,humidity\n2026-10-06 09:00,hot,80");
    await cellar.getByRole("button", { name: "Take them in" }).click();
    await page.getByText("row 2, column temp: “hot” is not a temperature").waitFor();
    await cellar
      .getByLabel("Readings of cellar shelf")
      .fill("time,temp,humidity\n2026-10-06 09:00,19,60\n2026-10-06 12:00,20,58");
    await cellar.getByRole("button", { name: "Take them in" }).click();
    await page.getByText("2 readings of cellar shelf taken in").waitFor();
    await page.getByText(/Too warm by \d+ °C: over 0 °C shortens the life of carrot/).waitFor();
    await page.getByRole("button", { name: "Undo" }).click();
    await page
      .getByText(/^Undone/)
      .first()
      .waitFor();
    await page.locator("#loft").getByRole("button", { name: "Ask the sensor" }).click();
    await page.getByText("shed rafters read").waitFor();
    expect(troubles).toEqual([]);
    await page.context().close();
  });
  it("proposes what would lie better elsewhere, lays it so, and a new place counts with the rest", async () => {
    const { page } = await here.visit();
    await page.goto("/keep/places");
    await ready(page);
    await page.locator("#name-new").fill("root clamp");
    await page.locator("#litres-new").fill("300");
    await page.locator("#tempMinC-new").fill("5");
    await page.locator("#tempMaxC-new").fill("1");
    await page.getByRole("button", { name: "Add the place" }).click();
    await page.getByText("warmer than the warmest").waitFor();
    await page.locator("#tempMinC-new").fill("1");
    await page.locator("#tempMaxC-new").fill("3");
    await page.locator("#humidityMin-new").fill("95");
    await page.locator("#humidityMax-new").fill("98");
    await page.getByRole("button", { name: "Add the place" }).click();
    await page.getByText("root clamp added").waitFor();
    await page
      .getByText(/Carrot ‘storage orange’, .* to root clamp/)
      .first()
      .waitFor();
    await page.getByRole("button", { name: "I have laid them so" }).click();
    await page.getByText(/lots? laid where they keep longer/).waitFor();
    expect(await page.locator("section", { hasText: "root clamp" }).last().innerText()).toBeTruthy();
    await page.goto("/keep/labels");
    expect(await page.locator("svg[aria-label^='Code of']").count()).toBeGreaterThan(3);
    await page.context().close();
  });
  it("fits a phone", async () => {
    const { page } = await here.visit({ width: 390, height: 844 });
    for (const path of ["/keep", "/keep/places", "/keep/lots/on-26-1", "/keep/labels"]) {
      await page.goto(path);
      const wide = await page.evaluate(() => document.documentElement.scrollWidth);
      expect([path, wide <= 390]).toEqual([path, true]);
    }
    await page.context().close();
  });
  it("a step of the first hour stays ticked off, a dish stands beside what it uses, room is counted in trays", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/picks/new?planting=let-tunnel");
    await ready(page);
    await page.getByLabel("On the scale").fill("600 g");
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.getByText("600 g of Loose-leaf lettuce ‘salad mix’ logged").waitFor();
    await page.goto("/keep");
    await ready(page);
    const step = page.getByRole("checkbox", { name: /Loose-leaf lettuce/ });
    await answered(page, () => step.click());
    await page.waitForFunction(() => document.querySelector("[role=checkbox][aria-checked=true]") !== null);
    await page.waitForLoadState("networkidle");
    await page.reload();
    await ready(page);
    expect(await step.getAttribute("aria-checked")).toBe("true");
    await page.goto("/keep/dishes");
    await ready(page);
    await page.getByLabel("What is it called?").last().fill("Green soup");
    await page.getByRole("button", { name: "Note it" }).click();
    await page.getByText("say what it is made of").waitFor();
    expect(await page.getByLabel("What is it called?").last().inputValue()).toBe("Green soup");
    await page.getByLabel("Crop 1").last().selectOption("lettuce-loose-leaf");
    await page.getByRole("button", { name: "Note it" }).click();
    await page.getByText("Green soup noted").waitFor();
    await page.goto("/keep");
    await ready(page);
    expect(await page.innerText("main")).toMatch(/Green soup\s+uses loose-leaf lettuce/);
    await page.goto("/keep/places");
    await ready(page);
    await page.getByLabel("Name").last().fill("seed trays");
    await page.getByLabel("Holds", { exact: true }).last().fill("6");
    await page.getByLabel("counted in").last().selectOption("trays");
    await page.getByLabel("A tray holds, litres").last().fill("10");
    await page.getByRole("button", { name: "Add the place" }).click();
    await page.getByText("6 of 6 trays free").waitFor();
    expect(troubles).toEqual([]);
    await page.context().close();
  });
});

describe("what the gardener knows better", () => {
  it("half a row done tells what is left of it; a use-by date of one's own goes before the book", async () => {
    const { page, context, troubles } = await here.visit();
    await page.goto("/picks/new?planting=car-store");
    await ready(page);
    await page.getByLabel("On the scale").fill("4 kg");
    await page.getByLabel("How much of it").selectOption("some");
    await page.getByLabel("Of the whole row, done now").selectOption("0.5");
    await answered(page, () => page.getByRole("button", { name: "Save the pick" }).click());
    await page.getByText("4 kg of Carrot ‘storage orange’ logged").waitFor();
    await page.goto("/plot/plantings/car-store/line");
    await ready(page);
    await page.getByText("Left of the row").waitFor();
    await page.goto("/keep");
    await ready(page);
    await page.getByRole("button", { name: /^All \d+$/ }).click();
    await page
      .locator("[data-lot]", { hasText: "4 kg" })
      .filter({ hasText: "storage orange" })
      .getByRole("link")
      .first()
      .click();
    await page.waitForURL(/keep\/lots/);
    await ready(page);
    await page.getByText("Give it a use-by date").click();
    await page.getByLabel("Or it keeps for").fill("9");
    await answered(page, () => page.getByRole("button", { name: "Keep to it" }).click());
    await page
      .getByText(/use by .*, your date/)
      .first()
      .waitFor();
    await page.getByText(/Good until .*, a date of your own/).waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });
  it("a look that found it sound is one tap, and stands beside it", async () => {
    const { page, context, troubles } = await here.visit({ width: 390, height: 844 });
    await page.goto("/keep");
    await ready(page);
    const row = page.locator("[data-lot]").first();
    await answered(page, () => row.getByRole("button", { name: "Still sound" }).click());
    await row.getByText(/sound today/).waitFor();
    await page.getByRole("button", { name: "Undo" }).click();
    await row.getByText(/sound today/).waitFor({ state: "detached" });
    expect(troubles).toEqual([]);
    await context.close();
  });
});
