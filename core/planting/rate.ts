/** A gamma distribution by shape and rate. */
export type Gamma = { shape: number; rate: number };

/**
 * Posterior of a Poisson rate with a gamma prior: shape gains the count, rate the exposure.
 * Source: Gelman et al., Bayesian Data Analysis, ch. 2 (conjugate pair).
 */
export const gammaPosterior = (prior: Gamma, count: number, exposure: number): Gamma => ({
  shape: prior.shape + count,
  rate: prior.rate + exposure,
});

/** Mean of a gamma distribution. */
export const gammaMean = (g: Gamma): number => g.shape / g.rate;
/** Standard deviation of a gamma distribution. */
export const gammaSd = (g: Gamma): number => Math.sqrt(g.shape) / g.rate;
