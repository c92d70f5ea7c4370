import { describe, expect, it } from "vitest";
import { garden, NOW } from "../../fixtures/snapshot";
import { cropOf } from "../../handbook";
import { bulkOf } from "../../weighing/bulk";
import { outlookOf } from "../outlook";
import { forAMeal, mealLine, readWanted, standsReadyG } from "./meal";

const NOW_T = 15.5 / 24;
const { plantings } = outlookOf(garden(), NOW);

describe("an amount as it is said in a kitchen", () => {
  const lettuce = cropOf("lettuce-head");
  const read = (text: string) => readWanted(text, 300, bulkOf(lettuce), "metric");
  const colander = 4 * bulkOf(lettuce).kgPerL * 1000;
  it.each([
    ["two", 600, 2],
    ["6", 1800, 6],
    ["half a dozen", 1800, 6],
    ["400 g", 400, null],
    ["a colander", colander, null],
    ["2 colanders", 2 * colander, null],
    ["half a colander", colander / 2, null],
    ["colander full", colander, null],
  ] as const)("%s", (text, massG, pieces) => {
    const said = read(text);
    expect(said).toMatchObject({ ok: true, wanted: { massG: expect.closeTo(massG, 6), pieces } });
  });
  it.each(["", "0", "some", "a lot", "two of them please", "constructor", "-3"])("refuses “%s” with a word", (text) => {
    expect(read(text)).toMatchObject({ ok: false, message: expect.stringContaining("400 g") });
  });
});

it("speaks of ounces where those are used, and reads what it proposes", () => {
  const read = (text: string) => readWanted(text, 300, bulkOf(cropOf("kale")), "us");
  expect(read("lots")).toMatchObject({ ok: false, message: expect.not.stringMatching(/\d g\b/) });
  expect(read("14 oz")).toMatchObject({ ok: true, wanted: { massG: expect.closeTo(396.9, 0) } });
});

describe("picking for a meal", () => {
  const [first] = forAMeal(plantings, NOW_T);
  it("offers what is ready and not barred, and nothing else", () => {
    expect(first).toBeDefined();
    for (const p of forAMeal(plantings, NOW_T)) expect(standsReadyG(p, NOW_T)).toBeGreaterThan(0);
    const held = plantings.map((p) => ({ ...p, judgement: { ...p.judgement, held: { why: "for-seed" as const } } }));
    expect(forAMeal(held, NOW_T)).toEqual([]);
    const waits = plantings.map((p) => ({ ...p, judgement: { ...p.judgement, verdict: "not-yet" as const } }));
    expect(forAMeal(waits, NOW_T)).toEqual([]);
  });
  it("takes just what is asked, says what stays, and what it costs", () => {
    const standsG = standsReadyG(first!, NOW_T);
    const half = mealLine(first!, { massG: standsG / 2, pieces: null }, NOW_T, 3);
    expect(half).toMatchObject({ short: false, leftG: expect.closeTo(standsG / 2, 6) });
    expect(half.minutes).toBeCloseTo(3 + (standsG / 2) * first!.supply.minutesPerG, 6);
    const more = mealLine(first!, { massG: 3 * standsG, pieces: null }, NOW_T, 3);
    expect(more).toMatchObject({ short: true, leftG: 0 });
  });
});
