import { afterAll, afterEach, beforeAll, describe, expect, it, vi } from "vitest";
import { nightChance } from "#core/weather/ensemble";
import { change } from "#db/change";
import { gardenOf } from "#db/garden";
import { listRounds } from "#db/work";
import { makeDemo } from "../cli/demo";
import { gardenInProcess } from "./garden-in-process";
import { tickOff } from "./jobs/tick.server";
import { roundEvents } from "./rounds/feed.server";
import { loader as roundPage } from "./rounds/round";
import { planAnew, roundsAhead } from "./rounds/rounds.server";
import { changeRounds } from "./rounds/rounds-action.server";
import { roundsView } from "./rounds/rounds-view.server";
import { loader as tripPage } from "./rounds/trip";
import { db, gardenNow } from "./server/garden-now.server";
import { loader as todayPage } from "./today/today";
import { loader as weatherPage } from "./weather/weather";

let garden: ReturnType<typeof gardenInProcess>;
beforeAll(async () => {
  garden = gardenInProcess((dir) => makeDemo(dir, false));
  await planAnew();
});
afterAll(() => garden.end());
afterEach(() => void vi.useRealTimers());

const weatherOf = () => weatherPage({ url: new URL("http://garden/weather") } as never);

describe("one thing has one answer, whoever is asked", () => {
  it("a gale: Today, the weather page, the lanes and the planner's own question", () => {
    const d = gardenNow();
    const gales = d.outlook.days.map((x) => x.hazards.find((h) => h.kind === "gale")?.chance ?? 0);
    expect(Math.max(...gales)).toBeGreaterThan(0.3);
    const { problem } = roundsAhead(d);
    const open = problem.supplies.filter((s) => {
      const cover = d.outlook.plantings.find((p) => p.planting.id === s.plantingId)!.bed.cover;
      return cover === "none" || cover === "fleece";
    });
    expect(open.length).toBeGreaterThan(5);
    const shown = [todayPage().strip, weatherOf().strip].map((strip) =>
      strip.map((x) => x.hazards.find((h) => h.kind === "gale")?.chance ?? 0),
    );
    const lanes = roundsView(d).days.map((x) => x.hazards.find((h) => h.kind === "gale")?.chance ?? 0);
    gales.forEach((chance, k) => {
      if (chance === 0) return;
      for (const s of open) expect(s.days[k]!.galeChance).toBe(chance);
      for (const strip of shown) if (k < strip.length) expect(strip[k]).toBe(chance);
      if (chance >= 0.15 && k < lanes.length) expect(lanes[k]).toBeCloseTo(chance, 3);
    });
  });
  it("a frost in a bed: the weather page's table, the verdict's hazards and the planner", () => {
    const d = gardenNow();
    const { problem } = roundsAhead(d);
    for (const p of d.outlook.plantings) {
      const nights = d.outlook.bedNights.get(p.bed.id)!;
      const supply = problem.supplies.find((s) => s.plantingId === p.planting.id);
      const told = d.outlook.hazardDays(p.bed);
      nights.forEach((night, k) => {
        const kill = nightChance(night, p.crop.weather.killC);
        if (supply?.days[k]) expect(supply.days[k].killChance).toBe(kill);
        if (told[k]) expect(told[k].night).toBe(night);
      });
    }
    const { beds, chosen } = weatherOf();
    const at = d.outlook.days.findIndex((x) => x.weather.day === chosen.day);
    for (const bed of beds) {
      const night = d.outlook.bedNights.get(bed.id)![at]!;
      expect(bed.chance).toBe(nightChance(night, 0));
      for (const g of bed.growing) {
        const { crop } = d.outlook.plantings.find((p) => p.planting.id === g.id)!;
        expect(g.harm).toBe(nightChance(night, crop.weather.killC));
      }
    }
  });
  it("a round while somebody else is away: lanes, Today, its own page and the calendar name who goes", () => {
    const d = gardenNow();
    const trip = d.snapshot.trips.find((t) => t.standIn !== "" && t.toDay >= d.today)!;
    const his = listRounds(db()).filter((r) => r.day >= trip.fromDay && r.day <= trip.toDay);
    expect(his.length).toBeGreaterThan(0);
    for (const r of his) {
      expect(roundsView(d).rounds.find((x) => x.id === r.id)!.by).toBe(trip.standIn);
      const page = roundPage({ params: { roundId: r.id } } as never);
      expect(page.by).toBe(trip.standIn);
      expect(roundEvents(d, null).find((e) => e.id === `round-${r.id}`)!.summary).toContain(`${trip.standIn} goes`);
    }
    for (const r of todayPage().rounds) expect(r.by).toBe(roundsView(d).rounds.find((x) => x.id === r.id)!.by);
  });
  it("a trip: what is past it on return is not said to need nothing before it", () => {
    const lists = tripPage();
    if (!lists.trip || !("past" in lists)) throw new Error("the demo has a trip");
    const before = new Set(
      [...lists.strip!, ...lists.small!, ...lists.take!, ...lists.blush!, ...lists.ask!].map((x) => x.plantingId),
    );
    for (const x of lists.past!) expect(lists.leave!.some((l) => l.plantingId === x.plantingId)).toBe(false);
    expect(before.size).toBeGreaterThan(0);
  });
  it("Today: every round has names and an amount, every look a day or none", () => {
    const today = todayPage();
    expect(today.empty).toBe(false);
    expect(today.rounds.length).toBeGreaterThan(0);
    for (const r of today.rounds) {
      expect(r.names.length).toBeGreaterThan(0);
      for (const name of r.names) expect(name).toMatch(/^[A-Z][\w -]+/);
    }
    for (const l of today.looks) expect(l.since === null || l.since < 400).toBe(true);
  });
});

describe("a plan made while the garden changes", () => {
  it("keeps a pin and a drop of that moment: it is thrown away and made again", async () => {
    const made = planAnew();
    // the plan is being made: meanwhile somebody pins the first round and drops the last
    const [first, ...rest] = roundsAhead(gardenNow()).rounds;
    await changeRounds(gardenNow(), { intent: "pin", roundId: first!.id });
    const last = rest.at(-1)!;
    change(db(), "Nobody is free then", gardenNow().now, (c) => {
      const day = last.day;
      c.put("datedWindows", { id: "busy", day, startsAt: null, minutes: 0 });
    });
    await made;
    const now = listRounds(db());
    expect(now.find((r) => r.id === first!.id)).toMatchObject({ pinned: true, day: first!.day });
    expect(now.some((r) => r.day === last.day)).toBe(false);
  });
});

describe("the moment", () => {
  it("is judged by the hour and written down by the minute", () => {
    const pinned = gardenOf(db());
    change(db(), "The clock runs", gardenNow().now, (c) =>
      c.put("garden", { ...pinned, pinnedNow: null, timeZone: "UTC" }),
    );
    vi.useFakeTimers({ toFake: ["Date"] });
    vi.setSystemTime(new Date("2026-10-06T10:05:00Z"));
    const judged = gardenNow().outlook;
    vi.setSystemTime(new Date("2026-10-06T10:52:00Z"));
    expect(tickOff({ id: "kit gloves" })).toEqual({ ok: true });
    expect(gardenNow().snapshot.ticks.find((t) => t.id === "kit gloves")!.at).toBe("2026-10-06T10:52");
    vi.setSystemTime(new Date("2026-10-06T10:58:00Z"));
    expect(gardenNow().now).toBe("2026-10-06T10:58");
    expect(gardenNow().outlook.now.slice(0, 13)).toBe(judged.now.slice(0, 13));
  });
});
