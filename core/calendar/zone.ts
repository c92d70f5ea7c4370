import type { Day } from "./day";

/**
 * Local wall-clock text "2026-10-06T15:30" of an instant in a zone. Throws RangeError for an unknown zone.
 * @example localTimeOf(0, "Europe/Berlin") // "1970-01-01T01:00"
 */
export function localTimeOf(instantMs: number, timeZone: string): string {
  const parts = new Intl.DateTimeFormat("en-CA", {
    timeZone,
    year: "numeric",
    month: "2-digit",
    day: "2-digit",
    hour: "2-digit",
    minute: "2-digit",
    hourCycle: "h23",
  }).formatToParts(new Date(instantMs));
  const part = (type: string) => parts.find((p) => p.type === type)?.value ?? "00";
  return `${part("year")}-${part("month")}-${part("day")}T${part("hour")}:${part("minute")}`;
}

/**
 * The instant (ms since 1970 UTC) of a local wall-clock time; in a gap or overlap of the clock change, the later offset that fits.
 * @example instantOf("1970-01-01T01:00", "Europe/Berlin") // 0
 */
export function instantOf(localTime: string, timeZone: string): number {
  const wanted = Date.parse(`${localTime.slice(0, 16)}:00Z`);
  let guess = wanted;
  for (let i = 0; i < 3; i++) {
    const shown = Date.parse(`${localTimeOf(guess, timeZone)}:00Z`);
    if (shown === wanted) break;
    guess += wanted - shown;
  }
  return guess;
}

/**
 * Length of a local calendar day in hours: 23 or 25 on clock-change days.
 * @example hoursInDay("2026-10-25", "2026-10-26", "Europe/Berlin") // 25
 */
export const hoursInDay = (day: Day, nextDay: Day, timeZone: string): number =>
  (instantOf(`${nextDay}T00:00`, timeZone) - instantOf(`${day}T00:00`, timeZone)) / 3_600_000;

/** Whether the runtime knows the zone. @example isTimeZone("Europe/Berlin") // true */
export function isTimeZone(timeZone: string): boolean {
  try {
    new Intl.DateTimeFormat("en", { timeZone });
    return true;
  } catch {
    return false;
  }
}
