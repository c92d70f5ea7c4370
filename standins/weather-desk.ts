import { addDays, type Day, dayOfYear, dayRange, daysBetween } from "#core/calendar/day";
import type { Forecast, Member, WeatherDay } from "#core/weather/daily";
import { type Chance, chance } from "./random";
import { spells } from "./spells";

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

/** Members of the desk's ensemble. */
export const MEMBERS = 20;

/** Standard error of the desk's night minimum by days ahead, K, on a day of usual doubt. */
const missC = (ahead: number) => (ahead === 0 ? 0 : Math.min(2.4, 0.25 + 0.17 * ahead));
/** Relative error of its rain and wind by days ahead. */
const missShare = (ahead: number) => Math.min(0.5, 0.05 + 0.035 * ahead);

/**
 * A simulated station and forecast desk: a seasonal year with anomalies that persist for days, fronts with rain and
 * wind, clear still nights between them, and spells of heat, thunder and gale. Forecasts are the coming truth with
 * errors that grow with lead time and are larger on some days than on others; the ensemble knows how large, its fronts
 * come a day early or late in some members. Seeded: the same seed gives the same weather for the same days, wherever
 * it is asked from.
 * @param seen days of a real record, from the first day on, that are told instead; only the forecasts' errors are drawn
 */
export function simulatedDesk(
  seed: number,
  from: Day,
  climate: DeskClimate,
  episodes: readonly Episode[] = [],
  seen: readonly WeatherDay[] = [],
): WeatherDesk {
  const told = new Map(episodes.map((e) => [e.day, e]));
  const truth: WeatherDay[] = seen.map(filledIn);
  const luck = chance(seed);
  const spell = spells(chance(seed * 13 + 7));
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
      truth.push({ ...spell(day), ...told.get(date) });
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
      const issue = daysBetween(from, issuedOn);
      // how doubtful the weather is today, for the desk and its ensemble alike
      const doubt = Math.min(1.7, Math.max(0.6, Math.exp(0.3 * chance(seed * 7 + issue).normal())));
      const paths = Array.from({ length: MEMBERS }, (_, i) =>
        memberPath(chance(seed * 57 + issue * 131 + i), doubt, days, (k) => on(addDays(issuedOn, k))),
      );
      return {
        source: this.name,
        issuedOn,
        days: dayRange(issuedOn, days).map((day, ahead) => {
          const real = on(day);
          const error = chance(seed * 31 + issue * 97 + ahead);
          const shift = missC(ahead) * doubt * error.normal();
          const off = () => Math.max(0.2, 1 + missShare(ahead) * error.normal());
          const tempMinC = round1(real.tempMinC + shift);
          const main = {
            tempMinC,
            tempMaxC: round1(Math.max(tempMinC, real.tempMaxC + 0.7 * shift)),
            rainMm: round1(real.rainMm * off()),
            windMs: round1((real.windMs ?? 2) * off()),
            gustMs: round1((real.gustMs ?? 4) * off()),
          };
          return {
            day,
            ...main,
            humidityPct: real.humidityPct,
            cloudPct: Math.round(Math.min(100, Math.max(0, (real.cloudPct ?? 50) * off()))),
            members: paths.map((p) => {
              const low = round1(tempMinC + p[ahead]!.shiftC);
              return {
                tempMinC: low,
                tempMaxC: round1(Math.max(low, main.tempMaxC + 0.7 * p[ahead]!.shiftC)),
                rainMm: p[ahead]!.rainMm,
                gustMs: p[ahead]!.gustMs,
              };
            }),
          };
        }),
      };
    },
  };
}

/** A recorded day with what its station did not measure put in: gusts twice the wind, cloud and damp by the rain. */
const filledIn = (w: WeatherDay): WeatherDay => ({
  ...w,
  windMs: w.windMs ?? 3,
  gustMs: w.gustMs ?? round1(1.9 * (w.windMs ?? 3)),
  cloudPct: w.cloudPct ?? (w.rainMm > 0.5 ? 85 : w.tempMaxC - w.tempMinC > 11 ? 15 : 50),
  humidityPct: w.humidityPct ?? (w.rainMm > 0.5 ? 86 : 70),
});

/** One member: how much colder or warmer than the main forecast it is each day, and when its fronts come. */
function memberPath(
  luck: Chance,
  doubt: number,
  days: number,
  on: (ahead: number) => WeatherDay,
): (Pick<Member, "rainMm" | "gustMs"> & { shiftC: number })[] {
  let drift = luck.normal();
  return Array.from({ length: days }, (_, ahead) => {
    drift = 0.7 * drift + Math.sqrt(1 - 0.49) * luck.normal();
    const late = luck.next() < Math.min(0.5, 0.05 * ahead * doubt) ? (luck.next() < 0.5 ? -1 : 1) : 0;
    const front = on(Math.max(0, ahead + late));
    const share = Math.max(0.2, 1 + missShare(ahead) * doubt * luck.normal());
    return {
      shiftC: missC(ahead) * doubt * drift,
      rainMm: round1(front.rainMm * share),
      gustMs: front.gustMs === null ? null : round1(front.gustMs * Math.max(0.5, share)),
    };
  });
}
