import { describe, expect, it } from "vitest";
import { garden, NOW, TODAY } from "../../fixtures/snapshot";
import { outlookOf } from "../outlook";
import { inPassing } from "./in-passing";

const grown = outlookOf(garden(), NOW).plantings;
/** The fixture's plantings, ready by today with these chances in turn. */
const CHANCES = [0.05, 0.1, 0.5, 0.9, 0.95];
const plantings = Array.from({ length: 10 }, (_, k) => {
  const p = grown[k % grown.length]!;
  const day = { ...p.judgement.days[0]!, unready: 0, nearly: 0, ready: CHANCES[k % 5]!, past: 0 };
  const judgement = { ...p.judgement, barred: null, days: [day], way: "as-they-come" as const };
  return { ...p, planting: { ...p.planting, id: `p${k}` }, judgement };
});
/** What a stop of three minutes costs at 1.8 kg an hour. */
const STOP_KG = 0.09;
const ids = (of: ReturnType<typeof inPassing>) => of.map((g) => g.plantingId);
const likely = plantings.filter((_, k) => k % 5 > 0);

describe("what a round glances at besides its own lines", () => {
  it("is what may be ready on its day, or surely is, and is not on it", () => {
    expect(likely.length).toBeGreaterThan(1);
    expect(ids(inPassing(plantings, TODAY, new Set(), STOP_KG))).toEqual(likely.map((p) => p.planting.id));
    const first = likely[0]!.planting.id;
    expect(ids(inPassing(plantings, TODAY, new Set([first]), STOP_KG))).not.toContain(first);
  });
  it("is nothing that is barred", () => {
    const barred = likely.map((p) => ({ ...p, judgement: { ...p.judgement, barred: { why: "ended" as const } } }));
    expect(inPassing(barred, TODAY, new Set(), STOP_KG)).toEqual([]);
  });
  it("asks for fewer pieces the bigger and dearer they are, and for more the dearer the stop", () => {
    const piecewise = likely;
    const many = new Map(inPassing(piecewise, TODAY, new Set(), STOP_KG).map((g) => [g.plantingId, g.fromPieces!]));
    const twice = new Map(
      inPassing(piecewise, TODAY, new Set(), 2 * STOP_KG).map((g) => [g.plantingId, g.fromPieces!]),
    );
    for (const p of piecewise) {
      const n = many.get(p.planting.id)!;
      // the smallest whole number whose worth pays the stop 6.7 times over
      const worthKg = (k: number) => (k * p.crop.yield.pieceG * p.crop.worth.perKg) / 1000;
      expect(worthKg(n)).toBeGreaterThanOrEqual(6.7 * STOP_KG - 1e-9);
      if (n > 1) expect(worthKg(n - 1)).toBeLessThan(6.7 * STOP_KG);
      expect(twice.get(p.planting.id)!).toBeGreaterThanOrEqual(n);
    }
  });
  it("is ready as a whole or not at all where it is lifted at once", () => {
    const once = likely.map((p) => ({ ...p, judgement: { ...p.judgement, way: "all-at-once" as const } }));
    for (const g of inPassing(once, TODAY, new Set(), STOP_KG)) expect(g.fromPieces).toBeNull();
  });
});
