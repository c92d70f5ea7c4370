import { M_PER_FOOT, M2_PER_SQUARE_FOOT } from "#core/units/constants";
import { sayMass, type UnitSystem } from "#core/units/mass";

/** What a planting gave by its size, g; null where the size is not known. */
type Each = { perPlantG: number | null; perMetreG: number | null; perM2G: number | null };

/** The same in the garden's units: a plant, a metre or a foot of row, a square metre or foot. */
export function yieldLines(of: Each, units: UnitSystem): { of: string; amount: string }[] {
  const us = units === "us";
  const lines: [string, number | null, number][] = [
    [us ? "a square foot" : "a square metre", of.perM2G, us ? M2_PER_SQUARE_FOOT : 1],
    [us ? "a foot of row" : "a metre of row", of.perMetreG, us ? M_PER_FOOT : 1],
    ["a plant", of.perPlantG, 1],
  ];
  return lines.flatMap(([what, g, share]) => (g === null ? [] : [{ of: what, amount: sayMass(g * share, units) }]));
}

export const sayYield = (of: Each, units: UnitSystem): string =>
  yieldLines(of, units)
    .map((l) => `${l.amount} ${l.of}`)
    .join(", ");
