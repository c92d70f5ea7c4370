import { writeWeatherCsv } from "#formats/weather-csv";
import { desk } from "../server/desk.server";

/** The station's record as CSV that can be brought in again. */
export function loader() {
  return new Response(writeWeatherCsv(desk().snapshot.weather), {
    headers: {
      "Content-Type": "text/csv; charset=utf-8",
      "Content-Disposition": 'attachment; filename="weather.csv"',
    },
  });
}
