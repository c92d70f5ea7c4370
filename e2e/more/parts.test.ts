import { describe, expect, it } from "vitest";
import { answered, ready, withGarden } from "../garden";

const here = withGarden("demo");
const alerts = (page: import("playwright-core").Page) =>
  page.getByRole("alert").filter({ hasText: /\S/ }).allInnerTexts();

describe("the parts that pages are made of", () => {
  it("a field is looked at as it is left; nothing is sent, nothing typed is lost, and a mended field is quiet", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/plot/beds/new");
    await ready(page);
    await page.getByLabel("Name").fill("Try bed");
    await page.getByLabel("East to west").fill("two");
    await page.getByLabel("South to north").focus();
    expect(await alerts(page)).toEqual(["write it like 3.5 or 3.5 m"]);
    await page.getByRole("button", { name: "Save, then plant it" }).click();
    expect(await page.getByLabel("East to west").inputValue()).toBe("two");
    expect(new URL(page.url()).pathname).toBe("/plot/beds/new");
    await page.getByLabel("East to west").fill("1,2 m");
    expect(await alerts(page)).toEqual([]);
    await page.getByRole("button", { name: "Save, then plant it" }).click();
    await page.waitForURL(/new\?bed=/);
    expect(page.url()).toContain("/plot/plantings/new?bed=");
    expect(troubles).toEqual([]);
    await page.context().close();
  });

  it("a form is not sent by a field that is left while the page is redrawn", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/parts");
    await ready(page);
    const weight = page.getByLabel("Weight", { exact: true });
    await weight.fill("two");
    // a redraw hears no event: so here none gets past the form
    await weight.evaluate((field: HTMLInputElement) =>
      field.form!.addEventListener("submit", (event) => event.stopPropagation()),
    );
    await page.getByLabel("On", { exact: true }).first().focus();
    await page.waitForTimeout(500);
    expect(new URL(page.url()).search).toBe("");
    expect(await weight.inputValue()).toBe("two");
    expect(troubles).toEqual([]);
    await page.context().close();
  });

  it("a number of things is stepped by a tap or a key, typed as well, and what was typed wrong stays", async () => {
    const { page, troubles } = await here.visit({ width: 390, height: 844 });
    await page.goto("/parts");
    await ready(page);
    const many = page.getByLabel("How many", { exact: true });
    await page.getByRole("button", { name: "more plants" }).first().click();
    await page.getByRole("button", { name: "more plants" }).first().click();
    await expect.poll(() => many.inputValue()).toBe("14");
    await many.press("ArrowDown");
    await expect.poll(() => many.inputValue()).toBe("13");
    await many.fill("1");
    await expect.poll(() => page.getByRole("button", { name: "fewer plants" }).first().isDisabled()).toBe(true);
    await many.fill("1200");
    await many.blur();
    expect(await many.inputValue()).toBe("1200");
    await many.press("ControlOrMeta+a");
    await many.pressSequentially("1x2");
    await many.blur();
    expect(await many.inputValue()).toBe("12");
    await many.press("ControlOrMeta+a");
    await page.keyboard.insertText("3,5");
    await many.blur();
    expect(await many.inputValue()).toBe("12");
    expect(await page.getByLabel("How many, not as it should be").inputValue()).toBe("a dozen");
    const more = page.getByRole("slider", { name: /^More or less/ });
    await more.focus();
    await page.keyboard.press("ArrowRight");
    expect(await more.getAttribute("aria-valuetext")).toBe("130 %");
    expect(troubles).toEqual([]);
    await page.context().close();
  });

  it("both can be used without the page's scripts", async () => {
    const { page } = await here.visit({ scripts: false });
    await page.goto("/parts");
    await page.getByLabel("How many", { exact: true }).fill("7");
    expect(await page.getByRole("button", { name: "more plants" }).count()).toBe(0);
    await page.getByLabel(/^More or less/).fill("0.5");
    await page.context().close();
  });

  it("a date is typed as people do, or picked from its month by the keyboard", async () => {
    const { page } = await here.visit();
    await page.goto("/settings");
    await ready(page);
    const first = page.getByLabel("First day away");
    await first.fill("19.11.");
    await first.blur();
    expect(await first.inputValue()).toBe("19 Nov 2026");
    await page.getByLabel("Last day away").fill("Nov 21, 2026");
    await page.locator("#fromDay ~ button").click();
    await page.locator("[data-part=table-cell-trigger]:focus").waitFor();
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("Enter");
    expect(await first.inputValue()).toBe("20 Nov 2026");
    await page.getByRole("button", { name: "Add the trip" }).click();
    await page.getByText("Away: Fri 20 Nov to Sat 21 Nov").waitFor();
    await page.getByLabel("First day away").fill("the day after");
    await page.getByRole("button", { name: "Add the trip" }).click();
    expect((await alerts(page)).join()).toMatch(/day/);
    expect(await page.getByLabel("First day away").inputValue()).toBe("the day after");
    await page.context().close();
  });

  it("a fold that is made when it is opened holds nothing before, and keeps what it holds when it is shut", async () => {
    const { page } = await here.visit();
    await page.goto("/parts");
    await ready(page);
    const inside = page.getByText("It was not on the page until now.");
    expect(await inside.count()).toBe(0);
    const title = page.getByText("Made when it is first opened");
    await title.click();
    await inside.waitFor();
    await title.click();
    await inside.waitFor({ state: "hidden" });
    expect(await inside.count()).toBe(1);
  });

  it("a US garden writes the month first", async () => {
    const { page } = await here.visit();
    await page.goto("/settings");
    await ready(page);
    await page.locator("select[name=units]").selectOption("us");
    await answered(page, () => page.getByRole("button", { name: "Save the garden" }).click());
    await page.getByRole("button", { name: "Undo" }).waitFor();
    const first = page.getByLabel("First day away");
    await first.fill("11/9/26");
    await first.blur();
    expect(await first.inputValue()).toBe("Nov 9, 2026");
    await answered(page, () => page.getByRole("button", { name: "Undo" }).click());
    await page.context().close();
  });

  it("picks are chosen, changed together and put back by one undo; the chosen ones go out alone", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/picks");
    await ready(page);
    await page.locator("input[name=pick]").nth(0).check();
    await page.locator("input[name=pick]").nth(2).check();
    await page.getByText("2 picks chosen").waitFor();
    const csv = await page.getByRole("group", { name: "The chosen picks" }).getByRole("link", { name: "CSV" });
    const file = await page.request.get(String(await csv.getAttribute("href")));
    expect((await file.text()).trim().split("\n")).toHaveLength(3);
    await page.getByLabel("To", { exact: true }).selectOption("give");
    await answered(page, () => page.getByRole("button", { name: "Change", exact: true }).click());
    await page.getByText("2 picks: given away").waitFor();
    expect(await page.getByText("2 picks chosen").count()).toBe(0);
    await page.goto("/picks?way=give&col=when&col=kind&col=way");
    const given = await page.locator("input[name=pick]").count();
    await page.goto("/changes");
    await ready(page);
    await answered(page, () =>
      page
        .getByRole("button", { name: /^(Undo|Take back)/ })
        .first()
        .click(),
    );
    await page.goto("/picks?way=give&col=when&col=kind&col=way");
    expect(await page.locator("input[name=pick]").count()).toBe(given - 2);
    expect(troubles).toEqual([]);
    await page.context().close();
  });

  it("beds are dragged into their order by keys, pointer and finger", async () => {
    const order = (page: import("playwright-core").Page) =>
      page
        .getByRole("button", { name: /^Move / })
        .evaluateAll((all) => all.map((b) => String(b.getAttribute("aria-label")).slice(5)));
    const { page, context } = await here.visit();
    await page.goto("/walk/order");
    await ready(page);
    const before = await order(page);
    /** Until the one that is dragged is said to be somewhere else. */
    const said = page.locator("[id^=DndLiveRegion]");
    const moved = async (move: () => Promise<unknown>) => {
      const was = await said.innerText();
      await move();
      await expect.poll(() => said.innerText()).not.toBe(was);
      await page.waitForTimeout(250);
    };
    await page.getByRole("button", { name: `Move ${before[0]}` }).focus();
    await moved(() => page.keyboard.press("Space"));
    for (const key of ["ArrowDown", "ArrowDown"]) await moved(() => page.keyboard.press(key));
    await answered(page, () => page.keyboard.press("Space"));
    await expect.poll(() => order(page)).toEqual([before[1], before[2], before[0], ...before.slice(3)]);
    /** Where a bed is taken hold of, once it has come to rest there. */
    const grip = async (name: string) => {
      const box = async () => (await page.getByRole("button", { name: `Move ${name}` }).boundingBox())!;
      let b = await box();
      for (let was = Number.NaN; was !== b.y; b = await box()) {
        was = b.y;
        await page.waitForTimeout(150);
      }
      return { x: b.x + b.width / 2, y: b.y + b.height / 2 };
    };
    const [from, to] = [await grip(before[0]!), await grip(before[1]!)];
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x, from.y - 20, { steps: 3 });
    await page.mouse.move(to.x, to.y - 8, { steps: 6 });
    await page.waitForTimeout(250);
    await answered(page, () => page.mouse.up());
    await expect.poll(() => order(page)).toEqual(before);
    // a finger: pointer events of touch, as the browser sends them
    const session = await context.newCDPSession(page);
    const touch = (type: "touchStart" | "touchMove" | "touchEnd", y: number) =>
      session.send("Input.dispatchTouchEvent", { type, touchPoints: type === "touchEnd" ? [] : [{ x: from.x, y }] });
    const a = await grip(before[0]!);
    const b = await grip(before[1]!);
    await touch("touchStart", a.y);
    for (let i = 1; i <= 6; i++) await touch("touchMove", a.y + ((b.y + 10 - a.y) * i) / 6);
    await page.waitForTimeout(250);
    await answered(page, () => touch("touchEnd", b.y));
    await expect.poll(() => order(page)).toEqual([before[1], before[0], ...before.slice(2)]);
    await context.close();
  });

  it("a file shows its name before it is sent, and is taken out again", async () => {
    const { page } = await here.visit();
    await page.goto("/picks/import");
    await ready(page);
    await page.getByLabel("or a file").setInputFiles({
      name: "picks.csv",
      mimeType: "text/csv",
      buffer: Buffer.from("date,kind,weight\n2026-10-01,red slicer,1.2 kg\n"),
    });
    await page.getByText("picks.csv").waitFor();
    await page.getByRole("button", { name: "Take picks.csv out" }).click();
    await page.getByText("or drop it here").waitFor();
    await page.getByLabel("or a file").setInputFiles({
      name: "picks.csv",
      mimeType: "text/csv",
      buffer: Buffer.from("date,kind,weight\n2026-10-01,red slicer,1.2 kg\n"),
    });
    await page.getByRole("button", { name: "Look at it" }).click();
    await page.getByText("1.2 kg").first().waitFor();
    await page.context().close();
  });

  it("on a phone what was done lies clear of the head and of the thumb, and undoes", async () => {
    const { page, context } = await here.visit({ width: 390, height: 844 });
    await page.goto("/walk/order");
    await ready(page);
    await answered(page, () =>
      page
        .getByRole("button", { name: /later$/ })
        .first()
        .click(),
    );
    const undo = page.getByRole("button", { name: "Undo" });
    await undo.waitFor();
    await page.waitForTimeout(500);
    const over = (await undo.boundingBox())!;
    const nav = (await page.getByRole("navigation", { name: "Parts, at the thumb" }).boundingBox())!;
    const head = (await page.getByRole("banner").boundingBox())!;
    expect(over.y).toBeGreaterThanOrEqual(head.y + head.height);
    expect(over.y + over.height).toBeLessThan(nav.y / 3);
    expect(over.height).toBeGreaterThanOrEqual(44);
    await answered(page, () => undo.click());
    await page.getByText(/^Undone/).waitFor();
    await context.close();
  });

  it("what is folded away opens without scripts, by a press and by the keyboard", async () => {
    const { page } = await here.visit({ scripts: false });
    await page.goto("/parts");
    const inside = page.getByText("What is seldom wanted.");
    expect(await inside.isVisible()).toBe(false);
    await page.getByText("Folded away").click();
    expect(await inside.isVisible()).toBe(true);
    await page.keyboard.press("Enter");
    expect(await inside.isVisible()).toBe(false);
    expect(await page.getByText("It opens without scripts too.").isVisible()).toBe(true);
    await page.context().close();
  });
});
