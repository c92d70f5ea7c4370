import { type Day, daysBetween } from "../calendar/day";
import type { PlantingOutlook } from "./outlook";

/** A planting worth a look, with what a minute of looking there tells at most. */
export type LookDue = { planting: PlantingOutlook; due: boolean; since: number | null; perMinuteKg: number };

/** Seconds from bed to bed, and the readings usually given. */
const WALK_S = 12;
const READINGS = 2;
/** Crop that comes in so many days is at stake with a look besides what stands. */
const STAKE_DAYS = 7;

/**
 * Whom to look at next: those whose day has come first, and among them what a minute's look can save: how doubtful the
 * planting is times what stands to be kept or lost, in kilos of potatoes, for the time its readings take.
 * @param seen last day on which each planting was looked at or picked
 */
export function looksDue(
  plantings: readonly PlantingOutlook[],
  seen: ReadonlyMap<string, Day>,
  today: Day,
  seenToday: ReadonlySet<string>,
): LookDue[] {
  return plantings
    .filter((p) => !seenToday.has(p.planting.id))
    .map((planting) => {
      const { judgement, supply } = planting;
      const { unready, nearly, ready, past } = judgement.chances;
      const doubt = 1 - Math.max(unready, nearly, ready, past);
      const comes = supply.days.slice(0, STAKE_DAYS).reduce((sum, d) => sum + d.bringsG, 0);
      const stakeKg = (supply.once ? supply.standingG : supply.stockG + supply.stockOverG + comes) * supply.worthPerG;
      const seconds = judgement.worth.slice(0, READINGS).reduce((sum, w) => sum + w.cue.seconds, WALK_S);
      const last = seen.get(planting.planting.id);
      return {
        planting,
        due: judgement.lookAgain <= today,
        since: last === undefined ? null : daysBetween(last, today),
        perMinuteKg: (doubt * stakeKg) / (seconds / 60),
      };
    })
    .sort((a, b) => Number(b.due) - Number(a.due) || b.perMinuteKg - a.perMinuteKg);
}
