/**
 * Degree days of one day from its extremes. All temperatures in one scale (°C or °F); results in that scale's days.
 * Sources: McMaster & Wilhelm, Agric. For. Meteorol. 87 (1997) 291–300 (averages); Baskerville & Emin, Ecology 50
 * (1969) 514–517 (single sine); Zalom et al., Univ. of California Leaflet 21373, 1983 (triangle, horizontal cutoff).
 */

/** Average of the extremes less the base, not below zero. @example degreeDaysAverage(30, 10, 10) // 10 */
export const degreeDaysAverage = (max: number, min: number, base: number): number =>
  Math.max(0, (max + min) / 2 - base);

/** Average after each extreme was clipped into [base, cap]. @example degreeDaysClipped(30, 6, 10) // 10 */
export function degreeDaysClipped(max: number, min: number, base: number, cap = Number.POSITIVE_INFINITY): number {
  const clip = (t: number) => Math.min(cap, Math.max(base, t));
  return (clip(max) + clip(min)) / 2 - base;
}

/** Single triangle between minimum and maximum. @example degreeDaysTriangle(20, 10, 15) // 1.25 */
export function degreeDaysTriangle(max: number, min: number, base: number): number {
  if (min >= base) return (max + min) / 2 - base;
  if (max <= base) return 0;
  return (max - base) ** 2 / (2 * (max - min));
}

/** Single sine curve, no cap: 15 to 5 over 10 is 5/π. */
function sineAbove(max: number, min: number, threshold: number): number {
  const mean = (max + min) / 2;
  const amplitude = (max - min) / 2;
  if (min >= threshold) return mean - threshold;
  if (max <= threshold) return 0;
  const theta = Math.asin((threshold - mean) / amplitude);
  return ((mean - threshold) * (Math.PI / 2 - theta) + amplitude * Math.cos(theta)) / Math.PI;
}

/**
 * Single sine with an optional horizontal cutoff: warmth above the cap counts no more. This is the method
 * Akmedon's own clocks run on.
 * @example degreeDaysSine(25, 15, 10) // 10
 */
export const degreeDaysSine = (max: number, min: number, base: number, cap = Number.POSITIVE_INFINITY): number =>
  cap === Number.POSITIVE_INFINITY ? sineAbove(max, min, base) : sineAbove(max, min, base) - sineAbove(max, min, cap);
