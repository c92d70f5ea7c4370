import { addDays, type Day } from "#core/calendar/day";
import { type Forecast, forecastErrorC } from "#core/weather/daily";
import { skillOf } from "#core/weather/forecast-skill";
import { frostChance } from "#core/weather/frost";
import { simulatedDesk } from "./weather-desk";

/** A night some days ahead: the chance of frost said with the source's own history, said without it, and what came. */
export type FrostCase = { night: Day; learned: number; assumed: number; truth: number };

const FIRST: Day = "2018-01-01";
/** Days of history a garden has with its source before a chance counts. */
const HISTORY = 120;

/**
 * Frost chances over simulated nights of a climate where about a third freeze, from a source that is wrong in a way
 * nobody told: every minimum is too warm by the bias. Only what was known on the day of issue is used.
 *
 * @param nights how many nights
 * @param lead days ahead, 1 to 9
 * @param biasC how much too warm the source is, K
 */
export function frostTrial(nights: number, lead: number, biasC: number, seed: number): FrostCase[] {
  const desk = simulatedDesk(seed, FIRST, { meanC: 3, swingC: 7, daySpanC: 8 });
  const issue = (day: Day): Forecast => {
    const f = desk.forecast(day, lead + 1);
    return { ...f, days: f.days.map((d) => ({ ...d, tempMinC: d.tempMinC + biasC })) };
  };
  const truth = new Map(desk.record(FIRST, addDays(FIRST, HISTORY + nights + lead)).map((w) => [w.day, w]));
  const issued: Forecast[] = Array.from({ length: HISTORY }, (_, k) => issue(addDays(FIRST, k)));
  return Array.from({ length: nights }, (_, k) => {
    const today = addDays(FIRST, HISTORY + k);
    const forecast = issue(today);
    // the garden knows the nights before today only; the last season's issues are what it compares
    const known = new Map([...truth].slice(k, HISTORY + k));
    const skill = skillOf(issued.slice(-HISTORY), known, forecast.source)[lead]!;
    issued.push(forecast);
    const ahead = forecast.days[lead]!;
    return {
      night: ahead.day,
      learned: frostChance(ahead.tempMinC + skill.biasC, skill.spreadC, 0),
      assumed: frostChance(ahead.tempMinC, forecastErrorC(lead), 0),
      truth: truth.get(ahead.day)!.tempMinC <= 0 ? 1 : 0,
    };
  });
}
