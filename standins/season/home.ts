import { type Day, daysBetween } from "#core/calendar/day";
import { cropOf } from "#core/handbook/index";
import { BEYOND_SHARE, SPARED_SHARE, usualTaste } from "#core/household/taste";

/** What came home on a day of one crop, with its worth a gram by its true state. */
export type Arrival = { cropId: string; day: Day; massG: number; quality: number; keepsDays: number };

/**
 * What a household really has of what came home, in kilos of potatoes: each crop is eaten day by day from the oldest
 * lot, what reaches the end of its life is given away as far as anybody takes it, the rest is as good as nothing.
 * The household's likings and appetite are what it says of itself, the same for whoever decides.
 */
export function worthAtHome(arrivals: readonly Arrival[], eaters: number): number {
  const byCrop = new Map<string, Arrival[]>();
  for (const a of arrivals) byCrop.set(a.cropId, [...(byCrop.get(a.cropId) ?? []), a]);
  let worth = 0;
  for (const [cropId, lots] of byCrop) {
    const crop = cropOf(cropId);
    const taste = usualTaste(crop, eaters);
    worth += (eaten(lots, taste.weeklyG / 7, taste.sparedG / 7) * crop.worth.perKg) / 1000;
  }
  return worth;
}

/** Grams' worth of one crop's lots: eaten in full, spared at half, beyond that at a tenth. */
function eaten(lots: readonly Arrival[], dailyG: number, sparedDailyG: number): number {
  const sorted = [...lots].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
  const first = sorted[0]!.day;
  const last = sorted.reduce((end, l) => Math.max(end, daysBetween(first, l.day) + l.keepsDays), 0);
  const open: { left: number; quality: number; until: number }[] = [];
  let worth = 0;
  let spareable = 7 * sparedDailyG;
  let next = 0;
  for (let t = 0; t <= Math.ceil(last) + 1; t++) {
    while (next < sorted.length && daysBetween(first, sorted[next]!.day) <= t) {
      const { massG, quality, keepsDays, day } = sorted[next]!;
      open.push({ left: massG, quality, until: daysBetween(first, day) + keepsDays });
      next += 1;
    }
    open.sort((a, b) => a.until - b.until);
    let hungry = dailyG;
    for (const lot of open) {
      const ate = Math.min(hungry, lot.left);
      lot.left -= ate;
      hungry -= ate;
      worth += ate * lot.quality;
    }
    spareable = Math.min(14 * sparedDailyG, spareable + sparedDailyG);
    for (const lot of open.filter((l) => l.left > 0 && l.until <= t)) {
      const given = Math.min(spareable, lot.left);
      spareable -= given;
      worth += (given * SPARED_SHARE + (lot.left - given) * BEYOND_SHARE) * lot.quality;
      lot.left = 0;
    }
    for (let i = open.length - 1; i >= 0; i--) if (open[i]!.left <= 1e-9) open.splice(i, 1);
  }
  return worth;
}
