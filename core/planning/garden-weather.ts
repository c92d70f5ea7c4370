import { addDays, type Day, daysBetween } from "../calendar/day";
import type { Bed } from "../garden/bed";
import { groupBy } from "../group-by";
import type { HazardDay } from "../planting/crop-hazards";
import { COVER_WARMTH, coverNight, nightInBed } from "../weather/bed-night";
import { type BedReading, type CoverNight, type LearnedOffset, learnOffset } from "../weather/bed-offset";
import { type Climate, weatherFor } from "../weather/climate";
import type { Forecast, Member, WeatherDay } from "../weather/daily";
import { correctedMembers, type Night } from "../weather/ensemble";
import { type LeadSkill, skillOf, spreadRatio } from "../weather/forecast-skill";
import { galeChance, LEAST_MEMBERS } from "../weather/hazards";
import { recordBefore } from "../weather/of-record";

/** Standard error of the usual year as a forecast, K. */
const USUAL_ERROR_C = 3.6;

/** What of a garden tells its weather. */
export type WeatherSources = {
  weather: readonly WeatherDay[];
  forecast: Forecast | null;
  forecasts: readonly Forecast[];
  beds: readonly Bed[];
  bedReadings: readonly BedReading[];
  covers: readonly CoverNight[];
};
/** Each of them, for whoever asks whether anything of it has changed. */
export const WEATHER_SOURCES = [
  "weather",
  "forecast",
  "forecasts",
  "beds",
  "bedReadings",
  "covers",
] as const satisfies (keyof WeatherSources)[];

/** A day from today on, as far as it is known at the station. */
export type DayAhead = {
  weather: WeatherDay;
  from: "record" | "forecast" | "usual";
  /** its night: with members where the source gives an ensemble */
  night: Night;
  members: readonly Member[];
};
/** The weather as one bed has it, its own offset and its covers reckoned in. */
export type BedWeather = {
  bed: Bed;
  weather: readonly WeatherDay[];
  ahead: readonly WeatherDay[];
  nights: readonly (Night & { galeChance: number })[];
  hazardDays: HazardDay[];
};
export type GardenWeather = {
  /** from the first day asked for to the last */
  weather: readonly WeatherDay[];
  ahead: readonly DayAhead[];
  /** night offsets of the beds as learned, by bed id */
  offsets: ReadonlyMap<string, LearnedOffset>;
  /** the coming nights in each bed as far as they are known, its cover and its thermometer reckoned in, by bed id */
  bedNights: ReadonlyMap<string, readonly Night[]>;
  /** the coming days that are more than the usual year, as one bed has them */
  hazardDays(bed: Bed): HazardDay[];
  inBed: ReadonlyMap<string, BedWeather>;
  /** how the forecast's source has turned out, by days ahead */
  skill: LeadSkill[];
  /** how far the source's ensemble has been too sure of itself (above 1), or too wide (below) */
  spreadRatio: number;
};

/**
 * The weather of a garden, day by day from `first` on: what its record says, then its forecast put right by what its
 * source has been wrong by, then the usual year; and every night in every bed.
 * @param days days ahead that are looked at, and `last`, days ahead up to which the weather is given
 */
export function gardenWeather(
  sources: WeatherSources,
  today: Day,
  first: Day,
  { days, last }: { days: number; last: number },
  climate: Climate,
): GardenWeather {
  const record = recordBefore(sources.weather, today);
  const issuedOn = sources.forecast?.issuedOn ?? today;
  const skill = skillOf(sources.forecasts, record, sources.forecast?.source ?? "");
  const skillAt = (day: Day) => skill[Math.min(skill.length - 1, Math.max(0, daysBetween(issuedOn, day)))]!;
  const ratio = spreadRatio(sources.forecasts, record, sources.forecast?.source ?? "", skill);
  // what a source has been wrong by on average is put right before anything is reckoned from it
  const nights = new Map<Day, Night>();
  const membersOn = new Map<Day, Member[]>();
  const forecast = new Map(
    (sources.forecast?.days ?? []).map(({ members = [], ...w }) => {
      const { biasC, spreadC } = skillAt(w.day);
      const night =
        members.length >= LEAST_MEMBERS
          ? correctedMembers(
              members.map((m) => m.tempMinC),
              biasC,
              ratio,
              spreadC,
            )
          : { minC: w.tempMinC + biasC, errorC: spreadC, members: [] };
      const minC = Math.min(w.tempMaxC, night.minC);
      nights.set(w.day, { ...night, minC });
      membersOn.set(w.day, members);
      return [w.day, { ...w, tempMinC: minC }];
    }),
  );
  const all = weatherFor(first, addDays(today, last), record, forecast, climate);
  const weather = all.map((d) => d.weather);
  const ahead = all.slice(daysBetween(first, today), daysBetween(first, today) + days + 1);
  const nightOf = (d: (typeof ahead)[number]): Night =>
    (d.from === "forecast" ? nights.get(d.weather.day) : undefined) ?? {
      minC: d.weather.tempMinC,
      errorC: d.from === "usual" ? USUAL_ERROR_C : skillAt(d.weather.day).spreadC,
      members: [],
    };
  const membersFor = (d: (typeof ahead)[number]): readonly Member[] =>
    d.from === "forecast" ? (membersOn.get(d.weather.day) ?? []) : [];
  // a usual year has no gales to plan for
  const known = ahead.map(nightOf);
  const gales = ahead.map((d, k) => (d.from === "usual" ? 0 : galeChance(d.weather.gustMs, k, membersFor(d))));
  const readingsOf = groupBy(sources.bedReadings, (r) => r.bedId);
  const offsets = new Map(
    sources.beds.map((b) => [
      b.id,
      learnOffset(readingsOf.get(b.id) ?? [], record, b.nightOffsetC, COVER_WARMTH[b.cover].nightC),
    ]),
  );
  const bedById = new Map(sources.beds.map((b) => [b.id, { ...b, nightOffsetC: offsets.get(b.id)!.offsetC }]));
  const covered = new Set(sources.covers.map((c) => `${c.bedId} ${c.day}`));
  const underCover = (bed: Bed, days: readonly WeatherDay[]): readonly WeatherDay[] =>
    covered.size === 0 ? days : days.map((w) => (covered.has(`${bed.id} ${w.day}`) ? coverNight(w) : w));
  // every night in every bed, once: verdicts, plans and the weather page's tables all read it
  const bedNights = new Map(
    [...bedById.values()].map((bed) => {
      const learned = offsets.get(bed.id)!;
      const days = underCover(
        bed,
        ahead.map((d) => d.weather),
      );
      const sdC = learned.nights > 0 ? learned.sdC : 0;
      return [bed.id, days.map((w, k) => nightInBed(known[k]!, w, bed, sdC))] as const;
    }),
  );
  const hazardDays = (bed: Bed): HazardDay[] =>
    underCover(
      bed,
      ahead.filter((d) => d.from !== "usual").map((d) => d.weather),
    ).map((weather, k) => ({ weather, night: bedNights.get(bed.id)![k]!, members: membersFor(ahead[k]!) }));
  const inBed = new Map(
    [...bedById.values()].map((bed): [string, BedWeather] => [
      bed.id,
      {
        bed,
        weather: underCover(bed, weather),
        ahead: underCover(
          bed,
          ahead.map((d) => d.weather),
        ),
        nights: bedNights.get(bed.id)!.map((night, k) => ({ ...night, galeChance: gales[k]! })),
        hazardDays: hazardDays(bed),
      },
    ]),
  );
  return {
    weather,
    ahead: ahead.map((d, k) => ({ weather: d.weather, from: d.from, night: known[k]!, members: membersFor(d) })),
    offsets,
    bedNights,
    hazardDays,
    inBed,
    skill,
    spreadRatio: ratio,
  };
}
