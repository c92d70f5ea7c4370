import { describe, expect, it } from "vitest";
import { addDays } from "../calendar/day";
import { check, plainWeather, type Situation, situation } from "../fixtures/garden";
import { CROPS, cropOf, schoolOf } from "../handbook";
import { climateOf } from "../weather/climate";
import { conflictAmong, overlapOf, tempered } from "./agreement";
import { clockOf, dayStep, daysRange } from "./clock";
import { likelihoodOf } from "./cue-kinds";
import { judge } from "./judge";
import { misledOn } from "./misled";
import { clockStart } from "./season-clock";
import { entropyBits } from "./stage-grid";
import { evennessOf, wayOf } from "./way";
import { sayCall, sayReasons } from "./words";

// the handbook's own site, for which its bloom dates are meant: they are not moved there
const NORTH = climateOf(plainWeather("2025-01-01", 365), 52);
const SOUTH = climateOf(
  plainWeather("2025-01-01", 365).map((w, k, all) => ({ ...all[(k + 182) % 365]!, day: w.day })),
  -38,
);
const ripe = (c: { ready: number; past: number }) => c.ready + c.past;
/** A situation with rain, gusts or heat on days counted back from the day of the judgement. */
function withWeather(s: Situation, change: Record<number, object>) {
  const input = situation(s);
  return {
    ...input,
    weather: input.weather.map((w) => {
      const back = Object.entries(change).find(([k]) => addDays(input.today, -Number(k)) === w.day);
      return back ? { ...w, ...back[1] } : w;
    }),
  };
}

describe("weather that misleads", () => {
  const soft: Situation = { cropId: "peach", age: 115, readings: { firmness: "gives", ground: "pale" } };
  it("softness after heavy rain counts for little, and the look is put off to the second sunny day", () => {
    const dry = judge(situation(soft));
    const wet = judge(withWeather(soft, { 1: { rainMm: 18 } }));
    expect(ripe(wet.chances)).toBeLessThan(ripe(dry.chances));
    expect(wet.evidence.find((e) => e.cue.id === "firmness")?.discounted).toMatch(/watery/);
    expect(wet.misled[0]).toMatchObject({ by: "rain", believeFrom: addDays("2026-04-05", 115 + 2) });
    if (wet.verdict === "nearly" || wet.verdict === "test-one") expect(wet.lookAgain).toBe(wet.misled[0]!.believeFrom);
  });
  it("the reason says that and why a reading counts for little", () => {
    const input = withWeather(soft, { 0: { rainMm: 30 } });
    expect(sayReasons(judge(input), input.crop, input.school, input.today, "metric").join("; ")).toMatch(
      /counts for little: after heavy rain/,
    );
  });
  it("tops folded by a gale do not read as ripe onions; a calm week's do", () => {
    const onion: Situation = { cropId: "bulb-onion", age: 98, readings: { "tops-down": 60 } };
    const calm = judge(situation(onion));
    const gale = judge(withWeather(onion, { 1: { gustMs: 22 } }));
    expect(ripe(gale.chances)).toBeLessThan(ripe(calm.chances) - 0.1);
  });
  it("colour that stalls in heat speaks less against ripeness", () => {
    const green: Situation = { cropId: "tomato", age: 90, readings: { colour: "green" } };
    const heat = { tempMaxC: 33, tempMinC: 19 };
    const hot = withWeather(green, { 0: heat, 1: heat, 2: heat });
    expect(judge(hot).evidence[0]?.discounted).toMatch(/red stops/);
    expect(misledOn(hot.crop, hot.weather, hot.today).map((m) => m.by)).toContain("heat");
  });
  it("rain a week ago misleads nobody", () => {
    expect(judge(withWeather(soft, { 7: { rainMm: 40 } })).misled).toEqual([]);
  });
});

describe("readings that contradict each other", () => {
  const torn: Situation = { cropId: "bulb-onion", age: 120, readings: { "tops-down": 0, neck: "papery" } };
  it("are noticed, count for half, and leave the doubt wide", () => {
    const j = judge(situation(torn));
    expect(j.conflict?.between?.map((c) => c.id).sort()).toEqual(["neck", "tops-down"]);
    const agreeing = judge(situation({ ...torn, readings: { "tops-down": 60, neck: "folds" } }));
    expect(agreeing.conflict).toBeNull();
    expect(entropyBits(j.chances)).toBeGreaterThan(entropyBits(agreeing.chances));
  });
  it("one wild look after a good one does not flip the verdict, and the reasons say so", () => {
    const good = situation({ cropId: "bulb-onion", age: 118 });
    const looks = [
      check(addDays(good.today, -2), [
        { cueId: "tops-down", value: 65 },
        { cueId: "neck", value: "folds" },
      ]),
      check(good.today, [{ cueId: "tops-down", value: 0 }], { id: "slip" }),
    ];
    const before = judge({ ...good, checks: looks.slice(0, 1) });
    const after = judge({ ...good, checks: looks });
    expect(before.verdict).toBe("pick-all");
    expect(after.conflict?.between).toBeNull();
    expect(after.verdict).not.toBe("not-yet");
    expect(sayReasons(after, good.crop, good.school, good.today, "metric", 6).join()).toMatch(/disagree/);
  });
  it("independent readings overlap by one, equal ones by more, distant ones hardly", () => {
    const onion = cropOf("bulb-onion");
    const context = { school: schoolOf(onion, "half-down"), plants: 20 };
    const tops = onion.cues.find((c) => c.id === "tops-down")!;
    const at = (value: number) => likelihoodOf(tops, value, context);
    expect(overlapOf(at(50), new Float64Array(161).fill(1))).toBeCloseTo(1, 9);
    expect(overlapOf(at(50), at(50))).toBeGreaterThan(1.5);
    expect(overlapOf(at(0), at(95))).toBeLessThan(0.22);
    expect(conflictAmong([{ cue: tops, likelihood: at(50) }])).toBeNull();
    expect(tempered(at(50), 0.5)[80]).toBeCloseTo(Math.sqrt(at(50)[80]!), 9);
  });
});

describe("the year of what stands for years", () => {
  const apple = cropOf("apple");
  it("begins at this year's bloom, and after the season waits for the next", () => {
    const tree = { startedOn: "2019-11-20" };
    expect(clockStart(tree, apple, "2026-09-10", 52, NORTH)).toBe("2026-05-05");
    expect(clockStart(tree, apple, "2026-02-01", 52, NORTH)).toBe("2026-05-05");
    expect(clockStart(tree, apple, "2026-12-28", 52, NORTH)).toBe("2027-05-05");
    expect(clockStart(tree, apple, "2026-03-10", -38, SOUTH)).toMatch(/^2025-11-0[34]$/);
  });
  it("begins with its planting in the first year, and is the planting day for all that is sown anew", () => {
    expect(clockStart({ startedOn: "2026-06-01" }, apple, "2026-09-10", 52, NORTH)).toBe("2026-06-01");
    expect(clockStart({ startedOn: "2025-04-01" }, cropOf("carrot"), "2026-09-10", 52, NORTH)).toBe("2025-04-01");
  });
  it("a tree in winter is not yet ready, and is looked at again when it blooms", () => {
    const input = situation({ cropId: "apple", age: 0, planting: { startedOn: "2026-05-05" } });
    const winter = {
      ...input,
      today: "2026-02-01",
      planting: { ...input.planting, startedOn: "2020-03-01" },
      weather: plainWeather("2026-02-01", 40),
    };
    const j = judge(winter);
    expect([j.verdict, j.lookAgain, j.days.length]).toEqual(["not-yet", "2026-05-05", 22]);
  });
  it("nothing is ever quite certain: a few times in a hundred there is nothing to take after all", () => {
    const sure = judge(situation({ cropId: "courgette", age: 80, readings: { length: 220, "ready-count": 6 } }));
    const ripe = (c: { ready: number; past: number }) => c.ready + c.past;
    expect(ripe(sure.belief[0]!)).toBeGreaterThan(0.99);
    expect(ripe(sure.chances)).toBeLessThan(0.98);
    const { unready, nearly, ready, past } = sure.chances;
    expect(unready + nearly + ready + past).toBeCloseTo(1, 9);
  });
  it("last year's apples say when to look, not that any were taken this year", () => {
    const input = situation({ cropId: "apple", age: 100, planting: { startedOn: "2026-05-05" } });
    const old = { ...input, picks: [{ day: "2025-09-20", extent: "all-ready" as const }] };
    expect(Math.abs(judge(old).chances.unready - judge(input).chances.unready)).toBeLessThan(0.05);
    expect([judge(old).regime, judge(old).verdict]).toEqual(["first", judge(input).verdict]);
  });
});

describe("day length", () => {
  const onion = cropOf("bulb-onion");
  const input = situation({ cropId: "bulb-onion", age: 10 });
  const clock = clockOf(input.planting, onion, input.school, input.climate, 52);
  const step = (day: string) => dayStep({ ...input.weather[0]!, day }, input.bed, onion, clock, "first", 52);
  it("holds bulbing back until days are longer than 13 hours (bulbing is started by day length, Knott)", () => {
    expect(step("2026-02-01").holdAt).toBe(0.5);
    expect(step("2026-06-01").holdAt).toBeUndefined();
  });
  it("an autumn-set onion does not ripen in a mild winter", () => {
    const set = { cropId: "bulb-onion", planting: { startedOn: "2025-09-01" }, warmerC: 4 };
    expect(ripe(judge(situation({ ...set, age: 165 })).chances)).toBeLessThan(0.05);
  });
  it("long days hurry the bolting of spinach", () => {
    const spinach = situation({ cropId: "spinach", age: 10 });
    const c = clockOf(spinach.planting, spinach.crop, spinach.school, spinach.climate, 52);
    const pastRate = (day: string) =>
      dayStep({ ...spinach.weather[0]!, day }, spinach.bed, spinach.crop, c, "first", 52).after;
    expect(pastRate("2026-06-15")).toBeGreaterThan(1.5 * pastRate("2026-03-10"));
  });
});

describe("dated events", () => {
  // C12.2: milk stage 18 to 22 days after silk (Ritchie, Hanway & Benson 1986): silk 20 July → 7 to 11 August
  it("corn silked on 20 July is ready in the published window and not a week before", () => {
    const onDay = (day: string, since: number) => {
      const input = situation({ cropId: "sweet-corn", age: 0, planting: { startedOn: "2026-05-10" } });
      return judge({
        ...input,
        today: day,
        weather: plainWeather("2026-05-01", 140),
        checks: [
          check("2026-07-24", [{ cueId: "silk-out", value: 4 }]),
          check(day, [{ cueId: "silk-out", value: since }]),
        ],
      });
    };
    expect(ripe(onDay("2026-07-31", 11).chances)).toBeLessThan(0.4);
    expect(ripe(onDay("2026-08-10", 21).chances)).toBeGreaterThan(0.6);
  });
  it("from the day it is known, days are counted instead of the packet's warmth", () => {
    const input = situation({ cropId: "sweet-corn", age: 78, readings: { "silk-out": 6 } });
    const without = judge({ ...input, checks: [] });
    const j = judge(input);
    // six days after silk nothing is ready for a week and more, whatever the packet says; then within days
    expect(without.days[7]!.ready).not.toBeCloseTo(j.days[7]!.ready, 2);
    expect(j.days[7]!.ready).toBeLessThan(0.1);
    const spread = j.days.filter((d) => d.ready + d.past > 0.1 && d.ready + d.past < 0.9).length;
    expect(spread).toBeLessThanOrEqual(8);
  });
});

describe("special verdicts", () => {
  it.each([
    [
      "a crowded carrot row: take the biggest",
      { cropId: "carrot", age: 95, readings: { shoulder: 27 } },
      "thin-biggest",
    ],
    ["spinach with a stem: bolting", { cropId: "spinach", age: 45, readings: { "stem-rising": true } }, "bolting"],
    ["garlic rust: lift early", { cropId: "garlic-softneck", age: 190, readings: { rust: true } }, "diseased"],
    ["bites on the peaches", { cropId: "peach", age: 110, readings: { bites: true } }, "take-bitten"],
    ["over-age courgettes counted", { cropId: "courgette", age: 70, readings: { "over-count": 3 } }, "strip-over-age"],
    ["kale left for seed", { cropId: "kale", age: 120, readings: { "for-seed": true } }, "leave-for-seed"],
  ] as [string, Situation, string][])("%s", (_, s, call) => {
    const over = s.cropId === "garlic-softneck" ? { planting: { startedOn: "2025-10-25" } } : {};
    const j = judge(situation({ ...s, ...over }));
    expect(j.call?.id).toBe(call);
    expect(sayCall(j.call!, j.days[0]!.day).length).toBeGreaterThan(20);
  });
  it("what is kept for seed stays so until somebody says otherwise", () => {
    const input = situation({ cropId: "kale", age: 160 });
    const checks = [check(addDays(input.today, -60), [{ cueId: "for-seed", value: true }])];
    expect(judge({ ...input, checks }).verdict).toBe("leave-for-seed");
    const undone = [...checks, check(addDays(input.today, -3), [{ cueId: "for-seed", value: false }], { id: "no" })];
    expect(judge({ ...input, checks: undone }).verdict).not.toBe("leave-for-seed");
  });
  it("a sign that only advises does not decide", () => {
    const plain = judge(situation({ cropId: "kale", age: 80, readings: { "leaf-length": 190 } }));
    const pest = judge(situation({ cropId: "kale", age: 80, readings: { "leaf-length": 190, pest: true } }));
    expect(pest.verdict).toBe(plain.verdict);
  });
});

describe("what is looked at again (common practice)", () => {
  it("pests are looked at again every other day until a look finds them gone", () => {
    const input = situation({ cropId: "kale", age: 40 });
    const seen = check(addDays(input.today, -1), [{ cueId: "pest", value: true }]);
    const calm = judge(input).lookAgain;
    expect(judge({ ...input, checks: [seen] }).lookAgain).toBe(addDays(input.today, 1));
    const clean = check(input.today, [{ cueId: "leaf-length", value: 90 }], { id: "clean" });
    expect(judge({ ...input, checks: [seen, clean] }).lookAgain >= addDays(input.today, 2)).toBe(true);
    expect(calm > addDays(input.today, 1)).toBe(true);
  });
});

describe("tests that use something up", () => {
  it("are counted, and take a plant out of the ground for bulbs and tubers", () => {
    const input = situation({ cropId: "garlic", age: 200, planting: { startedOn: "2025-10-20", plants: 12 } });
    const checks = [
      check(addDays(input.today, -9), [{ cueId: "test-bulb", value: "leek" }]),
      check(addDays(input.today, -2), [{ cueId: "test-bulb", value: "forming" }], { id: "two" }),
    ];
    const j = judge({ ...input, checks });
    expect([j.usedUp, j.context.plants]).toEqual([2, 10]);
    const bean = situation({ cropId: "french-bean-bush", age: 55, readings: { snap: "bends" } });
    expect(judge(bean).context.plants).toBe(6);
  });
});

describe("replay", () => {
  const input = situation({ cropId: "tomato", age: 90 });
  const looks = [
    check(addDays(input.today, -20), [{ cueId: "colour", value: "green" }]),
    check(addDays(input.today, -6), [{ cueId: "colour", value: "pink" }], { id: "later" }),
  ];
  it("gives every day from the start, the last one being today's chances", () => {
    const j = judge({ ...input, checks: looks, track: true });
    expect(j.track).toHaveLength(91);
    expect(j.track.at(-1)).toMatchObject({ day: input.today, ready: j.belief[0]!.ready });
    expect(judge({ ...input, checks: looks }).track).toEqual([]);
  });
  it("a corrected look changes everything after it and nothing before", () => {
    const first = judge({ ...input, checks: looks, track: true }).track;
    const corrected = [check(addDays(input.today, -20), [{ cueId: "colour", value: "turning" }]), looks[1]!];
    const second = judge({ ...input, checks: corrected, track: true }).track;
    const changed = first.findIndex(
      (d, i) => Math.abs(d.ready - second[i]!.ready) > 1e-9 || Math.abs(d.nearly - second[i]!.nearly) > 1e-9,
    );
    expect(first[changed]?.day).toBe(addDays(input.today, -20));
  });
});

describe("what bears on by the dozen", () => {
  const bearing = CROPS.filter((c) => wayOf(c, c.schools[0]!) === "as-they-come" && evennessOf(c) === "weeks");
  /** A crop that has borne for a week, picked clean on a day; judged so many days later. */
  const pickedAgo = (cropId: string, days: number, plants = 9) => {
    const { planting, crop } = situation({ cropId, age: 1 });
    const { maxDays } = daysRange(planting, crop);
    const input = situation({ cropId, age: maxDays + 7, planting: { plants } });
    return judge({ ...input, picks: [{ day: addDays(input.today, -days), extent: "all-ready" as const }] });
  };
  it("has pieces for the next pick by the next usual picking, whatever the crop", () => {
    expect(bearing.length).toBeGreaterThan(20);
    const late = bearing.filter((c) => ripe(pickedAgo(c.id, Math.round(c.interval.coolDays)).chances) < 0.6);
    expect(late.map((c) => c.id)).toEqual([]);
  });
  it("has a few ripe ones again the very next day where hundreds hang", () => {
    const few = (id: string, plants?: number) => ripe(pickedAgo(id, 1, plants).chances);
    for (const id of ["raspberry-autumn", "raspberry-summer", "tomato-cherry"])
      expect(few(id), id).toBeGreaterThan(0.7);
    // one courgette plant brings one in a few days, and mostly has none the day after
    expect(few("courgette", 1)).toBeLessThan(0.5);
  });
});
