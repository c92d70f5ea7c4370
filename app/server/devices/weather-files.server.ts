import type { GardenNow } from "../garden-now.server";
import { importWeather } from "../weather-import.server";
import type { Device, FileOutcome } from "./device";

/** Brings a weather file in as the weather page does; columns that it cannot tell are for the page to set. */
async function taken(d: GardenNow, what: "record" | "forecast", text: string): Promise<FileOutcome> {
  const came = await importWeather(d, { what }, text);
  switch (came.kind) {
    case "done":
      return {
        ok: true,
        words: came.journalId === null ? "nothing new in it" : ["taken in", ...came.notes].join("; "),
      };
    case "refused":
      return { ok: false, message: came.faults.errors.file ?? "it could not be read" };
    case "preview":
      return {
        ok: false,
        message: "its columns are not known: bring it in on the weather page, where they can be set",
      };
  }
}

/** A weather station whose program writes its record as a file. */
export const stationFile: Device = {
  id: "station-file",
  tells: "record",
  name: "Weather station, by file",
  simulated: false,
  files: "record….csv",
  example: () => "date,tmin,tmax,rain,gust\n2026-10-05,4.2,13.8,0.4,7.1",
  owns: (file) => /^record.*\.(csv|txt)$/i.test(file),
  take: (d, _, text) => taken(d, "record", text),
};

/** A forecast that some program fetches and lays down; the application itself asks nobody. */
export const forecastFile: Device = {
  id: "forecast-file",
  tells: "forecast",
  name: "Forecast, by file",
  simulated: false,
  files: "forecast….csv or .json",
  example: () => "date,tmin,tmax,rain,gust\n2026-10-07,-1.0,9.5,0,4.0",
  owns: (file) => /^forecast.*\.(csv|json|txt)$/i.test(file),
  take: (d, _, text) => taken(d, "forecast", text),
};
