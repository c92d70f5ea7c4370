import { GRAMS_PER_OUNCE, GRAMS_PER_POUND, MM_PER_INCH } from "./constants";

/** Degrees Fahrenheit to degrees Celsius. @example celsiusFromFahrenheit(32) // 0 */
export const celsiusFromFahrenheit = (tempF: number): number => ((tempF - 32) * 5) / 9;

/** Degrees Celsius to degrees Fahrenheit. @example fahrenheitFromCelsius(100) // 212 */
export const fahrenheitFromCelsius = (tempC: number): number => (tempC * 9) / 5 + 32;

/** Inches to millimetres (exact). @example mmFromInches(1) // 25.4 */
export const mmFromInches = (inches: number): number => inches * MM_PER_INCH;

/** Millimetres to inches (exact). @example inchesFromMm(25.4) // 1 */
export const inchesFromMm = (lengthMm: number): number => lengthMm / MM_PER_INCH;

/** Avoirdupois pounds and ounces to grams. @example gramsFromPounds(2, 3) // 992.23… */
export const gramsFromPounds = (pounds: number, ounces = 0): number =>
  pounds * GRAMS_PER_POUND + ounces * GRAMS_PER_OUNCE;

/** Grams to decimal pounds. @example poundsFromGrams(453.59237) // 1 */
export const poundsFromGrams = (massG: number): number => massG / GRAMS_PER_POUND;
