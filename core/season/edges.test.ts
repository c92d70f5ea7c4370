import { describe, expect, it } from "vitest";
import { bed, plainWeather, planting } from "../fixtures/garden";
import { cropOf, findCrop } from "../handbook";
import { husbandryOf } from "../handbook/husbandry";
import { blankPick } from "../weighing/pick";
import { logged } from "../weighing/pick-log";
import { clearingOf, regrowthOf, standsForYears } from "./after-last-pick";
import { freeShare, groundOf } from "./free-ground";
import { draftsOf, isDue, type Lesson, remindDays } from "./lessons";
import { figuresOf } from "./planting-figures";
import { perPlantOf, plantsEnough, plantsNext } from "./plants-enough";
import { chanceOfDifference, differenceInterval, spreadOf } from "./spread";
import { cropWeeks, keepingWeeks } from "./weeks";
import { sayEnough, sayShare } from "./words";

/** Worked by hand: each figure stands at the edge where the rule turns. */
const tomato = cropOf("tomato");
const onion = cropOf("bulb-onion");

describe("a season by weeks", () => {
  // Monday 3 August 2026; 1 kg is eaten a week, half a kilo put by
  const taste = { weeklyG: 1000, sparedG: 500 };
  const weeks = (picked: [string, number][]) =>
    cropWeeks(
      tomato,
      taste,
      picked.map(([day, netG]) => ({ day, netG })),
    );
  it("a glut begins beyond what is eaten and put by together; short is less than 35 % of what is eaten", () => {
    const { weeks: all } = weeks([
      ["2026-08-03", 1500],
      ["2026-08-10", 1501],
      ["2026-08-17", 349],
      ["2026-08-24", 350],
    ]);
    expect(all.map((w) => w.state)).toEqual(["fair", "glut", "short", "fair"]);
  });
  it("picks of one week count together, weeks without any are a gap, and runs are drawn together", () => {
    const season = weeks([
      ["2026-08-03", 900],
      ["2026-08-09", 900],
      ["2026-08-10", 2000],
      ["2026-08-31", 500],
      ["2026-09-14", 1700],
    ]);
    expect(season.gluts).toEqual([
      { from: "2026-08-03", weeks: 2, overG: 300 + 500 },
      { from: "2026-09-14", weeks: 1, overG: 200 },
    ]);
    expect(season.gaps).toEqual([
      { from: "2026-08-17", weeks: 2, overG: 0 },
      { from: "2026-09-07", weeks: 1, overG: 0 },
    ]);
    expect(season.tooMuchG).toBe(1000);
    expect(season.weeksWorth).toBeNull();
  });
  it("what keeps has neither gluts nor gaps: its whole crop is set against its months", () => {
    const most = keepingWeeks(onion) * 1500;
    const season = cropWeeks(onion, taste, [
      { day: "2026-08-03", netG: most + 700 },
      { day: "2026-08-31", netG: 300 },
    ]);
    expect(season.gluts).toEqual([]);
    expect(season.gaps).toEqual([]);
    expect(season.tooMuchG).toBeCloseTo(1000, 6);
    expect(season.weeksWorth).toBeCloseTo((most + 1000) / 1000, 6);
  });
  it("without a pick there is nothing to tell", () =>
    expect(weeks([])).toMatchObject({ weeks: [], gluts: [], gaps: [], tooMuchG: 0, weeksWorth: null }));
});

describe("plants that are enough", () => {
  const book = 500 * (tomato.yield.perPlantKg![0] + tomato.yield.perPlantKg![1]);
  it("one's own plantings weigh as much as the book each", () => {
    expect(perPlantOf(tomato, [])).toBe(book);
    expect(perPlantOf(tomato, [1000])).toBe((1000 + book) / 2);
    expect(perPlantOf(tomato, [1000, 3000])).toBe((4000 + book) / 3);
  });
  it("are what is eaten in the weeks it bears, and a tenth to spare", () => {
    // 28 days are 4 weeks of 1 kg: 4.4 kg with the spare
    const own = Array.from({ length: 1000 }, () => 1100);
    const taste = { liking: 1, weeklyG: 1000, sparedG: 1000 };
    const e = plantsEnough(tomato, taste, 4, own, ["2026-08-01", "2026-08-28"])!;
    expect(e).toMatchObject({ weeks: 4, wantG: 4000, enough: 4, plenty: 8 });
    expect(plantsNext(e)).toBe(4);
    expect(plantsNext({ ...e, had: 2 })).toBe(4);
    expect(plantsNext({ ...e, had: 20 })).toBe(8);
  });
  it("too few and too many are said beyond a quarter", () => {
    const own = Array.from({ length: 1000 }, () => 1100);
    const taste = { liking: 1, weeklyG: 1000, sparedG: 0 };
    const words = (had: number) => sayEnough(plantsEnough(tomato, taste, had, own, ["2026-08-01", "2026-08-28"])!);
    expect([0, 3, 5, 6].map(words)).toEqual([
      "4 plants are enough",
      "4 rather than 3",
      "5 was about right",
      "4, not 6",
    ]);
    expect(sayEnough(plantsEnough(tomato, { ...taste, liking: 0 }, 3, own, null)!)).toBe("nobody eats it");
  });
});

describe("a lesson that comes up", () => {
  const lesson = (remindOn: string | null): Lesson => ({
    ...{ id: "l", at: "2026-07-01T10:00", words: "too late", next: "", cropId: null, plantingId: null, bedId: null },
    remindOn,
    state: "kept",
  });
  it.each([
    ["2027-03-14", false],
    ["2027-03-15", true],
    ["2027-04-04", true],
    ["2027-04-05", false],
    ["2026-03-20", false],
    ["2031-03-20", true],
  ])("from its day on for three weeks, every year from then: %s", (today, due) =>
    expect(isDue(lesson("2027-03-15"), today)).toBe(due),
  );
  it("runs over New Year, takes 29 February for 28, and never comes without a day or thrown away", () => {
    expect(isDue(lesson("2027-12-20"), "2028-01-05")).toBe(true);
    expect(isDue(lesson("2028-02-29"), "2029-02-28")).toBe(true);
    expect(isDue(lesson(null), "2027-03-15")).toBe(false);
    expect(isDue({ ...lesson("2027-03-15"), state: "thrown" }, "2027-03-15")).toBe(false);
  });
  it("a week before it was started, or before it was first picked, a year on", () => {
    const p = planting("tomato", { startedOn: "2026-05-20" });
    expect(remindDays(tomato, p, "2026-08-10", "2026-10-06")).toEqual({ start: "2027-05-13", pick: "2027-08-03" });
    expect(remindDays(tomato, null, null, "2026-10-06").pick).toBeNull();
  });
});

describe("drafts that the figures propose", () => {
  const p = planting("tomato");
  const plain = figuresOf(p, bed(), tomato, []);
  const keys = (over: Partial<typeof plain>, lostG = 0, lost: number[] = []) =>
    draftsOf(
      p,
      tomato,
      { ...plain, ...over },
      lostG,
      lost.map((massG, i) => ({
        ...{ id: `${i}`, plantingId: p.id, day: "2026-08-01", note: "" },
        massG,
        cause: "frost",
      })),
    ).map((d) => d.id.split(" ")[0]);
  const weighed = (weighedG: number) => ({ totals: { ...plain.totals, weighedG } });
  it("late and early from ten days on", () => {
    expect([9, 10, -9, -10].map((offRange) => keys({ offRange }))).toEqual([[], ["late"], [], ["early"]]);
  });
  it("a gap from two and a half times the usual on, with three gaps to tell by", () => {
    const usual = tomato.interval.warmDays;
    const longest = Math.max(5, 2.5 * usual);
    expect(keys({ interval: { median: 1, longest, gaps: 3 } })).toEqual(["gap"]);
    expect(keys({ interval: { median: 1, longest: longest - 0.1, gaps: 3 } })).toEqual([]);
    expect(keys({ interval: { median: 1, longest, gaps: 2 } })).toEqual([]);
    expect(keys({ interval: { median: longest / 1.8, longest, gaps: 3 } })).toEqual([]);
  });
  it("lost in the store or in the bed from 15 % of what there was, and 300 g", () => {
    expect(keys(weighed(1000), 150)).toEqual(["lost"]);
    expect(keys(weighed(1000), 149)).toEqual([]);
    expect(keys(weighed(299), 299)).toEqual([]);
    expect(keys(weighed(1700), 0, [100, 200])).toEqual(["bed-lost"]);
    expect(keys(weighed(1701), 0, [100, 200])).toEqual([]);
  });
});

describe("spread and difference", () => {
  it("is worked with one less than their number", () =>
    expect(spreadOf([2, 4, 6])).toEqual({ n: 3, mean: 4, sd: 2, low: 2, high: 6 }));
  it("of one figure has none, of no figures is an error", () => {
    expect(spreadOf([5]).sd).toBeNull();
    expect(() => spreadOf([])).toThrow(RangeError);
  });
  it("two groups of the same spread have n + m − 2 degrees of freedom", () => {
    // t of 97.5 % at 4 degrees is 2.776 (any table of Student's t); the error of the difference is √(1/3 + 1/3)
    const d = differenceInterval([1, 2, 3], [4, 5, 6])!;
    expect(d.df).toBeCloseTo(4, 9);
    expect(d.diff).toBe(-3);
    expect(d.high - d.diff).toBeCloseTo(2.776 * Math.sqrt(2 / 3), 2);
    expect(differenceInterval([1], [4, 5])).toBeNull();
    expect(differenceInterval([1, 1], [4, 4])).toBeNull();
  });
  it("Fisher's test counts every way of dealing the figures out", () => {
    // 1, 2, 3 against 4, 5, 6: of the 20 ways two are as far apart
    const figures = [1, 2, 3, 4, 5, 6].map((value, i) => ({ side: (i < 3 ? 0 : 1) as 0 | 1, block: "b", value }));
    expect(chanceOfDifference(figures)).toEqual({ p: 0.1, least: 0.1 });
    // one against two in a bed: three ways, none of them with a mirror image
    const three = [9, 1, 2].map((value, i) => ({ side: (i === 0 ? 0 : 1) as 0 | 1, block: "b", value }));
    expect(chanceOfDifference(three)).toEqual({ p: 1 / 3, least: 1 / 3 });
  });
  it("figures stay in their block", () => {
    // two beds of two: four ways, the one seen and its mirror image are the farthest
    const figures = (["a", "b"] as const).flatMap((block, k) =>
      ([0, 1] as const).map((side) => ({ side, block, value: 10 * k + (side === 0 ? 1 : 3) })),
    );
    expect(chanceOfDifference(figures)).toEqual({ p: 0.5, least: 0.5 });
  });
});

describe("ground that is free", () => {
  const box = bed({ widthM: 1, lengthM: 2 });
  const share = (areaM2: number | null, over = {}) =>
    freeShare(box, [planting("tomato", { areaM2, plants: null, rowM: null, ...over })], findCrop, "2026-08-01");
  it("is what plantings leave, from three tenths of the bed on", () => {
    expect(share(1.4)).toBeCloseTo(0.3, 9);
    expect(share(1.41)).toBe(0);
    expect(share(0.5)).toBeCloseTo(0.75, 9);
    expect(share(null)).toBe(0);
  });
  it("is all of it where nothing stands yet, or any more on that day", () => {
    expect(share(2, { startedOn: "2026-08-02" })).toBe(1);
    expect(share(2, { endedOn: "2026-08-01" })).toBe(1);
    expect(share(2, { endedOn: "2026-08-02" })).toBe(0);
  });
  it("is too little below a quarter of a square metre", () => {
    const pot = bed({ widthM: 0.5, lengthM: 1 });
    const in_ = (areaM2: number) => freeShare(pot, [planting("tomato", { areaM2 })], findCrop, "2026-08-01");
    expect([in_(0.25), in_(0.26)]).toEqual([0.5, 0]);
  });
  it("a row takes its length by the distance between rows, plants the square of theirs", () => {
    const facts = husbandryOf(tomato)!;
    const apart = (facts.apartMm![0] + facts.apartMm![1]) / 2000;
    const rows = facts.rowsMm ? (facts.rowsMm[0] + facts.rowsMm[1]) / 2000 : apart;
    const none = { areaM2: null, rowM: null, plants: null };
    expect(groundOf({ ...none, rowM: 3, plants: 9 }, tomato)).toBeCloseTo(3 * rows, 9);
    expect(groundOf({ ...none, plants: 4 }, tomato)).toBeCloseTo(4 * apart * rows, 9);
    expect(groundOf({ ...none, areaM2: 0.7, plants: 4 }, tomato)).toBe(0.7);
    expect(groundOf(none, tomato)).toBeNull();
  });
  it.each([
    [0.29, "about a quarter of it"],
    [0.3, "about a third of it"],
    [0.5, "about half of it"],
    [0.7, "about two thirds of it"],
    [0.9, "most of it"],
    [1, ""],
  ])("%f is said as “%s”", (x, words) => expect(sayShare(x)).toBe(words));
});

describe("after the last pick", () => {
  const broccoli = cropOf("calabrese");
  const stump = planting("calabrese", { startedOn: "2026-05-01" });
  const rain = (day: string, rainMm: number) => ({ ...plainWeather(day, 1)[0]!, rainMm });
  it("a stump is looked at a week after the last cut, for two months", () => {
    const seen = (today: string) => regrowthOf(stump, broccoli, ["2026-07-10", "2026-07-20"], [], today);
    expect(seen("2026-07-25")).toEqual({ since: "2026-07-10", nextLook: "2026-07-27", rainMm: 0, rots: false });
    expect(seen("2026-09-18")).not.toBeNull();
    expect(seen("2026-09-19")).toBeNull();
    expect(regrowthOf({ ...stump, endedOn: "2026-07-24" }, broccoli, ["2026-07-10"], [], "2026-07-25")).toBeNull();
    expect(regrowthOf(stump, broccoli, [], [], "2026-07-25")).toBeNull();
    expect(regrowthOf(planting("tomato"), tomato, ["2026-07-10"], [], "2026-07-25")).toBeNull();
  });
  it("rots from 45 mm in the fortnight after the first cut on", () => {
    const wet = (days: [string, number][]) =>
      regrowthOf(
        stump,
        broccoli,
        ["2026-07-10"],
        days.map(([d, mm]) => rain(d, mm)),
        "2026-07-25",
      )!;
    expect(
      wet([
        ["2026-07-10", 20],
        ["2026-07-24", 25],
      ]),
    ).toMatchObject({ rainMm: 45, rots: true });
    expect(
      wet([
        ["2026-07-09", 40],
        ["2026-07-20", 44.9],
        ["2026-07-25", 40],
      ]),
    ).toMatchObject({ rots: false });
  });
  it("what is done for a disease is asked for only where one was seen", () => {
    const ids = (sick: boolean) => clearingOf({ id: "p" }, tomato, sick).map((t) => t.id);
    expect(ids(true).length).toBeGreaterThan(ids(false).length);
    expect(ids(true)).toEqual(expect.arrayContaining(ids(false)));
    expect(ids(false).every((id) => id.startsWith("clear p "))).toBe(true);
    expect([standsForYears(cropOf("apple")), standsForYears(tomato)]).toEqual([true, false]);
  });
});

describe("what a planting came to", () => {
  const entry = (at: string, grossG: number, minutes: number | null) =>
    logged(
      blankPick({ id: at, plantingId: "planting", at, grossG, entered: `${grossG} g`, minutes }),
      planting("tomato"),
      tomato,
      "Bed",
    );
  const three = [
    entry("2026-08-01T08:00", 1000, 10),
    entry("2026-08-03T08:00", 2000, null),
    entry("2026-08-09T08:00", 3000, 30),
  ];
  it("the median of two gaps lies between them; minutes count only what was timed", () => {
    const f = figuresOf(planting("tomato", { plants: 4, rowM: 3 }), bed(), tomato, three);
    expect(f.interval).toEqual({ median: 4, longest: 6, gaps: 2 });
    expect(f.minutesPerKg).toBe(10);
    expect([f.perPlantG, f.perMetreG, f.perM2G]).toEqual([1500, 2000, null]);
    expect([f.first, f.last]).toEqual(["2026-08-01", "2026-08-09"]);
  });
  it("the bed is its ground where nothing says how much of it there is", () => {
    const f = figuresOf(planting("tomato", { plants: null }), bed({ widthM: 2, lengthM: 3 }), tomato, three);
    expect(f.perM2G).toBe(1000);
  });
  it("days before and past the range are told from its own ends", () => {
    const off = (startedOn: string) =>
      figuresOf(planting("tomato", { startedOn, packetMinDays: 70, packetMaxDays: 80 }), bed(), tomato, three).offRange;
    // 1 August is day 69, 70, 80 and 81
    expect(["2026-05-24", "2026-05-23", "2026-05-13", "2026-05-12"].map(off)).toEqual([-1, 0, 0, 1]);
  });
});
