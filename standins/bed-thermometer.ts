import type { Day } from "#core/calendar/day";
import type { Bed } from "#core/garden/bed";
import { bedMinC } from "#core/weather/bed-night";
import type { BedReading } from "#core/weather/bed-offset";
import type { WeatherDay } from "#core/weather/daily";
import { chance } from "./random";

/** A max-min thermometer standing in a bed: what it shows in the morning, the interface a real one would have too. */
export type BedThermometer = { bedId: string; readOn(night: WeatherDay): BedReading };

/** How exactly a cheap thermometer is read, K. */
const READ_SD = 0.3;

/**
 * A simulated thermometer in a bed that is colder or warmer than its owner thinks by a hidden amount. It answers the
 * same for the same night, however often it is asked.
 * @param hiddenC what the said offset is wrong by, K on a still clear night
 */
export function simulatedThermometer(bed: Bed, hiddenC: number, seed: number): BedThermometer {
  return {
    bedId: bed.id,
    readOn(night) {
      const luck = chance(seed + hashOf(night.day));
      const shown = bedMinC(night, { ...bed, nightOffsetC: bed.nightOffsetC + hiddenC }) + READ_SD * luck.normal();
      return { id: `thermo-${bed.id}-${night.day}`, bedId: bed.id, day: night.day, minC: Math.round(shown * 2) / 2 };
    },
  };
}

const hashOf = (day: Day): number => [...day].reduce((h, c) => (h * 31 + c.charCodeAt(0)) % 1_000_003, 7);
