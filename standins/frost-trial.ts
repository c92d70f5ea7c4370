import { addDays, type Day } from "#core/calendar/day";
import { type Forecast, forecastErrorC } from "#core/weather/daily";
import { correctedMembers, nightChance } from "#core/weather/ensemble";
import { skillOf, spreadRatio } from "#core/weather/forecast-skill";
import { frostChance } from "#core/weather/frost";
import { simulatedDesk } from "./weather-desk";

/** A night some days ahead: the chance of frost said in four ways, and what came. */
export type FrostCase = {
  night: Day;
  /** by the ensemble, put right by what its source has taught */
  ensemble: number;
  /** by the single forecast and the source's measured errors */
  single: number;
  /** the share of members that freeze, as they come */
  raw: number;
  /** by the single forecast and an error that nobody measured */
  assumed: number;
  truth: number;
};

const FIRST: Day = "2018-01-01";
/** Days of history a garden has with its source before a chance counts. */
const HISTORY = 120;

/** A source that is wrong in ways nobody told: too warm by the bias, its members too close together. */
export type Fault = { biasC: number; narrow: number };

/**
 * Frost chances over simulated nights of a climate where about a third freeze, from a faulty source. Only what was
 * known on the day of issue is used.
 *
 * @param nights how many nights
 * @param lead days ahead, 1 to 9
 */
export function frostTrial(nights: number, lead: number, { biasC, narrow }: Fault, seed: number): FrostCase[] {
  const desk = simulatedDesk(seed, FIRST, { meanC: 3, swingC: 7, daySpanC: 8 });
  const issue = (day: Day): Forecast => {
    const f = desk.forecast(day, lead + 1);
    return {
      ...f,
      days: f.days.map((d) => ({
        ...d,
        tempMinC: d.tempMinC + biasC,
        members: d.members?.map((m) => ({ ...m, tempMinC: d.tempMinC + biasC + narrow * (m.tempMinC - d.tempMinC) })),
      })),
    };
  };
  const truth = new Map(desk.record(FIRST, addDays(FIRST, HISTORY + nights + lead)).map((w) => [w.day, w]));
  const issued: Forecast[] = Array.from({ length: HISTORY }, (_, k) => issue(addDays(FIRST, k)));
  return Array.from({ length: nights }, (_, k) => {
    const today = addDays(FIRST, HISTORY + k);
    const forecast = issue(today);
    // the garden knows the nights before today only; the last season's issues are what it compares
    const known = new Map([...truth].slice(k, HISTORY + k));
    const kept = issued.slice(-HISTORY);
    const skill = skillOf(kept, known, forecast.source);
    const ratio = spreadRatio(kept, known, forecast.source, skill);
    issued.push(forecast);
    const ahead = forecast.days[lead]!;
    const { biasC: learned, spreadC } = skill[lead]!;
    const minima = ahead.members!.map((m) => m.tempMinC);
    return {
      night: ahead.day,
      ensemble: nightChance(correctedMembers(minima, learned, ratio, spreadC), 0),
      single: frostChance(ahead.tempMinC + learned, spreadC, 0),
      raw: minima.filter((m) => m <= 0).length / minima.length,
      assumed: frostChance(ahead.tempMinC, forecastErrorC(lead), 0),
      truth: truth.get(ahead.day)!.tempMinC <= 0 ? 1 : 0,
    };
  });
}
