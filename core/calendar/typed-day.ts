import type { DateOrder } from "./date-order";
import { addDays, type Day, daysBetween, isDay, sayDate } from "./day";

const MONTHS = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"] as const;
const NEAR: Record<string, number> = { today: 0, yesterday: -1, tomorrow: 1 };
const pad = (n: number, wide: number): string => String(n).padStart(wide, "0");

/** A day as a field shows it: the month by name, so that no country reads it otherwise. @example sayTyped("2026-10-06", "month-first") // "Oct 6, 2026" */
export const sayTyped = (day: Day, order: DateOrder): string => sayDate(day, order);

/**
 * A day as people type it: "6.10.2026", "6/10", "Oct 6", "6 October 26", "2026-10-06", "yesterday". Null when it is none.
 * @param order which of two numbers is the day; a number over 12 is never a month
 * @param today where no year is given, the day nearest to this is meant
 * @example readDay("10/6/26", "month-first", "2026-11-01") // "2026-10-06"
 */
export function readDay(text: string, order: DateOrder, today: Day): Day | null {
  const plain = text.trim().toLowerCase();
  if (plain in NEAR) return addDays(today, NEAR[plain]!);
  const iso = plain.match(/^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})$/);
  if (iso) return dayOf(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const parts = plain
    .replace(/(\d)(st|nd|rd|th)\b/g, "$1")
    .split(/[\s,./-]+/)
    .filter(Boolean);
  if (parts.length < 2 || parts.length > 3) return null;
  const named = parts.findIndex((p) => monthOf(p) !== null);
  const numbers = parts.filter((_, i) => i !== named);
  if (numbers.some((n) => !/^\d{1,4}$/.test(n))) return null;
  const month = named >= 0 ? monthOf(parts[named]!) : null;
  const [first, second, third] = numbers.map(Number) as [number, number | undefined, number | undefined];
  if (month !== null) return third === undefined ? withYear(numbers[1], month, first, today) : null;
  if (second === undefined) return null;
  const monthFirst = first > 12 ? false : second > 12 ? true : order === "month-first";
  return withYear(numbers[2], monthFirst ? first : second, monthFirst ? second : first, today);
}

function monthOf(word: string): number | null {
  if (!/^[a-z]{3,9}$/.test(word)) return null;
  const i = MONTHS.findIndex((m) => word.startsWith(m));
  return i < 0 ? null : i + 1;
}

/** A year of two figures is one of this century; none: the one that brings the day nearest to today. */
function withYear(typed: string | undefined, month: number, date: number, today: Day): Day | null {
  if (typed !== undefined)
    return typed.length === 2 || typed.length === 4
      ? dayOf(Number(typed) + (typed.length === 2 ? 2000 : 0), month, date)
      : null;
  const year = Number(today.slice(0, 4));
  const days = [year - 1, year, year + 1].map((y) => dayOf(y, month, date)).filter((d) => d !== null);
  const off = (d: Day) => Math.abs(daysBetween(today, d));
  return days.length === 0 ? null : days.reduce((a, b) => (off(b) < off(a) ? b : a));
}

function dayOf(year: number, month: number, date: number): Day | null {
  const day = `${pad(year, 4)}-${pad(month, 2)}-${pad(date, 2)}`;
  return isDay(day) ? day : null;
}
