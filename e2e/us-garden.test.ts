import { describe, expect, it } from "vitest";
import { withGarden } from "./garden";

const here = withGarden("demo");

/** A garden that measures in pounds, feet and degrees Fahrenheit. */
async function toUs(): Promise<void> {
  const answer = await fetch(`${here.garden.address}/settings`, {
    method: "POST",
    redirect: "manual",
    headers: { origin: here.garden.address },
    body: new URLSearchParams({
      ...{ intent: "garden", name: "Ridge", place: "", latitudeDeg: "52.4", longitudeDeg: "-2.7", elevationM: "148" },
      ...{ timeZone: "Europe/London", units: "us", coins: "us", plotWidthM: "59 ft", plotLengthM: "42 ft 8 in" },
      ...{ hourWorth: "1.8", roundMinutes: "12", lineMinutes: "3", pickers: "1", eaters: "3" },
    }),
  });
  expect(answer.status).toBe(302);
}

/** What a page says in its main part. */
async function wordsOf(path: string): Promise<{ words: string; links: string[] }> {
  const html = await (await fetch(here.garden.address + path)).text();
  const main = html.slice(html.indexOf("<main"));
  const words = main
    .replace(/<(script|style)[\s\S]*?<\/\1>/g, " ")
    .replace(/<[^>]+>/g, " ")
    .replace(/\s+/g, " ");
  const links = [...html.matchAll(/href="(\/[^"#?]*)/g)].map((m) => m[1]!);
  return { words, links: links.filter((l) => !/^\/(out|assets|photos|undo|feed)|\.\w+$/.test(l)) };
}

const METRIC =
  /(?<![\w.])\d[\d.,–]*\s?(?:°C(?!·)|kg|g|mm|cm|m|km\/h|m²|m\/s|metres?|litres?|l)(?![\w²·])|\b(?:litres?|(?:centi|milli|kilo)metres?)\b/g;
/**
 * Figures that stand in both systems (cautions), what seed is weighed in, how a weight may be typed, the choice of units
 * itself, and what the gardener has noted.
 */
const BOTH =
  /[\d.–]+ (?:kg|°C|km\/h) \([^)]*(?:lb|°F|mph)[^)]*\)|\d+(?:\.\d+)? g(?= (?:this|last) year)|\(1\.2 kg, 2 lb 3 oz|kilos, centimetres, °C|half-litre tubs/g;

/** A date with its day before its month; marks along an axis ("Jul 1 Aug 1") and days as files have them are none. */
const DAY_FIRST =
  /(?<!(?:Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec) |[\d-])\d{1,2} (?:Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec)\b/g;

describe("a US garden", () => {
  it("is told in US units on every page", async () => {
    await toUs();
    const seen = new Set<string>();
    const todo = [
      "/",
      "/plot/beds/new",
      "/plot/draw",
      "/settings/devices",
      "/plot/plantings/new",
      "/season/sowings",
      "/rounds/meal",
      "/plot/plantings/cou-lower/line",
    ];
    const found: string[] = [];
    const kinds = new Map<string, number>();
    while (todo.length > 0 && seen.size < 110) {
      const path = todo.shift()!;
      // a dozen pages of one kind tell what the others would
      const kind = path.replace(/^(\/[a-z-]+\/?(?:plantings|lots|beds)?).*/, "$1");
      if (seen.has(path) || (kinds.get(kind) ?? 0) >= 14) continue;
      kinds.set(kind, (kinds.get(kind) ?? 0) + 1);
      seen.add(path);
      const { words, links } = await wordsOf(path);
      todo.push(...links);
      const told = words.replace(BOTH, " ");
      for (const hit of [...told.matchAll(METRIC), ...told.matchAll(DAY_FIRST)])
        found.push(`${path}: ${told.slice(Math.max(0, hit.index - 40), hit.index + 20)}`);
    }
    expect(seen.size).toBeGreaterThan(60);
    expect(found).toEqual([]);
  });
  it("takes feet and inches as they are typed, and shows them so", async () => {
    await toUs();
    const { page } = await here.visit();
    await page.goto("/plot/beds/new");
    await page.getByLabel("Name", { exact: true }).fill("By the gate");
    await page.getByLabel("East to west").fill("3 ft 6 in");
    await page.getByLabel("South to north").fill("8");
    await page.getByRole("button", { name: "Save, then plant it" }).click();
    await page.waitForURL(/plantings\/new\?bed=/);
    await page.goto("/plot");
    expect(await page.innerText("main")).toContain("28 sq ft");
  });
});
