import { type Day, daysBetween } from "../calendar/day";
import type { Crop, Cue, School } from "../handbook/crop";
import type { Check } from "./check";
import type { Clock } from "./clock";
import { dayOfSize, fitGrowth, sizeOn, usualRate } from "./growth";

/** How far above the past landmark a fruit may still grow. */
const CEILING = 1.3;

/** The size that a fruit comes to at its pace, mm, with the bounds between which it lies 8 times in 10, and when. */
export type GrowthAhead = { cue: Cue; day: Day; size: number; low: number; high: number };

/**
 * What dated measurements say of the days to come: when the size wanted is reached at this pace. Of the crop's first
 * measured cue that was read at least twice since the last three weeks began.
 * @returns null when there are too few measurements or the size wanted is reached
 */
export function growthAhead(
  p: { crop: Crop; school: School; judgement: { clock: Clock } },
  checks: readonly Check[],
  today: Day,
): GrowthAhead | null {
  for (const cue of p.crop.cues) {
    if (cue.kind !== "measure") continue;
    const measured = checks.flatMap((c) =>
      c.readings
        .filter((r) => r.cueId === cue.id && daysBetween(c.at.slice(0, 10), today) <= 21 && c.at.slice(0, 10) <= today)
        .map((r) => ({ day: c.at.slice(0, 10), size: Number(r.value) })),
    );
    if (new Set(measured.map((m) => m.day)).size < 2) continue;
    const marks = p.school.cues[cue.id]?.landmarks ?? cue.marks;
    const ceiling = marks.past * CEILING;
    const { minDays, maxDays } = p.judgement.clock.range;
    const interval = p.crop.habit === "repeat" ? p.crop.interval.coolDays * 2.5 : (minDays + maxDays) / 2;
    const growth = fitGrowth(measured, ceiling, usualRate(marks.early, marks.ready, ceiling, interval));
    const goal = growth && dayOfSize(growth, marks.ready);
    if (!growth || !goal || goal <= today) continue;
    return { cue, day: goal, ...sizeOn(growth, goal) };
  }
  return null;
}
