import type { Day } from "../../calendar/day";
import { type Fate, firstPick, massOf, NOTHING, nextPick, stripMassG } from "../../planting/fate";
import type { Supply } from "../../planting/supply";
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

/** What is lost by leaving a line altogether, g, and the later round that would still do; null: none would. */
export type Loss = { lostG: number; bearsUntil: Day | null };

/** Why a line stands where it does: the hazard that would take most of it, or age, or ripeness with nothing to lose. */
export type LineReason =
  | ({ cause: "disease" } & Loss)
  /** the night that is likeliest to be too cold in its bed, and the temperature that harms it, °C */
  | ({ cause: "frost"; chance: number; day: Day; killC: number } & Loss)
  | ({ cause: "gale"; chance: number; day: Day } & Loss)
  /** it goes over; whether it bears on, what comes next, and whether days away lie between */
  | ({ cause: "age"; bearsOn: boolean; away: boolean; nextDay: Day | null } & Loss)
  | { cause: "first"; expectedG: number }
  | { cause: "ripe"; chance: number; expectedG: number };

/** A loss of less is not worth a reason, g. */
const LEAST_LOSS_G = 15;
/** A later round would still do where skipping costs less than this share of what is lost at the end. */
const BEARABLE = 0.15;

/** Why a line stands where it does. */
export function reasonOf(problem: PlanProblem, supply: Supply, line: LineForecast): LineReason {
  const from = Math.ceil(problem.slots[line.slot]!.t - 0.25);
  const until = problem.horizonDays;
  const next = line.nextSlot >= 0 ? problem.slots[line.nextSlot]! : null;
  const loss = (massG: number): Loss => ({
    lostG: massG,
    bearsUntil: next && line.skipG < BEARABLE * lostG(line) ? next.day : null,
  });
  if (line.lostSickG > Math.max(line.lostFrostG, line.lostGaleG, line.lostOverG) && line.lostSickG >= LEAST_LOSS_G)
    return { cause: "disease", ...loss(line.lostSickG) };
  if (line.lostFrostG >= line.lostOverG && line.lostFrostG >= line.lostGaleG && line.lostFrostG >= LEAST_LOSS_G) {
    let night = -1;
    for (let d = from; d < until && d < supply.days.length; d++)
      if (night < 0 || supply.days[d]!.killChance > supply.days[night]!.killChance) night = d;
    const day = supply.days[Math.max(0, night)]!;
    return { cause: "frost", chance: day.killChance, day: day.day, killC: supply.killC, ...loss(line.lostFrostG) };
  }
  if (line.lostGaleG > line.lostOverG && line.lostGaleG >= LEAST_LOSS_G) {
    let worst = Math.max(0, Math.floor(problem.slots[line.slot]!.t));
    for (let d = worst; d < until && d < supply.days.length; d++)
      if (supply.days[d]!.galeChance > supply.days[worst]!.galeChance) worst = d;
    const day = supply.days[worst]!;
    return { cause: "gale", chance: day.galeChance, day: day.day, ...loss(line.lostGaleG) };
  }
  const c = supply.days[Math.min(supply.days.length - 1, Math.floor(problem.slots[line.slot]!.t))]!.chances;
  const ripe = c.ready + c.past;
  if (line.lostOverG >= LEAST_LOSS_G) {
    const away = problem.slots.some((s, j) => s.away && j > line.slot && (line.nextSlot < 0 || j < line.nextSlot));
    return { cause: "age", bearsOn: ripe < 0.5, away, nextDay: next?.day ?? null, ...loss(line.lostOverG) };
  }
  return Math.round(ripe * 100) < 50 && !supply.once
    ? { cause: "first", expectedG: line.expectedG }
    : { cause: "ripe", chance: ripe, expectedG: line.expectedG };
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
