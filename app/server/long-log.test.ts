import Database from "better-sqlite3";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { cropOf } from "#core/handbook/index";
import { placesWithLots } from "#core/keeping/room";
import { outlookOf } from "#core/planning/outlook";
import { picksInHouse, picksLately, picksOf, picksSince, weighedAgain } from "#core/weighing/by-planting";
import { blankPick } from "#core/weighing/pick";
import { loggedFrom, pickedFrom } from "#core/weighing/pick-log";
import { bookOf } from "#core/weighing/taught-book";
import { change } from "#db/change";
import { readLogOn, snapshotOf } from "#db/garden";
import { databaseFile, openGarden } from "#db/open";
import { makeDemo } from "../../cli/demo";
import { gardenInProcess } from "../garden-in-process";
import { loader as keepPage } from "../keep/keep";
import { stillOfUse } from "../keep/still-of-use.server";
import { bytesOf, tidyUp } from "../memory-held";
import { loader as pickPage } from "../picks/pick";
import { logOf } from "../picks/picks.server";
import { loader as plotPage } from "../plot/plot";
import { loader as roundsPage } from "../rounds/rounds";
import { loader as todayPage } from "../today/today";
import { loader as walkPage } from "../walk/walk";
import { loader as weatherPage } from "../weather/weather";
import { gardenNow } from "./garden-now.server";

const AT = "2026-10-06T15:30";
const SEASONS = 12;
const A_SEASON = 1000;
/** Twelve ended seasons of a thousand picks before the demo's own: some weighed twice, one of which a jar is still told. */
function withManySeasons(dir: string) {
  makeDemo(dir, false);
  const db = openGarden(dir);
  const { plantings } = snapshotOf(db);
  const like = plantings.find((p) => p.cropId === "onion-bulb") ?? plantings[0]!;
  change(db, "long ago", AT, (c) => {
    for (let k = 0; k < SEASONS; k++)
      c.put("plantings", { ...like, id: `old-${k}`, startedOn: `${2008 + k}-04-01`, endedOn: `${2008 + k}-09-30` });
    for (let k = 0; k < SEASONS * A_SEASON; k++) {
      const year = 2008 + Math.floor(k / A_SEASON);
      const day = `${year}-0${6 + (k % 3)}-${String(1 + (k % 28)).padStart(2, "0")}`;
      const again = k % 400 === 0 ? { againG: 700, againHow: "dried" as const } : {};
      c.put(
        "picks",
        blankPick({ id: `o${k}`, plantingId: `old-${year - 2008}`, at: `${day}T09:00`, grossG: 900, ...again }),
      );
    }
    for (const p of plantings.filter((x) => x.endedOn === null))
      c.put("picks", blankPick({ id: `first of ${p.id}`, plantingId: p.id, at: "2014-07-01T09:00", grossG: 400 }));
    c.put("lotEvents", {
      ...{ id: "told", lotId: "o11900.a", at: "2026-05-01T10:00", kind: "check", massG: null, placeId: null },
      ...{ toLot: null, who: "", cause: "", ready: null, how: null, outG: null, until: null, note: "still sound" },
    });
  });
  db.$client.prepare("update picks set at = '2010-02-31T09:00' where id = 'o2500'").run();
  db.$client.close();
}

let here: ReturnType<typeof gardenInProcess>;
beforeAll(() => {
  here = gardenInProcess(withManySeasons);
});
afterAll(() => here.end());

const url = (path: string) => ({
  url: new URL(`http://garden${path}`),
  params: {},
  request: new Request(`http://garden${path}`),
});
const PAGES = {
  "/": () => todayPage(),
  "/walk": () => walkPage(),
  "/rounds": () => roundsPage(url("/rounds") as never),
  "/keep": () => keepPage(),
  "/plot": () => plotPage(),
  "/weather": () => weatherPage(url("/weather") as never),
  "/picks/new": () => pickPage(url("/picks/new") as never),
};
const drawn = (page: keyof typeof PAGES) => JSON.stringify(PAGES[page]());

describe("a log of many seasons", () => {
  it("lies unread while the pages of the day are drawn, and they say the same when all of it is read", () => {
    const { snapshot } = gardenNow();
    const before = new Map<string, string>();
    for (const page of Object.keys(PAGES) as (keyof typeof PAGES)[]) {
      before.set(page, drawn(page));
      expect(snapshot.atHand, page).toBeDefined();
    }
    expect(snapshot.atHand!.picks.length).toBeLessThan(2000);
    expect(logOf(snapshot).entries.length).toBeGreaterThan(SEASONS * A_SEASON);
    expect(snapshot.atHand).toBeUndefined();
    for (const page of Object.keys(PAGES) as (keyof typeof PAGES)[]) expect(drawn(page), page).toBe(before.get(page));
  });

  it("once it is read, what is wrong in it is told", () => {
    expect(todayPage().aside).toEqual([]);
    const served = globalThis as { akmedonReadOn?: () => boolean };
    expect(served.akmedonReadOn!()).toBe(true);
    expect(served.akmedonReadOn).toBeUndefined();
    expect(gardenNow().snapshot.atHand).toBeUndefined();
    expect(todayPage().aside).toContainEqual(expect.objectContaining({ date: "2010-02-31T09:00" }));
  });

  it("answers from what is at hand as all of it does", () => {
    const cold = openGarden(here.dir);
    const hand = snapshotOf(cold);
    const whole = { ...snapshotOf(openGarden(here.dir)), atHand: undefined };
    expect(hand.atHand).toBeDefined();
    for (const p of whole.plantings.filter((x) => x.endedOn === null || x.endedOn > "2025"))
      expect(picksOf(hand, p.id)).toEqual(picksOf(whole, p.id));
    for (const day of ["2024-12-01", "2026-07-01", "2026-10-06T12:00"])
      expect(picksSince(hand, day)).toEqual(picksSince(whole, day));
    expect(weighedAgain(whole).length).toBeGreaterThanOrEqual(30);
    expect(weighedAgain(hand)).toEqual(weighedAgain(whole));
    expect(picksLately(hand, 20)).toEqual(picksLately(whole, 20));
    expect(picksInHouse(hand, "2015-01-01", "2025-06-01").some((p) => p.id === "o11900")).toBe(true);
    expect(placesWithLots(hand, bookOf(hand), "2026-10-06")).toEqual(
      placesWithLots(whole, bookOf(whole), "2026-10-06"),
    );
    expect(stillOfUse(hand, "2026-10-06")).toEqual(stillOfUse(whole, "2026-10-06"));
    expect({ ...outlookOf(hand, AT), hazardDays: 0 }).toEqual({ ...outlookOf(whole, AT), hazardDays: 0 });
    expect(hand.atHand).toBeDefined();
    // what is not at hand is read
    expect(picksOf(hand, "old-0")).toHaveLength(A_SEASON);
    expect(hand.atHand).toBeUndefined();
    cold.$client.close();
  });

  it("holds nothing of the log before it, however many picks are logged", async () => {
    let { snapshot } = gardenNow();
    const logs = Array.from({ length: 5 }, (_, k) => {
      const one = blankPick({ id: `n${k}`, plantingId: "tom-wall", at: AT, grossG: 500 });
      snapshot = { ...snapshot, picks: [...snapshot.picks, one] };
      const log = logOf(snapshot);
      expect(log.asked().totals.picks).toBe(log.entries.length);
      return new WeakRef(log.entries);
    });
    // what a weak reference points to is held to the end of the turn in which it was made
    await new Promise((resolve) => setImmediate(resolve));
    tidyUp();
    expect(logs.map((log) => log.deref() !== undefined)).toEqual([false, false, false, false, true]);
  });

  it("takes little memory for each pick: its own figures, and pointers to names that all of a planting share", () => {
    const from = pickedFrom({ kind: "red slicer" }, cropOf("tomato"), "South wall");
    const pick = blankPick({ grossG: 1000.5, at: AT });
    const n = 20_000;
    expect(bytesOf(() => Array.from({ length: n }, () => loggedFrom(pick, from))) / n).toBeLessThan(200);
  });

  it("is read a portion at a time, and whole though picks are logged in between, here and elsewhere", () => {
    const db = openGarden(here.dir);
    const told = (snapshot: { picks: readonly { id: string }[] }) => snapshot.picks.map((p) => p.id);
    const truth = () => {
      const raw = new Database(databaseFile(here.dir), { readonly: true });
      const ids = raw.prepare("select id from picks where at <> '2010-02-31T09:00' order by at, id").pluck().all();
      raw.close();
      return ids;
    };
    const { plantings } = snapshotOf(db);
    const more = (id: string, at: string) => blankPick({ id, plantingId: plantings[0]!.id, at, grossG: 500 });
    expect(readLogOn(db)).toBe(false);
    change(db, "here", AT, (c) => c.put("picks", more("here", "2009-07-01T08:00")));
    expect(readLogOn(db)).toBe(false);
    const other = openGarden(here.dir);
    change(other, "elsewhere", AT, (c) => c.remove("picks", "o5"));
    other.$client.close();
    let portions = 1;
    while (!readLogOn(db)) portions += 1;
    expect(portions).toBeGreaterThan(2);
    expect(told(snapshotOf(db))).toEqual(truth());
    expect(told(snapshotOf(db))).toContain("here");
    // what is written once it is read is read by itself
    change(db, "again", AT, (c) => c.put("picks", more("again", "2010-07-01T08:00")));
    expect(readLogOn(db)).toBe(true);
    expect(told(snapshotOf(db))).toEqual(truth());
    db.$client.close();
  });
});
