import { addDays, type Day } from "../calendar/day";
import type { Bed } from "../garden/bed";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { bedDay } from "../weather/bed-night";
import { meanTempC, type WeatherDay } from "../weather/daily";
import type { Check } from "./check";
import { daysAtTemp, referenceWarmth, warmth } from "./clock";
import { countMarks } from "./marked";
import { type AgeingDay, type Counted, type Population, populationOf } from "./population";
import { type PickedBefore, piecesPerDay } from "./supply";

/** How the weather of a day bore on the pieces of a planting. */
export function ageingDays(weather: readonly WeatherDay[], from: Day, to: Day, bed: Bed, crop: Crop): AgeingDay[] {
  return weather
    .filter((w) => w.day >= from && w.day <= to)
    .map((w) => {
      const felt = bedDay(w, bed);
      const mean = meanTempC(felt);
      return {
        day: w.day,
        growth: warmth(felt, crop) / referenceWarmth(crop),
        readyInDays: daysAtTemp(crop.interval.warmDays, crop.interval.coolDays, mean),
        primeDays: daysAtTemp(crop.prime.warmDays, crop.prime.coolDays, mean),
      };
    });
}

/** Pieces by age that stand on a repeat cropper, when they were counted within the last three weeks; else null. */
export function standingPieces(
  planting: Planting,
  bed: Bed,
  crop: Crop,
  checks: readonly Check[],
  picked: readonly (PickedBefore & { all: boolean })[],
  referenceDays: number,
  weather: readonly WeatherDay[],
  today: Day,
  flushOver: boolean,
): Population | null {
  const counts = checks.flatMap((c): Counted[] => [
    ...(["ready", "nearly", "past"] as const).flatMap((mark): Counted[] =>
      c.marked.length > 0
        ? [{ day: c.at.slice(0, 10), of: mark === "past" ? "over" : mark, pieces: countMarks(c.marked)[mark] }]
        : [],
    ),
    ...c.readings.flatMap((r): Counted[] => {
      const cue = crop.cues.find((x) => x.id === r.cueId);
      return cue?.kind === "count" ? [{ day: c.at.slice(0, 10), of: cue.of, pieces: Number(r.value) }] : [];
    }),
  ]);
  const first = counts.filter((c) => c.day <= today && c.day >= addDays(today, -21))[0]?.day;
  // none at the last count: what has come since is known to the stage alone
  const last = counts.filter((c) => c.day <= today).at(-1)?.day;
  if (!first || counts.every((c) => c.day !== last || c.pieces === 0)) return null;
  const days = ageingDays(weather, first, today, bed, crop);
  const taken = picked.map((p) => ({ day: p.day, all: p.all, pieces: p.netG / crop.yield.pieceG }));
  const rate = flushOver ? 0 : piecesPerDay(planting, bed, crop, picked, referenceDays, today);
  return populationOf(days, rate, counts, taken);
}
