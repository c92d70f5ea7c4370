/**
 * Exact unit definitions.
 * Source: NIST Handbook 44, Appendix C; international yard and pound agreement, 1959.
 */
export const GRAMS_PER_POUND = 453.59237;
export const GRAMS_PER_OUNCE = 28.349523125;
export const MM_PER_INCH = 25.4;
export const M_PER_FOOT = 0.3048;
export const M2_PER_SQUARE_FOOT = 0.09290304;
export const LITRES_PER_US_BUSHEL = 35.23907016688;
export const LITRES_PER_US_PECK = LITRES_PER_US_BUSHEL / 4;
export const LITRES_PER_US_DRY_QUART = LITRES_PER_US_BUSHEL / 32;
export const LITRES_PER_US_GALLON = 3.785411784;
export const LITRES_PER_US_LIQUID_QUART = LITRES_PER_US_GALLON / 4;
export const M_PER_S_PER_MPH = 0.44704;
export const M_PER_S_PER_KNOT = 1852 / 3600;
export const M_PER_S_PER_KMH = 1 / 3.6;
/** One degree Fahrenheit as a difference, K (exact). */
export const KELVIN_PER_F = 5 / 9;
