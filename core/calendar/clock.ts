import { addDays } from "./day";

/** The local wall-clock minute after one. @example minuteAfter("2026-10-06T23:59") // "2026-10-07T00:00" */
export function minuteAfter(at: string): string {
  const minutes = Number(at.slice(11, 13)) * 60 + Number(at.slice(14, 16)) + 1;
  const two = (n: number) => String(n).padStart(2, "0");
  return minutes < 1440
    ? `${at.slice(0, 10)}T${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`
    : `${addDays(at.slice(0, 10), 1)}T00:00`;
}
