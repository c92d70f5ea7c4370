import type { Crop } from "#core/handbook/crop";
import { GRAMS_PER_OUNCE } from "#core/units/constants";
import { celsiusFromFahrenheit, fahrenheitFromCelsius, inchesFromMm, mmFromInches } from "#core/units/convert";
import type { UnitSystem } from "#core/units/mass";

/** A figure of a crop as its form shows it: its unit there, and the way there and back. */
export type Figure = { unit: string; show(value: number): number; read(shown: number): number };

const rounded = (x: number, places: number): number => Math.round(x * 10 ** places) / 10 ** places;
const plain = (unit: string): Figure => ({ unit, show: (x) => rounded(x, 2), read: (x) => x });

/** A temperature, °C or °F to a tenth. */
export const degrees = (units: UnitSystem): Figure =>
  units === "us"
    ? { unit: "°F", show: (c) => rounded(fahrenheitFromCelsius(c), 1), read: celsiusFromFahrenheit }
    : plain("°C");

const CUE_UNITS: Partial<Record<Crop["cues"][number]["kind"], string>> = {
  percent: "%",
  count: "a plant",
  since: "days",
};
/** What a cue is measured in: lengths in mm or inches to a hundredth, masses in g or ounces, the rest as it is counted. */
export function cueFigure(kind: Crop["cues"][number]["kind"], units: UnitSystem): Figure {
  if (kind === "measure")
    return units === "us"
      ? { unit: "in", show: (mm) => rounded(inchesFromMm(mm), 2), read: mmFromInches }
      : plain("mm");
  if (kind === "weight")
    return units === "us"
      ? { unit: "oz", show: (g) => rounded(g / GRAMS_PER_OUNCE, 2), read: (oz) => oz * GRAMS_PER_OUNCE }
      : plain("g");
  return plain(CUE_UNITS[kind] ?? "");
}

/** What was typed as the crop has it; what stands there as it was shown is what it was, to the last digit. */
export const readBack = (figure: Figure, typed: number, before: number | null | undefined): number =>
  before !== null && before !== undefined && typed === figure.show(before) ? before : figure.read(typed);
