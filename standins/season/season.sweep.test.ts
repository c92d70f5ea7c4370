import { describe, expect, it } from "vitest";
import { chance } from "../random";
import { akmedon, type Said, UNSEEN, WHOLE } from "./akmedon";
import { everyThird, keen, weekly } from "./habits";
import { worthAtHome } from "./home";
import { missedBy, reliability, sureAndTrue } from "./reckoning";
import { runSeason } from "./season";
import { bedNightC, begin, dayWarmth, isRipe, isSpared, lightHours, live, massOf, qualityOf, stageOf } from "./stand";
import { CLIMATES, layOut } from "./trial-garden";
import { TRUTHS, truthOf } from "./truth";

const [maritime, continental] = CLIMATES;

/** Two whole seasons, each lived through by habits and by Akmedon; the floors fail when it gets worse. */
const seasons = [layOut(maritime!, 1), layOut(continental!, 1)];
const runs = seasons.map((season) => {
  const said: Said[] = [];
  return {
    said,
    weekly: runSeason(season, weekly()).score,
    third: runSeason(season, everyThird()).score,
    keen: runSeason(season, keen()).score,
    ours: runSeason(season, akmedon(WHOLE, said)()),
    unseen: runSeason(season, akmedon(UNSEEN)()).score,
  };
});
const sum = (of: (r: (typeof runs)[number]) => number): number => runs.reduce((s, r) => s + of(r), 0);

describe("two seasons on trial", () => {
  it("following Akmedon brings as much as the best rhythm in fewer rounds, and far more than the keen gardener", () => {
    expect(sum((r) => r.ours.score.net)).toBeGreaterThan(0.97 * sum((r) => r.third.net));
    expect(sum((r) => r.ours.score.rounds)).toBeLessThan(1.05 * sum((r) => r.third.rounds));
    expect(sum((r) => r.ours.score.net)).toBeGreaterThan(1.3 * sum((r) => r.keen.net));
    expect(sum((r) => r.ours.score.minutes)).toBeLessThan(0.55 * sum((r) => r.keen.minutes));
  });
  it("with nobody ever looking it still brings what the weekly round brings", () => {
    expect(sum((r) => r.unseen.net)).toBeGreaterThan(0.97 * sum((r) => r.weekly.net));
  });
  it("crops that are lifted at once are not lifted unripe, but before a frost", () => {
    for (const r of runs)
      for (const d of r.ours.deeds)
        if (truthOf(d.cropId).taken === "lift" && d.day < "2025-09-15") expect(d.unripeG).toBeLessThan(0.55 * d.massG);
  });
  it("frost finds next to nothing that it had not been told of", () => {
    expect(sum((r) => r.ours.score.kg.lost.frost)).toBeLessThanOrEqual(sum((r) => r.weekly.kg.lost.frost));
  });
  it("chances mean what they say, roughly, and what is all but sure is nearly always true", () => {
    const said = runs.flatMap((r) => r.said);
    expect(said.length).toBeGreaterThan(500);
    expect(missedBy(reliability(said))).toBeLessThan(7);
    expect(sureAndTrue(said)).toBeGreaterThan(0.88);
  });
  it("the same season and decider give the same run", () => {
    expect(runSeason(seasons[0]!, everyThird()).score).toEqual(runs[0]!.third);
  });
});

describe("the trial's garden", () => {
  const season = layOut(maritime!, 3);
  const grown = (cropId: string, days: number, low = 14, high = 26) => {
    const p = { ...season.plantings[0]!, truth: truthOf(cropId) };
    const stand = begin(
      p.truth,
      { ...p.planting, startedOn: "2025-05-01", plants: 4 },
      { ...p.bed, sunHours: 8 },
      chance(5),
    );
    for (let d = 0; d < days; d++)
      live(
        stand,
        {
          day: new Date(Date.UTC(2025, 4, 1 + d)).toISOString().slice(0, 10),
          tempMinC: low,
          tempMaxC: high,
          rainMm: 0,
          windMs: 2,
          gustMs: 4,
          humidityPct: 70,
          cloudPct: 40,
        },
        52,
      );
    return stand;
  };
  it("warmth: none below the base, one at its reference, less in great heat", () => {
    const t = truthOf("courgette");
    expect(dayWarmth(2, 6, t)).toBe(0);
    expect(dayWarmth(t.refC, t.refC, t)).toBeCloseTo(1);
    expect(dayWarmth(38, 42, t)).toBeLessThan(dayWarmth(22, 28, t));
  });
  it("light: the longest day is longest in the north, and the same everywhere at the equinox", () => {
    expect(lightHours("2025-06-21", 52)).toBeGreaterThan(lightHours("2025-06-21", 38));
    expect(lightHours("2025-03-21", 52)).toBeCloseTo(12, 0);
    expect(lightHours("2025-12-21", 70)).toBe(0);
  });
  it("a bed's night is coldest in a hollow under a clear, still sky, and milder under a roof", () => {
    const night = {
      day: "2025-10-01",
      tempMinC: 2,
      tempMaxC: 12,
      rainMm: 0,
      windMs: 1,
      gustMs: 2,
      humidityPct: 80,
      cloudPct: 10,
    };
    const hollow = { ...season.plantings[0]!.bed, nightOffsetC: -2, cover: "none" as const };
    expect(bedNightC(night, hollow)).toBeLessThan(bedNightC({ ...night, cloudPct: 90 }, hollow));
    expect(bedNightC(night, { ...hollow, cover: "polytunnel" })).toBeGreaterThan(bedNightC(night, hollow));
  });
  it("pieces grow, ripen, go over and are lost; their worth is highest in between", () => {
    const early = grown("courgette", 40);
    const later = grown("courgette", 110);
    expect(early.pieces.filter((p) => isRipe(early, p)).length).toBeLessThan(
      later.pieces.filter((p) => isRipe(later, p)).length,
    );
    expect(later.lostG.age).toBeGreaterThan(0);
    const ripe = later.pieces.find((p) => isRipe(later, p))!;
    const young = later.pieces.find((p) => stageOf(later, p) < 0.75)!;
    expect(massOf(later, ripe)).toBeGreaterThan(massOf(later, young));
    expect(qualityOf(later, young)).toBeLessThan(0.95);
  });
  it("a killing night ends what it kills, and is counted", () => {
    const stand = grown("courgette", 100);
    live(
      stand,
      { day: "2025-10-09", tempMinC: -3, tempMaxC: 8, rainMm: 0, windMs: 1, gustMs: 2, humidityPct: 80, cloudPct: 5 },
      52,
    );
    expect([stand.over, stand.pieces.length, stand.lostG.frost > 0]).toEqual([true, 0, true]);
  });
  it("a young tree bears a part of a full crop, a spared crown nothing worth taking, a failed sowing nothing at all", () => {
    const p = { ...season.plantings[0]!, truth: truthOf("apple") };
    const pieces = (yearsOld: number, failed = false) =>
      begin(p.truth, { ...p.planting, plants: 1 }, p.bed, chance(5), { failed, yearsOld }).pieces.length;
    expect(pieces(2)).toBeLessThan(0.2 * pieces(8));
    expect([pieces(0), pieces(8, true)]).toEqual([0, 0]);
    const crown = begin(truthOf("asparagus"), p.planting, p.bed, chance(5), { failed: false, yearsOld: 1 });
    crown.pieces.push({ born: 0, pace: 1, ripe: 7, size: 1, nudged: 7.5, guise: 0 });
    expect([isSpared(crown), qualityOf(crown, crown.pieces[0]!)]).toEqual([true, 0]);
  });
  it("every season has plants of several ages and one sowing that never comes up", () => {
    for (const s of seasons) {
      expect(s.plantings.filter((x) => x.fortune.failed)).toHaveLength(1);
      const ages = s.plantings.filter((x) => x.truth.seasonDays !== null).map((x) => x.fortune.yearsOld);
      expect(new Set(ages).size).toBeGreaterThan(1);
    }
  });
  it("a household eats from the oldest, gives away the rest and is glad of no more", () => {
    const lot = (day: string, massG: number, keepsDays = 7) => ({
      cropId: "courgette",
      day,
      massG,
      quality: 1,
      keepsDays,
    });
    const one = worthAtHome([lot("2025-07-01", 1000)], 3);
    expect(one).toBeCloseTo(1.3, 1);
    const glut = worthAtHome([lot("2025-07-01", 30_000)], 3);
    expect(glut).toBeLessThan(0.6 * 30 * one);
    const spread = worthAtHome(
      ["01", "08", "15"].map((d) => lot(`2025-07-${d}`, 2500)),
      3,
    );
    expect(spread).toBeGreaterThan(worthAtHome([lot("2025-07-01", 7500)], 3));
  });
  it("grows two dozen crops, each with signs the application can be told", () => {
    expect(TRUTHS.length).toBeGreaterThanOrEqual(20);
    for (const t of TRUTHS) expect(Object.keys(t.shows).length).toBeGreaterThan(0);
  });
});
