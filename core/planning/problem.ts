import { type Day, daysBetween } from "../calendar/day";
import type { Supply } from "../supply/supply";

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
};

/** Days from today's midnight of a local time. @example slotTime("2026-10-06", "2026-10-07", "18:00") // 1.75 */
export const slotTime = (today: Day, day: Day, startsAt: string): number =>
  daysBetween(today, day) + (Number(startsAt.slice(0, 2)) + Number(startsAt.slice(3)) / 60) / 24;
