import { writeWeatherCsv } from "#formats/weather-csv";
import { gardenNow } from "../server/garden-now.server";

/** The station's record as CSV that can be brought in again. */
export function loader() {
  return new Response(writeWeatherCsv(gardenNow().snapshot.weather), {
    headers: {
      "Content-Type": "text/csv; charset=utf-8",
      "Content-Disposition": 'attachment; filename="weather.csv"',
    },
  });
}
