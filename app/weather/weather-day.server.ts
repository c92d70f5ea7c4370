import { type Day, daysBetween } from "#core/calendar/day";
import { type SunTimes, sunTimes } from "#core/calendar/sun";
import { plantingName } from "#core/garden/name";
import { cropHazards } from "#core/planting/crop-hazards";
import { sayCropHazard } from "#core/planting/words";
import { stillness } from "#core/weather/bed-night";
import { curveOf, dewOf, hoursOf } from "#core/weather/day-hours";
import { frostChances, nightChance } from "#core/weather/ensemble";
import { dryFrom } from "#core/weather/foliage";
import { fitFrostFormula, fittedMinC, frostClass, hoursUntilTemp } from "#core/weather/frost";
import { firstFrosts, frostDay, growingDaysLeft } from "#core/weather/frost-dates";
import { heatBand, heatIndexC, windChillC } from "#core/weather/heat-index";
import { tempAtHour } from "#core/weather/hourly-curve";
import { humidityPct } from "#core/weather/humid-air";
import { goodStretches, pickingHours } from "#core/weather/picking-hours";
import { daysSinceRain, soilState, soilTempC } from "#core/weather/soil";
import { thunderChance } from "#core/weather/thunder";
import { HEAT_WORDS, SOIL_WORDS } from "#core/weather/words";
import type { GardenNow } from "../server/garden-now.server";
import { frostNightsOf } from "./weather.server";

/** Sun of a day at the garden; six to six where the sun neither rises nor sets. */
const sunOf = (d: GardenNow, day: Day): SunTimes => {
  const { latitudeDeg, longitudeDeg, timeZone } = d.snapshot.garden;
  return (
    sunTimes(day, latitudeDeg, longitudeDeg, timeZone) ?? { sunriseHour: 6, sunsetHour: 18, sunrise: "", sunset: "" }
  );
};

const clock = (hour: number): string => {
  const h = ((hour % 24) + 24) % 24;
  return `${String(Math.floor(h)).padStart(2, "0")}:${String(Math.floor((h % 1) * 60)).padStart(2, "0")}`;
};

/** One day of the fortnight hour by hour: temperature, wet leaves, light, good hours, and the night before it. */
export function dayView(d: GardenNow, at: number) {
  const days = d.outlook.days;
  const chosen = days[at]!;
  const w = chosen.weather;
  const sun = sunOf(d, w.day);
  const inOrder = days.map((x) => x.weather);
  const dewC = dewOf(w);
  const { temps, wet } = hoursOf(inOrder, at, sun);
  const thunder = thunderChance(w);
  const hours = pickingHours({
    temps,
    wet,
    dewC,
    sunriseHour: sun.sunriseHour,
    sunsetHour: sun.sunsetHour,
    gustMs: w.gustMs,
    rainMm: w.rainMm,
    thunder,
  });
  const hottest = Math.max(...temps);
  const heat = heatBand(heatIndexC(hottest, dewC === null ? 60 : Math.min(100, humidityPct(hottest, dewC))));
  const morning = tempAtHour(curveOf(inOrder, at, sun), Math.min(23, sun.sunriseHour + 1));
  const chill = windChillC(morning, (w.windMs ?? 0) * 3.6);
  // the night before that morning
  const eve = days[Math.max(0, at - 1)]!.weather;
  const eveningC = tempAtHour(curveOf(inOrder, Math.max(0, at - 1), sun), Math.min(23.9, sun.sunsetHour + 2));
  const eveDewC = dewOf(eve);
  const fit = fitFrostFormula(frostNightsOf(d.snapshot, d.today));
  const below = hoursUntilTemp(eveningC, w.tempMinC, 24 - sun.sunsetHour + sun.sunriseHour, 0);
  return {
    day: w.day,
    weather: w,
    errorC: chosen.errorC,
    temps,
    wet,
    dewC,
    sun,
    good: {
      any: goodStretches(hours, "anyCrop")[0] ?? null,
      dry: goodStretches(hours, "dryCrop")[0] ?? null,
      against: hours.filter((h) => h.light && h.against !== "").map((h) => h.against),
    },
    dryFrom: dryFrom(wet, sun.sunriseHour, sun.sunsetHour),
    thunder,
    people: [
      HEAT_WORDS[heat],
      chill < -2 ? `Feels like ${Math.round(chill)} °C early on: gloves, and watch for ice underfoot.` : "",
    ].filter(Boolean),
    stillness: stillness(w),
    frostClass: frostClass(w.tempMinC),
    belowFrom: below === null ? null : clock(sun.sunsetHour + below),
    fit:
      fit && eveDewC !== null
        ? { tempC: fittedMinC(fit, eveningC, eveDewC), nights: fit.nights, sdC: fit.residualSdC }
        : null,
  };
}
export type DayView = ReturnType<typeof dayView>;

/** The cover laid in a bed for the night before a day; null: none. */
const coverOn = (d: GardenNow, bedId: string, at: number): string | null =>
  d.snapshot.covers.find((c) => c.bedId === bedId && c.day === d.outlook.days[at]!.weather.day)?.id ?? null;

/** Every bed on the night before a day: lowest temperature, chances, its cover, and what its thermometer taught. */
export function bedNights(d: GardenNow, at: number) {
  return d.snapshot.beds
    .map((bed) => {
      const night = d.outlook.bedNights.get(bed.id)![at]!;
      return {
        id: bed.id,
        name: bed.name,
        minC: night.minC,
        coverId: coverOn(d, bed.id, at),
        /** a frame or tunnel is covered already */
        open: bed.cover === "none",
        chance: nightChance(night, 0),
        learned: { ...d.outlook.offsets.get(bed.id)!, saidC: bed.nightOffsetC },
        readings: d.snapshot.bedReadings.filter((r) => r.bedId === bed.id).slice(-3),
        growing: d.outlook.plantings
          .filter((p) => p.bed.id === bed.id)
          .map((p) => ({
            id: p.planting.id,
            kind: plantingName(p.planting, p.crop),
            harm: nightChance(night, p.crop.weather.killC),
          })),
      };
    })
    .sort((a, b) => a.minC - b.minC);
}
export type BedNight = ReturnType<typeof bedNights>[number];

const NIGHTS_SHOWN = 7;

/** The coming nights in every bed, coldest bed first: the chance of each freeze class. */
export function frostTable(d: GardenNow) {
  const days = d.outlook.days
    .map((x, at) => ({ day: x.weather.day, from: x.from, at }))
    .slice(1, NIGHTS_SHOWN + 1)
    .filter((x) => x.from === "forecast");
  const beds = d.snapshot.beds
    .map((bed) => {
      const nights = days.map(({ at }) => {
        const night = d.outlook.bedNights.get(bed.id)![at]!;
        return { minC: night.minC, covered: coverOn(d, bed.id, at) !== null, ...frostChances(night) };
      });
      return { id: bed.id, name: bed.name, nights, lowest: Math.min(...nights.map((n) => n.minC)) };
    })
    .sort((a, b) => a.lowest - b.lowest);
  return {
    days: days.map((x) => x.day),
    beds,
    members: Math.max(0, ...d.outlook.days.map((x) => x.members.length)),
    spreadRatio: d.outlook.spreadRatio,
  };
}
export type FrostTable = ReturnType<typeof frostTable>;

const MOST_HAZARDS = 9;

/** What threatens which planting in the coming week, dearest first. */
export function hazardList(d: GardenNow) {
  const before = d.snapshot.weather.filter((w) => w.day < d.today).slice(-21);
  return d.outlook.plantings
    .flatMap((p) => {
      const hazards = cropHazards(p.crop, p.bed, d.outlook.hazardDays(p.bed).slice(0, 8), p.judgement.days, before);
      // one line a kind, the day on which it is likeliest to cost; frost and chill are one cold
      const sameAs = (kind: string) => (kind === "chill" ? "frost" : kind);
      const kinds = [...new Map(hazards.map((h) => [sameAs(h.kind), h] as const).reverse()).values()];
      return kinds.map((h) => ({
        ...h,
        words: sayCropHazard(h, p.crop, d.snapshot.garden.units),
        plantingId: p.planting.id,
        kindName: plantingName(p.planting, p.crop),
        bed: p.bed.name,
        costG: h.chance * h.lossShare * (p.supply.standingG > 0 ? p.supply.standingG : p.supply.stockG),
      }));
    })
    .sort((a, b) => b.costG - a.costG)
    .slice(0, MOST_HAZARDS);
}

/** The soil, and what the record says of frost to come. */
export function groundView(d: GardenNow) {
  const record = d.snapshot.weather;
  const recent = record.filter((w) => w.day < d.today).slice(-30);
  const { latitudeDeg } = d.snapshot.garden;
  const frosts = firstFrosts(record, latitudeDeg).filter(
    (f) => f.day < d.today && (f.day < `${d.today.slice(0, 4)}-07-01` || latitudeDeg < 0),
  );
  const year = Number(d.today.slice(0, 4));
  const state = recent.length >= 10 ? soilState(recent) : null;
  return {
    soil: state
      ? {
          tempC: soilTempC(recent),
          words: SOIL_WORDS[state.state],
          sinceRain: daysSinceRain(recent),
        }
      : null,
    frost:
      frosts.length >= 2
        ? {
            years: frosts.length,
            early: frostDay(frosts, 0.1, year, latitudeDeg),
            half: frostDay(frosts, 0.5, year, latitudeDeg),
            late: frostDay(frosts, 0.9, year, latitudeDeg),
            daysLeft: growingDaysLeft(record, d.today, latitudeDeg),
          }
        : null,
    skill: d.outlook.skill.filter((s) => s.lead <= 7 && s.count > 0),
    forecastAge: d.snapshot.forecast ? daysBetween(d.snapshot.forecast.issuedOn, d.today) : null,
  };
}
