import { describe, expect, it } from "vitest";
import { bed, plainWeather, planting } from "../fixtures/garden";
import { cropOf } from "../handbook";
import { blankPick, type PickRecord } from "../weighing/pick";
import { type LoggedPick, logged } from "../weighing/pick-log";
import { figuresOf, keptPromises } from "./planting-figures";
import { drawnTogether, ownEvents, timelineOf, weatherEvents } from "./timeline";
import { sayOffRange, sayOwnEvent, sayWeatherEvent } from "./words";

const tomato = cropOf("tomato");
const entry = (over: Partial<PickRecord>, kind = "red slicer", crop = tomato, where = "South wall"): LoggedPick =>
  logged(blankPick({ grossG: 1000, at: "2026-08-10T18:00", ...over }), { kind }, crop, where);

describe("what a planting came to", () => {
  const p = planting("tomato", {
    startedOn: "2026-05-20",
    startedHow: "transplanted",
    plants: 4,
    packetMinDays: 70,
    packetMaxDays: 80,
  });
  const picks = ["2026-08-01", "2026-08-05", "2026-08-05", "2026-08-13"].map((day, i) =>
    entry({ id: `p${i}`, at: `${day}T18:00`, minutes: 6, grossG: 1500 }),
  );
  const f = figuresOf(p, bed(), tomato, picks);
  it("days to the first pick stand against the packet's range", () => {
    expect([f.daysToFirst, f.offRange]).toEqual([73, 0]);
    expect(sayOffRange(f)).toBe("first picked on day 73; the range is 70 to 80: within it");
    const late = { ...p, packetMinDays: 40, packetMaxDays: 49 };
    expect(sayOffRange(figuresOf(late, bed(), tomato, picks))).toContain("24 days past it");
    expect(sayOffRange(figuresOf(p, bed(), tomato, [entry({ at: "2026-07-28T08:00" })]))).toContain("1 day before it");
    expect(sayOffRange(figuresOf(p, bed(), tomato, []))).toBe("not picked yet");
  });
  it("without a packet the handbook's range is taken, and a test or tops are no first pick", () => {
    const bare = { ...p, packetMinDays: null, packetMaxDays: null };
    expect(figuresOf(bare, bed(), tomato, picks).range).toEqual(tomato.days.transplanted);
    const early = [entry({ at: "2026-07-01T08:00", purpose: "test" }), entry({ at: "2026-07-02T08:00", part: "tops" })];
    expect(figuresOf(p, bed(), tomato, [...early, ...picks]).first).toBe("2026-08-01");
  });
  it("rhythm, yield by plant and minutes for a kilo, worked by hand", () => {
    expect(f.interval).toEqual({ median: 6, longest: 8, gaps: 2 });
    expect(f.perPlantG).toBe(1500);
    expect(f.perMetreG).toBeNull();
    expect(f.perM2G).toBeNull();
    expect(f.minutesPerKg).toBeCloseTo(4, 9);
    const rows = figuresOf({ ...p, plants: null, rowM: 3 }, bed(), tomato, picks);
    expect(rows.perMetreG).toBe(2000);
    const whole = figuresOf({ ...p, plants: null }, bed({ widthM: 1.5, lengthM: 4 }), tomato, picks);
    expect(whole.perM2G).toBe(1000);
  });
  it("expected against got over the rounds gone", () => {
    expect(keptPromises([])).toBeNull();
    expect(
      keptPromises([
        { day: "2026-08-01", expectedG: 1000, gotG: 600 },
        { day: "2026-08-05", expectedG: 1000, gotG: 1000 },
      ]),
    ).toEqual({ expectedG: 2000, gotG: 1600, ratio: 0.8 });
  });
});

describe("a planting's time line", () => {
  const p = planting("tomato", { startedOn: "2026-05-20", endedOn: "2026-10-01" });
  const weather = plainWeather("2026-05-01", 180).map((d) => {
    if (d.day === "2026-09-10" || d.day === "2026-09-11") return { ...d, gustMs: 21 };
    if (d.day === "2026-09-20") return { ...d, tempMinC: -2, cloudPct: 0, windMs: 0 };
    if (d.day === "2026-04-30" || d.day === "2026-10-05") return { ...d, rainMm: 60 };
    return d;
  });
  it("tells frost, gales and downpours of its own days only, as its bed felt them", () => {
    const open = weatherEvents(p, bed(), tomato, weather, [], "2026-10-06");
    expect(open.map((e) => [e.day, sayWeatherEvent(e, "metric")])).toEqual([
      ["2026-09-10", "gusts of 76 km/h"],
      ["2026-09-11", "gusts of 76 km/h"],
      ["2026-09-20", "−2 °C in the bed at night: cold enough to lose it"],
    ]);
    const covered = weatherEvents(
      p,
      bed(),
      tomato,
      weather,
      [{ id: "c", bedId: "bed", day: "2026-09-20" }],
      "2026-10-06",
    );
    expect(sayWeatherEvent(covered.at(-1)!, "metric")).toContain("covered: it was chilled");
    expect(weatherEvents(p, bed({ cover: "greenhouse" }), tomato, weather, [], "2026-10-06").map((e) => e.day)).toEqual(
      ["2026-09-20"],
    );
  });
  it("runs of the same weather are told once; the rest stays as it is", () => {
    const open = drawnTogether(weatherEvents(p, bed(), tomato, weather, [], "2026-10-06"));
    expect(open.map((e) => sayWeatherEvent(e, "metric"))).toEqual([
      "gusts of 76 km/h, and so for 2 days",
      "−2 °C in the bed at night: cold enough to lose it",
    ]);
  });
  it("latest first, the start at the bottom, in a day the look before the pick", () => {
    const own = ownEvents(p, [
      { id: "t", plantingId: p.id, day: "2026-07-01", kind: "feed", product: "comfrey", waitDays: 0, note: "" },
    ]).map((e) => ({ ...e, id: null, words: e.kind === "treatment" ? e.treatment.product : sayOwnEvent(e) }));
    const line = timelineOf([
      ...own,
      { day: "2026-08-01", kind: "pick", words: "Picked", id: "x" },
      { day: "2026-08-01", kind: "look", words: "Looked", id: "y" },
    ]);
    expect(line.map((e) => e.words)).toEqual(["Cleared", "Looked", "Picked", "comfrey", own[0]!.words]);
  });
});
