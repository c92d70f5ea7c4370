import { sayDay } from "../../calendar/day";
import { joined } from "../question/long-jobs";
import type { PlanProblem, Store } from "../question/problem";
import { storesFilled } from "../solver/fill";
import type { Schedule } from "../solver/optimise";
import { linesOf, lostG } from "./explain";

/** A planting that the plan does not take at all, or a ripe one that it takes late, and why. */
export type LeftStanding = { plantingId: string; why: string };

const LEAST_READY = 0.25;
/** Chance of being past its best from which nothing that stands can be said to bear waiting. */
const MOSTLY_PAST = 0.5;

/** Plantings that no round takes, in the order of the problem, each with the reason in words. */
export function leftStanding(problem: PlanProblem, schedule: Schedule): LeftStanding[] {
  const fills = storesFilled(problem, schedule);
  const taken = new Set(problem.supplies.flatMap((s, p) => (schedule[p]!.length > 0 ? [s.plantingId] : [])));
  const all = problem.supplies.flatMap((supply, p): LeftStanding[] => {
    if (schedule[p]!.length > 0) return [];
    const { plantingId } = supply;
    const say = (why: string) => [{ plantingId, why: taken.has(plantingId) ? `the rest of it: ${why}` : why }];
    const chances = supply.days.map((d) => d.chances.ready + d.chances.past);
    if (supply.worthPerG === 0) return say("you do not eat it");
    if (Math.max(...chances) < LEAST_READY) return say("not ready within the fortnight");
    const open = problem.slots.flatMap((s, j) => (s.allowed ? [j] : []));
    if (open.length === 0) return say("there is no time to go out");
    const bars = (problem.bars ?? []).filter((b) => b.plantingId === supply.plantingId);
    const barred = open.filter((j) => bars.some((b) => b.slotId === problem.slots[j]!.id));
    if (barred.length === open.length) return say(bars.at(-1)!.why);
    const may = open.filter((j) => !barred.includes(j));
    const first = may[0]!;
    const line = linesOf(problem, supply, [{ slot: first, take: "ready" }], [first])[0]!;
    const tooLong = may.every((j) => {
      const { minutes } = linesOf(problem, supply, [{ slot: j, take: "ready" }], [j])[0]!;
      return minutes > problem.slots[j]!.minutes - problem.roundMinutes;
    });
    if (tooLong) return say(`it takes ${Math.round(line.minutes)} minutes, longer than any time you have for a round`);
    const full = (problem.stores ?? []).filter(
      (s, k) =>
        s.kind !== "containers" &&
        fills[k]! >= s.capacity - 1e-6 &&
        s.draws.some((d) => d.plantingId === supply.plantingId),
    );
    if (full.length > 0)
      return say(
        full[0]!.kind === "room" ? `no room: ${full[0]!.words}` : `enough ${full[0]!.words} at home or on the way`,
      );
    const cost = (problem.lineMinutes + line.expectedG * supply.minutesPerG) * (problem.hourWorth / 60);
    if (line.expectedG * supply.worthPerG < cost) return say("it would bring less than the minutes are worth");
    const past = supply.days[0]!.chances.past;
    if (lostG(line) < 0.1 * line.expectedG)
      return say(past > MOSTLY_PAST ? "most of it is past its best, so waiting costs little more" : "it bears waiting");
    return say("what it loses by waiting is worth less than the minutes");
  });
  return joined(all);
}

/** A place at its fullest under a schedule. */
export type Fullest = { words: string; capacity: number; peak: number; day: string };

/** Every place at home when it is fullest, in litres, the tightest first. */
export function fullestPlaces(problem: PlanProblem, schedule: Schedule): Fullest[] {
  const fill = storesFilled(problem, schedule);
  const best = new Map<string, Fullest>();
  (problem.stores ?? []).forEach((store: Store, k) => {
    if (store.kind !== "room") return;
    const known = best.get(store.words);
    if (known && known.peak >= fill[k]!) return;
    const until = Math.max(...store.draws.map((d) => d.toT)) - 1;
    const slot = [...problem.slots].reverse().find((s) => s.t <= until + 1) ?? problem.slots[0];
    best.set(store.words, {
      words: store.words,
      capacity: store.capacity,
      peak: fill[k]!,
      day: slot?.day ?? problem.today,
    });
  });
  return [...best.values()].sort((a, b) => b.peak / b.capacity - a.peak / a.capacity);
}

/** A place in a few words: "kitchen refrigerator: 28 of 35 litres free are taken by Thu 8 Oct". */
export const sayPlace = (f: Fullest): string =>
  f.peak > f.capacity + 0.5
    ? `${f.words}: ${Math.round(f.peak)} litres come by ${sayDay(f.day)}, and ${Math.round(f.capacity)} are free`
    : `${f.words}: ${Math.round(f.peak)} of ${Math.round(f.capacity)} free litres filled by ${sayDay(f.day)}`;
