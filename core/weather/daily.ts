import { z } from "zod";
import { daySchema } from "../calendar/windows";

/** One day of weather at the station or of a forecast. Unknown stays null. */
export const weatherDaySchema = z
  .object({
    day: daySchema,
    tempMinC: z.number().min(-60).max(50),
    tempMaxC: z.number().min(-50).max(60),
    rainMm: z.number().min(0).max(500),
    windMs: z.number().min(0).max(60).nullable(),
    gustMs: z.number().min(0).max(90).nullable(),
    humidityPct: z.number().min(1).max(100).nullable(),
    cloudPct: z.number().min(0).max(100).nullable(),
  })
  .refine((d) => d.tempMaxC >= d.tempMinC, {
    message: "the maximum is below the minimum",
    path: ["tempMaxC"],
  });
export type WeatherDay = z.infer<typeof weatherDaySchema>;

/** A forecast as issued: its days, and the standard error of the night minimum by days ahead. */
export const forecastSchema = z.object({
  source: z.string().min(1).max(80),
  issuedOn: daySchema,
  days: z.array(weatherDaySchema).min(1).max(60),
});
export type Forecast = z.infer<typeof forecastSchema>;

/** Mean of the extremes, °C. */
export const meanTempC = (d: Pick<WeatherDay, "tempMinC" | "tempMaxC">): number => (d.tempMinC + d.tempMaxC) / 2;

/**
 * Standard error of a forecast night minimum, K, by days ahead: 1.2 K for tonight, growing to about 3.5 K at a
 * fortnight (own estimate from the usual growth of forecast error; replaced by a source's measured errors when known).
 */
export const forecastErrorC = (daysAhead: number): number => Math.min(3.6, 1.2 + 0.19 * Math.max(0, daysAhead));
