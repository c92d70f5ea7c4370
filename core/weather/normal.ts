/**
 * Standard normal distribution function, absolute error below 1e-14 in the middle and relative error small in the tails.
 * Method: W. J. Cody style series for |z| < 2.5, Lentz continued fraction beyond (Abramowitz & Stegun 7.1.6, 7.1.14).
 * @example normalCdf(1.96) // 0.975002
 */
export function normalCdf(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  if (x < 2.5) {
    let term = x;
    let sum = x;
    for (let n = 1; n < 80; n++) {
      term *= (2 * x * x) / (2 * n + 1);
      sum += term;
      if (term < 1e-17 * sum) break;
    }
    const erf = (2 / Math.sqrt(Math.PI)) * Math.exp(-x * x) * sum;
    return z >= 0 ? 0.5 * (1 + erf) : 0.5 * (1 - erf);
  }
  let fraction = 0;
  for (let k = 60; k >= 1; k--) fraction = k / 2 / (x + fraction);
  const erfc = Math.exp(-x * x) / (Math.sqrt(Math.PI) * (x + fraction));
  return z >= 0 ? 1 - 0.5 * erfc : 0.5 * erfc;
}

/**
 * Chance that a value forecast as mean with normal standard error lies at or below a threshold.
 * @example chanceAtOrBelow(0, 1.96, 1) // 0.025
 */
export const chanceAtOrBelow = (threshold: number, mean: number, error: number): number =>
  error <= 0 ? Number(mean <= threshold) : normalCdf((threshold - mean) / error);
