import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { CROPS, cropOf } from "../handbook";
import { keepingFactsOf, STORAGE } from "../handbook/storage";
import { blanchMinutes } from "./blanching";
import { curingClock, curingOf, curingRate } from "./curing";
import { relativeRate, scaledRate } from "./q10";
import { ripeIn, softIn, spreadOut, TOMATO_STAGES } from "./ripening";
import { ageingOf, daysUntil, lifeOf, shareGood, warningsOf } from "./shelf-life";
import { preservingCautions, sayAgeing, sayWarning, sayWrongTemp } from "./words";

describe("Q10 (checks C9.2)", () => {
  it("14 days at 0 °C with a Q10 of 3 are 1.556 at 20 °C; the printed ratios", () => {
    expect(14 / scaledRate(1, 0, 20, 3)).toBeCloseTo(1.556, 3);
    expect(scaledRate(1, 5, 10, 2)).toBeCloseTo(Math.SQRT2, 5);
    expect(scaledRate(1, 10, 25, 2.5)).toBeCloseTo(3.95285, 5);
  });
  it.each([
    [0, 1, 100],
    [10, 3, 33],
    [20, 7.5, 13],
    [30, 15, 7],
    [40, 22.5, 4],
  ])("at %d °C the rate is %d and the life %d of 100 (Kader, UC ANR 3311)", (t, rate, life) => {
    expect(relativeRate(t)).toBeCloseTo(rate, 9);
    expect(Math.round(100 / relativeRate(t))).toBe(life);
  });
  it("rises with every degree, without a jump at the steps", () => {
    for (let t = -5; t < 45; t += 0.1) {
      expect(relativeRate(t + 0.1)).toBeGreaterThan(relativeRate(t));
      expect(relativeRate(t + 0.1) / relativeRate(t)).toBeLessThan(1.02);
    }
  });
  it("100 days at 0 °C, two of them spent at 20 °C, leave 85", () => {
    expect(100 - 2 * relativeRate(20)).toBe(85);
  });
});

describe("the storage table (checks C8.1, USDA Handbook 66, from memory)", () => {
  it("has its 55 rows, and every crop named in them is in the handbook once", () => {
    expect(STORAGE.rows).toHaveLength(55);
    const ids = STORAGE.rows.flatMap((r) => r.crops);
    expect(new Set(ids).size).toBe(ids.length);
    for (const id of ids) expect(CROPS.map((c) => c.id)).toContain(id);
  });
  // cells copied from the table itself, not from the data
  it.each([
    ["asparagus", 2.5, [95, 100], [14, 21]],
    ["calabrese", 0, [95, 100], [7, 14]],
    ["parsnip", 0, [95, 100], [120, 180]],
    ["rhubarb", 0, [95, 100], [14, 28]],
    ["pepper-sweet", 7, [95, 98], [14, 21]],
    ["sweet-potato", 13, [85, 95], [120, 210]],
    ["strawberry", 0, [90, 95], [7, 10]],
  ])("%s keeps at its published conditions for its published life", (id, tempC, humidity, days) => {
    const facts = keepingFactsOf(cropOf(id));
    expect(facts.tempC[0]).toBe(tempC);
    expect(facts.humidityPct).toEqual(humidity);
    const own = cropOf(id).after.days;
    if (own[0] < days[0]! || own[1] > days[1]!) expect(facts.days).toEqual(days);
    const { rate, factors } = ageingOf(facts, { tempC, humidityPct: humidity[0]!, light: "dark" }, "sound", false);
    expect([rate, factors]).toEqual([1, []]);
    // nine in ten good at the low end of the range, one in ten at the high end
    expect(shareGood(facts, facts.days[0])).toBeCloseTo(0.9, 1);
    expect(shareGood(facts, facts.days[1])).toBeCloseTo(0.1, 1);
    expect(shareGood(facts, lifeOf(facts).medianDays)).toBeCloseTo(0.5, 9);
  });
  it("every crop: fewer are good each day, and fewer the warmer it lies above its best", () => {
    for (const crop of CROPS) {
      const facts = keepingFactsOf(crop);
      let before = 1;
      for (let d = 1; d < 2 * facts.days[1]; d += Math.max(1, Math.round(facts.days[1] / 12))) {
        const now = shareGood(facts, d);
        expect(now).toBeLessThanOrEqual(before);
        before = now;
      }
      let rate = 0;
      for (let t = facts.tempC[1]; t <= 35; t += 2.5) {
        const r = ageingOf(facts, { tempC: t, humidityPct: null, light: "dark" }, "sound", false).rate;
        expect(r).toBeGreaterThanOrEqual(Math.max(1, rate));
        rate = r;
      }
    }
  });
  it("days until a share is gone and the share agree", () => {
    const ids = CROPS.map((c) => c.id);
    fc.assert(
      fc.property(
        fc.constantFrom(...ids),
        fc.double({ min: 0, max: 1.2, noNaN: true }),
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        fc.double({ min: 0.1, max: 0.95, noNaN: true }),
        (id, lived, rate, share) => {
          const facts = keepingFactsOf(cropOf(id));
          const l = lived * facts.days[0];
          const days = daysUntil(facts, l, rate, share);
          expect(shareGood(facts, l + days * rate) / shareGood(facts, l)).toBeCloseTo(share, 4);
        },
      ),
    );
  });
  const RIPENING = { greens: false, ripening: true };
  it("in a refrigerator of 4 °C it warns for what chills and for nothing else (checks C8.2)", () => {
    const warned = (id: string) =>
      warningsOf(keepingFactsOf(cropOf(id)), { tempC: 4, humidityPct: 90, light: "dark" }, false, RIPENING).length > 0;
    for (const id of [
      "french-bean-bush",
      "cucumber",
      "aubergine",
      "okra",
      "pepper-sweet",
      "winter-squash",
      "sweet-potato",
      "tomato",
    ])
      expect([id, warned(id)]).toEqual([id, true]);
    for (const id of ["carrot", "lettuce-head", "apple", "cabbage"]) expect([id, warned(id)]).toEqual([id, false]);
  });
  it("what does not belong in a refrigerator is said, and light on potatoes", () => {
    const say = (id: string, light: "dark" | "light" = "dark") =>
      warningsOf(keepingFactsOf(cropOf(id)), { tempC: 5, humidityPct: 90, light }, true, {
        ...RIPENING,
        greens: id === "potato",
      })
        .map((w) => sayWarning(w, cropOf(id).name, "metric"))
        .join(" ");
    expect(say("bulb-onion")).toContain("does not belong in a refrigerator");
    expect(say("peach")).toContain("only once it is ripe");
    const peach = keepingFactsOf(cropOf("peach"));
    const cold = { tempC: 5, humidityPct: 90, light: "dark" as const };
    expect(warningsOf(peach, cold, true, { greens: false, ripening: false })).toEqual([]);
    expect(say("carrot")).toBe("");
    expect(say("potato", "light")).toContain("turns potatoes green");
    expect(say("potato")).not.toContain("green");
  });
  it("perishability ranks sweet corn, pea, asparagus and spinach before tomato, tomato before onion and squash (C8.3)", () => {
    const kitchen = { tempC: 20, humidityPct: 60, light: "dim" as const };
    const days = (id: string) => {
      const facts = keepingFactsOf(cropOf(id));
      return daysUntil(facts, 0, ageingOf(facts, kitchen, "sound", false).rate, 0.5);
    };
    for (const id of ["sweet-corn", "pea-shelling", "asparagus", "spinach"])
      expect(days(id)).toBeLessThan(days("tomato"));
    for (const id of ["bulb-onion", "winter-squash"]) expect(days(id)).toBeGreaterThan(days("tomato"));
  });
  it("ripening fruit beside a sensitive crop, dry or damp air, damage and frost all shorten its life", () => {
    const carrot = keepingFactsOf(cropOf("carrot"));
    const best = { tempC: 0, humidityPct: 98, light: "dark" as const };
    const rate = (over: object, grade: "sound" | "damaged" = "sound", gas = false) =>
      ageingOf(carrot, { ...best, ...over }, grade, gas);
    expect(rate({}, "sound", true).rate).toBeGreaterThan(1.2);
    expect(rate({ humidityPct: 70 }).rate).toBeGreaterThan(1.5);
    expect(rate({}, "damaged").rate).toBe(4);
    expect(rate({ tempC: -6 }).rate).toBeGreaterThan(20);
    const onion = keepingFactsOf(cropOf("bulb-onion"));
    const [damp] = ageingOf(onion, { ...best, humidityPct: 95 }, "sound", false).factors;
    expect(sayAgeing(damp!.why, "metric")).toContain("rots or sprouts");
    expect(keepingFactsOf(cropOf("apple")).givesGas).toBe(true);
    expect(onion.gasHarm).toBe(0);
  });
  it("what rests ages little faster in a room: hardneck garlic 3 to 4 months at 16 °C of 6 to 7 at 0 °C (UC Davis)", () => {
    const garlic = keepingFactsOf(cropOf("garlic"));
    const { rate } = ageingOf(garlic, { tempC: 16.5, humidityPct: 65, light: "dark" }, "sound", false);
    const months = lifeOf(garlic).medianDays / rate / 30;
    expect(months).toBeGreaterThan(3);
    expect(months).toBeLessThan(4);
  });
});

describe("tomatoes ripening indoors (checks C7.2, M. Cantwell, UC Davis)", () => {
  const TABLE: Record<string, number[]> = {
    green: [18, 15, 12, 10, 8, 7],
    breaker: [16, 13, 10, 8, 6, 5],
    turning: [13, 10, 8, 6, 4, 3],
    pink: [10, 8, 6, 4, 3, 2],
    "light-red": [5, 4, 3, 2, 1.5, 1],
  };
  it("gives the published days at every cell, and 9.0 for a breaker at 18.75 °C", () => {
    for (const stage of TOMATO_STAGES)
      for (const [i, t] of [12.5, 15, 17.5, 20, 22.5, 25].entries())
        expect(ripeIn(stage, t)).toBeCloseTo(TABLE[stage]![i]!, 9);
    expect(ripeIn("breaker", 18.75)).toBeCloseTo(9, 9);
  });
  it("falls with warmth and with stage, and is not reckoned where it chills or no red forms", () => {
    for (const stage of TOMATO_STAGES)
      for (let t = 10; t < 29; t += 0.5) expect(ripeIn(stage, t + 0.5)!).toBeLessThanOrEqual(ripeIn(stage, t)!);
    for (let t = 10; t <= 30; t += 1) {
      const days = TOMATO_STAGES.map((s) => ripeIn(s, t)!);
      expect(days).toEqual([...days].sort((a, b) => b - a));
    }
    expect(ripeIn("green", 9)).toBeNull();
    expect(ripeIn("green", 31)).toBeNull();
    expect(sayWrongTemp(8, "metric")).toContain("Too cold");
    expect(sayWrongTemp(32, "metric")).toContain("Too hot");
    expect(sayWrongTemp(18, "us")).toBeNull();
  });
  it("a third on the counter first: batches come to all pieces, about three days of eating each", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 200 }), fc.double({ min: 0.2, max: 20, noNaN: true }), (n, perDay) => {
        const batches = spreadOut(n, perDay);
        expect(batches.reduce((s, b) => s + b.pieces, 0)).toBe(n);
        expect(batches[0]!.inDays).toBe(0);
        for (const [i, b] of batches.entries()) if (i > 0) expect(b.inDays).toBeGreaterThan(batches[i - 1]!.inDays);
      }),
    );
    expect(spreadOut(9, 1)).toEqual([
      { inDays: 0, pieces: 3 },
      { inDays: 3, pieces: 3 },
      { inDays: 6, pieces: 3 },
    ]);
  });
  it("a firm peach is soft after about two days on the counter and stands still in the cold (common practice)", () => {
    expect(softIn({ like: "peach" }, 20)).toBe(2);
    expect(softIn({ like: "peach" }, 1)).toBeNull();
    expect(softIn({ like: "carrot" }, 20)).toBeNull();
  });
});

describe("curing (checks C9.1)", () => {
  const cure = (id: string) => curingOf({ like: id })!;
  it.each([
    ["potato", 13, 90, [10, 14]],
    ["sweet-potato", 30, 88, [4, 7]],
    ["bulb-onion", 24, 60, [14, 21]],
    ["winter-squash", 28, 80, [10, 10]],
  ])("%s at %d °C and %d %% cures in its published days", (id, tempC, humidityPct, days) => {
    const facts = cure(id);
    expect(facts.days).toEqual(days);
    const rate = curingRate(facts, { tempC, humidityPct });
    expect(rate).toBe(1);
    const clock = curingClock(facts, Array(3).fill(rate), rate, []);
    expect(clock.left).toEqual([days[0]! - 3, days[1]! - 3]);
    expect(curingClock(facts, Array(days[1]!).fill(1), 1, []).ready).toBe(true);
  });
  it("goes slower in the cold, stops near freezing, and wants moving air", () => {
    const sweet = cure("sweet-potato");
    const at = (tempC: number, moving?: boolean) =>
      curingRate(sweet, { tempC, humidityPct: 88, ...(moving === undefined ? {} : { moving }) });
    expect(at(21)).toBeLessThan(at(26));
    expect(at(3)).toBe(0);
    expect(at(30, false)).toBeCloseTo(0.6, 9);
    expect(curingClock(sweet, [0, 0], 0, []).left).toBeNull();
    expect(curingRate(cure("bulb-onion"), { tempC: 20, humidityPct: 90 })).toBe(0.5);
  });
  it("a test that passed ends it, one that failed moves the end beyond it", () => {
    const onion = cure("bulb-onion");
    expect(curingClock(onion, Array(6).fill(1), 1, [{ afterDays: 6, ready: true }]).ready).toBe(true);
    const failed = curingClock(onion, Array(30).fill(1), 1, [{ afterDays: 30, ready: false }]);
    expect(failed.ready).toBe(false);
    expect(failed.left![0]).toBeCloseTo(6, 9);
  });
  it("the handbook's sentence and the clock say the same: degrees, humidity, days", () => {
    const DAYS = { day: 1, week: 7 };
    const told = CROPS.filter((c) => /\b[Cc]ure \d|, cure \d/.test(c.after.how));
    expect(told.length).toBeGreaterThan(7);
    for (const c of told) {
      const facts = cure(c.id);
      const [sentence] = c.after.how.split(";");
      const degrees = /(\d+)–(\d+) °C/.exec(sentence!);
      const humidity = /(\d+)–(\d+) %/.exec(sentence!);
      const time = /(\d+)(?:–(\d+))? (day|week)s/.exec(sentence!)!;
      if (degrees) expect([c.id, degrees.slice(1).map(Number)]).toEqual([c.id, facts.tempC]);
      if (humidity) expect([c.id, humidity.slice(1).map(Number)]).toEqual([c.id, facts.humidityPct]);
      const days = [time[1]!, time[2] ?? time[1]!].map((n) => Number(n) * DAYS[time[3] as keyof typeof DAYS]);
      expect([c.id, days]).toEqual([c.id, facts.days]);
    }
  });
  it("what is not cured has no clock", () => expect(curingOf({ like: "carrot" })).toBeNull());
});

describe("blanching (checks C10.1, National Center for Home Food Preservation)", () => {
  it.each([
    ["asparagus", 0, 2],
    ["asparagus", 0.5, 3],
    ["asparagus", 1, 4],
    ["french-bean-bush", 0, 3],
    ["brussels-sprouts", 0.5, 4],
    ["cabbage", 0, 1.5],
    ["sweet-corn", 0.5, 9],
    ["kale", 1, 2],
    ["cauliflower", 0, 3],
    ["pea-shelling", 0, 1.5],
  ])("%s of size %d: %d minutes", (id, size, minutes) =>
    expect(blanchMinutes({ like: id }, size, 100)).toBeCloseTo(minutes, 9),
  );
  it("a minute more from 5,000 ft, one and a half times as long in steam", () => {
    expect(blanchMinutes({ like: "french-bean-bush" }, 0, 1829)).toBe(4);
    expect(blanchMinutes({ like: "cauliflower" }, 0, 100, true)).toBe(4.5);
    expect(blanchMinutes({ like: "beetroot" }, 0, 100)).toBeNull();
  });
  it("says the caution of the step", () => {
    expect(preservingCautions(cropOf("garlic"), "pickled").join()).toContain("oil");
    expect(preservingCautions(cropOf("tomato"), "canned").join()).toContain("acid");
    expect(preservingCautions(cropOf("carrot"), "canned").join()).toContain("pressure");
    expect(preservingCautions(cropOf("runner-bean"), "frozen").join()).toContain("tested blanching time");
    expect(preservingCautions(cropOf("raspberry-summer"), "jam").join()).toContain("furry");
  });
});
