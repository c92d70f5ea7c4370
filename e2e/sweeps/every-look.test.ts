import { readFileSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "playwright-core";
import { describe, expect, it } from "vitest";
import { ROOT, ready, withGarden } from "../garden";

const here = withGarden("demo");
const AXE = readFileSync(join(ROOT, "node_modules", "axe-core", "axe.min.js"), "utf8");

const PAGES = [
  "/",
  "/walk",
  "/walk/tom-wall",
  "/walk/practice",
  "/walk/order",
  "/rounds",
  "/rounds/what-if?colderC=2",
  "/rounds/stand-in",
  "/rounds/assumptions",
  "/rounds/meal",
  "/jobs",
  "/picks",
  "/picks/new",
  "/picks/several",
  "/picks/import",
  "/picks/calendar",
  "/picks/sheet",
  "/picks?group=week",
  "/changes",
  "/keep",
  "/keep/places",
  "/keep/labels",
  "/keep/dishes",
  "/keep/lots/on-26-1",
  "/season",
  "/season/lessons",
  "/season/compare?crop=tomato",
  "/season/rhythm",
  "/season/weeks",
  "/season/beds",
  "/season/sowings",
  "/season/seeds",
  "/season/next",
  "/season/right",
  "/season/report",
  "/rounds/trip",
  "/settings/household",
  "/plot/labels",
  "/plot/plantings/tom-wall/line",
  "/plot",
  "/start",
  "/parts",
  "/plot/draw",
  "/plot/beds/wall",
  "/plot/beds/new",
  "/plot/plantings/tom-wall",
  "/plot/plantings/tom-wall?edit",
  "/weather",
  "/weather/record",
  "/handbook",
  "/handbook/bulb-onion",
  "/handbook/peach/change",
  "/settings",
  "/settings/backups",
  "/settings/devices",
  "/settings/troubles",
  "/nowhere-at-all",
];

/** One page takes two or three seconds. A browser that gives no answer at all is asked once more, in a new window. */
const A_PAGE = { timeout: 90_000, retry: 1 };

/**
 * What axe finds on the page as it stands.
 * @param rules only these; else every rule it has, those of good practice too
 */
async function faultsOf(page: Page, rules: string[] = []): Promise<string[]> {
  await ready(page);
  await page.evaluate(`(() => { if (!window.axe) { ${AXE}; window.axe = axe; } })()`).catch(() => page.evaluate(AXE));
  return page.evaluate(async (only) => {
    const run = (
      window as unknown as {
        axe: { run(options: object): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> };
      }
    ).axe;
    const { violations } = await run.run(only.length > 0 ? { runOnly: { type: "rule", values: only } } : {});
    return violations.map((v) => `${v.id}: ${v.nodes[0]?.html.slice(0, 160)}`);
  }, rules);
}

/** What stands out beyond the right edge of the window. */
const sideways = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    document.documentElement.scrollWidth <= window.innerWidth
      ? []
      : [...document.querySelectorAll("main *")]
          .filter((e) => e.getBoundingClientRect().right > window.innerWidth + 1)
          .slice(0, 5)
          .map((e) => e.outerHTML.slice(0, 160)),
  );

/** Pictures whose parts can be pressed too; the same is had by a list or a link beside them. */
const PICTURES = "[data-picture]";
const GLOVE_PX = 48;

/** Targets that a gloved thumb would miss: less than 48 px in height or width, links within a sentence apart. */
const tooSmall = (page: Page): Promise<string[]> =>
  page.evaluate(
    ([least, pictures]) => {
      const pressed =
        "a[href], button, input:not([type=hidden], [aria-hidden=true]), select, textarea, summary, [role=checkbox]";
      return [...document.querySelectorAll<HTMLElement>(pressed)].flatMap((e) => {
        const style = getComputedStyle(e);
        const own = e.getBoundingClientRect();
        const within = style.display === "inline" || e.closest(pictures) || own.left < -100;
        if (within || own.width === 0 || style.visibility === "hidden" || style.opacity === "0") return [];
        const label = e.matches("[type=checkbox], [type=radio], [type=file]") ? e.closest("label") : null;
        const { width, height } = (label ?? e).getBoundingClientRect();
        return Math.min(width, height) >= least - 0.5
          ? []
          : [`${Math.round(width)} x ${Math.round(height)}: ${e.outerHTML.slice(0, 140)}`];
      });
    },
    [GLOVE_PX, PICTURES] as const,
  );

/** Turns a page to another look; its colours come over at once, since nothing moves here (see `still`). */
const turnTo = (page: Page, look: string): Promise<void> =>
  page.evaluate((mode) => {
    document.documentElement.dataset.mode = mode;
  }, look);

/**
 * A page on which nothing moves. Waiting for drawn frames or for the end of a change of colours has no bound:
 * a browser that has nothing to draw may never tell of either.
 */
async function still(size: { width: number; height: number }, mode = "paper") {
  const seen = await here.visit(size);
  await seen.page.emulateMedia({ reducedMotion: "reduce" });
  await seen.context.addCookies([{ name: "ak-mode", value: mode, url: here.garden.address }]);
  return seen;
}

const PHONE = { width: 320, height: 640 };

describe("every page at the table asks no other host, breaks no policy, and has no accessibility fault", () => {
  it.each(PAGES)("%s", A_PAGE, async (path) => {
    const { page, context, troubles, outside } = await still({ width: 1280, height: 800 });
    await page.goto(path);
    expect(await faultsOf(page)).toEqual([]);
    expect(outside).toEqual([]);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe("every page on the smallest phone: nothing sideways, nothing too small for a glove, no fault, readable in every look", () => {
  it.each(PAGES)("%s", A_PAGE, async (path) => {
    const { page, context } = await still(PHONE);
    await page.goto(path);
    expect(await faultsOf(page)).toEqual([]);
    expect(await sideways(page)).toEqual([]);
    expect(await tooSmall(page)).toEqual([]);
    // a look changes colours and lines, not what stands where: that is shown below
    for (const look of ["sunlight", "night"]) {
      await turnTo(page, look);
      expect(await faultsOf(page, ["color-contrast"]), look).toEqual([]);
      expect(await sideways(page), look).toEqual([]);
    }
    await context.close();
  });
});

describe("every page", () => {
  it.each(["sunlight", "night"])("comes from the server in the look for %s without a fault", async (look) => {
    const { page, context } = await still(PHONE, look);
    for (const path of ["/", "/rounds", "/walk/tom-wall"]) {
      await page.goto(path);
      expect(await page.locator("html").getAttribute("data-mode")).toBe(look);
      expect(await faultsOf(page), path).toEqual([]);
      expect(await tooSmall(page), path).toEqual([]);
    }
    await context.close();
  });
  it("comes with the style of everything drawn in it: nothing moves under a finger when its scripts arrive", async () => {
    for (const path of PAGES) {
      const html = (await (await fetch(here.garden.address + path)).text()).replace(
        /<noscript[\s\S]*?<\/noscript>/g,
        "",
      );
      const styled = new Set(
        [...html.matchAll(/data-emotion="ak([^"]*)"/g)].flatMap((m) =>
          m[1]!
            .trim()
            .split(" ")
            .map((id) => `ak-${id}`),
        ),
      );
      const worn = [...html.matchAll(/ class="([^"]*)"/g)].flatMap((m) =>
        m[1]!.split(" ").filter((c) => /^ak-\w+$/.test(c)),
      );
      expect(worn.length, path).toBeGreaterThan(20);
      expect(
        [...new Set(worn)].filter((c) => !styled.has(c)),
        path,
      ).toEqual([]);
    }
  });
});
