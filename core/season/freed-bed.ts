import { addDays, type Day, daysBetween } from "../calendar/day";
import type { Planting } from "../garden/planting";
import { type Crop, STARTS, type Start } from "../handbook/crop";
import type { Handbook } from "../handbook/index";
import type { Taste } from "../household/taste";
import type { WeatherDay } from "../weather/daily";
import { type BedPast, type Rotation, type RotationReason, rotationOf } from "./rotation";
import { frostLimit, lastSowings, readyDay, type Site, usualStartIn } from "./sowing-clock";

/** Something that still fits into a bed that has come free. */
export type Fits = {
  crop: Crop;
  how: Start;
  readyOn: Day;
  /** days to spare before the last date on which it could have been started */
  spareDays: number;
  rotation: Rotation;
  reasons: RotationReason[];
  /** stands the winter and is picked next year */
  overWinter: boolean;
};

/** A crop started in autumn to be picked next summer has its window around its usual start, days. */
const AUTUMN_WINDOW = 30;
const WINTER_DAYS = 180;

/**
 * What can still be started in a bed on a day and ripen before the frost the gardener accepts: by the warmth and light
 * that are usually left, what stood in the bed before, and what the household eats. Best first: what suits the rotation
 * and is liked, then what is ready soonest.
 */
export function fitsInto(
  bedPast: BedPast,
  on: Day,
  book: Handbook,
  tasteOf: (crop: Crop) => Pick<Taste, "liking">,
  record: readonly WeatherDay[],
  site: Site,
  risk: number,
  seen: readonly string[] = [],
): Fits[] {
  const year = Number(on.slice(0, 4));
  const order: Rotation[] = ["good", "fine", "wary", "no"];
  return book.all
    .flatMap((crop): Fits[] => {
      if (crop.days.yearly || tasteOf(crop).liking === 0) return [];
      const { verdict, reasons } = rotationOf(crop, bedPast, on, seen);
      const told = { crop, rotation: verdict, reasons };
      const winter = overWinter(crop, on, site);
      if (winter) return [{ ...told, ...winter, overWinter: true }];
      const lasts = lastSowings(crop, record, year, site, risk).filter((l) => l.latest !== null && l.latest >= on);
      const best = lasts.find((l) => l.how !== "sown") ?? lasts[0];
      // too early in its own year is not yet its time
      if (!best?.latest || daysBetween(on, usualStartIn(crop, year, site.latitudeDeg)) > 10) return [];
      const readyOn = readyDay(crop, on, best.needDd, site);
      if (!readyOn) return [];
      return [{ ...told, how: best.how, readyOn, spareDays: daysBetween(on, best.latest), overWinter: false }];
    })
    .sort(
      (a, b) =>
        order.indexOf(a.rotation) - order.indexOf(b.rotation) ||
        tasteOf(b.crop).liking - tasteOf(a.crop).liking ||
        (a.readyOn < b.readyOn ? -1 : a.readyOn > b.readyOn ? 1 : a.crop.id < b.crop.id ? -1 : 1),
    );
}

/** Garlic and the like: planted around their usual autumn date, picked next summer; null for others or other times. */
function overWinter(crop: Crop, on: Day, site: Site): Pick<Fits, "how" | "readyOn" | "spareDays"> | null {
  const how = STARTS.find((s) => (crop.days[s]?.[0] ?? 0) > WINTER_DAYS);
  if (!how || crop.weather.killC > -10) return null;
  const usual = usualStartIn(crop, Number(on.slice(0, 4)), site.latitudeDeg);
  const off = daysBetween(usual, on);
  if (Math.abs(off) > AUTUMN_WINDOW) return null;
  const range = crop.days[how]!;
  return {
    how,
    readyOn: addDays(on, Math.round((range[0] + range[1]) / 2)),
    spareDays: AUTUMN_WINDOW - off,
  };
}

/** Days and warmth left in a bed before frost of light strength, for the page: what there is to work with. */
export function leftInBed(
  on: Day,
  record: readonly WeatherDay[],
  site: Site,
  risk: number,
): { frost: Day | null; days: number | null } {
  const light = { weather: { killC: 0 } } as Pick<Crop, "weather">;
  const frost = frostLimit(light, record, Number(on.slice(0, 4)), site.latitudeDeg, site.bed, risk);
  return { frost, days: frost === null ? null : Math.max(0, daysBetween(on, frost)) };
}

/** Whether a bed is free on a day: nothing stands in it that has begun and not ended. */
export const isFree = (bedId: string, plantings: readonly Planting[], on: Day): boolean =>
  !plantings.some((p) => p.bedId === bedId && p.startedOn <= on && (p.endedOn === null || p.endedOn > on));
