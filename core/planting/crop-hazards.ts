import type { Day } from "../calendar/day";
import type { Bed } from "../garden/bed";
import type { Crop } from "../handbook/crop";
import { bedDay } from "../weather/bed-night";
import type { Member, WeatherDay } from "../weather/daily";
import { type Night, nightChance } from "../weather/ensemble";
import { DOWNPOUR_MM, galeChance } from "../weather/hazards";
import { normalCdf } from "../weather/normal";
import { soilTempC } from "../weather/soil";
import type { DayChances } from "./stage-grid";

export const CROP_HAZARDS = ["frost", "chill", "heat", "split", "lodge", "mould", "theft", "cold-soil"] as const;
export type CropHazardKind = (typeof CROP_HAZARDS)[number];

/** Something that threatens one planting on one day: how likely, what share of the crop it would cost, what helps. Its words: `words.ts`. */
export type CropHazard = {
  kind: CropHazardKind;
  day: Day;
  /** part of the day: "night", "afternoon", "all day" */
  when: "night" | "afternoon" | "all day";
  chance: number;
  lossShare: number;
  /** dry days before the rain that splits it */
  dryDays?: number;
  help: readonly ("pick" | "cover" | "wait" | "shade" | "net")[];
};

/** A coming day, a cover laid for its night reckoned in; what is known of that night in the bed; the members of an ensemble where there is one. */
export type HazardDay = { weather: WeatherDay; night: Night; members: readonly Member[] };

/** Chance below which a hazard is not worth a word. */
const LEAST = 0.15;
const FRUITS = new Set(["fruit", "pod", "head"]);

/**
 * What the coming days threaten one planting with, from the handbook's limits and the bed's own air.
 * @param days coming weather in order from today
 * @param chances the planting's judged chances on the same days
 * @param before the past three weeks, for drought and soil
 */
export function cropHazards(
  crop: Crop,
  bed: Bed,
  days: readonly HazardDay[],
  chances: readonly DayChances[],
  before: readonly WeatherDay[],
): CropHazard[] {
  const found: CropHazard[] = [];
  const ripeOn = (k: number) => {
    const c = chances[Math.min(k, chances.length - 1)];
    return c ? c.ready + c.past : 0;
  };
  let dry = dryDays(before);
  let soil = [...before];
  days.forEach(({ weather: w, night, members }, k) => {
    const add = (h: Omit<CropHazard, "day">) => {
      if (h.chance >= LEAST) found.push({ ...h, day: w.day });
    };
    const open = bed.cover === "none" || bed.cover === "fleece";
    const kill = nightChance(night, crop.weather.killC);
    add({
      kind: "frost",
      when: "night",
      chance: kill,
      lossShare: crop.weather.lossShare,
      help: ["pick", "cover"],
    });
    if (crop.weather.chillC !== null && kill < 0.5 && crop.nature === "ripens")
      add({
        kind: "chill",
        when: "night",
        chance: 0.9 * nightChance(night, crop.weather.chillC - 3),
        lossShare: 0.1,
        help: ["pick", "cover"],
      });
    if (crop.weather.heatC !== null)
      add({
        kind: "heat",
        when: "afternoon",
        chance: normalCdf((bedDay(w, bed).tempMaxC - crop.weather.heatC) / Math.max(1, night.errorC)),
        lossShare: 0.15,
        help: ["pick", "shade"],
      });
    const downpour = w.rainMm > 0 ? normalCdf((w.rainMm - DOWNPOUR_MM / 2) / (0.5 * w.rainMm)) : 0;
    if (open && crop.parts.some((p) => FRUITS.has(p)) && dry >= 5 && crop.splits)
      add({
        kind: "split",
        when: "all day",
        chance: downpour * Math.min(1, ripeOn(k) + 0.3),
        lossShare: 0.2,
        dryDays: dry,
        help: ["pick"],
      });
    if (open && crop.weather.galeLossShare >= 0.1)
      add({
        kind: "lodge",
        when: "all day",
        chance: galeChance(w.gustMs, k, members),
        lossShare: crop.weather.galeLossShare,
        help: ["pick"],
      });
    if (open && crop.weather.foliage === "fruit-dry" && w.rainMm >= 4)
      add({
        kind: "mould",
        when: "all day",
        chance: Math.min(0.9, 0.2 + w.rainMm / 25) * ripeOn(k),
        lossShare: 0.25,
        help: ["pick", "wait"],
      });
    if (open && k === 0 && ripeOn(k) > 0.5 && crop.cues.some((c) => c.id === "bites" || c.id === "birds"))
      add({
        kind: "theft",
        when: "all day",
        chance: 0.3 * ripeOn(k),
        lossShare: 0.1,
        help: ["pick", "net"],
      });
    soil = [...soil.slice(-20), w];
    if (
      crop.weather.chillC !== null &&
      crop.parts.some((p) => p === "tuber" || p === "root") &&
      crop.weather.chillC >= 8
    )
      add({
        kind: "cold-soil",
        when: "all day",
        chance: normalCdf((crop.weather.chillC - soilTempC(soil)) / 1.5),
        lossShare: 0.3,
        help: ["pick"],
      });
    dry = w.rainMm >= 2 ? 0 : dry + 1;
  });
  return found.sort((a, b) => b.chance * b.lossShare - a.chance * a.lossShare);
}

/** Days without rain worth the name, counted back from the last. */
function dryDays(before: readonly WeatherDay[]): number {
  let n = 0;
  for (let i = before.length - 1; i >= 0 && before[i]!.rainMm < 2; i--) n += 1;
  return n;
}
