import {
  LITRES_PER_US_BUSHEL,
  LITRES_PER_US_DRY_QUART,
  LITRES_PER_US_GALLON,
  LITRES_PER_US_LIQUID_QUART,
  LITRES_PER_US_PECK,
} from "../units/constants";
import { readMass, roundMass, type UnitSystem } from "../units/mass";
import type { Bulk, Measure } from "./bulk";

/** Litres of what crops are measured in; quarts and pints are the dry ones, as at a market, unless “liquid” is said. */
const PER_UNIT_L: Record<string, number> = {
  l: 1,
  litre: 1,
  liter: 1,
  qt: LITRES_PER_US_DRY_QUART,
  quart: LITRES_PER_US_DRY_QUART,
  pt: LITRES_PER_US_DRY_QUART / 2,
  pint: LITRES_PER_US_DRY_QUART / 2,
  gal: LITRES_PER_US_GALLON,
  gallon: LITRES_PER_US_GALLON,
  peck: LITRES_PER_US_PECK,
  pk: LITRES_PER_US_PECK,
  bushel: LITRES_PER_US_BUSHEL,
  bu: LITRES_PER_US_BUSHEL,
};
const LIQUID_L: Record<string, number> = {
  qt: LITRES_PER_US_LIQUID_QUART,
  quart: LITRES_PER_US_LIQUID_QUART,
  pt: LITRES_PER_US_LIQUID_QUART / 2,
  pint: LITRES_PER_US_LIQUID_QUART / 2,
};

export type Amount = {
  massG: number;
  /** reckoned from a volume, in whole or in part */
  estimated: boolean;
  /** masses of what was put on the scale one after the other, g */
  loads: number[];
  /** litres that were measured instead of weighed; 0: none */
  litres: number;
};
export type AmountResult = { ok: true; amount: Amount } | { ok: false; message: string };

/** Longer texts are no amounts, however many crates: they are refused before they are looked into. */
const LONGEST_TEXT = 600;

const FRACTIONS: Record<string, number> = { "½": 0.5, "¼": 0.25, "¾": 0.75, half: 0.5, quarter: 0.25, a: 1, an: 1 };

const singular = (name: string): string => name.toLowerCase().trim().replace(/s$/, "");
/** The measure that a word means: by its whole name, or by its last word where only one ends so. */
function measureOf(word: string, measures: readonly Measure[]): Measure | null {
  const said = singular(word);
  const whole = measures.find((m) => singular(m.name) === said);
  const ending = measures.filter((m) => singular(m.name).split(/\s+/).at(-1) === said);
  return whole ?? (ending.length === 1 ? ending[0]! : null);
}

/**
 * Litres of a volume as people say it: "2 qt", "half a bushel", "1/2 peck", "3 l", "4 baskets"; null when it is none.
 * @param measures containers of one's own, which go before the units of the same name
 * @example readVolume("half a basket", [{ name: "willow basket", litres: 12 }]) // 6
 */
export function readVolume(text: string, measures: readonly Measure[] = []): number | null {
  if (text.length > LONGEST_TEXT) return null;
  const cleaned = text
    .trim()
    .toLowerCase()
    .replace(/(\d),(\d{1,2})(?!\d)/g, "$1.$2")
    .replace(/^(?:an? )?(half|quarter) (?:of )?(?:an? )?/, "$1 ");
  const found = /^(\d+(?:\.\d+)?|\d+\s*\/\s*\d+|[½¼¾]|half|quarter|an?)\s*(\p{L}[\p{L} -]*?)s?\.?$/u.exec(cleaned);
  const own = found ? measureOf(found[2]!, measures) : null;
  const measure = found?.[2] ?? "";
  const unit = measure.replace(/^(liquid|dry) | (liquid|dry)$/, "").replace(/s$/, "");
  const known = /\bliquid\b/.test(measure) ? LIQUID_L : PER_UNIT_L;
  const perUnit = own?.litres ?? (unit && Object.hasOwn(known, unit) ? known[unit] : undefined);
  if (!found || !perUnit) return null;
  const [top, bottom] = found[1]!.split("/").map((x) => Number(x));
  const word = Object.hasOwn(FRACTIONS, found[1]!) ? FRACTIONS[found[1]!] : undefined;
  const count = word ?? (bottom === undefined ? top! : top! / bottom);
  return Number.isFinite(count) ? count * perUnit : null;
}

/**
 * Reads what stood on the scale, crate by crate if need be: "6.4 kg", "12.3 + 11.8 + 9 kg", "2 lb 3 oz + 1 lb 8 oz";
 * or a volume, "half a bushel", turned into a mass by the crop's bulk and then an estimate. A bare number in a sum has
 * the unit of the next one that has any.
 * @returns grams to a hundredth, or a message that says how to write it
 */
export function readAmount(text: string, system: UnitSystem, bulk: Bulk): AmountResult {
  if (text.length > LONGEST_TEXT) return { ok: false, message: "This is too long for a weight." };
  const parts = text.split("+").map((p) => p.trim());
  if (parts.some((p) => p === "") && parts.length > 1)
    return { ok: false, message: "Between two “+” a weight is missing." };
  const unitAfter = (k: number): string => {
    const next = parts.slice(k).find((p) => /[a-z]/i.test(p));
    return next ? next.replace(/^[^a-z]*/i, "").split(/[\s\d.]/)[0]! : "";
  };
  const loads: number[] = [];
  let litres = 0;
  for (const [k, part] of parts.entries()) {
    const whole = /^[\d.,]+$/.test(part) && unitAfter(k) ? `${part} ${unitAfter(k)}` : part;
    const volume = readVolume(whole, bulk.measures);
    if (volume !== null) {
      litres += volume;
      loads.push(roundMass(volume * bulk.kgPerL * 1000));
      continue;
    }
    const mass = readMass(whole, system);
    if (!mass.ok) return mass;
    loads.push(mass.massG);
  }
  return {
    ok: true,
    amount: { massG: roundMass(loads.reduce((a, b) => a + b, 0)), estimated: litres > 0, loads, litres },
  };
}
