import { type Day, daysBetween } from "../../calendar/day";
import type { Trip } from "../../calendar/windows";
import type { Crop } from "../../handbook/crop";
import { firstPick, massOf, nextPick } from "../../planting/fate";
import { joined } from "../question/long-jobs";
import type { PlanProblem } from "../question/problem";
import type { Schedule } from "../solver/optimise";

/** What a household away for some days does with one planting. */
export type TripLine = { plantingId: string; massG: number; day: Day; startsAt: string };
export type TripPlan = {
  /** taken to the last, green or not, on the last rounds before leaving */
  strip: TripLine[];
  /** taken then, small ones too: what is left will be overgrown on return */
  small: TripLine[];
  /** taken then as it is ready */
  take: TripLine[];
  /** taken then in their first colour as well: they ripen in the house, and on the plant they would go over */
  blush: { plantingId: string; day: Day; startsAt: string }[];
  /** asked of whoever stands in */
  ask: TripLine[];
  /** left standing all the while, and it bears it */
  leave: { plantingId: string }[];
  /** first on return, the most that would go over first */
  first: TripLine[];
  /** mostly past it by then: what is expected to be over-age, g */
  past: { plantingId: string; massG: number }[];
};

/** More than this share over-age on return is "past it"; and a small pick is advised from this on. */
const PAST_SHARE = 0.5;
const OVERSHOOTS = 0.25;
const LEAST_G = 50;
/** An absence of so many days is one before which what has begun to colour is taken (common practice). */
const BLUSH_DAYS = 3;
/** Chance of being near or ready at leaving from which there is something in its first colour. */
const COLOURS = 0.3;
/** Hour of the return, as a share of a day. */
const EVENING = 0.75;

/**
 * What to do before a trip, meanwhile and after it, read off a plan: common practice of strip-picking and picking
 * small before leaving, reckoned with the plan's own supply.
 */
export function tripPlan(
  problem: PlanProblem,
  schedule: Schedule,
  trip: Pick<Trip, "fromDay" | "toDay">,
  cropOf: (plantingId: string) => Pick<Crop, "nature" | "habit" | "climacteric">,
): TripPlan {
  const plan: TripPlan = { strip: [], small: [], take: [], blush: [], ask: [], leave: [], first: [], past: [] };
  const leaves = daysBetween(problem.today, trip.fromDay);
  const returns = Math.min(problem.horizonDays - 0.01, daysBetween(problem.today, trip.toDay) + 1 + EVENING);
  problem.supplies.forEach((supply, p) => {
    const { plantingId } = supply;
    const steps = schedule[p]!;
    const at = (j: number) => problem.slots[j]!;
    const massAt = (k: number) => {
      const before = k === 0 ? -1 : steps[k - 1]!.slot;
      const { t } = at(steps[k]!.slot);
      return massOf(before < 0 ? firstPick(supply, problem.nowT, t) : nextPick(supply, problem.nowT, at(before).t, t));
    };
    const lineOf = (k: number): TripLine => {
      const { day, startsAt } = at(steps[k]!.slot);
      return { plantingId, massG: massAt(k), day, startsAt };
    };
    const before = steps.findLastIndex((s) => at(s.slot).t < leaves);
    const gone = steps.some((s) => at(s.slot).t < leaves && (s.take === "strip" || supply.once));
    const meanwhile = steps.flatMap((s, k) =>
      at(s.slot).day >= trip.fromDay && at(s.slot).day <= trip.toDay ? [k] : [],
    );
    for (const k of meanwhile) plan.ask.push(lineOf(k));
    const lastBefore = steps.findLast((s) => at(s.slot).day <= trip.toDay);
    const home = lastBefore
      ? nextPick(supply, problem.nowT, at(lastBefore.slot).t, returns)
      : firstPick(supply, problem.nowT, returns);
    const homeG = gone ? 0 : massOf(home);
    const over = homeG > 0 ? home.pastG / homeG : 0;
    if (before >= 0) {
      const line = lineOf(before);
      const crop = cropOf(plantingId);
      const small = crop.nature === "sizes" && crop.habit !== "once-over" && over > OVERSHOOTS;
      (steps[before]!.take === "strip" ? plan.strip : small ? plan.small : plan.take).push(line);
    }
    // with nobody there to pick them meanwhile, fruit that ripens off the plant is not left to go over on it
    const lastGone = before >= 0 ? at(steps[before]!.slot) : problem.slots.findLast((s) => s.allowed && s.t < leaves);
    const colouring = supply.days[Math.min(supply.days.length - 1, Math.max(0, leaves))]!.chances;
    if (
      cropOf(plantingId).climacteric &&
      !gone &&
      meanwhile.length === 0 &&
      daysBetween(trip.fromDay, trip.toDay) + 1 >= BLUSH_DAYS &&
      lastGone &&
      colouring.nearly + colouring.ready + colouring.past >= COLOURS
    )
      plan.blush.push({ plantingId, day: lastGone.day, startsAt: lastGone.startsAt });
    const after = steps.findIndex((s) => at(s.slot).day > trip.toDay);
    if (after >= 0) plan.first.push(lineOf(after));
    if (over > PAST_SHARE && homeG > LEAST_G) plan.past.push({ plantingId, massG: home.pastG });
    else if (before < 0 && meanwhile.length === 0 && !gone) plan.leave.push({ plantingId });
  });
  const sum = <T extends { massG: number }>(a: T, b: T): T => ({ ...a, massG: a.massG + b.massG });
  const hour = (l: TripLine) => `${l.plantingId} ${l.day} ${l.startsAt}`;
  for (const lines of ["strip", "small", "take", "ask", "first"] as const) plan[lines] = joined(plan[lines], sum, hour);
  plan.past = joined(plan.past, sum);
  plan.blush = joined(plan.blush);
  plan.leave = joined(plan.leave);
  const urgency = (l: TripLine) => {
    const supply = problem.supplies.find((s) => s.plantingId === l.plantingId)!;
    const c = supply.days[Math.min(supply.days.length - 1, Math.floor(returns))]!.chances;
    return c.past;
  };
  plan.first.sort((a, b) => (a.day === b.day ? urgency(b) - urgency(a) : a.day < b.day ? -1 : 1));
  return plan;
}
