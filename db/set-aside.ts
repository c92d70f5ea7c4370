import { isGardenDay } from "#core/calendar/schemas";

/** Fields of any table that hold a day, or a local time that begins with one. */
const DATED = ["at", "day", "startedOn", "endedOn", "fromDay", "toDay", "issuedOn", "startOn", "remindOn"] as const;

/**
 * The first date of a row that no calendar has, or null: rows written before dates were checked, or by another hand.
 * A garden opens without such rows; they stay in the file and are named until somebody mends them.
 */
export function impossibleDate(row: object): string | null {
  for (const field of DATED) {
    const value = (row as Record<string, unknown>)[field];
    if (typeof value === "string" && !isGardenDay(value.slice(0, 10))) return value;
  }
  return null;
}
