import { celsiusFromFahrenheit as celsiusOf, fahrenheitFromCelsius as fahrenheitOf } from "../units/convert";

/** Bands of caution for people in heat, from the US National Weather Service; values are for shade and light wind. */
export type HeatBand = "none" | "caution" | "extreme-caution" | "danger" | "extreme-danger";

/**
 * Heat index, °C, of air at a temperature and relative humidity.
 * Source: L. P. Rothfusz, The Heat Index "Equation", NWS Southern Region Technical Attachment SR 90-23, 1990, with the
 * adjustments and order of use of the NWS Weather Prediction Center. Standard error 1.3 °F.
 * @example heatIndexC(32, 60) // 37.1
 */
export function heatIndexC(tempC: number, humidityPct: number): number {
  return celsiusOf(heatIndexF(fahrenheitOf(tempC), humidityPct));
}

/** The same in °F, as the source states it. @example heatIndexF(90, 70) // 105.9 */
export function heatIndexF(t: number, rh: number): number {
  const simple = (0.5 * (t + 61 + (t - 68) * 1.2 + rh * 0.094) + t) / 2;
  if (simple < 80) return simple;
  const regression =
    -42.379 +
    2.04901523 * t +
    10.14333127 * rh -
    0.22475541 * t * rh -
    0.00683783 * t * t -
    0.05481717 * rh * rh +
    0.00122874 * t * t * rh +
    0.00085282 * t * rh * rh -
    0.00000199 * t * t * rh * rh;
  if (rh < 13 && t >= 80 && t <= 112) return regression - ((13 - rh) / 4) * Math.sqrt((17 - Math.abs(t - 95)) / 17);
  if (rh > 85 && t >= 80 && t <= 87) return regression + ((rh - 85) / 10) * ((87 - t) / 5);
  return regression;
}

/**
 * Band of a heat index: 80, 90, 103 and 125 °F (NWS; some pages print 126).
 * @example heatBand(33) // "extreme-caution"
 */
export function heatBand(indexC: number): HeatBand {
  const f = fahrenheitOf(indexC);
  if (f < 80) return "none";
  if (f < 90) return "caution";
  if (f < 103) return "extreme-caution";
  return f < 125 ? "danger" : "extreme-danger";
}

/**
 * Wind chill, °C, for cold picking. Source: NWS and Environment Canada, 2001; for air at or below 10 °C and wind
 * above 4.8 km/h; the air temperature otherwise.
 * @example windChillC(-10, 20) // -17.9
 */
export function windChillC(tempC: number, windKmh: number): number {
  if (tempC > 10 || windKmh <= 4.8) return tempC;
  const v = windKmh ** 0.16;
  return 13.12 + 0.6215 * tempC - 11.37 * v + 0.3965 * tempC * v;
}
