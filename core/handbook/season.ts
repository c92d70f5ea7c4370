import { addDays, type Day } from "../calendar/day";
import { seasonsLater } from "../calendar/hemisphere";
import type { Crop } from "./crop";

/** Days over which a crop is picked once it has begun, where its habit does not say (own estimate). */
const PICKED_DAYS: Record<Crop["habit"], number> = {
  "once-over": 21,
  repeat: 50,
  "leaf-by-leaf": 90,
  "cut-again": 60,
  "lift-as-needed": 90,
  "main-then-side": 40,
  perennial: 50,
};

/**
 * Months (1 to 12) in which a crop is usually picked at a mild northern site: from its usual start by its days to
 * maturity, over its picking time. South of the equator half a year later.
 */
export function pickMonths(crop: Pick<Crop, "usualStart" | "days" | "habit">, latitudeDeg: number): number[] {
  const range = crop.days.yearly ?? crop.days.sown ?? crop.days.transplanted ?? crop.days.planted ?? [60, 120];
  const start: Day = `2025-${crop.usualStart}`;
  const from = addDays(start, range[0] + seasonsLater(latitudeDeg));
  const to = addDays(start, range[1] + PICKED_DAYS[crop.habit] + seasonsLater(latitudeDeg));
  const months: number[] = [];
  for (let day = from; day <= to && months.length < 12; day = addDays(day, 10)) {
    const month = Number(day.slice(5, 7));
    if (!months.includes(month)) months.push(month);
  }
  return months;
}
