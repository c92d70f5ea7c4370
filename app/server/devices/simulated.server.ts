import { sayNear } from "#core/calendar/day";
import type { Place } from "#core/household/place";
import { airOf, type PlaceReading } from "#core/keeping/place-air";
import { sayMass } from "#core/units/mass";
import { sayTemp } from "#core/units/say";
import { demoDesk } from "#standins/demo-garden";
import { simulatedScale } from "#standins/kitchen-scale";
import { roomThermometer } from "#standins/room-thermometer";
import type { GardenNow } from "../garden-now.server";
import type { Device } from "./device";

/** What a simulated sensor in a place shows now. */
export function simulatedReading(d: GardenNow, place: Place): PlaceReading {
  const air = airOf(place, [])(d.today);
  return roomThermometer(place.id, { meanC: air.tempC, swingC: 1, humidityPct: air.humidityPct ?? 60 }, 5).readAt(
    d.now,
  );
}
/** What a simulated forecast office issues today. */
export const simulatedForecast = (d: GardenNow) => demoDesk().forecast(d.today, 14);

/** The scale is asked when it has come to rest. */
const AT_REST_MS = 5000;
const LAID_ON_G = 437;

/** Simulated devices: to try out what a real one would do. */
export const SIMULATED: readonly Device[] = [
  {
    id: "simulated-scale",
    tells: "scale",
    name: "Kitchen scale",
    simulated: true,
    shows(d) {
      const scale = simulatedScale(11);
      scale.load(LAID_ON_G, 0);
      return `a handful weighs ${sayMass(scale.read(AT_REST_MS).shownG, d.snapshot.garden.units)}`;
    },
  },
  {
    id: "simulated-room",
    tells: "room",
    name: "Thermometer in a place",
    simulated: true,
    shows(d) {
      const place = d.snapshot.places[0];
      if (!place) return "there is no place at home yet";
      const { tempC, humidityPct } = simulatedReading(d, place);
      return `${place.name}: ${sayTemp(tempC, d.snapshot.garden.units, 1)}, ${humidityPct} % humidity`;
    },
  },
  {
    id: "simulated-office",
    tells: "forecast",
    name: "Forecast office",
    simulated: true,
    shows(d) {
      const day = simulatedForecast(d).days[1];
      const { units } = d.snapshot.garden;
      return day
        ? `${sayNear(day.day, d.today)} ${sayTemp(day.tempMinC, units)} to ${sayTemp(day.tempMaxC, units)}`
        : "nothing";
    },
  },
];
