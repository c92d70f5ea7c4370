import { describe, expect, it } from "vitest";
import { ready, withGarden } from "./garden";

const here = withGarden("demo");

describe("the whole loop at the table", () => {
  it("sees what is urgent, and why", async () => {
    const { page } = await here.visit();
    await page.goto("/");
    expect(await page.getByRole("heading", { level: 1 }).innerText()).toBe("Tuesday 6 Oct");
    const text = await page.innerText("main");
    expect(text).toMatch(
      /A gale is due tomorrow, gusts near \d+ km\/h, then frost in the night to Friday; you are away from Saturday for 5 days\./,
    );
    expect(text).toMatch(
      /\d+ % chance of frost in this bed in the night to Friday, which harms at −0\.8 °C; left, 1\d(\.\d)? kg is lost/,
    );
    expect(text).toContain("In the round today 17:15");
    await page.context().close();
  });

  it("walks a planting: readings change the verdict at once, and the saved one agrees", async () => {
    const { page } = await here.visit();
    await page.goto("/walk/bean-brook");
    await ready(page);
    const verdict = page.locator("[aria-live=polite]").first();
    expect(await verdict.innerText()).toContain("Pick some");
    await page.getByRole("radio", { name: "bends" }).click();
    await verdict.getByText(/^(Nearly|Not yet)$/).waitFor();
    await page.getByRole("radio", { name: "11 mm" }).click();
    await page.getByRole("radio", { name: "snaps clean" }).click();
    await verdict.getByText("Pick some").waitFor();
    const shown = /(\d+) %/.exec(await verdict.innerText())?.[1];
    expect(await page.innerText("main")).toContain("pod width 11 mm (today): right for this way of picking");
    await page.getByRole("button", { name: "Save, next" }).click();
    await page.getByText("Looked at Climbing French bean ‘purple pole’").waitFor();
    await page.goto("/plot/plantings/bean-brook");
    const saved = await page.innerText("main");
    expect(saved).toContain("Pick some");
    expect(saved).toContain(`${shown} %`);
    expect(saved).toContain("pod width 11 mm; snap: snaps clean");
    await page.context().close();
  });

  it("refuses a reading that a cue cannot have, and writes nothing", async () => {
    const { page } = await here.visit();
    await page.goto("/walk/onion-late");
    await ready(page);
    await page.getByRole("radio", { name: "50 %" }).click();
    // no answer that can be tapped is wrong: what another program might send
    await page.evaluate(() => {
      const answers = [...document.querySelectorAll<HTMLInputElement>("input[name=cue-tops-down]")];
      const sent = Object.assign(document.createElement("input"), {
        type: "hidden",
        name: "cue-tops-down",
        value: "140",
      });
      answers[0]?.form?.append(sent);
      for (const answer of answers) answer.removeAttribute("name");
    });
    await page.getByRole("button", { name: /^Save/ }).first().click();
    await page.getByText("tops fallen: a share from 0 to 100 percent").waitFor();
    await page.goto("/plot/plantings/onion-late");
    expect(await page.innerText("main")).not.toContain("140 %");
    await page.context().close();
  });

  it("plans the fortnight before the frost and around the trip", async () => {
    const { page, troubles } = await here.visit();
    await page.goto("/rounds");
    await ready(page);
    await page.getByRole("button", { name: "Replan" }).click();
    await page.getByText(/rounds planned/).waitFor();
    const text = await page.innerText("main");
    expect(text).toMatch(/within \d\.\d % of the best possible/);
    const hours = await page
      .getByLabel("Move to")
      .evaluateAll((all) => (all as HTMLSelectElement[]).map((s) => `${s.value} ${s.selectedOptions[0]?.text ?? ""}`));
    expect(hours.some((h) => h >= "2026-10-06" && h < "2026-10-09")).toBe(true);
    // from Saturday to Wednesday nobody goes but the stand-in
    expect(hours.filter((h) => h >= "2026-10-10" && h < "2026-10-15" && !h.includes("(Bram from next door)"))).toEqual(
      [],
    );
    for (const kind of ["butter flask", "blue storer", "purple pole", "dark green"]) expect(text).toContain(kind);
    expect(troubles).toEqual([]);
    await page.context().close();
  });

  it("moves a round by the keys and by dragging, and the ledger says what it costs", async () => {
    const { page } = await here.visit();
    await page.goto("/rounds");
    await ready(page);
    const before = await page.getByTestId("ledger").innerText();
    const round = page.getByRole("slider").first();
    await round.focus();
    for (let i = 0; i < 7; i++) await page.keyboard.press("ArrowRight");
    // what it changes is shown as soon as the page has the planner's question
    await page
      .getByTestId("ledger")
      .getByText(/[+−][\d.]+ k?g/)
      .first()
      .waitFor();
    const during = await page.getByTestId("ledger").innerText();
    expect(during).not.toBe(before);
    expect(during).toMatch(/lost/);
    expect(Number(/([\d.]+) kg[^\n]*\n+lost/.exec(during)?.[1])).toBeGreaterThan(
      Number(/([\d.]+) k?g[^\n]*\n+lost/.exec(before)?.[1]),
    );
    await page.keyboard.press("Escape");
    expect(await page.getByTestId("ledger").innerText()).toBe(before);
    const box = await round.boundingBox();
    await page.mouse.move((box?.x ?? 0) + (box?.width ?? 0) / 2, (box?.y ?? 0) + 14);
    await page.mouse.down();
    await page.mouse.move((box?.x ?? 0) + 230, (box?.y ?? 0) + 60, { steps: 6 });
    expect(await page.getByTestId("ledger").innerText()).not.toBe(before);
    await page.mouse.up();
    await page.getByText(/Round moved to (Thu 8|Fri 9) Oct/).waitFor();
    expect(await page.innerText("main")).toContain("pinned");
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByText(/Undone: Round moved/).waitFor();
    expect(await page.innerText("main")).not.toContain(", pinned");
    await page.context().close();
  });

  it("goes picking: a wrong weight is refused beside the field, the right one is logged as arithmetic", async () => {
    const { page } = await here.visit();
    await page.goto("/rounds");
    await ready(page);
    await page.getByRole("link", { name: "Go picking" }).first().click();
    await page.getByRole("link", { name: "Weigh" }).first().click();
    await page.waitForURL(/picks\/new/);
    await ready(page);
    await page.getByLabel("On the scale").fill("1.2 kilogramme-ish");
    await page.getByLabel("Note", { exact: true }).fill("kept through the error");
    await page.getByRole("button", { name: "Save the pick" }).click();
    const wrong = page.locator("#gross-error");
    await wrong.waitFor();
    expect(await wrong.innerText()).toMatch(/write it like 1\.25 kg/);
    expect(await page.getByLabel("Note", { exact: true }).inputValue()).toBe("kept through the error");
    await page.getByLabel("On the scale").fill("0.9 kg");
    await page.getByLabel("one slatted crate more").click();
    expect(await page.getByTestId("arithmetic").innerText()).toMatch(/empties weigh 690 g more/);
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.getByText("the empty containers weigh more than the whole load").waitFor();
    await page.getByLabel("On the scale").fill("6.4 kg");
    expect(await page.getByTestId("arithmetic").innerText()).toContain(
      "6.4 kg gross − 1.59 kg slatted crate = 4.81 kg net",
    );
    await page.getByLabel("How much of it").selectOption("some");
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.getByText(/4\.81 kg of .* logged/).waitFor();
    await page.goto("/picks?q=kept+through");
    expect(await page.innerText("main")).toMatch(/1 of \d{3} picks: 4\.81 kg weighed/);
    await page.context().close();
  });

  it("finds, sorts, edits, removes and brings back a pick", async () => {
    const { page } = await here.visit();
    await page.goto("/picks");
    await ready(page);
    await page.getByLabel("Crop", { exact: true }).selectOption("potato");
    await page.waitForURL(/crop=potato/);
    await page.getByRole("link", { name: "Net" }).click();
    await page.locator("th[aria-sort=descending]", { hasText: "Net" }).waitFor();
    const nets = await page.locator("tbody tr td:nth-child(5)").allInnerTexts();
    const grams = nets.map((n) => Number.parseFloat(n) * (n.includes("kg") ? 1000 : 1));
    expect(grams.length).toBeGreaterThan(1);
    expect([...grams].sort((a, b) => b - a)).toEqual(grams);
    await page.locator("tbody tr a").first().click();
    await page.getByLabel("Who", { exact: true }).fill("Tam");
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.getByText(/changed/).waitFor();
    await page.goto("/picks?crop=potato&sort=net");
    await ready(page);
    const count = await page.locator("tbody tr").count();
    await page.locator("tbody tr a").first().click();
    await page.getByRole("button", { name: "Remove" }).click();
    await page.getByText("Pick removed").waitFor();
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByText("Undone: Pick removed").waitFor();
    await page.goto("/picks?crop=potato");
    expect(await page.locator("tbody tr").count()).toBe(count);
    await page.context().close();
  });

  it("gives everything out: CSV, calendar, archive", async () => {
    const { page } = await here.visit();
    const csv = await (await page.request.get("/out/picks.csv")).text();
    expect(csv.split("\r\n")[0]).toContain("date,time,bed,crop,kind");
    expect(csv).toContain("6.4 kg");
    const ics = await (await page.request.get("/out/rounds.ics")).text();
    expect(ics).toMatch(/BEGIN:VCALENDAR[\s\S]*BEGIN:VEVENT[\s\S]*DTSTART:20261006T161500Z/);
    const archive = await (await page.request.get("/out/garden.json")).json();
    expect(archive).toMatchObject({ format: "akmedon-garden", version: 1 });
    expect(archive.picks.length).toBeGreaterThan(100);
    await page.context().close();
  });
});
