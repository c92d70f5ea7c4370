import { addDays, type Day } from "../../calendar/day";
import { type DatedWindow, slotsAhead, type Trip, type Window } from "../../calendar/windows";
import { type Treatment, waitingOn } from "../../garden/treatment";
import type { Held } from "../../planting/held";
import type { PickWish } from "./wish";

/** The next day after today on which anybody has time; null where no windows are kept: every day will do. */
export function nextChanceOn(
  snapshot: { windows: Window[]; trips: Trip[]; datedWindows: DatedWindow[] },
  now: string,
  horizonDays: number,
): Day | null {
  if (snapshot.windows.length === 0) return null;
  const slots = slotsAhead(now, horizonDays, snapshot.windows, snapshot.trips, snapshot.datedWindows);
  return slots.find((s) => s.day > now.slice(0, 10))?.day ?? addDays(now.slice(0, 10), horizonDays);
}

/** Why a planting may not be taken today: a wait after a treatment, or a date of the gardener's; null: it may. */
export function heldToday(
  snapshot: { treatments: Treatment[]; pickWishes: PickWish[] },
  plantingId: string,
  today: Day,
): Held | null {
  const [wait] = waitingOn(snapshot.treatments, plantingId, today);
  if (wait) return { why: "treated", treatment: wait };
  const wish = snapshot.pickWishes.find((w) => w.plantingId === plantingId && w.kind === "not-before" && today < w.day);
  return wish ? { why: "not-before", day: wish.day } : null;
}

/** The next day on which a planting is to be taken whole by the gardener's wish. */
export const wantedBy = (wishes: readonly PickWish[], plantingId: string, today: Day): Day | null =>
  wishes
    .filter((w) => w.kind === "take-all" && w.plantingId === plantingId && w.day >= today)
    .reduce<Day | null>((first, w) => (first === null || w.day < first ? w.day : first), null);
