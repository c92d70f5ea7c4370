import { addDays, type Day } from "../calendar/day";
import type { Bed } from "../garden/bed";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { neededWarmth, readyDay, type Site } from "./sowing-clock";

/** Families whose flowers must be reached by bees before anything sets (common practice). */
const BEE_FAMILIES = ["Cucurbitaceae", "Rosaceae", "Fabaceae", "Grossulariaceae", "Ericaceae"];
/** Share of the warmth from start to first pick after which the first flowers open (own estimate). */
const FLOWER_SHARE = 0.62;
/** It comes off a few days before, not after. */
const EARLY_DAYS = 3;

/**
 * When a fleece must come off so that bees reach the flowers: by the warmth gathered towards the first pick; earlier
 * where plants push against it. Beans and peas set without bees for the most part, but want the room.
 * @returns null for beds without fleece, or crops that need no bees
 */
export function coverOff(planting: Planting, bed: Bed, crop: Crop, site: Site): Day | null {
  if (bed.cover !== "fleece" || planting.endedOn !== null || crop.days.yearly) return null;
  if (!BEE_FAMILIES.includes(crop.family) || !["fruit", "pod"].includes(crop.parts[0]!)) return null;
  const packet =
    planting.packetMinDays !== null && planting.packetMaxDays !== null
      ? ([planting.packetMinDays, planting.packetMaxDays] as const)
      : null;
  const need = neededWarmth(crop, planting.startedHow, site, packet);
  const flowers = need === null ? null : readyDay(crop, planting.startedOn, FLOWER_SHARE * need, site);
  return flowers ? addDays(flowers, -EARLY_DAYS) : null;
}
