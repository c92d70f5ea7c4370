import { joined } from "../question/long-jobs";
import type { BarWhy, PlanProblem, Store, StoreOf } from "../question/problem";
import { storesFilled } from "../solver/fill";
import type { Schedule } from "../solver/optimise";
import { linesOf, lostG } from "./explain";

/** Why the plan leaves a planting standing. */
export type LeftWhy =
  | { why: "not-eaten" | "not-ready" | "no-time" | "too-little" | "mostly-past" | "bears-waiting" | "loses-little" }
  | { why: "barred"; bar: BarWhy }
  | { why: "too-long"; minutes: number }
  | { why: "full"; store: StoreOf };

/** A planting that the plan does not take at all, and why; `rest` where another part of it is taken. */
export type LeftStanding = { plantingId: string; left: LeftWhy; rest: boolean };

const LEAST_READY = 0.25;
/** Chance of being past its best from which nothing that stands can be said to bear waiting. */
const MOSTLY_PAST = 0.5;

/** Plantings that no round takes, in the order of the problem, each with the reason. */
export function leftStanding(problem: PlanProblem, schedule: Schedule): LeftStanding[] {
  const fills = storesFilled(problem, schedule);
  const taken = new Set(problem.supplies.flatMap((s, p) => (schedule[p]!.length > 0 ? [s.plantingId] : [])));
  const all = problem.supplies.flatMap((supply, p): LeftStanding[] => {
    if (schedule[p]!.length > 0) return [];
    const { plantingId } = supply;
    const say = (left: LeftWhy) => [{ plantingId, left, rest: taken.has(plantingId) }];
    const chances = supply.days.map((d) => d.chances.ready + d.chances.past);
    if (supply.worthPerG === 0) return say({ why: "not-eaten" });
    if (Math.max(...chances) < LEAST_READY) return say({ why: "not-ready" });
    const open = problem.slots.flatMap((s, j) => (s.allowed ? [j] : []));
    if (open.length === 0) return say({ why: "no-time" });
    const bars = (problem.bars ?? []).filter((b) => b.plantingId === supply.plantingId);
    const barred = open.filter((j) => bars.some((b) => b.slotId === problem.slots[j]!.id));
    if (barred.length === open.length) return say({ why: "barred", bar: bars.at(-1)!.why });
    const may = open.filter((j) => !barred.includes(j));
    const first = may[0]!;
    const line = linesOf(problem, supply, [{ slot: first, take: "ready" }], [first])[0]!;
    const tooLong = may.every((j) => {
      const { minutes } = linesOf(problem, supply, [{ slot: j, take: "ready" }], [j])[0]!;
      return minutes > problem.slots[j]!.minutes - problem.roundMinutes;
    });
    if (tooLong) return say({ why: "too-long", minutes: Math.round(line.minutes) });
    const full = (problem.stores ?? []).filter(
      (s, k) =>
        s.of.kind !== "containers" &&
        fills[k]! >= s.capacity - 1e-6 &&
        s.draws.some((d) => d.plantingId === supply.plantingId),
    );
    if (full.length > 0) return say({ why: "full", store: full[0]!.of });
    const cost = (problem.lineMinutes + line.expectedG * supply.minutesPerG) * (problem.hourWorth / 60);
    if (line.expectedG * supply.worthPerG < cost) return say({ why: "too-little" });
    const past = supply.days[0]!.chances.past;
    if (lostG(line) < 0.1 * line.expectedG) return say({ why: past > MOSTLY_PAST ? "mostly-past" : "bears-waiting" });
    return say({ why: "loses-little" });
  });
  return joined(all);
}

/** A place at its fullest under a schedule. */
export type Fullest = { room: Extract<StoreOf, { kind: "room" }>; capacity: number; peak: number; day: string };

/** Every place at home when it is fullest, in litres, the tightest first. */
export function fullestPlaces(problem: PlanProblem, schedule: Schedule): Fullest[] {
  const fill = storesFilled(problem, schedule);
  const best = new Map<string, Fullest>();
  (problem.stores ?? []).forEach((store: Store, k) => {
    const { of } = store;
    if (of.kind !== "room") return;
    const known = best.get(of.place);
    if (known && known.peak >= fill[k]!) return;
    const until = Math.max(...store.draws.map((d) => d.toT)) - 1;
    const slot = [...problem.slots].reverse().find((s) => s.t <= until + 1) ?? problem.slots[0];
    best.set(of.place, {
      room: of,
      capacity: store.capacity,
      peak: fill[k]!,
      day: slot?.day ?? problem.today,
    });
  });
  return [...best.values()].sort((a, b) => b.peak / b.capacity - a.peak / a.capacity);
}
