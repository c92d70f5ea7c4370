import { M_PER_FOOT, M_PER_S_PER_KMH, M_PER_S_PER_MPH } from "./constants";
import { fahrenheitFromCelsius, inchesFromMm } from "./convert";
import { decimals, type UnitSystem } from "./mass";

/** A temperature in the user's units, whole degrees unless places are asked for. @example sayTemp(-1.2, "metric", 1) // "−1.2 °C" */
export function sayTemp(tempC: number, system: UnitSystem, places = 0): string {
  const value = system === "us" ? fahrenheitFromCelsius(tempC) : tempC;
  const text = decimals(Math.abs(value), places);
  return `${value < 0 && text !== "0" ? "−" : ""}${text} ${system === "us" ? "°F" : "°C"}`;
}

/** So many degrees more or less, not a temperature. @example sayDegrees(5, "us") // "9 °F" */
export const sayDegrees = (kelvins: number, system: UnitSystem): string =>
  system === "us" ? `${Math.max(1, Math.round(kelvins * 1.8))} °F` : `${Math.max(1, Math.round(kelvins))} °C`;

/** A small length: "18 mm", "15 cm" or "0.7 in". @example sayLength(50.8, "us") // "2 in" */
export function sayLength(lengthMm: number, system: UnitSystem): string {
  if (system === "us") return `${decimals(inchesFromMm(lengthMm), lengthMm < 50 ? 2 : 1)} in`;
  return lengthMm < 100 ? `${decimals(lengthMm, 0)} mm` : `${decimals(lengthMm / 10, 1)} cm`;
}

/** A distance in the plot: "2.4 m" or "7.9 ft". @example sayDistance(2, "metric") // "2 m" */
export const sayDistance = (metres: number, system: UnitSystem): string =>
  system === "us" ? `${decimals(metres / M_PER_FOOT, 1)} ft` : `${decimals(metres, 2)} m`;

/** A wind speed: kilometres an hour or miles an hour, whole. @example saySpeed(10, "metric") // "36 km/h" */
export const saySpeed = (speedMs: number, system: UnitSystem): string =>
  system === "us" ? `${Math.round(speedMs / M_PER_S_PER_MPH)} mph` : `${Math.round(speedMs / M_PER_S_PER_KMH)} km/h`;

/** Rain depth: "4 mm" or "0.16 in". @example sayRain(25.4, "us") // "1 in" */
export const sayRain = (rainMm: number, system: UnitSystem): string =>
  system === "us" ? `${decimals(inchesFromMm(rainMm), 2)} in` : `${decimals(rainMm, 0)} mm`;

/**
 * A chance in the words gardeners use, beside the percentage.
 * @example sayChance(0.71) // "about 7 in 10 (71 %)"
 */
export function sayChance(probability: number): string {
  const percent = Math.round(probability * 100);
  if (percent <= 1) return "hardly any chance (under 2 %)";
  if (percent >= 99) return "all but certain (99 %)";
  if (percent >= 96) return `all but certain (${percent} %)`;
  if (percent < 8) return `about 1 in ${Math.round(1 / probability)} (${percent} %)`;
  return `about ${Math.min(9, Math.max(1, Math.round(probability * 10)))} in 10 (${percent} %)`;
}
