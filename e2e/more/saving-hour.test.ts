import { describe, expect, it } from "vitest";
import { ready, withGarden } from "../garden";

const here = withGarden("demo");

describe("frost before the next free hour", () => {
  it("is told first on Today with what it takes, and the hour that saves it is added and planned in one press", async () => {
    const { page, troubles } = await here.visit();
    // nobody has time before Saturday's trip but late in the week
    for (const day of ["2026-10-06", "2026-10-07", "2026-10-08"]) {
      await page.goto("/settings");
      await ready(page);
      await page.locator("#datedDay").fill(day);
      await page.locator("input[name=datedAt]").fill("");
      await page.locator("button[value=dated]").click();
      await page.getByText("Undo").first().waitFor();
    }
    await page.goto("/");
    await ready(page);
    await page.getByText(/^(Frost in the night to Friday|A gale .*) comes before your next free hour$/).waitFor();
    const note = await page.innerText("main");
    expect(note).toMatch(/would be lost: .*Winter squash/);
    const add = page.getByRole("button", { name: /^Add an hour/ });
    const when = (await add.innerText()).replace("Add an hour ", "");
    await add.click();
    await page.waitForURL(/\/rounds/);
    expect(await page.innerText("main")).toContain(when.split(" from ")[1]!);
    await page.goto("/");
    expect(await page.innerText("main")).not.toMatch(/Frost in the night to \w+ comes before your next free hour/);
    expect(troubles).toEqual([]);
    await page.context().close();
  });
});

describe("a bed of a round with nothing to take", () => {
  it("is said on the round in one tap, noted as a look, and taken back by Undo", async () => {
    const { page, troubles } = await here.visit({ width: 390, height: 844 });
    await page.goto("/rounds?view=words");
    await ready(page);
    const id = (await page.locator("section[id^=round-]").first().getAttribute("id"))!.slice("round-".length);
    await page.goto(`/rounds/${id}`);
    await ready(page);
    const none = page.getByRole("button", { name: "Nothing ready" });
    const before = await none.count();
    const size = await none.first().boundingBox();
    expect(size!.height).toBeGreaterThanOrEqual(44);
    await none.first().click();
    await page.getByText("Nothing was ready").first().waitFor();
    expect(await none.count()).toBe(before - 1);
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByText("Undone:").waitFor();
    await page.waitForFunction(
      (n) => [...document.querySelectorAll("button")].filter((b) => b.textContent === "Nothing ready").length === n,
      before,
    );
    expect(troubles).toEqual([]);
    await page.context().close();
  });
});
