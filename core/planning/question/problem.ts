import { type Day, daysBetween } from "../../calendar/day";
import type { PlaceKind } from "../../household/place";
import type { Held } from "../../planting/held";
import type { Supply } from "../../planting/supply";

/** A part of a day when a round could be; closed ones can only be used by the gardener's own hand. */
export type PlanSlot = {
  id: string;
  day: Day;
  startsAt: string;
  /** days from today's midnight */
  t: number;
  minutes: number;
  /** whether the planner may use it: a window, and nobody away */
  allowed: boolean;
  away: boolean;
  /** who stands in for the household then; absent when it goes itself */
  by?: string;
};

/** Hand-made wishes: a planting that must, or must not, be taken at a slot; a slot that must be opened. */
export type Wishes = {
  take: { plantingId: string; slotId: string }[];
  leave: { plantingId: string; slotId: string }[];
  open: string[];
};

/** What only so much fits into: a kind of place, a crop's week at table (null: all its weeks), the tubs of one round. */
export type StoreOf =
  | { kind: "room"; place: PlaceKind; names: string[] }
  | { kind: "use"; crop: string; week: number | null; spared: boolean }
  | { kind: "containers" };

/**
 * Something that only so much fits into: a fridge, the tubs for one round, a week's appetite. It may be overfilled, at
 * a price: what no longer fits is worth that much less, or as good as nothing.
 */
export type Store = {
  id: string;
  of: StoreOf;
  capacity: number;
  /** what a unit over the capacity costs, in kilos of potatoes */
  over: number;
  /** what fills it: a pick between two times (days from today's midnight, the second excluded) */
  draws: { plantingId: string; perG: number; fromT: number; toT: number }[];
};

/** Why a planting may not be taken at an hour: it is held back altogether, or leaves, fruit, soil or heat forbid it then. */
export type BarWhy =
  | Held
  | { why: "wet-leaves" | "rain" | "wet-fruit" | "frozen" | "too-wet" }
  | { why: "wilts"; tempC: number; cooler: { day: Day; startsAt: string } };

/** A planting that may not be taken at a slot, and why; the gardener's own hand can lift it unless it is the law. */
export type Bar = { plantingId: string; slotId: string; why: BarWhy; law: boolean };

/** A line of the plan before: staying with it is worth a little, so that a plan does not change for nothing. */
export type Kept = { plantingId: string; slotId: string; take: "ready" | "strip" };

export type PlanProblem = {
  today: Day;
  /** days from today's midnight */
  nowT: number;
  horizonDays: number;
  slots: PlanSlot[];
  supplies: Supply[];
  /** minutes that every round costs besides picking: dressing, walking, setting out, washing up */
  roundMinutes: number;
  /** minutes that every line costs besides picking: walking to the bed, looking */
  lineMinutes: number;
  /** what an hour is worth, in kilos of potatoes */
  hourWorth: number;
  wishes: Wishes;
  stores?: Store[];
  bars?: Bar[];
  kept?: Kept[];
};

/** Days from today's midnight of a local time. @example slotTime("2026-10-06", "2026-10-07", "18:00") // 1.75 */
export const slotTime = (today: Day, day: Day, startsAt: string): number =>
  daysBetween(today, day) + (Number(startsAt.slice(0, 2)) + Number(startsAt.slice(3)) / 60) / 24;
