import { describe, expect, it } from "vitest";
import { ready, withGarden } from "../garden";

const here = withGarden("demo");

describe("the plan under the hand", () => {
  it("one bead is moved alone by the keys, with the fortnight planned anew around it while it moves", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/rounds");
    await ready(page);
    const bead = page.locator("svg:visible").getByRole("slider", { name: /^Bulb onion ‘red keeper’/ });
    const before = await page.getByTestId("ledger").innerText();
    await bead.focus();
    for (let i = 0; i < 4; i++) await page.keyboard.press("ArrowRight");
    await page.getByTestId("around").waitFor();
    expect(await page.getByTestId("around").innerText()).toMatch(/replanned around it: [\d.]+ kg kept/);
    await page.keyboard.press("Escape");
    expect(await page.getByTestId("ledger").innerText()).toBe(before);
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("Enter");
    await page.getByText(/1 of the round moved to/).waitFor();
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByText("Undone: 1 of the round moved").waitFor();
    expect(troubles).toEqual([]);
    await page.context().close();
  });
  it("a bead is dragged with the mouse", async () => {
    const { page } = await here.visit();
    await page.goto("/rounds");
    await ready(page);
    const bead = page.locator("svg:visible").getByRole("slider", { name: /^Winter squash ‘blue storer’/ });
    await bead.scrollIntoViewIfNeeded();
    const box = (await bead.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x - 60, box.y + box.height / 2, { steps: 5 });
    await page.mouse.up();
    await page.getByText(/1 of the round moved to (Tue 6|Wed 7) Oct/).waitFor();
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByText("Undone: 1 of the round moved").waitFor();
    await page.context().close();
  });
  it("every round says what a day earlier or later would change, and does it at a press", async () => {
    const { page } = await here.visit();
    await page.goto("/rounds?view=words");
    await ready(page);
    expect(await page.getByRole("group", { name: "Ripening lanes" }).count()).toBe(0);
    const later = page
      .getByTestId("alternatives")
      .getByRole("button", { name: /^(Earlier|Later): / })
      .first();
    expect(await page.getByTestId("alternatives").first().innerText()).toMatch(/Without it: [\d.]+ k?g less kept/);
    await later.click();
    await page.getByText(/Round moved to/).waitFor();
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByText("Undone: Round moved").waitFor();
    await page.context().close();
  });
  it("lists what to do before the trip, meanwhile and after it", async () => {
    const { page } = await here.visit();
    await page.goto("/rounds");
    await ready(page);
    await page.getByRole("link", { name: /Before and after/ }).click();
    await page.getByRole("heading", { name: "Five days at the coast" }).waitFor();
    const text = await page.innerText("main");
    for (const part of [
      "Strip before you go",
      "Leave standing",
      "Ask of Bram",
      "First when you are back",
      "Past it by then",
    ])
      expect(text).toContain(part);
    expect(text).toMatch(/Winter squash ‘blue storer’ Lower first, .* about [\d.]+ kg/);
    await page.context().close();
  });
});

describe("what binds a plan", () => {
  it("a crop nobody eats is left and the plan says so; an amount that is none is refused beside its field", async () => {
    const { page } = await here.visit();
    await page.goto("/settings/household");
    await ready(page);
    await page.locator("#weekly-carrot").fill("a lot");
    await page.getByRole("button", { name: "Save what you like" }).click();
    await page.getByRole("alert").first().waitFor();
    expect(await page.locator("#weekly-carrot").inputValue()).toBe("a lot");
    await page.locator("#weekly-carrot").fill("2 kg");
    const liking = page.getByRole("slider", { name: /^Winter squash/ });
    await liking.focus();
    await page.keyboard.press("Home");
    expect(await liking.getAttribute("aria-valuetext")).toBe("not eaten");
    await page.getByRole("button", { name: "Save what you like" }).click();
    await page.getByText("What you like saved").waitFor();
    expect(await page.locator("#weekly-carrot").inputValue()).toBe("2 kg");
    await page.goto("/rounds");
    await ready(page);
    await page.getByRole("button", { name: "Replan" }).click();
    await page.getByText(/rounds? planned/).waitFor();
    expect(await page.innerText("main")).toMatch(/Winter squash ‘butter flask’ Round bed: you do not eat it/);
    await page.context().close();
  });
  it("a place is added, its room shown against the plan, and taken off again; more taken than it holds is refused", async () => {
    const { page } = await here.visit();
    await page.goto("/settings/household");
    await ready(page);
    await page.getByLabel("Another place").fill("porch");
    await page.getByLabel("It is").selectOption("airy");
    await page.getByLabel("Holds, litres").fill("40");
    await page.getByLabel("Taken by other things").fill("50");
    await page.getByRole("button", { name: "Add the place" }).click();
    await page.getByText("more than it holds").waitFor();
    await page.getByLabel("Taken by other things").fill("5");
    await page.getByRole("button", { name: "Add the place" }).click();
    await page.getByText("porch added").waitFor();
    expect(await page.innerText("#places")).toContain("porch");
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByText("Undone: porch added").waitFor();
    expect(await page.innerText("#places")).not.toContain("porch");
    await page.context().close();
  });
  it("a day kept free has no round any more", async () => {
    const { page } = await here.visit();
    await page.goto("/settings");
    await ready(page);
    await page.getByLabel("On", { exact: true }).fill("2026-10-08");
    await page
      .locator("form", { has: page.locator("#datedDay") })
      .getByRole("button", { name: "Add" })
      .click();
    await page.getByText("Thu 8 Oct kept free").waitFor();
    await page.goto("/rounds");
    await ready(page);
    await page.getByRole("button", { name: "Replan" }).click();
    await page.getByText(/rounds? planned/).waitFor();
    const rounds = (await page.locator("section[id^=round-]").allInnerTexts()).join("\n");
    expect(rounds).toMatch(/(Tuesday|Wednesday) 17:15\s+(today|tomorrow)/);
    expect(rounds).not.toMatch(/Thursday 17:15\s+Thursday/);
    await page.context().close();
  });
  it("inside a spray's wait no pick is logged, and the day from which it may be is said", async () => {
    const { page } = await here.visit();
    await page.goto("/plot/plantings/kale-curly");
    await ready(page);
    await page.getByLabel("With").fill("garlic wash");
    await page.getByLabel("Days to wait").fill("400");
    await page.getByRole("button", { name: "Log it" }).click();
    await page.getByText("0 to 365 days").waitFor();
    expect(await page.getByLabel("With").inputValue()).toBe("garlic wash");
    await page.getByLabel("Days to wait").fill("5");
    await page.getByRole("button", { name: "Log it" }).click();
    await page.getByText("Treatment of Kale ‘curly green’ logged").waitFor();
    await page.getByText("Not before Sun 11 Oct").first().waitFor();
    // nor is it taken along in a round before, nor brought in from a table
    await page.goto("/rounds?view=words");
    await ready(page);
    const first = page
      .locator("section[id^=round-]", { hasNot: page.locator("strong", { hasText: "Kale ‘curly green’" }) })
      .first();
    await first.getByText("Take one more along").click();
    await first.getByLabel("Take along").selectOption({ label: "Kale ‘curly green’, Upper second" });
    await first.getByRole("button", { name: "Take along" }).click();
    await page.getByText(/Kale ‘curly green’ may not be picked then: sprayed with garlic wash/).waitFor();
    await page.goto("/picks/import");
    await ready(page);
    await page.getByLabel("The table").fill("date,kind,bed,weight\n2026-10-06,curly green,Upper second,300 g");
    await page.getByRole("button", { name: "Look at it" }).click();
    await page.getByText("Nothing was taken: a wait that a label or a rule gives is kept.").waitFor();
    await page.goto("/picks/new?planting=kale-curly");
    await ready(page);
    await page.getByLabel("On the scale").fill("300 g");
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page
      .getByText(/not to be picked yet: sprayed with garlic wash on Tue 6 Oct; by its label not before Sun 11 Oct/)
      .waitFor();
    expect(await page.getByLabel("On the scale").inputValue()).toBe("300 g");
    await page.context().close();
  });
});
