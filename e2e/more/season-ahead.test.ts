import { describe, expect, it } from "vitest";
import { answered, ready, withGarden } from "../garden";

const here = withGarden("demo");

describe("looking back", () => {
  it("two kinds side by side: count, spread, an honest word; another split, the figures as a file", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/season/compare?crop=tomato");
    await ready(page);
    const main = () => page.innerText("main");
    expect(await main()).toMatch(/inside the 4 beds and years that had both/);
    expect(await page.locator("[data-verdict]").innerText()).toMatch(/Too few to tell: .* once in 8/);
    await page.getByLabel("What differs").selectOption("sun");
    await page.waitForURL(/split=sun/);
    await page.getByText(/There are no two sides to slicing tomato here yet/).waitFor();
    await page.getByLabel("Crop", { exact: true }).selectOption("kale");
    await page.waitForURL(/crop=kale/);
    await page.getByText("an observation, not yet a comparison").waitFor();
    const csv = await (await page.request.get("/out/season/compare?crop=tomato&split=kind&measure=per-plant")).text();
    expect(csv.split("\r\n")[0]).toBe("of,kind,bed,year,per-plant");
    expect(csv.trim().split("\r\n")).toHaveLength(11);
    expect((await page.request.get("/out/season/nothing")).status()).toBe(404);
    expect(troubles.filter((t) => !t.includes("404"))).toEqual([]);
    await page.context().close();
  });
  it("the rhythm of the courgettes played again, and the dearest late round", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/season/rhythm");
    await ready(page);
    await page.getByLabel("Planting and year").selectOption("cou-lower 2026");
    await page.waitForURL(/of=cou-lower/);
    await page.getByText(/would have been best for Courgette ‘dark green’/).waitFor();
    const rows = page.locator("table tbody tr");
    expect(await rows.count()).toBe(7);
    expect(await rows.first().innerText()).toMatch(/as it was\s+17/);
    expect(await page.innerText("main")).toMatch(/after 5 days\s+\d+ g/);
    expect(troubles).toEqual([]);
    await page.context().close();
  });
  it("gluts and gaps of a year, a lesson drafted from one, and the report in one step", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/season/weeks?year=2026");
    await ready(page);
    const main = await page.innerText("main");
    expect(main).toMatch(/Slicing tomato\s+13 kg too much/);
    expect(main).toMatch(/Courgette\s+3 was about right/);
    await page.goto("/season/lessons");
    await ready(page);
    const draft = page.locator("[data-draft='glut tomato 2026']");
    expect(await draft.getByLabel("Lesson").inputValue()).toMatch(/13 kg more than the house uses, in 3 weeks/);
    await draft.getByRole("button", { name: "Keep it" }).click();
    await page.getByText("Lesson kept").waitFor();
    await page.goto("/season/report?year=2026");
    await ready(page);
    expect(await page.innerText("main")).toContain("13 kg more than the house uses");
    const [file] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("link", { name: "Markdown" }).click(),
    ]);
    expect(file.suggestedFilename()).toBe("season-2026.md");
    const text = await (await page.request.get("/out/season.md?year=2026")).text();
    expect(text).toMatch(/^# Wrenfold Garth: the season 2026/);
    expect(text).toContain("| Slicing tomato ‘red slicer’ | 28.2 kg |");
    expect(text).toContain("13 kg more than the house uses");
    expect(troubles).toEqual([]);
    await page.context().close();
  });
  it("a loss in the bed is noted with its cause, refused without a weight, and taken back", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/plot/plantings/kale-curly");
    await ready(page);
    await page.getByRole("button", { name: "Note the loss" }).click();
    await page.locator("#lostAmount-error").waitFor();
    await page.getByLabel("About how much").fill("1.2 kg");
    await page.getByLabel("To what").selectOption("pests");
    await page.getByRole("button", { name: "Note the loss" }).click();
    await page.getByText("Loss of Kale ‘curly green’ noted").waitFor();
    expect(await page.innerText("#losses")).toMatch(/about 1\.2 kg, pests/);
    await page.goto("/season?year=2026");
    expect(await page.innerText("main")).toMatch(/pests in the bed\s+about 1\.2 kg/);
    await page.goto("/plot/plantings/kale-curly/line");
    expect(await page.innerText("main")).toContain("About 1.2 kg lost: pests");
    await page.goto("/plot/plantings/kale-curly#losses");
    await ready(page);
    await page.locator("#losses").getByRole("button", { name: "Remove" }).click();
    await page.getByText("Loss taken back").waitFor();
    expect(troubles).toEqual([]);
    await page.context().close();
  });
});

describe("from the last pick to the next planting", () => {
  it("the last pick logged, the bed cleared step by step, what fits in planted there", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/picks/new?planting=bean-brook");
    await ready(page);
    await page.getByLabel("On the scale").fill("900 g");
    await page.locator("[name=extent]").selectOption("final");
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.getByText("900 g of Climbing French bean ‘purple pole’ logged").waitFor();
    await page.goto("/season/beds");
    await ready(page);
    const over = page.locator("[data-over=bean-brook]");
    expect(await over.innerText()).toMatch(/over since today/);
    const roots = over.getByRole("checkbox", { name: /leave the roots in the ground/ });
    await answered(page, () => roots.click());
    await page.waitForFunction(() => document.querySelector("[role=checkbox][aria-checked=true]") !== null);
    await page.waitForLoadState("networkidle");
    await page.reload();
    await ready(page);
    expect(await over.getByRole("checkbox", { name: /leave the roots/ }).getAttribute("aria-checked")).toBe("true");
    // with its clearing day taken out again it stands in the book, until somebody says that it is cleared
    await page.goto("/plot/plantings/bean-brook?edit");
    await ready(page);
    await page.getByLabel("Cleared on").fill("");
    await page.getByRole("button", { name: "Save the planting" }).click();
    await page.waitForURL((url) => url.searchParams.has("done"));
    await page.goto("/season/beds");
    await ready(page);
    expect(await over.innerText()).toMatch(/picked to the last/);
    await over.getByRole("button", { name: "It is cleared" }).click();
    await page.getByText("Climbing French bean ‘purple pole’ cleared").waitFor();
    expect(await over.innerText()).toMatch(/over since today/);
    // the oak leaf still stands beside them: part of the bed is free, all of it once that is gone too
    expect(await page.locator("[data-free=brook]").innerText()).toMatch(/of it[\s\S]*Loose-leaf lettuce in the rest/);
    await page.goto("/plot/plantings/let-brook?edit");
    await ready(page);
    await page.getByLabel("Cleared on").fill("2026-10-06");
    await page.getByRole("button", { name: "Save the planting" }).click();
    await page
      .getByText(/oak leaf/)
      .first()
      .waitFor();
    await page.goto("/season/beds");
    await ready(page);
    const free = page.locator("[data-free=brook]");
    expect(await free.innerText()).toMatch(/stands the winter/);
    expect(await free.innerText()).not.toMatch(/in the rest/);
    await free.getByRole("link", { name: "Plant it" }).first().click();
    await page.getByRole("heading", { name: "New planting" }).waitFor();
    await ready(page);
    expect(await page.locator("#bedId").inputValue()).toBe("brook");
    expect(await page.locator("#cropId").inputValue()).toMatch(/^garlic/);
    expect(await page.locator("#startedHow").inputValue()).toBe("planted");
    await page.getByLabel("Plants", { exact: true }).fill("400");
    await page.getByRole("button", { name: "Save the planting" }).click();
    await page
      .getByText(/garlic.*(added|started|saved)/i)
      .first()
      .waitFor();
    await page.goto("/season/beds");
    expect(await page.locator("[data-free=brook]").count()).toBe(0);
    expect(troubles).toEqual([]);
    await page.context().close();
  });
});

describe("looking ahead", () => {
  it("sowings by warmth: last dates move with the risk, one crop is spread over the season", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/season/sowings?crop=lettuce-loose-leaf");
    await ready(page);
    const before = await page.innerText("table");
    expect(await page.innerText("main")).toMatch(/Loose-leaf lettuce: \d sowings/);
    await page.getByLabel("Risk of frost").selectOption("0.5");
    await page.waitForURL(/risk=0.5/);
    await page.waitForFunction((was) => document.querySelector("table")?.innerText !== was, before);
    expect(troubles).toEqual([]);
    await page.context().close();
  });
  it("a series raised in trays: sown and set out at a press each, and taken back", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/season/sowings?crop=lettuce-loose-leaf");
    await ready(page);
    await page.getByLabel("Loose-leaf lettuce, kind").fill("spring green");
    await page.locator("#bedId").selectOption("middle-2");
    await page.locator("#how").selectOption("trays");
    await page.locator("#first").fill("2028-03-10");
    await page.locator("#every").fill("14");
    await page.locator("#times").fill("2");
    await page.getByRole("button", { name: "Plan them" }).click();
    await page.getByText("2 sowings of Loose-leaf lettuce planned").waitFor();
    const lines = page.locator("#ahead");
    expect((await lines.innerText()).match(/to sow in trays/g)).toHaveLength(2);
    expect((await lines.innerText()).match(/to set out/g)).toHaveLength(2);
    await lines
      .getByRole("button", { name: /spring green.*: sown/ })
      .first()
      .click();
    await page.getByText("Loose-leaf lettuce ‘spring green’ sown in trays").waitFor();
    expect((await lines.innerText()).match(/to sow in trays/g)).toHaveLength(1);
    await page.getByRole("button", { name: "Undo" }).click();
    await page.waitForFunction(
      () => document.querySelector("#ahead")?.textContent?.match(/to sow in trays/g)?.length === 2,
    );
    await ready(page);
    await lines
      .getByRole("button", { name: /spring green.*: it is in/ })
      .first()
      .click();
    await page.getByText("Loose-leaf lettuce ‘spring green’ started").waitFor();
    expect((await lines.innerText()).match(/to set out/g)).toHaveLength(1);
    expect(troubles).toEqual([]);
    await page.context().close();
  });
  it("next year’s plot drawn up, changed, an order list made of it, undone", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/season/next");
    await ready(page);
    await page.getByRole("button", { name: "Draw it up" }).click();
    await page.getByText("Plot of 2027 drawn up").waitFor();
    await ready(page);
    const rows = page.locator("[data-planned]");
    const count = await rows.count();
    expect(count).toBeGreaterThan(12);
    const garlic = rows.filter({ hasText: "winter white" }).first();
    await garlic.getByText("Change").click();
    await garlic.getByLabel("Plants", { exact: true }).fill("many");
    await garlic.getByRole("button", { name: "Save it" }).click();
    await garlic.getByRole("alert").waitFor();
    expect(await garlic.getByLabel("Plants", { exact: true }).inputValue()).toBe("many");
    await garlic.getByLabel("Plants", { exact: true }).fill("44");
    await garlic.getByLabel("On", { exact: true }).fill("2026-10-12");
    await garlic.getByRole("button", { name: "Save it" }).click();
    await page.getByText("Hardneck garlic ‘winter white’ changed").waitFor();
    expect(await garlic.innerText()).toMatch(/44 plants/);
    await page.goto("/season/seeds");
    await ready(page);
    expect(await page.innerText("main")).toMatch(/winter white[\s\S]*47 sets/);
    await page.goto("/");
    expect(await page.innerText("main")).toMatch(/To start within the week[\s\S]*winter white/);
    await page.goto("/season/next");
    await ready(page);
    await garlic.getByRole("button", { name: "It is in" }).click();
    await page.getByText("Hardneck garlic ‘winter white’ started").waitFor();
    expect(await garlic.getByRole("link", { name: "started" }).count()).toBe(1);
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByText("Undone: Hardneck garlic ‘winter white’ started").waitFor();
    expect(await garlic.getByRole("button", { name: "It is in" }).count()).toBe(1);
    await page.getByRole("button", { name: "Wipe it" }).click();
    await page.getByText("Plot of 2027 wiped").waitFor();
    expect(await rows.count()).toBe(0);
    expect(troubles).toEqual([]);
    await page.context().close();
  });
  it("a packet is put in the box, tested, and its share of what comes up follows", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/season/seeds");
    await ready(page);
    const form = page.locator("form").filter({ has: page.getByRole("button", { name: "Put it in the box" }) });
    await form.getByLabel("Crop", { exact: true }).selectOption("parsnip");
    await form.getByLabel("Kind").fill("long white");
    await form.getByLabel("Left").fill("200");
    await form.getByLabel("Laid out").fill("20");
    await form.getByRole("button", { name: "Put it in the box" }).click();
    await page.getByText(/a test needs its day/).waitFor();
    expect(await form.getByLabel("Kind").inputValue()).toBe("long white");
    await form.getByLabel("Tested on").fill("2026-10-01");
    await form.getByLabel("Sprouted").fill("6");
    await form.getByRole("button", { name: "Put it in the box" }).click();
    await page.getByText("Seed of Parsnip ‘long white’ noted").waitFor();
    const packet = page.locator("[data-seed]", { hasText: "long white" });
    // 8 of belief at 0.85 and 6 of 20: 12.8 in 28
    expect(await packet.innerText()).toMatch(/46 % up/);
    await packet.getByText("Test it, or change it").click();
    await packet.getByRole("button", { name: "Remove" }).click();
    await page.getByText("Seed removed").waitFor();
    expect(troubles).toEqual([]);
    await page.context().close();
  });
});
