import { describe, expect, it } from "vitest";
import { forget, ready, serveGarden, visit, withGarden } from "./garden";

const here = withGarden("demo");
const kilos = (text: string): number => Number(/([\d.]+) kg/.exec(text)?.[1] ?? 0);

describe("a round changed by hand", () => {
  it("takes one more along, sends part of it to another hour, and says what it is then", async () => {
    const { page } = await here.visit();
    await page.goto("/rounds");
    await ready(page);
    const first = page.locator("section[id^=round-]").first();
    const before = await first.locator("form strong").allInnerTexts();
    await first.getByText("Take one more along").click();
    await first.getByLabel("Take along").selectOption({ label: "Kale ‘curly green’, Upper second" });
    await first.getByRole("button", { name: "Take along" }).click();
    await page.getByText("Kale ‘curly green’ taken along on").waitFor();
    const withKale = page.locator("section[id^=round-]").first();
    expect(await withKale.locator("form strong").allInnerTexts()).toEqual(
      expect.arrayContaining(["Kale ‘curly green’", ...before]),
    );
    expect(await withKale.innerText()).toContain("pinned");
    // its figures and reason were worked out, not left empty
    expect(await withKale.innerText()).toMatch(/Kale ‘curly green’ Upper second, what is ready, about \d+ g/);

    // the drawer stays open on the round that was changed
    await withKale.getByRole("button", { name: "Move these" }).click();
    await page.getByText("Choose another hour for them.").waitFor();
    await withKale.getByLabel("Kale ‘curly green’", { exact: true }).check();
    await withKale.getByLabel("Their hour").selectOption("2026-10-08T17:15");
    await withKale.getByRole("button", { name: "Move these" }).click();
    await page.getByText("1 of the round moved to Thu 8 Oct 17:15").waitFor();
    expect(await page.locator("section[id^=round-]").first().locator("form strong").allInnerTexts()).toEqual(before);
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByText("Undone: 1 of the round moved").waitFor();
    await page.context().close();
  });
  it("planned anew says in words what changed", async () => {
    const { page } = await here.visit();
    await page.goto("/rounds");
    await ready(page);
    await page.getByRole("button", { name: "Replan" }).click();
    await page.getByText(/\d rounds planned, as they were|\d rounds planned: /).waitFor();
    await page.context().close();
  });
});

describe("what if", () => {
  it("four degrees colder costs the same rounds something, and a plan for it is shown beside them", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/rounds");
    await ready(page);
    // a round right after the trip, whatever the plan thinks of one
    const last = page.locator("section[id^=round-]").last();
    await last.getByLabel("Move to").selectOption("2026-10-15T17:15");
    await last.getByRole("button", { name: "Move", exact: true }).click();
    await page.getByText("Round moved to Thu 15 Oct 17:15").waitFor();
    await page.getByRole("link", { name: "What if" }).click();
    await page.getByText("Nothing is changed yet.").waitFor();
    const sums = page.getByTestId("sums").locator("> div");
    const plain = await sums.allInnerTexts();
    expect(kilos(plain[1]!)).toBeCloseTo(kilos(plain[0]!), 1);
    await page.getByLabel("Nights are").selectOption("4");
    await page.getByText(/Keeping to your rounds would then cost [\d.]+ k?g\./).waitFor();
    const cold = await sums.allInnerTexts();
    expect(cold[0]).toBe(plain[0]);
    expect(kilos(cold[1]!)).toBeLessThan(kilos(cold[0]!));
    await page.getByLabel("The trip lasts").selectOption("2");
    await page.waitForURL(/longerDays=2/);
    await page.getByText("nobody there").first().waitFor();
    expect(troubles).toEqual([]);
    // an address with nonsense in it is taken for things as they are
    await page.goto("/rounds/what-if?pickers=900&colderC=hot");
    expect(await page.innerText("main")).toContain("Nothing is changed yet.");
    await page.context().close();
  });
  it("fits a phone", async () => {
    const { page } = await here.visit({ width: 390, height: 844 });
    for (const path of ["/rounds/what-if?colderC=2", "/rounds/stand-in", "/weather/record"]) {
      await page.goto(path);
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth),
        path,
      ).toBeLessThanOrEqual(0);
    }
    await page.context().close();
  });
});

describe("away", () => {
  it("a stand-in's round stands on its own sheet, with what to take and how", async () => {
    const { page } = await here.visit();
    await page.goto("/rounds");
    await ready(page);
    const card = page.locator("section[id^=round-]").last();
    await card.getByLabel("Move to").selectOption({ label: "Sun 11 Oct 18:00 (Bram from next door)" });
    await card.getByRole("button", { name: "Move", exact: true }).click();
    await page.getByText("Round moved to Sun 11 Oct 18:00").waitFor();
    expect(await page.innerText("main")).toContain("Bram from next door goes");
    await page.getByRole("link", { name: "Stand-in’s sheet" }).click();
    await page.getByRole("heading", { name: "For Bram from next door" }).waitFor();
    const sheet = await page.innerText("main");
    expect(sheet).toContain("Sunday 11, from 18:00");
    expect(sheet).toMatch(/only what is ready, about [\d.]+ k?g/);
    expect(sheet).toContain("Leave these alone");
    await page.emulateMedia({ media: "print" });
    expect(await page.getByRole("button", { name: "Print" }).isVisible()).toBe(false);
    expect(await page.getByText("got ____").first().isVisible()).toBe(true);
    await page.context().close();
  });
  it("trips come from a calendar file once, repeated ones too; a broken one is refused and nothing taken", async () => {
    const { page } = await here.visit();
    await page.goto("/settings");
    await ready(page);
    const give = async (text: string) => {
      await page
        .getByLabel("or trips from a calendar file")
        .setInputFiles({ name: "away.ics", mimeType: "text/calendar", buffer: Buffer.from(text) });
      await page.getByRole("button", { name: "Take its trips" }).click();
    };
    const calendar = (...lines: string[]) =>
      [
        "BEGIN:VCALENDAR",
        "VERSION:2.0",
        "PRODID:-//t//EN",
        "BEGIN:VEVENT",
        "UID:1",
        "DTSTAMP:20260101T000000Z",
        ...lines,
        "END:VEVENT",
        "END:VCALENDAR",
        "",
      ].join("\r\n");
    await give(calendar("SUMMARY:Upside down", "DTSTART;VALUE=DATE:20261109", "DTEND;VALUE=DATE:20261101"));
    await page.getByText("“Upside down”: ends before it begins").waitFor();
    await give(
      calendar(
        "SUMMARY:Choir weekend",
        "DTSTART;VALUE=DATE:20261107",
        "DTEND;VALUE=DATE:20261109",
        "RRULE:FREQ=WEEKLY;INTERVAL=2;COUNT=2",
      ),
    );
    await page.getByText("2 trips taken from the calendar").waitFor();
    const text = await page.locator("#trips").innerText();
    expect(text).toContain("Choir weekend: Sat 7 Nov to Sun 8 Nov");
    expect(text).toContain("Choir weekend: Sat 21 Nov to Sun 22 Nov");
    await give(
      calendar(
        "SUMMARY:Choir weekend",
        "DTSTART;VALUE=DATE:20261107",
        "DTEND;VALUE=DATE:20261109",
        "RRULE:FREQ=WEEKLY;INTERVAL=2;COUNT=2",
      ),
    );
    await page.getByText("These trips were there already.").waitFor();
    await page.context().close();
  });
  it("a round that was missed is said, and the next plan reckons with it", async () => {
    const fresh = await serveGarden("demo");
    const { page } = await visit(here.browser, fresh.address);
    await page.goto("/settings");
    await ready(page);
    await page.getByRole("button", { name: "Three days" }).click();
    await page.getByText("3 days passed in the garden").waitFor();
    await page.goto("/rounds");
    await ready(page);
    expect(await page.innerText("main")).toMatch(/rounds were missed|A round was missed/);
    await page.getByRole("button", { name: "Replan" }).click();
    await page.getByText(/rounds? planned: .*(new|instead of|not planned any more)/).waitFor();
    await page.context().close();
    await fresh.stop();
    forget(fresh);
  });
});
