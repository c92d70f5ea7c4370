import { type Day, daysBetween } from "#core/calendar/day";
import { type SunTimes, sunTimes } from "#core/calendar/sun";
import { bedMinC, coverNight, stillness } from "#core/weather/bed-night";
import { cropHazards } from "#core/weather/crop-hazards";
import { dryFrom, wetHours } from "#core/weather/foliage";
import { fitFrostFormula, fittedMinC, frostChance, frostClass, hoursUntilTemp } from "#core/weather/frost";
import { firstFrosts, frostDay, growingDaysLeft } from "#core/weather/frost-dates";
import { HEAT_WORDS, heatBand, heatIndexC, windChillC } from "#core/weather/heat-index";
import { type CurveDay, hourlyTemps, tempAtHour } from "#core/weather/hourly-curve";
import { dewPointC, humidityPct } from "#core/weather/humid-air";
import { goodStretches, pickingHours } from "#core/weather/picking-hours";
import { daysSinceRain, SOIL_WORDS, soilState, soilTempC } from "#core/weather/soil";
import { thunderChance } from "#core/weather/thunder";
import type { Desk } from "./desk.server";
import { frostNightsOf } from "./weather.server";

/** Sun of a day at the garden; six to six where the sun neither rises nor sets. */
const sunOf = (d: Desk, day: Day): SunTimes => {
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
export function dayView(d: Desk, at: number) {
  const days = d.outlook.days;
  const chosen = days[at]!;
  const w = chosen.weather;
  const sun = sunOf(d, w.day);
  const curveOf = (k: number): CurveDay => ({
    tempMaxC: days[k]!.weather.tempMaxC,
    tempMinC: days[k]!.weather.tempMinC,
    nextMinC: days[k + 1]?.weather.tempMinC ?? days[k]!.weather.tempMinC,
    sunriseHour: sun.sunriseHour,
    sunsetHour: sun.sunsetHour,
  });
  const mean = (x: typeof w) => (x.tempMinC + x.tempMaxC) / 2;
  const dewC = w.humidityPct === null ? null : dewPointC(mean(w), w.humidityPct);
  const temps = hourlyTemps(curveOf(at));
  const wet = wetHours({ curve: curveOf(at), dewC, rainMm: w.rainMm, windMs: w.windMs });
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
  const morning = tempAtHour(curveOf(at), Math.min(23, sun.sunriseHour + 1));
  const chill = windChillC(morning, (w.windMs ?? 0) * 3.6);
  // the night before that morning
  const eve = days[Math.max(0, at - 1)]!.weather;
  const eveningC = tempAtHour(curveOf(Math.max(0, at - 1)), Math.min(23.9, sun.sunsetHour + 2));
  const eveDewC = eve.humidityPct === null ? null : dewPointC(mean(eve), eve.humidityPct);
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

/** Every bed on the night before a day: lowest temperature, chances, its cover, and what its thermometer taught. */
export function bedNights(d: Desk, at: number) {
  const chosen = d.outlook.days[at]!;
  const { day } = chosen.weather;
  const covered = new Map(d.snapshot.covers.filter((c) => c.day === day).map((c) => [c.bedId, c.id]));
  return d.snapshot.beds
    .map((bed) => {
      const learned = d.outlook.offsets.get(bed.id)!;
      const air = { ...bed, nightOffsetC: learned.offsetC };
      const laid = covered.get(bed.id) ?? null;
      const night = laid ? coverNight(chosen.weather) : chosen.weather;
      const minC = bedMinC(night, air);
      const errorC = Math.hypot(chosen.errorC, learned.nights > 0 ? learned.sdC * stillness(chosen.weather) : 0);
      return {
        id: bed.id,
        name: bed.name,
        minC,
        coverId: laid,
        /** a frame or tunnel is covered already */
        open: bed.cover === "none",
        chance: frostChance(minC, errorC, 0),
        learned: { ...learned, saidC: bed.nightOffsetC },
        readings: d.snapshot.bedReadings.filter((r) => r.bedId === bed.id).slice(-3),
        growing: d.outlook.plantings
          .filter((p) => p.bed.id === bed.id)
          .map((p) => ({
            id: p.planting.id,
            kind: p.planting.kind || p.crop.name,
            harm: frostChance(minC, errorC, p.crop.weather.killC),
          })),
      };
    })
    .sort((a, b) => a.minC - b.minC);
}
export type BedNight = ReturnType<typeof bedNights>[number];

const MOST_HAZARDS = 9;

/** What threatens which planting in the coming week, dearest first. */
export function hazardList(d: Desk) {
  const before = d.snapshot.weather.filter((w) => w.day < d.today).slice(-21);
  const days = d.outlook.days.slice(0, 8).filter((x) => x.from !== "usual");
  return d.outlook.plantings
    .flatMap((p) => {
      const hazards = cropHazards(p.crop, p.bed, days, p.judgement.days, before);
      // one line a kind: the day on which it is likeliest to cost
      const kinds = [...new Map(hazards.map((h) => [h.kind, h] as const).reverse()).values()];
      return kinds.map((h) => ({
        ...h,
        plantingId: p.planting.id,
        kindName: p.planting.kind || p.crop.name,
        bed: p.bed.name,
        costG: h.chance * h.lossShare * (p.supply.standingG > 0 ? p.supply.standingG : p.supply.stockG),
      }));
    })
    .sort((a, b) => b.costG - a.costG)
    .slice(0, MOST_HAZARDS);
}

/** The soil, and what the record says of frost to come. */
export function groundView(d: Desk) {
  const record = d.snapshot.weather.filter((w) => w.day < d.today);
  const recent = record.slice(-30);
  const { latitudeDeg } = d.snapshot.garden;
  const frosts = firstFrosts(record, latitudeDeg).filter(
    (f) => f.day < `${d.today.slice(0, 4)}-07-01` || latitudeDeg < 0,
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
