import { heatBand, heatIndexC } from "./heat-index";
import { humidityPct } from "./humid-air";

/** An hour of a day as a picker meets it. */
export type PickingHour = {
  hour: number;
  tempC: number;
  light: boolean;
  wet: boolean;
  /** 0 to 1: how good the hour is, for crops that may be touched wet and for those that must be dry */
  anyCrop: number;
  dryCrop: number;
  /** the one thing most against it, in a word or two; empty when nothing is */
  against: string;
};

/** Chance of thunder from which nobody should be out with metal tools (own limit). */
const THUNDER_LIMIT = 0.35;

/**
 * How good each hour of a day is for picking: light, cool, dry leaves, no gale, no thunder.
 * @param temps 24 hourly temperatures; @param wet 24 hours of wet leaves; @param thunder chance in the afternoon
 */
export function pickingHours(day: {
  temps: readonly number[];
  wet: readonly boolean[];
  dewC: number | null;
  sunriseHour: number;
  sunsetHour: number;
  gustMs: number | null;
  rainMm: number;
  thunder: number;
}): PickingHour[] {
  return day.temps.map((tempC, hour) => {
    const light = hour + 0.5 >= day.sunriseHour && hour + 0.5 <= day.sunsetHour;
    const index = heatIndexC(tempC, day.dewC === null ? 60 : Math.min(100, humidityPct(tempC, day.dewC)));
    const band = heatBand(index);
    const heat = band === "none" ? Math.max(0, (tempC - 18) / 20) : band === "caution" ? 0.55 : 1;
    const cold = tempC < 1 ? 0.6 : tempC < 5 ? 0.25 : 0;
    const storm = (day.gustMs ?? 0) >= 17.2 ? 0.9 : (day.gustMs ?? 0) >= 13.9 ? 0.4 : 0;
    const thunder = hour >= 12 && hour <= 21 && day.thunder >= THUNDER_LIMIT ? 1 : 0;
    const rain = day.rainMm >= 8 ? 0.5 : day.rainMm >= 2 ? 0.25 : 0;
    const wet = day.wet[hour] ?? false;
    const hindrances: [number, string][] = [
      [light ? 0 : 1, "dark"],
      [thunder, "thunder"],
      [storm, "gale"],
      [heat, "heat"],
      [cold, "cold"],
      [rain, "rain"],
    ];
    const anyCrop = hindrances.reduce((good, [much]) => good * (1 - Math.min(1, much)), 1);
    const worst = hindrances.reduce((a, b) => (b[0] > a[0] ? b : a));
    return {
      hour,
      tempC,
      light,
      wet,
      anyCrop,
      dryCrop: wet ? 0 : anyCrop,
      against: worst[0] >= 0.4 ? worst[1] : wet ? "wet leaves" : "",
    };
  });
}

/** A stretch of good hours. */
export type Stretch = { fromHour: number; toHour: number; quality: number };

/** The best stretches of a day, at least two hours each, longest and best first. */
export function goodStretches(hours: readonly PickingHour[], of: "anyCrop" | "dryCrop", least = 0.55): Stretch[] {
  const found: Stretch[] = [];
  let start: number | null = null;
  for (let i = 0; i <= hours.length; i++) {
    const good = i < hours.length && hours[i]![of] >= least;
    if (good && start === null) start = i;
    if (!good && start !== null) {
      const part = hours.slice(start, i);
      if (part.length >= 2)
        found.push({
          fromHour: start,
          toHour: i,
          quality: part.reduce((s, h) => s + h[of], 0) / part.length,
        });
      start = null;
    }
  }
  return found.sort((a, b) => b.quality * (b.toHour - b.fromHour) - a.quality * (a.toHour - a.fromHour));
}
