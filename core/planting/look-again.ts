import { addDays, type Day } from "../calendar/day";
import type { Crop } from "../handbook/crop";
import type { Misled } from "./misled";
import type { DayChances } from "./stage-grid";
import { isPick, type Verdict } from "./verdict";

/** Chance of being ready, or near it, from which it is worth going to look; of having missed the prime, not to be passed. */
const WORTH_A_LOOK = 0.3;
const MISSED = 0.1;
/** However far off it seems, it is looked at again by then. */
const LONGEST_WAIT = 21;

/**
 * The day to look again: when another verdict has become likely enough, and before the chance of having missed the
 * prime passes a tenth; today, where that day has come and nobody has looked yet. What is nearly ready is never left
 * longer than its prime lasts, what was picked not longer than its interval. While the weather makes the cues lie, the
 * day on which they can be believed.
 * @param lastLook day of the last look or pick; null: nobody has been there
 */
export function lookAgainOn(
  days: readonly DayChances[],
  verdict: Verdict,
  crop: Pick<Crop, "interval" | "prime">,
  misled: readonly Misled[],
  lastLook: Day | null,
  enoughIn: number,
): Day {
  const today = days[0]!;
  const earliest = addDays(today.day, Math.max(enoughIn, lastLook === today.day ? 1 : 0));
  const coming = days.filter((d) => d.day >= earliest);
  const first = (test: (d: DayChances) => boolean): Day | null => coming.find(test)?.day ?? null;
  /** so many days after the last look, not in the past */
  const after = (count: number): Day => {
    const due = lastLook === null ? earliest : addDays(lastLook, Math.max(1, Math.round(count)));
    return due < earliest ? earliest : due;
  };
  const soonest = (...all: (Day | null)[]): Day =>
    all.reduce<Day>((a, b) => (b !== null && b < a ? b : a), addDays(earliest, LONGEST_WAIT));
  const missed = first((d) => d.past - today.past >= MISSED);
  if (isPick(verdict))
    return soonest(
      first((d) => d.past - today.past >= WORTH_A_LOOK),
      after(crop.interval.coolDays),
    );
  const believe = misled.reduce((latest, m) => (m.believeFrom > latest ? m.believeFrom : latest), "");
  if (believe > today.day && verdict !== "not-yet") return believe;
  if (verdict === "test-one") return after(2);
  if (verdict === "leave-for-seed") return addDays(earliest, 14);
  if (verdict === "nearly")
    return soonest(
      missed,
      first((d) => d.ready + d.past >= 0.5),
      after(Math.min(crop.prime.coolDays, 10)),
    );
  return soonest(
    missed,
    first((d) => d.ready + d.past >= WORTH_A_LOOK || d.nearly + d.ready + d.past >= NEAR_LIKELY),
  );
}

/** Chance of being near it from which what is not yet ready is looked at. */
const NEAR_LIKELY = 0.5;
