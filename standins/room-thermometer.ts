import type { PlaceReading } from "#core/keeping/place-air";
import { chance } from "./random";

/** A thermometer with a humidity sensor in a place at home: what it shows at a moment, as a real one would send it. */
export type RoomThermometer = { placeId: string; readAt(at: string): PlaceReading };

/** How exactly such a sensor reads: kelvin, and points of humidity. */
const TEMP_SD = 0.3;
const HUMIDITY_SD = 2;

/**
 * A simulated sensor in a room whose warmth swings over the day, warmest at three in the afternoon. It answers the same
 * for the same moment, however often it is asked.
 */
export function roomThermometer(
  placeId: string,
  room: { meanC: number; swingC: number; humidityPct: number },
  seed: number,
): RoomThermometer {
  return {
    placeId,
    readAt(at) {
      const luck = chance(seed + [...at].reduce((h, c) => (h * 31 + c.charCodeAt(0)) % 1_000_003, 7));
      const hour = Number(at.slice(11, 13)) + Number(at.slice(14, 16)) / 60;
      const tempC = room.meanC + room.swingC * Math.cos((2 * Math.PI * (hour - 15)) / 24) + TEMP_SD * luck.normal();
      const humidityPct = Math.min(100, Math.max(0, room.humidityPct + HUMIDITY_SD * luck.normal()));
      return {
        id: `room-${placeId}-${at.replace(/\D/g, "")}`,
        placeId,
        at,
        tempC: Math.round(tempC * 10) / 10,
        humidityPct: Math.round(humidityPct),
      };
    },
  };
}
