import * as SunCalc from "suncalc";
import { type Day, dayOfYear } from "./day";
import { instantOf, localTimeOf } from "./zone";

/**
 * Hours between sunrise and sunset, refraction and solar disc included.
 * Source: W. C. Forsythe et al., "A model comparison for daylength as a function of latitude and day of
 * year", Ecological Modelling 80 (1995) 87–95. Within 7 minutes up to 60°.
 *
 * @param latitudeDeg north positive
 * @param horizonDeg 0.8333 for sunrise to sunset, 6 for civil twilight
 * @example dayLengthHours("2026-06-21", 52) // about 16.8
 */
export function dayLengthHours(day: Day, latitudeDeg: number, horizonDeg = 0.8333): number {
  const theta = 0.2163108 + 2 * Math.atan(0.9671396 * Math.tan(0.0086 * (dayOfYear(day) - 186)));
  const declination = Math.asin(0.39795 * Math.cos(theta));
  const rad = Math.PI / 180;
  const cosine =
    (Math.sin(horizonDeg * rad) + Math.sin(latitudeDeg * rad) * Math.sin(declination)) /
    (Math.cos(latitudeDeg * rad) * Math.cos(declination));
  return 24 - (24 / Math.PI) * Math.acos(Math.min(1, Math.max(-1, cosine)));
}

/**
 * Day length after FAO-56 (geometric, no refraction): for evapotranspiration-style figures, never for a clock time.
 * Source: Allen, Pereira, Raes, Smith, FAO Irrigation and Drainage Paper 56, 1998, eqs 24, 25, 34.
 * @example dayLengthHoursFao(246, -20) // 11.7
 */
export function dayLengthHoursFao(dayOfYearNumber: number, latitudeDeg: number): number {
  const declination = 0.409 * Math.sin((2 * Math.PI * dayOfYearNumber) / 365 - 1.39);
  const latitude = (latitudeDeg * Math.PI) / 180;
  const cosine = -Math.tan(latitude) * Math.tan(declination);
  return (24 / Math.PI) * Math.acos(Math.min(1, Math.max(-1, cosine)));
}

export type SunTimes = { sunrise: string; sunset: string; sunriseHour: number; sunsetHour: number };

/**
 * Sunrise and sunset as local clock times ("07:12") and decimal hours; null in polar day or night.
 * Uses suncalc 2 (within 5 s of two independent ephemerides).
 */
export function sunTimes(day: Day, latitudeDeg: number, longitudeDeg: number, timeZone: string): SunTimes | null {
  const key = `${day} ${latitudeDeg} ${longitudeDeg} ${timeZone}`;
  const known = reckoned.get(key);
  if (known !== undefined) return known;
  if (reckoned.size >= MOST_RECKONED) reckoned.clear();
  const made = sunTimesNew(day, latitudeDeg, longitudeDeg, timeZone);
  reckoned.set(key, made);
  return made;
}
/** Days reckoned already: a fortnight is asked for with every plan. */
const reckoned = new Map<string, SunTimes | null>();
const MOST_RECKONED = 1000;

function sunTimesNew(day: Day, latitudeDeg: number, longitudeDeg: number, timeZone: string): SunTimes | null {
  const times = SunCalc.getTimes(new Date(instantOf(`${day}T12:00`, timeZone)), latitudeDeg, longitudeDeg);
  const rise = times.sunrise?.getTime();
  const set = times.sunset?.getTime();
  if (rise === undefined || set === undefined || Number.isNaN(rise) || Number.isNaN(set)) return null;
  const local = (ms: number) => localTimeOf(ms, timeZone).slice(11);
  const hour = (text: string) => Number(text.slice(0, 2)) + Number(text.slice(3)) / 60;
  return {
    sunrise: local(rise),
    sunset: local(set),
    sunriseHour: hour(local(rise)),
    sunsetHour: hour(local(set)),
  };
}
