import { sayDay, weekdayName } from "../../calendar/day";
import { type Fate, firstPick, massOf, NOTHING, nextPick, stripMassG } from "../../planting/fate";
import type { Supply } from "../../planting/supply";
import { sayMass, type UnitSystem } from "../../units/mass";
import { sayTemp } from "../../units/say";
import type { PlanProblem } from "../question/problem";
import { atMost, fateOf, type PathStep } from "../solver/paths";

/** What one line of a round brings, and what is lost by skipping it until the planting's next chance. */
export type LineForecast = {
  plantingId: string;
  slot: number;
  take: "ready" | "strip";
  expectedG: number;
  primeG: number;
  minutes: number;
  /** lost if the crop is left to the end of the plan: to frost, to gale, to age, to disease */
  lostFrostG: number;
  lostGaleG: number;
  lostOverG: number;
  lostSickG: number;
  /** the next round at which it could be taken instead; −1: none within the plan */
  nextSlot: number;
  /** lost by skipping this line until that next round, g */
  skipG: number;
};

/**
 * Forecast of every line of one planting's path: what it brings, what is lost if the crop is left, and what skipping
 * until the next round costs.
 * @param openSlots slots that hold a round, rising
 */
export function linesOf(
  problem: PlanProblem,
  supply: Supply,
  steps: readonly PathStep[],
  openSlots: readonly number[],
): LineForecast[] {
  return steps.map((step, k) => {
    const previous = k === 0 ? -1 : steps[k - 1]!.slot;
    const now = atMost(fateOf(problem, supply, previous, step.slot), supply.mostG);
    const stripG = step.take === "strip" ? stripMassG(supply, problem.nowT, problem.slots[step.slot]!.t) : 0;
    const nextSlot = openSlots.find((j) => j > step.slot) ?? -1;
    const lossesAt = (laterT: number) => {
      const later =
        previous < 0
          ? firstPick(supply, problem.nowT, laterT)
          : nextPick(supply, problem.nowT, problem.slots[previous]!.t, laterT);
      const stripLaterG = step.take === "strip" ? stripMassG(supply, problem.nowT, laterT) : 0;
      return {
        lostFrostG: Math.max(0, later.frostG - now.frostG + (stripG - stripLaterG)),
        lostGaleG: Math.max(0, later.galeG - now.galeG),
        lostOverG: Math.max(0, later.pastG - now.pastG),
        lostSickG: Math.max(0, later.sickG - now.sickG),
      };
    };
    const end = lossesAt(problem.horizonDays - 0.01);
    const skipped = nextSlot >= 0 ? lossesAt(problem.slots[nextSlot]!.t) : end;
    return {
      plantingId: supply.plantingId,
      slot: step.slot,
      take: step.take,
      expectedG: massOf(now) + stripG,
      primeG: now.primeG,
      minutes: problem.lineMinutes + (massOf(now) + stripG) * supply.minutesPerG,
      ...end,
      nextSlot,
      skipG: lostG(skipped),
    };
  });
}

/** Mass lost to all causes, g. */
export const lostG = (line: Pick<LineForecast, "lostFrostG" | "lostGaleG" | "lostOverG" | "lostSickG">): number =>
  line.lostFrostG + line.lostGaleG + line.lostOverG + line.lostSickG;

/**
 * Why a line stands where it does, in a sentence: the hazard that would take most, or ripeness; and what skipping costs.
 * @param withRounds whether to speak of the next round too
 */
export function sayLine(
  problem: PlanProblem,
  supply: Supply,
  line: LineForecast,
  system: UnitSystem,
  withRounds = true,
): string {
  const from = Math.ceil(problem.slots[line.slot]!.t - 0.25);
  const until = problem.horizonDays;
  const lost = lostG(line);
  const next = line.nextSlot >= 0 ? problem.slots[line.nextSlot]! : null;
  const bearable = next && line.skipG < 0.15 * lost ? `, though ${sayDay(next.day)} would still do` : "";
  const left = (massG: number) => (massG >= 15 ? `; left, ${sayMass(massG, system)} is lost${bearable}` : "");
  if (line.lostSickG > Math.max(line.lostFrostG, line.lostGaleG, line.lostOverG) && line.lostSickG >= 15)
    return `disease was seen in it, and spreads${left(line.lostSickG)}`;
  if (line.lostFrostG >= line.lostOverG && line.lostFrostG >= line.lostGaleG && line.lostFrostG >= 15) {
    let night = -1;
    for (let d = from; d < until && d < supply.days.length; d++)
      if (night < 0 || supply.days[d]!.killChance > supply.days[night]!.killChance) night = d;
    const day = supply.days[Math.max(0, night)]!;
    return `${Math.round(day.killChance * 100)} % chance of frost in this bed in the night to ${weekdayName(day.day)}, which harms at ${sayTemp(supply.killC, system, 1)}${left(line.lostFrostG)}`;
  }
  if (line.lostGaleG > line.lostOverG && line.lostGaleG >= 15) {
    let worst = Math.max(0, Math.floor(problem.slots[line.slot]!.t));
    for (let d = worst; d < until && d < supply.days.length; d++)
      if (supply.days[d]!.galeChance > supply.days[worst]!.galeChance) worst = d;
    const day = supply.days[worst]!;
    return `${Math.round(day.galeChance * 100)} % chance of a gale on ${weekdayName(day.day)}${left(line.lostGaleG)}`;
  }
  const away = problem.slots.some((s, j) => s.away && j > line.slot && (line.nextSlot < 0 || j < line.nextSlot));
  const then = next ? `the next round is ${sayDay(next.day)}` : "no later round in this plan";
  const c = supply.days[Math.min(supply.days.length - 1, Math.floor(problem.slots[line.slot]!.t))]!.chances;
  if (line.lostOverG >= 15) {
    const state = c.ready + c.past < 0.5 ? "bears on, and goes over when left" : "passing its prime";
    const when = bearable || !withRounds ? "" : `; ${away ? "you are away in between, and " : ""}${then}`;
    return `${state}${when}${left(line.lostOverG)}`;
  }
  const ripe = Math.round((c.ready + c.past) * 100);
  if (ripe < 50 && !supply.once) return `a first ${sayMass(line.expectedG, system)} expected by then; it bears on`;
  return `${ripe} % likely ready by then, ${sayMass(line.expectedG, system)} expected; it would bear waiting`;
}

/** Sum of two fates. */
export const addFates = (a: Fate, b: Fate): Fate => ({
  primeG: a.primeG + b.primeG,
  earlyG: a.earlyG + b.earlyG,
  pastG: a.pastG + b.pastG,
  frostG: a.frostG + b.frostG,
  galeG: a.galeG + b.galeG,
  sickG: a.sickG + b.sickG,
});

/** What a whole schedule keeps and loses over the plan, g: for the figures that move while a round is dragged. */
export function totalsOf(
  problem: PlanProblem,
  schedule: readonly (readonly PathStep[])[],
): { keptG: number; primeG: number; lostG: number; minutes: number } {
  let total: Fate = NOTHING;
  let stripG = 0;
  let minutes = 0;
  const opened = new Set<number>();
  schedule.forEach((steps, p) => {
    const supply = problem.supplies[p]!;
    let previous = -1;
    let stripped = false;
    for (const step of steps) {
      const fate = atMost(fateOf(problem, supply, previous, step.slot), supply.mostG);
      total = addFates(total, fate);
      minutes += problem.lineMinutes + massOf(fate) * supply.minutesPerG;
      opened.add(step.slot);
      if (step.take === "strip") {
        stripG += stripMassG(supply, problem.nowT, problem.slots[step.slot]!.t);
        stripped = true;
      }
      previous = step.slot;
    }
    if (stripped || (supply.once && steps.length > 0)) return;
    const end = problem.horizonDays - 0.01;
    const rest =
      previous < 0
        ? firstPick(supply, problem.nowT, end)
        : nextPick(supply, problem.nowT, problem.slots[previous]!.t, end);
    // what stands at the end is neither kept nor lost yet; what hazards and age have taken by then is
    total = addFates(total, {
      primeG: 0,
      earlyG: 0,
      pastG: 0,
      frostG: rest.frostG + rest.pastG,
      galeG: rest.galeG,
      sickG: rest.sickG,
    });
  });
  return {
    keptG: massOf(total) + stripG,
    primeG: total.primeG,
    lostG: total.frostG + total.galeG + total.sickG + total.pastG,
    minutes: minutes + opened.size * problem.roundMinutes,
  };
}
