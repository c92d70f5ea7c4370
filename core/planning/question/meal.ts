import { firstPick, massOf } from "../../planting/fate";
import { isPick } from "../../planting/verdict";
import type { UnitSystem } from "../../units/mass";
import { readAmount } from "../../weighing/amount";
import type { Bulk } from "../../weighing/bulk";
import type { PlantingOutlook } from "../outlook";

/** Counting words as people say them at the table. */
const COUNTS: Record<string, number> = {
  ...{ a: 1, an: 1, one: 1, two: 2, three: 3, four: 4, five: 5, six: 6, seven: 7, eight: 8, nine: 9, ten: 10 },
  ...{ "a dozen": 12, dozen: 12, "half a dozen": 6, "a few": 3, "a handful": 0 },
};
/** What a kitchen measures in: litres of each (common practice: a colander is one family salad). */
const VESSELS: Record<string, number> = { colander: 4, bowl: 2, bunch: 0.5, handful: 0.3, basket: 8, trug: 8 };

/** Amounts as they may be written, in the garden's own units. */
export const EXAMPLES: Record<UnitSystem, string> = { metric: "2, 400 g, a colander", us: "2, 14 oz, a colander" };

export type Wanted = { massG: number; pieces: number | null };
export type WantedResult = { ok: true; wanted: Wanted } | { ok: false; message: string };

/**
 * An amount as it is said in a kitchen: "two", "6", "a colander", "2 bowls", "400 g", "3 l".
 *
 * “two” of a crop whose pieces weigh 250 g is 500 g.
 */
export function readWanted(text: string, pieceG: number, bulk: Bulk, units: UnitSystem): WantedResult {
  const said = text
    .trim()
    .toLowerCase()
    .replace(/\s+/g, " ")
    .replace(/ full$/, "");
  const count = /^\d{1,4}$/.test(said) ? Number(said) : Object.hasOwn(COUNTS, said) ? COUNTS[said] : undefined;
  if (count !== undefined && count > 0) return { ok: true, wanted: { massG: count * pieceG, pieces: count } };
  const vessel = /^(?:(\d{1,3}|[a-z]+(?: a)?) )?([a-z]+?)s?$/.exec(said);
  const litres = vessel && Object.hasOwn(VESSELS, vessel[2]!) ? VESSELS[vessel[2]!]! : null;
  if (vessel && litres) {
    const many = vessel[1] === undefined ? 1 : vessel[1] === "half a" ? 0.5 : Number(COUNTS[vessel[1]] ?? vessel[1]);
    if (Number.isFinite(many) && many > 0)
      return { ok: true, wanted: { massG: many * litres * bulk.kgPerL * 1000, pieces: null } };
  }
  const amount = readAmount(text, units, bulk);
  if (!amount.ok || amount.amount.massG <= 0)
    return { ok: false, message: `write a number of pieces, a weight, or a vessel: ${EXAMPLES[units]}` };
  return { ok: true, wanted: { massG: amount.amount.massG, pieces: null } };
}

export type MealLine = {
  plantingId: string;
  wantedG: number;
  /** pieces wanted, where they were counted */
  pieces: number | null;
  /** what stands ready now, and what is left of it afterwards, g */
  standsG: number;
  leftG: number;
  /** more is wanted than stands ready */
  short: boolean;
  minutes: number;
};

/** What stands ready of a planting now, g. */
export function standsReadyG(p: PlantingOutlook, nowT: number): number {
  const fate = firstPick(p.supply, nowT, nowT);
  // of what is lifted at once or dug as needed only the ready share counts; unripe pieces are no meal
  return p.supply.once ? fate.primeG + fate.pastG : massOf(fate);
}

/** Plantings from which a meal can be picked now: ready by the verdict, nothing barred. */
export const forAMeal = (plantings: readonly PlantingOutlook[], nowT: number): PlantingOutlook[] =>
  plantings.filter(
    (p) => !p.judgement.held && isPick(p.judgement.verdict) && standsReadyG(p, nowT) >= p.crop.yield.pieceG / 2,
  );

/** What taking just so much of a planting brings, leaves and costs. @param lineMinutes what every stop costs */
export function mealLine(p: PlantingOutlook, wanted: Wanted, nowT: number, lineMinutes: number): MealLine {
  const standsG = standsReadyG(p, nowT);
  const takenG = Math.min(wanted.massG, standsG);
  return {
    plantingId: p.planting.id,
    wantedG: wanted.massG,
    pieces: wanted.pieces,
    standsG,
    leftG: standsG - takenG,
    short: wanted.massG > standsG * 1.02,
    minutes: lineMinutes + takenG * p.supply.minutesPerG,
  };
}
