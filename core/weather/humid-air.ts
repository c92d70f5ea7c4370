/** Humid air. Temperatures in °C, pressures in kPa, relative humidity in percent. */

/**
 * Saturation vapour pressure over water, kPa.
 * Source: FAO-56 (Allen et al. 1998) eq. 11: 0.6108·exp[17.27·T/(T+237.3)].
 * @example saturationPressureKPa(20) // 2.338
 */
export const saturationPressureKPa = (tempC: number): number => 0.6108 * Math.exp((17.27 * tempC) / (tempC + 237.3));

/**
 * Saturation vapour pressure over water by the WMO Guide (WMO-No. 8, Annex 4.B), kPa; −45 to 60 °C.
 * @example saturationPressureWmoKPa(20) // 2.333
 */
export const saturationPressureWmoKPa = (tempC: number): number =>
  0.6112 * Math.exp((17.62 * tempC) / (243.12 + tempC));

/**
 * Saturation vapour pressure over ice by the WMO Guide (WMO-No. 8, Annex 4.B), kPa; −65 to 0 °C.
 * @example saturationPressureIceKPa(-10) // 0.26
 */
export const saturationPressureIceKPa = (tempC: number): number =>
  0.6112 * Math.exp((22.46 * tempC) / (272.62 + tempC));

const A = 17.625;
const B = 243.04;

/**
 * Dew point over water from temperature and relative humidity.
 * Source: Alduchov & Eskridge, J. Appl. Meteorol. 35 (1996) 601–609, as used by M. G. Lawrence, BAMS 86 (2005) 225–233.
 * @example dewPointC(20, 50) // 9.26
 */
export function dewPointC(tempC: number, humidityPct: number): number {
  const gamma = Math.log(Math.max(humidityPct, 0.1) / 100) + (A * tempC) / (B + tempC);
  return (B * gamma) / (A - gamma);
}

/**
 * Relative humidity in percent of air at a temperature with a dew point (same coefficients, so it inverts dewPointC).
 * @example humidityPct(20, 9.26) // about 50
 */
export const humidityPct = (tempC: number, dewC: number): number =>
  100 * Math.exp((A * dewC) / (B + dewC) - (A * tempC) / (B + tempC));

/**
 * Vapour pressure deficit, kPa, FAO-56 saturation curve; never below zero.
 * @example vapourDeficitKPa(20, 50) // 1.169
 */
export const vapourDeficitKPa = (tempC: number, humidity: number): number =>
  Math.max(0, saturationPressureKPa(tempC) * (1 - humidity / 100));

/**
 * Wet bulb at sea level from temperature and humidity (5–99 %, −20 to 50 °C), within about 1 K.
 * Source: R. Stull, J. Appl. Meteor. Climatol. 50 (2011) 2267–2269, eq. 1.
 * @example wetBulbC(20, 50) // 13.7
 */
export const wetBulbC = (tempC: number, rh: number): number =>
  tempC * Math.atan(0.151977 * Math.sqrt(rh + 8.313659)) +
  Math.atan(tempC + rh) -
  Math.atan(rh - 1.676331) +
  0.00391838 * rh ** 1.5 * Math.atan(0.023101 * rh) -
  4.686035;

/** Standard air pressure at a height, kPa. Source: FAO-56 eq. 7. @example airPressureKPa(1800) // 81.8 */
export const airPressureKPa = (elevationM: number): number => 101.3 * ((293 - 0.0065 * elevationM) / 293) ** 5.26;
