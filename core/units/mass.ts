import { GRAMS_PER_OUNCE, GRAMS_PER_POUND } from "./constants";

export type UnitSystem = "metric" | "us";
export type MassResult = { ok: true; massG: number } | { ok: false; message: string };

const PER_UNIT_G: Record<string, number> = {
  g: 1,
  gram: 1,
  grams: 1,
  kg: 1000,
  kilo: 1000,
  kilos: 1000,
  lb: GRAMS_PER_POUND,
  lbs: GRAMS_PER_POUND,
  pound: GRAMS_PER_POUND,
  pounds: GRAMS_PER_POUND,
  oz: GRAMS_PER_OUNCE,
  ounce: GRAMS_PER_OUNCE,
  ounces: GRAMS_PER_OUNCE,
};

/** Longer texts are no weights; they are refused before they are looked into. */
const LONGEST_TEXT = 60;
/** The two-decimal precision, in grams, to which masses are kept. */
const KEPT_DECIMALS = 2;

/**
 * Reads a mass as people write it at the scale: "1.2 kg", "850", "2 lb 3 oz", "1,5 kg".
 * A bare number counts in the fallback unit (kilograms in the metric system, pounds in the US one).
 *
 * @param text what was typed
 * @param system decides the unit of a bare number
 * @returns grams, kept to a hundredth of a gram, or a message that says how to write it
 * @example readMass("2 lb 3 oz", "us") // { ok: true, massG: 992.23 }
 */
export function readMass(text: string, system: UnitSystem): MassResult {
  if (text.length > LONGEST_TEXT) return { ok: false, message: "A weight is written in fewer than 60 letters." };
  const cleaned = text
    .trim()
    .toLowerCase()
    .replace(/(\d),(\d{1,2})(?!\d)/g, "$1.$2")
    .replace(/(\d),(\d{3})(?!\d)/g, "$1$2");
  const help = "write it like 1.25 kg, 850 g or 2 lb 3 oz";
  if (cleaned === "") return { ok: false, message: `The weight is missing: ${help}.` };
  const bare = /^[+]?\d+(\.\d+)?$/.exec(cleaned);
  if (bare) return { ok: true, massG: roundMass(Number(cleaned) * (system === "us" ? GRAMS_PER_POUND : 1000)) };
  const parts = [...cleaned.matchAll(/([+-]?\d+(?:\.\d+)?)\s*([a-z]+)\.?/g)];
  const read = parts
    .map((p) => p[0])
    .join("")
    .replace(/\s/g, "");
  if (parts.length === 0 || read !== cleaned.replace(/[\s]|and|,/g, ""))
    return { ok: false, message: `“${text.trim()}” is not a weight: ${help}.` };
  let massG = 0;
  for (const [, amount, unit] of parts) {
    const perUnit = Object.hasOwn(PER_UNIT_G, unit ?? "") ? PER_UNIT_G[unit ?? ""] : undefined;
    if (perUnit === undefined) return { ok: false, message: `“${unit}” is not a unit of weight here: ${help}.` };
    massG += Number(amount) * perUnit;
  }
  if (massG < 0) return { ok: false, message: "A weight cannot be below zero." };
  return { ok: true, massG: roundMass(massG) };
}

/** Rounds grams half up to the precision at which masses are kept (0.01 g). @example roundMass(12.3456) // 12.35 */
export const roundMass = (massG: number): number => Math.round(massG * 10 ** KEPT_DECIMALS) / 10 ** KEPT_DECIMALS;

/**
 * Says a mass in the user's units, short: "850 g", "1.24 kg", "2.7 lb", "6 oz".
 * Display rounding is half away from zero everywhere.
 * @example sayMass(1234, "metric") // "1.23 kg"
 */
export function sayMass(massG: number, system: UnitSystem): string {
  const sign = massG < 0 ? "−" : "";
  const size = Math.abs(massG);
  if (system === "us") {
    if (size < GRAMS_PER_POUND) return `${sign}${decimals(size / GRAMS_PER_OUNCE, 1)} oz`;
    return `${sign}${decimals(size / GRAMS_PER_POUND, size < 10 * GRAMS_PER_POUND ? 2 : 1)} lb`;
  }
  if (size < 999.5) return `${sign}${Math.round(size)} g`;
  return `${sign}${decimals(size / 1000, size < 10_000 ? 2 : 1)} kg`;
}

/** A number with at most the given decimals and no trailing zeros. @example decimals(1.50, 2) // "1.5" */
export function decimals(value: number, places: number): string {
  const fixed = (Math.round((value + Number.EPSILON) * 10 ** places) / 10 ** places).toFixed(places);
  return fixed.includes(".") ? fixed.replace(/\.?0+$/, "") : fixed;
}
