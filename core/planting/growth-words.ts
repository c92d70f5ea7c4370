import { type Day, daysBetween, sayNear } from "../calendar/day";
import type { Crop, School } from "../handbook/crop";
import type { UnitSystem } from "../units/mass";
import { sayLength } from "../units/say";
import type { Check } from "./check";
import type { Clock } from "./clock";
import { dayOfSize, fitGrowth, sizeOn, usualRate } from "./growth";

/** How far above the past landmark a fruit may still grow. */
const CEILING = 1.3;

/**
 * What dated measurements say of the days to come: "at this pace 18 cm on Thursday (16–20)". Of the crop's first
 * measured cue that was read at least twice since the last three weeks began.
 * @returns null when there are too few measurements or the size wanted is reached
 */
export function sayGrowth(
  p: { crop: Crop; school: School; judgement: { clock: Clock } },
  checks: readonly Check[],
  today: Day,
  system: UnitSystem,
): string | null {
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
    const then = sizeOn(growth, goal);
    return `${cue.label}: at this pace ${sayLength(then.size, system)} ${sayNear(goal, today)} (${sayLength(then.low, system)} to ${sayLength(then.high, system)})`;
  }
  return null;
}
