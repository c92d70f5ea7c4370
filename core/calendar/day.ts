import { type DateOrder, datesWritten } from "./date-order";

/** Calendar days as ISO strings (2026-10-06). A day is a local date; it never moves with a time zone. */
export type Day = string;

const MONTH_DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
const digits = (text: string, from: number, to: number): number => {
  let n = 0;
  for (let i = from; i < to; i++) {
    const digit = text.charCodeAt(i) - 48;
    if (digit < 0 || digit > 9) return Number.NaN;
    n = n * 10 + digit;
  }
  return n;
};
const isLeap = (year: number): boolean => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;

/** Whether the text is a day that exists. @example isDay("2026-02-30") // false */
export function isDay(text: string): boolean {
  if (text.length !== 10 || text[4] !== "-" || text[7] !== "-") return false;
  const year = digits(text, 0, 4);
  const month = digits(text, 5, 7);
  const date = digits(text, 8, 10);
  if (!(year >= 1 && month >= 1 && month <= 12 && date >= 1)) return false;
  return date <= MONTH_DAYS[month - 1]! + (month === 2 && isLeap(year) ? 1 : 0);
}

/**
 * Days since 1970-01-01 (the usual shift of the year to March, so that leap days come last; this runs for every
 * day of every planting, so it stays clear of Date). Throws RangeError on text that is not a day.
 * @example dayNumber("1970-01-02") // 1
 */
export function dayNumber(day: Day): number {
  if (!isDay(day)) throw new RangeError(`not a day: ${day}`);
  const month = digits(day, 5, 7);
  const year = digits(day, 0, 4) - (month <= 2 ? 1 : 0);
  const era = Math.floor(year / 400);
  const yearOfEra = year - era * 400;
  const dayOfMarchYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + digits(day, 8, 10) - 1;
  return (
    era * 146_097 + yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfMarchYear - 719_468
  );
}

/** The day with the given number of days since 1970-01-01. @example dayFromNumber(20732) // "2026-10-06" */
export function dayFromNumber(n: number): Day {
  const z = n + 719_468;
  const era = Math.floor(z / 146_097);
  const dayOfEra = z - era * 146_097;
  const yearOfEra = Math.floor(
    (dayOfEra - Math.floor(dayOfEra / 1460) + Math.floor(dayOfEra / 36_524) - Math.floor(dayOfEra / 146_096)) / 365,
  );
  const dayOfMarchYear = dayOfEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100));
  const marchMonth = Math.floor((5 * dayOfMarchYear + 2) / 153);
  const month = marchMonth < 10 ? marchMonth + 3 : marchMonth - 9;
  const year = yearOfEra + era * 400 + (month <= 2 ? 1 : 0);
  const two = (x: number) => (x < 10 ? `0${x}` : `${x}`);
  return `${String(year).padStart(4, "0")}-${two(month)}-${two(dayOfMarchYear - Math.floor((153 * marchMonth + 2) / 5) + 1)}`;
}

/** The day a number of days later (earlier when negative). @example addDays("2026-10-30", 3) // "2026-11-02" */
export const addDays = (day: Day, count: number): Day => dayFromNumber(dayNumber(day) + count);

/** Days from one day to another. @example daysBetween("2026-10-01", "2026-10-09") // 8 */
export const daysBetween = (from: Day, to: Day): number => dayNumber(to) - dayNumber(from);

/**
 * The days from the first, as many as asked for.
 * @example dayRange("2026-02-27", 3) // ["2026-02-27", "2026-02-28", "2026-03-01"]
 */
export const dayRange = (from: Day, count: number): Day[] => Array.from({ length: count }, (_, i) => addDays(from, i));

/** 1 to 366. @example dayOfYear("2024-03-01") // 61 */
export const dayOfYear = (day: Day): number => daysBetween(`${day.slice(0, 4)}-01-01`, day) + 1;

/** 0 Sunday to 6 Saturday. @example weekday("2026-10-06") // 2 */
export const weekday = (day: Day): number => (((dayNumber(day) + 4) % 7) + 7) % 7;

const WEEKDAYS = ["Sunday", "Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday"] as const;
const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"] as const;

/** "Thursday" @example weekdayName("2026-10-06") // "Tuesday" */
export const weekdayName = (day: Day): string => WEEKDAYS[weekday(day)] ?? "";
/** "Oct" @example sayMonth("2026-10-06") // "Oct" */
export const sayMonth = (day: Day): string => MONTHS[Number(day.slice(5, 7)) - 1] ?? "";

/** "Thu 8 Oct", "Thu Oct 8" where the month comes first. @example sayDay("2026-10-06") // "Tue 6 Oct" */
export const sayDay = (day: Day): string => `${weekdayName(day).slice(0, 3)} ${sayMonthDay(day)}`;

/**
 * "8 Oct 2026", "Oct 8, 2026" where the month comes first.
 * @param order as the country writes it; the garden's own where none is given
 * @example sayDate("2026-10-06") // "6 Oct 2026"
 */
export const sayDate = (day: Day, order: DateOrder = datesWritten()): string =>
  `${sayMonthDay(day, order)}${order === "month-first" ? "," : ""} ${day.slice(0, 4)}`;

/** "9 Jul", "Jul 9" where the month comes first. @example sayMonthDay("2026-10-06") // "6 Oct" */
export function sayMonthDay(day: Day, order: DateOrder = datesWritten()): string {
  const [date, month] = [Number(day.slice(8)), sayMonth(day)];
  return order === "month-first" ? `${month} ${date}` : `${date} ${month}`;
}

/**
 * A day seen from today: "today", "tomorrow", "Thursday" within a week, else "Thu 22 Oct".
 * @example sayNear("2026-10-07", "2026-10-06") // "tomorrow"
 */
export function sayNear(day: Day, today: Day): string {
  const ahead = daysBetween(today, day);
  if (ahead === 0) return "today";
  if (ahead === 1) return "tomorrow";
  if (ahead === -1) return "yesterday";
  return ahead > 1 && ahead < 7 ? weekdayName(day) : sayDay(day);
}
