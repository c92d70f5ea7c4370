import { describe, expect, it } from "vitest";
import { forget, ready, serveGarden, visit, withGarden } from "../garden";

const here = withGarden("demo");

describe("in the garden, at 390 x 844", () => {
  it("from opening a bed to the next bed in four taps", async () => {
    const { page } = await here.visit({ width: 390, height: 844 });
    await page.goto("/walk");
    await ready(page);
    await page.getByRole("link", { name: "Begin" }).click(); // the bed is open
    await page.waitForURL(/walk\/let-frame/);
    await ready(page);
    await page
      .locator("label", { has: page.locator("input[name=cue-leaf-length]") })
      .nth(3)
      .click();
    await page
      .locator("label", { has: page.locator("input[name=cue-heart]") })
      .nth(1)
      .click();
    await page.getByRole("button", { name: "Save, next" }).click();
    await page.waitForURL(/walk\/let-tunnel/);
    await page.getByRole("button", { name: "Nothing new, next" }).click();
    await page.waitForURL(/walk\/tom-tunnel/);
    await page.goto("/walk");
    await ready(page);
    expect(await page.innerText("main")).toContain("2 of 16 plantings looked at today.");
    const more = page.getByRole("button", { name: "More" });
    await more.click();
    await page.getByRole("menuitem", { name: "Handbook" }).waitFor();
    await page.keyboard.press("Escape");
    await page.getByRole("menuitem", { name: "Handbook" }).waitFor({ state: "detached" });
    // the focus is back where it came from
    await page.waitForFunction(() => document.activeElement?.textContent === "More");
    await more.click();
    await page.getByRole("menuitem", { name: "Handbook" }).click();
    await page.waitForURL(/handbook/);
    await page.context().close();
  });
  it("turns to the sunlight look and stays there", async () => {
    const { page } = await here.visit({ width: 390, height: 844 });
    await page.goto("/walk");
    await ready(page);
    await page.getByRole("button", { name: "Change the look to sunlight" }).click();
    await page.locator("html[data-mode=sunlight]").waitFor();
    await page.goto("/");
    expect(await page.locator("html").getAttribute("data-mode")).toBe("sunlight");
    await page.context().close();
  });
});

describe("by the keyboard alone", () => {
  it("goes to a part, answers a cue, saves, and opens the sheet of keys", async () => {
    const { page } = await here.visit();
    await page.goto("/");
    await ready(page);
    await page.keyboard.press("g");
    await page.keyboard.press("w");
    await page.waitForURL(/\/walk$/);
    await page.goto("/walk/tom-wall");
    await ready(page);
    await page.keyboard.press("4"); // pink
    await page
      .getByText(/colour: pink, 30–60 % \(today\)/)
      .first()
      .waitFor();
    await page.keyboard.press("Enter");
    await page.getByText("Looked at Slicing tomato ‘red slicer’").waitFor();
    await page.keyboard.press("?");
    await page.getByRole("heading", { name: "Keys" }).waitFor();
    await page.keyboard.press("Escape");
    await page.keyboard.press("n");
    await page.waitForURL(/picks\/new/);
    await page.context().close();
  });
  it("reaches every control of the pick form by Tab, visibly focused", async () => {
    const { page } = await here.visit();
    await page.goto("/picks/new");
    await ready(page);
    await page.keyboard.type("2 kg");
    const seen = new Set<string>();
    for (let i = 0; i < 60; i++) {
      await page.keyboard.press("Tab");
      const at = await page.evaluate(() => {
        const e = document.activeElement as HTMLElement | null;
        return {
          name: e?.getAttribute("name") ?? e?.innerText ?? "",
          outline: e ? getComputedStyle(e).outlineStyle : "",
        };
      });
      seen.add(at.name.trim());
      if (at.name === "extent") expect(at.outline).toBe("solid");
      if (at.name.trim() === "Save the pick") break;
    }
    for (const name of ["count", "Other containers", "extent", "grade", "method", "at", "by", "note", "Save the pick"])
      expect(seen).toContain(name);
    await page.keyboard.press("Enter");
    await page.getByText(/2 kg of .* logged/).waitFor();
    await page.context().close();
  });
});

describe("pages used in the garden", () => {
  it("shows where the keyboard is at every stop of the pages used in the garden", async () => {
    const { page } = await here.visit({ width: 390, height: 844 });
    for (const path of ["/", "/walk", "/walk/tom-wall", "/rounds", "/picks/new", "/keep", "/jobs"]) {
      await page.goto(path);
      await ready(page);
      const stops = new Set<string>();
      for (let i = 0; i < 200; i++) {
        await page.keyboard.press("Tab");
        const at = await page.evaluate(() => {
          const e = document.activeElement;
          if (!e || e === document.body) return null;
          // a box drawn by its label shows the focus there
          const seen = [e, e.closest("label"), e.nextElementSibling].some(
            (x) => x && getComputedStyle(x).outlineStyle !== "none" && getComputedStyle(x).outlineWidth !== "0px",
          );
          return { seen, name: e.outerHTML.slice(0, 160) };
        });
        if (!at || (stops.has(at.name) && i > 150)) break;
        stops.add(at.name);
        expect(at.seen, `${path}: ${at.name}`).toBe(true);
      }
      expect(stops.size, path).toBeGreaterThan(8);
    }
    await page.context().close();
  });
  it("is dark on a device that wishes so, light when told paper, and light out of a printer", async () => {
    const { page } = await here.visit();
    const ground = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
    await page.emulateMedia({ colorScheme: "dark" });
    await page.goto("/settings");
    await ready(page);
    const dark = await ground();
    await page.emulateMedia({ colorScheme: "light" });
    const light = await ground();
    expect(dark).not.toBe(light);
    await page.emulateMedia({ colorScheme: "dark" });
    const words = () =>
      page.evaluate(() => getComputedStyle(document.documentElement).getPropertyValue("--ak-colors-ink"));
    const onScreen = await words();
    await page.emulateMedia({ media: "print" });
    expect(await words()).not.toBe(onScreen);
    await page.emulateMedia({ media: "screen" });
    await page.getByRole("button", { name: "paper", exact: true }).click();
    await page.locator("html[data-mode=paper]").waitFor();
    expect(await ground()).toBe(light);
    await page.context().close();
  });
  it("answers nonsense with a page that says so", async () => {
    const { page } = await here.visit();
    for (const path of ["/rounds/nothing", "/walk/nothing", "/picks/nothing", "/handbook/moonfruit", "/no/such/page"]) {
      const response = await page.goto(path);
      expect(response?.status(), path).toBe(404);
      expect(await page.innerText("h1")).toBe("Nothing grows here");
    }
    await page.context().close();
  });
  it("logs a pick before scripts load", async () => {
    const { page } = await here.visit({ scripts: false });
    await page.goto("/picks/new?planting=kale-curly");
    await page.getByLabel("On the scale").fill("450 g");
    await page.getByLabel("Note", { exact: true }).fill("no scripts");
    await page.getByRole("button", { name: "Save the pick" }).click();
    await page.goto("/picks?q=no+scripts");
    expect(await page.innerText("main")).toContain("450 g");
    await page.context().close();
  });
});

describe("what is refused", () => {
  const post = (headers: Record<string, string>, body = "intent=plan") =>
    fetch(`${here.garden.address}/rounds`, {
      method: "POST",
      headers: { "Content-Type": "application/x-www-form-urlencoded", ...headers },
      body,
      redirect: "manual",
    });
  it("a change from another site, or from nowhere", async () => {
    expect((await post({ Origin: "https://elsewhere.example" })).status).toBe(403);
    expect((await post({ Origin: here.garden.address, "Sec-Fetch-Site": "cross-site" })).status).toBe(403);
    expect((await post({})).status).toBe(403);
  });
  it("a body that is too large", async () => {
    expect((await post({ Origin: here.garden.address }, `intent=plan&x=${"y".repeat(300_000)}`)).status).toBe(413);
  });
  it("every page carries a policy with a fresh nonce and no outside source", async () => {
    const policies = await Promise.all(
      [1, 2].map(async () => (await fetch(here.garden.address)).headers.get("content-security-policy") ?? ""),
    );
    expect(policies[0]).toMatch(/script-src 'self' 'nonce-[^']+'/);
    expect(policies[0]).not.toBe(policies[1]);
    expect(policies[0]).not.toMatch(/https?:/);
  });
});

it("a demo started again keeps what was entered; --fresh begins anew", async () => {
  const first = await serveGarden("demo");
  const { page } = await visit(here.browser, first.address);
  await page.goto("/picks/new?planting=kale-curly");
  await ready(page);
  await page.getByLabel("On the scale").fill("333 g");
  await page.getByLabel("Note", { exact: true }).fill("before the restart");
  await page.getByRole("button", { name: "Save the pick" }).click();
  await page.getByText("333 g of Kale ‘curly green’ logged").waitFor();
  await page.context().close();
  await first.stop();
  const again = await serveGarden("demo", first.dataDir);
  expect(await (await fetch(`${again.address}/out/picks.csv`)).text()).toContain("before the restart");
  await again.stop();
  const fresh = await serveGarden("demo", first.dataDir, ["--fresh"]);
  expect(await (await fetch(`${fresh.address}/out/picks.csv`)).text()).not.toContain("before the restart");
  await fresh.stop();
  forget(fresh);
}, 600_000);
