import { addDays, type Day } from "./day";

/**
 * Days by which the seasons of the southern half of the world come later than the northern ones of the same year.
 * @example seasonsLater(-37) // 182
 */
export const seasonsLater = (latitudeDeg: number): number => (latitudeDeg >= 0 ? 0 : 182);

/**
 * A month and day of the northern seasons in a growing year: the same day in the north, half a year later in the south.
 *
 * @example inGrowingYear(2026, "06-20", -37) // "2026-12-19"
 */
export const inGrowingYear = (year: number, monthDay: string, latitudeDeg: number): Day =>
  addDays(`${year}-${monthDay === "02-29" ? "02-28" : monthDay}`, seasonsLater(latitudeDeg));

/**
 * The growing year a day belongs to: the calendar's in the north; in the south it runs from July to June and is named by its July.
 * @example growingYear("2027-03-01", -37) // 2026
 */
export const growingYear = (day: Day, latitudeDeg: number): number =>
  Number(addDays(day, -seasonsLater(latitudeDeg)).slice(0, 4));
