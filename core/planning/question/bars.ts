import { sunTimes } from "../../calendar/sun";
import { isLaw, type Treatment, waitingOn } from "../../garden/treatment";
import type { Crop } from "../../handbook/crop";
import type { SoilState } from "../../handbook/soil-state";
import type { Held } from "../../planting/held";
import type { WeatherDay } from "../../weather/daily";
import { hoursOf } from "../../weather/day-hours";
import { soilState } from "../../weather/soil";
import type { Bar, BarWhy, PlanSlot } from "./problem";
import type { PickWish } from "./wish";

/** Rain on a day from which a crop that wants a dry day is left, mm. */
const RAINY_MM = 1;
/** Air in which leaves and heads wilt before they are home, °C, and by how much another hour must be cooler. */
const WILTS_C = 26;
const COOLER_C = 4;
/** Days of the record that the soil's water is reckoned from. */
const SOIL_DAYS = 21;

export type BarsInput = {
  plantings: readonly {
    planting: { id: string };
    bed: { cover: string };
    crop: Crop;
    /** what the judgement forbids: kept for seed, season over */
    judgement?: { barred: Held | null };
  }[];
  slots: readonly PlanSlot[];
  /** weather of the coming days, today first, and whether each is more than the usual year */
  days: readonly { weather: WeatherDay; from: "record" | "forecast" | "usual" }[];
  record: readonly WeatherDay[];
  site: { latitudeDeg: number; longitudeDeg: number; timeZone: string };
  treatments: readonly Treatment[];
  pickWishes: readonly PickWish[];
};

/**
 * Which planting may not be taken at which slot, and why: a spray's wait, skins still setting, a date of the
 * gardener's, wet leaves or fruit, soil that cannot be dug, leaves in the heat. Weather bars a slot only as far ahead
 * as there is a forecast, and only outdoors; common practice where a crop's own source says no more.
 */
export function barsOf(input: BarsInput): Bar[] {
  const at = slotWeather(input);
  return input.plantings.flatMap(({ planting, bed, crop, judgement }) =>
    input.slots.flatMap((slot, j): Bar[] => {
      const bar = (why: BarWhy, law = false): Bar[] => [{ plantingId: planting.id, slotId: slot.id, why, law }];
      if (judgement?.barred) return bar(judgement.barred);
      const waits = waitingOn(input.treatments, planting.id, slot.day);
      const wait = waits.find(isLaw) ?? waits[0];
      if (wait) return bar({ why: "treated", treatment: wait }, isLaw(wait));
      const wish = input.pickWishes.find(
        (w) => w.plantingId === planting.id && w.kind === "not-before" && slot.day < w.day,
      );
      if (wish) return bar({ why: "not-before", day: wish.day });
      const air = at[j];
      if (!air) return [];
      const open = bed.cover === "none" || bed.cover === "fleece";
      if (open) {
        const { foliage } = crop.weather;
        // touching wet leaves spreads disease; wet fruit would not keep
        if (foliage === "dry" && air.wet) return bar({ why: "wet-leaves" });
        if (foliage === "dry-day" && air.rainMm >= RAINY_MM) return bar({ why: "rain" });
        if (foliage === "fruit-dry" && air.wet) return bar({ why: "wet-fruit" });
        if (isDug(crop) && air.soil !== "workable" && air.soil !== "dry" && air.soil !== "baked")
          return bar({ why: air.soil === "frozen" ? "frozen" : "too-wet" });
      }
      if (wilts(crop) && air.cooler !== null) return bar({ why: "wilts", tempC: air.tempC, cooler: air.cooler });
      return [];
    }),
  );
}

type SlotAir = {
  wet: boolean;
  rainMm: number;
  tempC: number;
  soil: SoilState;
  cooler: { day: string; startsAt: string } | null;
};

/** The air, leaves and soil at each slot; null beyond the forecast. */
function slotWeather({ slots, days, record, site }: BarsInput): (SlotAir | null)[] {
  const weather = days.map((d) => d.weather);
  const first = weather[0]?.day;
  const hours = weather.map((w, k) => {
    const sun = sunTimes(w.day, site.latitudeDeg, site.longitudeDeg, site.timeZone);
    return hoursOf(weather, k, sun ?? { sunriseHour: 6, sunsetHour: 18 });
  });
  const before = record.filter((w) => first !== undefined && w.day < first).slice(-SOIL_DAYS);
  const soil = weather.map((_, k) => soilState([...before, ...weather.slice(0, k + 1)]).state);
  const air = slots.map((slot) => {
    const k = days.findIndex((d) => d.weather.day === slot.day);
    if (k < 0 || days[k]!.from === "usual") return null;
    const hour = Math.min(23, Number(slot.startsAt.slice(0, 2)) + (Number(slot.startsAt.slice(3)) >= 30 ? 1 : 0));
    const { temps, wet } = hours[k]!;
    return { wet: wet[hour]!, rainMm: weather[k]!.rainMm, tempC: temps[hour]!, soil: soil[k]! };
  });
  return air.map((a, j) => {
    if (!a) return null;
    const cooler =
      a.tempC < WILTS_C
        ? -1
        : slots.findIndex((s, k) => {
            const other = air[k];
            return s.allowed && Math.abs(s.t - slots[j]!.t) <= 1 && other && other.tempC <= a.tempC - COOLER_C;
          });
    return { ...a, cooler: cooler < 0 ? null : { day: slots[cooler]!.day, startsAt: slots[cooler]!.startsAt } };
  });
}

const isDug = (crop: Crop): boolean => crop.harvest[0] === "fork";
const wilts = (crop: Crop): boolean => crop.parts[0] === "leaf" || crop.parts[0] === "head";
