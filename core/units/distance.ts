import { M_PER_FOOT, M2_PER_SQUARE_FOOT } from "./constants";
import { readLength } from "./length";
import { decimals, type UnitSystem } from "./mass";

export type DistanceResult = { ok: true; metres: number } | { ok: false; message: string };
export type AreaResult = { ok: true; m2: number } | { ok: false; message: string };

const M_PER_YARD = 3 * M_PER_FOOT;
const BARE = /^\d+(?:[.,]\d+)?$/;

/**
 * Reads a distance in the plot as people write it: "3.5 m", "240 ft", "3 ft 6 in", "12 yd". A bare number counts in metres in
 * the metric system, in feet in the US one.
 * @example readDistance("3 ft 6 in", "us") // { ok: true, metres: 1.0668 }
 */
export function readDistance(text: string, system: UnitSystem): DistanceResult {
  const typed = text.trim().toLowerCase();
  const help = system === "us" ? "write it like 12 ft or 3 ft 6 in" : "write it like 3.5 or 3.5 m";
  if (BARE.test(typed)) return { ok: true, metres: rounded(amountOf(typed) * (system === "us" ? M_PER_FOOT : 1)) };
  const yards = /^(\d+(?:[.,]\d+)?)\s*(?:yd|yds|yards?)\.?$/.exec(typed);
  if (yards) return { ok: true, metres: rounded(amountOf(yards[1]!) * M_PER_YARD) };
  const read = readLength(typed.replace(/metres?|meters?/g, "m"), system);
  return read.ok ? { ok: true, metres: rounded(read.lengthMm / 1000) } : { ok: false, message: help };
}

/** Squares by their unit, m². */
const SQUARE: Record<string, number> = { m: 1, cm: 0.0001, ft: M2_PER_SQUARE_FOOT, yd: M_PER_YARD ** 2 };

/**
 * Reads an area: "2.5 m²", "4 sq ft", "12 ft2", "3 square yards". A bare number counts in square metres in the metric
 * system, in square feet in the US one.
 * @example readArea("4 sq ft", "metric") // { ok: true, m2: 0.3716 }
 */
export function readArea(text: string, system: UnitSystem): AreaResult {
  const typed = text.trim().toLowerCase();
  if (BARE.test(typed))
    return { ok: true, m2: rounded(amountOf(typed) * (system === "us" ? M2_PER_SQUARE_FOOT : 1), 4) };
  const read =
    /^(\d+(?:[.,]\d+)?)\s*(?:(?:sq\.?|square)\s*(m|metres?|meters?|ft|feet|foot|yd|yards?|cm)\.?|(m|ft|yd|cm)\s*(?:²|2|\^2))$/.exec(
      typed,
    );
  const unit = (read?.[2] ?? read?.[3] ?? "")
    .replace(/^met.*/, "m")
    .replace(/^f.*/, "ft")
    .replace(/^y.*/, "yd");
  const per = Object.hasOwn(SQUARE, unit) ? SQUARE[unit] : undefined;
  if (!read || per === undefined)
    return { ok: false, message: system === "us" ? "write it like 12 sq ft" : "write it like 2.5 or 2.5 m²" };
  return { ok: true, m2: rounded(amountOf(read[1]!) * per, 4) };
}

const amountOf = (text: string): number => Number(text.replace(",", "."));
const rounded = (x: number, places = 4): number => Math.round(x * 10 ** places) / 10 ** places;

/**
 * A distance as it stands in a form, in the garden's units: "3.5 m", "11 ft 6 in".
 * @example typedDistance(1.5, "metric") // "1.5 m"
 */
export function typedDistance(metres: number, system: UnitSystem): string {
  if (system !== "us") return `${decimals(metres, 3)} m`;
  const inches = Math.round((metres / M_PER_FOOT) * 12 * 10) / 10;
  const feet = Math.floor(inches / 12);
  const rest = Math.round((inches - 12 * feet) * 10) / 10;
  return [feet > 0 ? `${feet} ft` : "", rest > 0 || feet === 0 ? `${decimals(rest, 1)} in` : ""]
    .filter(Boolean)
    .join(" ");
}

/** An area: "3.6 m²" or "39 sq ft". @example sayArea(1.5, "metric") // "1.5 m²" */
export const sayArea = (m2: number, system: UnitSystem): string =>
  system === "us" ? `${decimals(m2 / M2_PER_SQUARE_FOOT, m2 < 1 ? 1 : 0)} sq ft` : `${decimals(m2, m2 < 1 ? 2 : 1)} m²`;
