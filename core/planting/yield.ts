import type { Day } from "../calendar/day";
import type { Bed } from "../garden/bed";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { perennialYear } from "./perennial";

/**
 * Whole expected yield of a planting in a season, g: by plants, else by row, else by area at one plant per 0.1 m² (own
 * estimate); what stands for years brings less while it is young.
 * @param on a day of the season meant; absent: of its full years
 */
export function expectedYieldG(planting: Planting, bed: Pick<Bed, "sunHours">, crop: Crop, on?: Day): number {
  const mid = (r: readonly [number, number]) => (r[0] + r[1]) / 2;
  const perPlant = crop.yield.perPlantKg;
  const perMetre = crop.yield.perMetreKg;
  const bears = on ? (perennialYear(planting, crop, on, 52)?.bears ?? 1) : 1;
  const sun = (bed.sunHours < 4 ? 0.6 : 1) * bears;
  if (planting.plants !== null && perPlant) return 1000 * mid(perPlant) * planting.plants * sun;
  if (planting.rowM !== null && perMetre) return 1000 * mid(perMetre) * planting.rowM * sun;
  const plants = planting.areaM2 !== null ? planting.areaM2 * 8 : planting.rowM !== null ? planting.rowM * 3 : 6;
  return 1000 * (perPlant ? mid(perPlant) : 0.3) * plants * sun;
}
