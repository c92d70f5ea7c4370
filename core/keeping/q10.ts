/**
 * Rate of a process at one temperature from its rate at another, by a constant Q10.
 * Source: checks C9.2, R₂ = R₁·Q10^((T₂−T₁)/10).
 */
export const scaledRate = (rate: number, fromC: number, toC: number, q10: number): number =>
  rate * q10 ** ((toC - fromC) / 10);

/** Q10 of ten-degree steps from 0 °C; the last holds beyond (A. A. Kader ed., UC ANR 3311; from memory). */
const STEPS = [3, 2.5, 2, 1.5] as const;

/**
 * How fast produce lives at a temperature, 1 at 0 °C: 3, 7.5, 15 and 22.5 at 10, 20, 30 and 40 °C, smooth within each
 * step. Below 0 °C the first step goes on. The rule does not hold below a chilling threshold.
 */
export function relativeRate(tempC: number): number {
  let rate = 1;
  let at = 0;
  for (const [k, q10] of STEPS.entries()) {
    const last = k === STEPS.length - 1;
    if (tempC <= at + 10 || last) return scaledRate(rate, at, tempC, q10);
    rate *= q10;
    at += 10;
  }
  return rate;
}
