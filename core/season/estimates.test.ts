import { describe, expect, it } from "vitest";
import { addDays } from "../calendar/day";
import { bed, plainWeather, planting } from "../fixtures/garden";
import { supply, TODAY } from "../fixtures/problem";
import { cropOf } from "../handbook";
import { climateOf } from "../weather/climate";
import { freeOn, glutOf, lastPickOf, missedG } from "./estimates";
import { freeShare, groundOf } from "./free-ground";
import { trayDays } from "./series";
import { sayShare } from "./words";

/** What bears so much on each day from today on. */
const bearing = (bringsOn: (day: number) => number, primeFor = 4) => {
  const s = supply("bears", { once: false, standingG: 0, primeFor });
  return { ...s, days: s.days.map((d, k) => ({ ...d, bringsG: bringsOn(k) })) };
};
const site = { climate: climateOf([], 52), latitudeDeg: 52, bed: bed() };
/** Four autumns whose first frost of strength comes on 20 October. */
const record = [2022, 2023, 2024, 2025].flatMap((y) => [
  ...plainWeather(`${y}-06-01`, 141),
  ...plainWeather(`${y}-10-20`, 60).map((w) => ({ ...w, tempMinC: -6, tempMaxC: 4 })),
]);
const window = { from: "2026-10-01", to: "2026-10-16", by: "handbook" as const };
const judgement = { days: [], regime: "bears" as const, borneDays: 5 };

describe("the last pick of a planting", () => {
  const last = (cropId: string, of: ReturnType<typeof supply>) =>
    lastPickOf(planting(cropId), cropOf(cropId), judgement, of, window, record, site, TODAY);
  it("what bears for weeks goes on until the frost that kills it in half the years", () => {
    const found = last(
      "courgette",
      bearing(() => 300),
    )!;
    expect(found.why).toBe("frost");
    expect(found.day.slice(5) >= "10-18" && found.day.slice(5) <= "10-22").toBe(true);
  });
  it("a flush ends when it has borne", () => {
    const found = last(
      "radish",
      bearing((d) => (d < 6 ? 200 : 0)),
    )!;
    expect(found).toEqual({ day: addDays(TODAY, 5), why: "borne" });
  });
  it("what is lifted at once is expected gone by the end of its days, never before today", () => {
    expect(last("bulb-onion", supply("lifted"))).toEqual({ day: "2026-10-16", why: "lifted" });
    const late = lastPickOf(
      planting("bulb-onion"),
      cropOf("bulb-onion"),
      judgement,
      supply("lifted"),
      { ...window, to: "2026-10-01" },
      record,
      site,
      TODAY,
    );
    expect(late!.day).toBe(TODAY);
  });
  it("what no frost kills goes on", () => {
    expect(
      last(
        "kale",
        bearing(() => 50),
      ),
    ).toBeNull();
  });
  it("a bed is free the day after its last planting gave its last; not known where one has no end", () => {
    const at = (day: string) => ({ day, why: "lifted" as const });
    expect(freeOn([at("2026-10-20"), at("2026-11-02")], TODAY)).toBe("2026-11-03");
    expect(freeOn([at("2026-10-20"), null], TODAY)).toBeNull();
    expect(freeOn([], TODAY)).toBe(TODAY);
    // whichever of them comes first in the list
    expect(freeOn([at("2026-11-02"), at("2026-10-20")], TODAY)).toBe("2026-11-03");
    expect(freeOn([at("2026-09-20")], TODAY)).toBe(TODAY);
  });
});

describe("what an absence will miss", () => {
  it("grows with the days, and with the rate that the picks have shown", () => {
    const slow = bearing(() => 200, 2);
    const fast = bearing(() => 600, 2);
    const of = (s: typeof slow, days: number) => missedG(s, 0.5, days);
    expect(of(slow, 3)).toBeLessThan(of(slow, 7));
    expect(of(fast, 7)).toBeCloseTo(3 * of(slow, 7), 6);
    expect(of(fast, 7)).toBeGreaterThan(0.2 * 7 * 600);
  });
  it("of what is lifted at once only what goes past meanwhile", () => {
    expect(missedG(supply("lifted", { readyOn: -3, primeFor: 60 }), 0.5, 7)).toBeLessThan(1);
  });
});

describe("a glut", () => {
  it("is more in a week than is eaten, of all plantings together, and eases when it no longer is", () => {
    const one = bearing((d) => (d < 5 ? 400 : 100));
    const found = glutOf([one, one], 1500)!;
    expect(found.weekG).toBeCloseTo(2 * (5 * 400 + 2 * 100), 6);
    // from day 5 on a week brings 1400 g
    expect(found.easesOn).toBe(one.days[5]!.day);
  });
  it("may go on beyond what can be seen, and is none where it is eaten or picked but once", () => {
    const much = bearing(() => 400);
    expect(glutOf([much], 1000)).toMatchObject({ easesOn: null });
    expect(glutOf([much], 4000)).toBeNull();
    expect(glutOf([supply("lifted")], 100)).toBeNull();
    expect(glutOf([much], 0)).toBeNull();
    expect(glutOf([much], 7 * 400)).toBeNull();
  });
  it("eases in a week that brings just what is eaten, up to the last week in sight, and only by what bears again", () => {
    const one = bearing((d) => (d < 5 ? 400 : 100));
    const sight = one.days.length;
    expect(glutOf([one, supply("lifted")], 700)).toMatchObject({ weekG: 2200, easesOn: one.days[5]!.day });
    const last = bearing((d) => (d < sight - 7 ? 400 : 100));
    expect(glutOf([last], 700)!.easesOn).toBe(last.days[sight - 7]!.day);
  });
});

describe("the ground of a bed", () => {
  const plot = bed({ widthM: 1.2, lengthM: 5 });
  const lettuce = (over: Parameters<typeof planting>[1]) =>
    planting("lettuce-loose-leaf", { bedId: plot.id, startedOn: "2026-07-01", ...over });
  const share = (list: ReturnType<typeof lettuce>[], on = TODAY) => freeShare(plot, list, cropOf, on);
  it("is taken by area, by the row, or by plants at their distance", () => {
    const crop = cropOf("lettuce-loose-leaf");
    expect(groundOf(lettuce({ areaM2: 2, rowM: 9 }), crop)).toBe(2);
    expect(groundOf(lettuce({ areaM2: null, rowM: 4, plants: 30 }), crop)).toBeCloseTo(4 * 0.25, 6);
    expect(groundOf(lettuce({ areaM2: null, rowM: null, plants: null }), crop)).toBeNull();
  });
  it("half of it cleared is a place again; a corner is none, nor is what nobody measured", () => {
    expect(share([])).toBe(1);
    expect(share([lettuce({ areaM2: 3 }), lettuce({ areaM2: 3, endedOn: "2026-08-01" })])).toBeCloseTo(0.5, 6);
    expect(share([lettuce({ areaM2: 3 }), lettuce({ areaM2: 3 })])).toBe(0);
    expect(share([lettuce({ areaM2: 5 })])).toBe(0);
    expect(share([lettuce({ areaM2: null, rowM: null, plants: null })])).toBe(0);
    expect(share([lettuce({ areaM2: 6, startedOn: "2026-11-01" })])).toBe(1);
  });
  it.each([
    [0.3, "about a third of it"],
    [0.5, "about half of it"],
    [0.66, "about two thirds of it"],
    [0.9, "most of it"],
    [1, ""],
  ])("%d is %s", (x, words) => {
    expect(sayShare(x)).toBe(words);
  });
});

describe("days in trays", () => {
  it("are what seed takes longer than a young plant; five weeks where the handbook does not tell", () => {
    const days = { sown: [55, 65], transplanted: [30, 40], planted: null, yearly: null } as const;
    expect(trayDays({ days } as never)).toBe(25);
    expect(trayDays({ days: { ...days, sown: null } } as never)).toBe(35);
    // a young plant is not ready in a week, and does not wait for months
    expect(trayDays({ days: { ...days, transplanted: [50, 60] } } as never)).toBe(21);
    expect(trayDays({ days: { ...days, sown: [150, 170] } } as never)).toBe(70);
  });
});
