import type { Day } from "../calendar/day";
import { keptWith } from "../kept-with";
import type { WeatherDay } from "./daily";

/** A site's record of daily weather; it may hold decades and is never changed in place. */
export type StationRecord = readonly WeatherDay[];

/** What a record says: a pick logged does not make anybody count thirty years of frosts again. */
export const ofRecord = keptWith<StationRecord>();

/** The days of a record before a day, by day. */
export const recordBefore = (record: StationRecord, today: Day): ReadonlyMap<Day, WeatherDay> =>
  ofRecord(record, `before ${today}`, () => new Map(record.filter((w) => w.day < today).map((w) => [w.day, w])));
