import { addDays, type Day, dayOfYear, dayRange, daysBetween } from "#core/calendar/day";
import type { Forecast, WeatherDay } from "#core/weather/daily";
import { chance } from "./random";

/** What a station and a forecast office give: the interface that a real one would stand behind too. */
export type WeatherDesk = {
  name: string;
  /** the record of the days from the first to the last */
  record(from: Day, to: Day): WeatherDay[];
  /** the forecast issued in the morning of a day */
  forecast(issuedOn: Day, days: number): Forecast;
};

/** A spell written into the simulated weather on given days, so that a scenario can be told. */
export type Episode = { day: Day } & Partial<Omit<WeatherDay, "day">>;

export type DeskClimate = { meanC: number; swingC: number; daySpanC: number };

const round1 = (x: number) => Math.round(x * 10) / 10;

/**
 * A simulated station and forecast desk: a seasonal year with anomalies that persist for days, fronts with rain and
 * wind, and clear still nights between them. Forecasts are the coming truth with errors that grow with lead time.
 * Seeded: the same seed gives the same weather for the same days, wherever it is asked from.
 */
export function simulatedDesk(
  seed: number,
  from: Day,
  climate: DeskClimate,
  episodes: readonly Episode[] = [],
): WeatherDesk {
  const told = new Map(episodes.map((e) => [e.day, e]));
  const truth: WeatherDay[] = [];
  const luck = chance(seed);
  let anomaly = 0;
  let wetness = 0;
  const extendTo = (day: Day) => {
    while (truth.length <= daysBetween(from, day)) {
      const date = addDays(from, truth.length);
      anomaly = 0.78 * anomaly + 1.7 * luck.normal();
      wetness = 0.6 * wetness + 0.8 * luck.normal();
      const front = wetness > 0.55;
      const season = climate.meanC + climate.swingC * Math.cos((2 * Math.PI * (dayOfYear(date) - 203)) / 365.25);
      const cloud = Math.min(
        100,
        Math.max(0, front ? luck.between(70, 100) : 45 - 25 * wetness + luck.between(-25, 25)),
      );
      const span = climate.daySpanC * (1.25 - cloud / 160) * luck.between(0.85, 1.15);
      const wind = Math.max(0.4, (front ? 5.2 : 2.3) + 1.4 * luck.normal());
      const mean = season + anomaly;
      const rain = front
        ? Math.max(0.2, luck.between(0.5, 6) + 5 * Math.max(0, wetness - 0.8))
        : luck.next() < 0.08
          ? luck.between(0.2, 1.5)
          : 0;
      const humidity = Math.min(99, Math.max(45, 72 + cloud * 0.15 + 4 * luck.normal() - 0.5 * (mean - 10)));
      const day: WeatherDay = {
        day: date,
        tempMinC: round1(mean - span / 2),
        tempMaxC: round1(mean + span / 2),
        rainMm: round1(rain),
        windMs: round1(wind),
        gustMs: round1(wind * luck.between(1.7, 2.3)),
        humidityPct: Math.round(humidity),
        cloudPct: Math.round(cloud),
      };
      truth.push({ ...day, ...told.get(date) });
    }
  };
  const on = (day: Day): WeatherDay => {
    extendTo(day);
    return truth[daysBetween(from, day)]!;
  };
  return {
    name: "Simulated forecast desk",
    record: (first, last) => dayRange(first, daysBetween(first, last) + 1).map(on),
    forecast(issuedOn, days) {
      return {
        source: this.name,
        issuedOn,
        days: dayRange(issuedOn, days).map((day, ahead) => {
          const real = on(day);
          const error = chance(seed * 31 + daysBetween(from, issuedOn) * 97 + ahead);
          const miss = ahead === 0 ? 0 : Math.min(2.4, 0.25 + 0.17 * ahead);
          const shift = miss * error.normal();
          const share = Math.min(0.5, 0.05 + 0.035 * ahead);
          const off = () => Math.max(0.2, 1 + share * error.normal());
          const tempMinC = round1(real.tempMinC + shift);
          return {
            day,
            tempMinC,
            tempMaxC: round1(Math.max(tempMinC, real.tempMaxC + 0.7 * shift)),
            rainMm: round1(real.rainMm * off()),
            windMs: round1((real.windMs ?? 2) * off()),
            gustMs: round1((real.gustMs ?? 4) * off()),
            humidityPct: real.humidityPct,
            cloudPct: Math.round(Math.min(100, Math.max(0, (real.cloudPct ?? 50) * off()))),
          };
        }),
      };
    },
  };
}
