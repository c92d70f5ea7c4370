import { sunTimes } from "#core/calendar/sun";
import { hoursOf } from "#core/weather/day-hours";
import { dryFrom } from "#core/weather/foliage";
import { soilState } from "#core/weather/soil";
import type { GardenNow } from "../server/garden-now.server";
import { remembered } from "../server/remember.server";

/** Days of the record that the soil's water is reckoned from. */
const SOIL_DAYS = 21;

/** What stands against working among leaves or in the soil today, in words; empty: nothing. */
export const gatesOf = (d: GardenNow) =>
  remembered(d, `gates ${d.now.slice(0, 13)}`, () => {
    const { latitudeDeg, longitudeDeg, timeZone } = d.snapshot.garden;
    const sun = sunTimes(d.today, latitudeDeg, longitudeDeg, timeZone) ?? { sunriseHour: 6, sunsetHour: 18 };
    const weather = d.outlook.days.map((x) => x.weather);
    const { wet } = hoursOf(weather, 0, sun);
    const hour = Number(d.now.slice(11, 13));
    const dry = dryFrom(wet, Math.max(sun.sunriseHour, hour), sun.sunsetHour);
    const soil = soilState(d.snapshot.weather.filter((w) => w.day < d.today).slice(-SOIL_DAYS)).state;
    return {
      leaves: !wet[hour]
        ? ""
        : dry === null
          ? "leaves stay wet today: another day"
          : `not on wet leaves: from about ${String(dry).padStart(2, "0")}:00`,
      workable: soil === "sodden" ? "the soil is too wet to work" : soil === "frozen" ? "the soil is frozen" : "",
      moist: soil === "baked" || soil === "dry" ? "water the evening before: the soil is dry" : "",
    };
  });
