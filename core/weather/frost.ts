import { chanceAtOrBelow } from "./normal";

export type FrostClass = "none" | "ground" | "light" | "moderate" | "severe";

/**
 * Freeze class of a night minimum in °C kept to 0.1.
 * Source: Koss et al., Freeze/Frost Data, Climatography of the US No. 20 Suppl. 1, NCDC, 1988: light 29–32 °F,
 * moderate 25–28 °F, severe 24 °F and below, bounds closed at 0.0, −2.2 and −4.4 °C; ground frost up to 3 °C on
 * the screen (common practice).
 * @example frostClass(-1) // "light"
 */
export function frostClass(tempMinC: number): FrostClass {
  if (tempMinC <= -4.4) return "severe";
  if (tempMinC <= -2.2) return "moderate";
  if (tempMinC <= 0) return "light";
  return tempMinC <= 3 ? "ground" : "none";
}

/** Chance that the night minimum is at or below a temperature, forecast with a normal error. @example frostChance(2, 1.5, 0) // 0.0912 */
export const frostChance = (forecastMinC: number, errorC: number, thresholdC: number): number =>
  chanceAtOrBelow(thresholdC, forecastMinC, errorC);

export type FrostNight = { eveningTempC: number; eveningDewC: number; minC: number };
export type FrostFit = {
  perTemp: number;
  perDew: number;
  constant: number;
  residualSdC: number;
  rSquared: number;
  nights: number;
};

/**
 * Radiation-frost formula of a garden: least squares of T_p = b1·T0 + b2·Td0 + b0 on past clear, calm nights,
 * readings taken two hours after sunset. The coefficients are local; none are built in.
 * Source: R. L. Snyder & J. P. de Melo-Abreu, Frost Protection, vol. 1, FAO, 2005, ch. 5.
 *
 * @returns null with fewer than five nights or when the readings do not vary enough to tell
 */
export function fitFrostFormula(nights: readonly FrostNight[]): FrostFit | null {
  const n = nights.length;
  if (n < 5) return null;
  const mean = (f: (x: FrostNight) => number) => nights.reduce((s, x) => s + f(x), 0) / n;
  const mt = mean((x) => x.eveningTempC);
  const md = mean((x) => x.eveningDewC);
  const my = mean((x) => x.minC);
  let tt = 0;
  let td = 0;
  let dd = 0;
  let ty = 0;
  let dy = 0;
  let yy = 0;
  for (const x of nights) {
    const t = x.eveningTempC - mt;
    const d = x.eveningDewC - md;
    const y = x.minC - my;
    tt += t * t;
    td += t * d;
    dd += d * d;
    ty += t * y;
    dy += d * y;
    yy += y * y;
  }
  const determinant = tt * dd - td * td;
  if (determinant < 1e-9 * Math.max(1, tt * dd)) return null;
  const perTemp = (dd * ty - td * dy) / determinant;
  const perDew = (tt * dy - td * ty) / determinant;
  const residual = Math.max(0, yy - perTemp * ty - perDew * dy);
  return {
    perTemp,
    perDew,
    constant: my - perTemp * mt - perDew * md,
    residualSdC: Math.sqrt(residual / (n - 3)),
    rSquared: yy === 0 ? 1 : 1 - residual / yy,
    nights: n,
  };
}

/** Minimum expected after an evening by the garden's own fitted formula, °C. */
export const fittedMinC = (fit: FrostFit, eveningTempC: number, eveningDewC: number): number =>
  fit.perTemp * eveningTempC + fit.perDew * eveningDewC + fit.constant;

/**
 * Temperature some hours after sunset on a clear, calm night: T0 + b'·sqrt(i−2), falling to the minimum at sunrise.
 * Source: FAO Frost Protection 2005, vol. 1, ch. 5.
 * @param hoursAfterSunset 2 or more
 * @param nightHours from sunset to sunrise
 * @example nightTempC(10, 0, 12, 12) // 0
 */
export const nightTempC = (eveningTempC: number, minC: number, nightHours: number, hoursAfterSunset: number): number =>
  eveningTempC + ((minC - eveningTempC) / Math.sqrt(nightHours - 2)) * Math.sqrt(Math.max(0, hoursAfterSunset - 2));

/** Hours after sunset at which the clear-night curve falls through a temperature; null when it never does. */
export function hoursUntilTemp(eveningTempC: number, minC: number, nightHours: number, tempC: number): number | null {
  if (tempC >= eveningTempC) return 2;
  if (tempC < minC) return null;
  return 2 + (nightHours - 2) * ((eveningTempC - tempC) / (eveningTempC - minC)) ** 2;
}
