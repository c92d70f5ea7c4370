import { z } from "zod";
import { daySchema } from "../calendar/schemas";

const tempMinC = z.number().min(-60).max(50);
const tempMaxC = z.number().min(-50).max(60);
const rainMm = z.number().min(0).max(500);
const gustMs = z.number().min(0).max(90).nullable();

/** One day of weather at the station or of a forecast. Unknown stays null. */
const dayShape = z.object({
  day: daySchema,
  tempMinC,
  tempMaxC,
  rainMm,
  windMs: z.number().min(0).max(60).nullable(),
  gustMs,
  humidityPct: z.number().min(1).max(100).nullable(),
  cloudPct: z.number().min(0).max(100).nullable(),
});
const inOrder = (d: { tempMinC: number; tempMaxC: number }) => d.tempMaxC >= d.tempMinC;
const order = { message: "the maximum is below the minimum", path: ["tempMaxC"] };
export const weatherDaySchema = dayShape.refine(inOrder, order);
export type WeatherDay = z.infer<typeof weatherDaySchema>;

/** One of the possible courses of a day that an ensemble gives. */
export const memberSchema = z.object({ tempMinC, tempMaxC, rainMm, gustMs }).refine(inOrder, order);
export type Member = z.infer<typeof memberSchema>;

export const MOST_MEMBERS = 60;

/** A day of a forecast: what is most likely, and the members where the source gives an ensemble. */
export const forecastDaySchema = dayShape
  .extend({ members: z.array(memberSchema).max(MOST_MEMBERS).optional() })
  .refine(inOrder, order);
export type ForecastDay = z.infer<typeof forecastDaySchema>;

/** A forecast as issued: its source, the day of issue, its days in order. */
export const forecastSchema = z.object({
  source: z.string().min(1).max(80),
  issuedOn: daySchema,
  days: z.array(forecastDaySchema).min(1).max(60),
});
export type Forecast = z.infer<typeof forecastSchema>;

/** Mean of the extremes, °C. @example meanTempC({ tempMinC: 4, tempMaxC: 14 }) // 9 */
export const meanTempC = (d: Pick<WeatherDay, "tempMinC" | "tempMaxC">): number => (d.tempMinC + d.tempMaxC) / 2;

/**
 * Standard error of a forecast night minimum, K, by days ahead: 1.2 K for tonight, growing to about 3.5 K at a
 * fortnight (own estimate from the usual growth of forecast error; replaced by a source's measured errors when known).
 */
export const forecastErrorC = (daysAhead: number): number => Math.min(3.6, 1.2 + 0.19 * Math.max(0, daysAhead));
