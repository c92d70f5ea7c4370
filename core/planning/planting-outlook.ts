import type { Day } from "../calendar/day";
import type { Trip } from "../calendar/windows";
import type { Bed } from "../garden/bed";
import type { Planting } from "../garden/planting";
import type { Crop, School } from "../handbook/crop";
import { schoolOf } from "../handbook/index";
import { inRipeColour } from "../handbook/ripe-colour";
import type { Check } from "../planting/check";
import { referenceWarmth, warmth } from "../planting/clock";
import type { HazardDay } from "../planting/crop-hazards";
import type { Held } from "../planting/held";
import { type Judgement, judge } from "../planting/judge";
import { needsOf } from "../planting/needs";
import { isSick } from "../planting/sick";
import { spreading } from "../planting/sickness";
import { standingPieces } from "../planting/standing";
import { piecesPerDay, type Supply, supplyOf } from "../planting/supply";
import { bedDay } from "../weather/bed-night";
import type { Climate } from "../weather/climate";
import type { WeatherDay } from "../weather/daily";
import type { Night } from "../weather/ensemble";
import { netOf } from "../weighing/net";
import { isCrop, type PickRecord } from "../weighing/pick";

export type PlantingOutlook = {
  planting: Planting;
  bed: Bed;
  crop: Crop;
  school: School;
  judgement: Judgement;
  supply: Supply;
};

/** All that one planting's judgement and supply are reckoned from. */
export type PlantingInput = {
  today: Day;
  planting: Planting;
  /** its bed with the night offset as learned */
  bed: Bed;
  /** its crop as this garden knows it */
  crop: Crop;
  checks: readonly Check[];
  picks: readonly PickRecord[];
  /** the day on which this season's clock began */
  season: Day;
  /** every day since the first planting began and some weeks ahead, as it is under the bed's covers */
  weather: readonly WeatherDay[];
  /** the days the planner looks ahead */
  ahead: readonly WeatherDay[];
  /** what each of those nights is in the bed, with the chance of a gale */
  nights: readonly (Night & { galeChance: number })[];
  /** the coming days that are more than the usual year, as the bed has them */
  hazardDays: readonly HazardDay[];
  /** the last three weeks in the open */
  lately: readonly WeatherDay[];
  climate: Climate;
  latitudeDeg: number;
  horizonDays: number;
  weighReadings: boolean;
  track: boolean;
  /** why it may not be taken today; null: it may */
  held: Held | null;
  bedWantedBy: Day | null;
  /** times away without a stand-in */
  absences: readonly Trip[];
  nextChance: Day | null;
};

const byTime = (a: { at: string }, b: { at: string }) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0);

/** What a planting is and wants, and what it can give on the days ahead. */
export function plantingOutlook(input: PlantingInput): PlantingOutlook {
  const { today, planting, bed, weather } = input;
  const crop = inRipeColour(input.crop, planting.ripeColour);
  const school = schoolOf(crop, planting.schoolId);
  const picks = [...input.picks].filter(isCrop).sort(byTime);
  const checks = [...input.checks].sort(byTime);
  // what stands for years is reckoned season by season
  const before = picks
    .filter((p) => p.at.slice(0, 10) >= input.season)
    .map((p) => ({
      day: p.at.slice(0, 10),
      netG: netOf(p, crop.topsShare, crop.yield.pieceG).trimmedG,
      all: p.extent !== "some",
      rowDone: p.rowDone,
    }));
  const span =
    before.length > 1 ? input.weather.filter((w) => w.day > before[0]!.day && w.day <= before.at(-1)!.day) : [];
  const referenceDays = span.reduce((sum, w) => sum + warmth(bedDay(w, bed), crop), 0) / referenceWarmth(crop);
  const judgement = judge({
    today,
    planting,
    bed,
    crop,
    school,
    checks,
    picks: picks.map((p) => ({
      day: p.at.slice(0, 10),
      extent: p.extent,
      aside: p.purpose === "test" || p.purpose === "thinning",
      massG: netOf(p, crop.topsShare, crop.yield.pieceG).trimmedG,
    })),
    piecesPerDay: piecesPerDay(planting, bed, crop, before, referenceDays, today),
    weather,
    climate: input.climate,
    latitudeDeg: input.latitudeDeg,
    horizonDays: input.horizonDays,
    weighReadings: input.weighReadings,
    track: input.track,
    held: input.held,
    pressing: (chances) =>
      needsOf(crop, bed, input.hazardDays, chances, input.lately, {
        bedWantedBy: input.bedWantedBy,
        trips: input.absences,
        nextChance: input.nextChance,
      }),
  });
  const supply = supplyOf(
    planting,
    bed,
    crop,
    { ...judgement, days: judgement.belief.slice(0, input.ahead.length) },
    input.ahead,
    input.nights,
    before,
    referenceDays,
    standingPieces(planting, bed, crop, checks, before, referenceDays, weather, today, judgement.flushOver),
  );
  return { planting, bed, crop, school, judgement, supply: isSick(checks, today) ? spreading(supply) : supply };
}
