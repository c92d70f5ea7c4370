import { type Day, daysBetween } from "../../calendar/day";
import { firstPick, stripMassG } from "../../planting/fate";
import type { Supply } from "../../planting/supply";
import type { PlanProblem, PlanSlot } from "../question/problem";

/** What a hazard takes before anybody has time again, and the hour that would save most of it. */
export type SavingHour = {
  /** what it is, and the day whose night or wind it is */
  hazard: "frost" | "gale";
  day: Day;
  /** the next time at which anybody can go; null: none within the plan */
  nextDay: Day | null;
  /** what is lost by then, g, and by which plantings, the most first */
  lostG: number;
  plantingIds: string[];
  /** the hour that saves most of it, and how much; null: none is left before it */
  hour: Pick<PlanSlot, "id" | "day" | "startsAt"> & { savesG: number };
};

/** Chance from which there is something to save. */
const SOME_USE = 0.3;
/** A later hour is as good as an earlier one that saves this much of it. */
const AS_GOOD = 0.97;

/** What frost and gale have taken of a planting by a time, unripe crop of use included, g. */
function takenBy(problem: PlanProblem, s: Supply, t: number): { frostG: number; galeG: number } {
  const fate = firstPick(s, problem.nowT, t);
  return {
    frostG: fate.frostG + Math.max(0, s.stripG - stripMassG(s, problem.nowT, t)),
    galeG: fate.galeG,
  };
}

/**
 * Whether a hazard comes before the next hour at which anybody can go and takes something that an hour before it would
 * save; the latest of the hours that save the most.
 * @param problem its slots hold hours that are not free too (`allowed` false), which only a hand may open
 * @returns null when nothing worth an hour is lost
 */
export function savingHour(problem: PlanProblem): SavingHour | null {
  const next = problem.slots.find((s) => s.allowed && s.t >= problem.nowT) ?? null;
  const until = next?.t ?? problem.horizonDays - 0.01;
  const atStake = problem.supplies
    .filter((s) => s.usable >= SOME_USE)
    .map((s) => {
      const { frostG, galeG } = takenBy(problem, s, until);
      return { supply: s, frostG, galeG, lostG: frostG + galeG, perG: s.worthPerG };
    })
    .filter((x) => x.lostG > 0)
    .sort((a, b) => b.lostG - a.lostG);
  const lostG = atStake.reduce((sum, x) => sum + x.lostG, 0);
  // what is not worth an hour that nobody had meant to give is let go without a word
  if (atStake.reduce((sum, x) => sum + x.lostG * x.perG, 0) < problem.hourWorth) return null;
  const hours = problem.slots
    .filter((s) => !s.allowed && !s.away && s.t > problem.nowT && s.t < until)
    .map((slot) => ({
      slot,
      ...atStake.reduce(
        (sum, x) => {
          const then = takenBy(problem, x.supply, slot.t);
          const savesG = Math.max(0, x.lostG - then.frostG - then.galeG);
          return { savesG: sum.savesG + savesG, worth: sum.worth + savesG * x.perG };
        },
        { savesG: 0, worth: 0 },
      ),
    }));
  const most = Math.max(0, ...hours.map((h) => h.worth));
  if (most < problem.hourWorth) return null;
  const best = hours.filter((h) => h.worth >= AS_GOOD * most).at(-1)!;
  const frost = atStake.reduce((sum, x) => sum + x.frostG, 0) >= 0.5 * lostG;
  const worst = atStake[0]!.supply.days
    .filter((d) => daysBetween(problem.today, d.day) <= until)
    .reduce((a, b) => ((frost ? b.killChance > a.killChance : b.galeChance > a.galeChance) ? b : a));
  return {
    hazard: frost ? "frost" : "gale",
    day: worst.day,
    nextDay: next?.day ?? null,
    lostG,
    plantingIds: [...new Set(atStake.filter((x) => x.lostG >= 0.05 * lostG).map((x) => x.supply.plantingId))],
    hour: { id: best.slot.id, day: best.slot.day, startsAt: best.slot.startsAt, savesG: best.savesG },
  };
}
