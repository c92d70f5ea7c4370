import type { Device } from "./device";
import { roomFile } from "./room-files.server";
import { scaleLog } from "./scale-log.server";
import { SIMULATED } from "./simulated.server";
import { forecastFile, stationFile } from "./weather-files.server";

/** Every device the garden knows. A new one is a file in this folder and a name in this list. */
export const DEVICES: readonly Device[] = [stationFile, forecastFile, roomFile, scaleLog, ...SIMULATED];
