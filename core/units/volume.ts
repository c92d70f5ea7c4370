import { LITRES_PER_US_BUSHEL, LITRES_PER_US_GALLON, LITRES_PER_US_LIQUID_QUART } from "./constants";
import { decimals, type UnitSystem } from "./mass";

/** What room is counted in: litres, or US liquid quarts. @example volumeUnit("us").name // "quarts" */
export const volumeUnit = (
  system: UnitSystem,
): { name: "litres" | "quarts"; one: "litre" | "quart"; litres: number } =>
  system === "us"
    ? { name: "quarts", one: "quart", litres: LITRES_PER_US_LIQUID_QUART }
    : { name: "litres", one: "litre", litres: 1 };

/** Room in the garden's units. @example sayVolume(30, "us") // "31.7 quarts" */
export function sayVolume(litres: number, system: UnitSystem): string {
  const unit = volumeUnit(system);
  const n = decimals(litres / unit.litres, 1);
  return `${n} ${n === "1" ? unit.one : unit.name}`;
}

/**
 * Room as it stands in a form: the bare number in the garden's units; "" where there is none.
 * @example typedVolume(30, "metric") // "30"
 */
export const typedVolume = (litres: number | null | undefined, system: UnitSystem): string =>
  litres === null || litres === undefined ? "" : String(Math.round((100 * litres) / volumeUnit(system).litres) / 100);

const PER_UNIT: Record<string, number> = {
  l: 1,
  litre: 1,
  liter: 1,
  qt: LITRES_PER_US_LIQUID_QUART,
  quart: LITRES_PER_US_LIQUID_QUART,
  gal: LITRES_PER_US_GALLON,
  gallon: LITRES_PER_US_GALLON,
  bu: LITRES_PER_US_BUSHEL,
  bushel: LITRES_PER_US_BUSHEL,
  "cu ft": 28.316846592,
};

/**
 * Reads room as people write it: "35", "35 l", "18 qt", "5 gal", "2 cu ft". A bare number counts in litres in the metric
 * system, in liquid quarts in the US one.
 * @returns litres to a thousandth; null for an empty text; NaN for what is none, so that a schema refuses it
 * @example readRoom("5 gal", "metric") // 18.927
 */
export function readRoom(text: string | undefined, system: UnitSystem): number | null {
  const typed = (text ?? "").trim().toLowerCase().replace(",", ".");
  if (typed === "") return null;
  const found = /^(\d{1,9}(?:\.\d{1,6})?)\s*([a-z]+(?: ft)?)?\.?$/.exec(typed);
  if (!found) return Number.NaN;
  const named = found[2]?.replace(/(?<=[a-z]{2})s$/, "");
  const per =
    named === undefined ? volumeUnit(system).litres : Object.hasOwn(PER_UNIT, named) ? PER_UNIT[named]! : Number.NaN;
  return Math.round(Number(found[1]) * per * 1000) / 1000;
}
