import type { Day } from "../calendar/day";
import type { WeatherDay } from "./daily";

/** A site's record of daily weather; it may hold decades and is never changed in place. */
export type StationRecord = readonly WeatherDay[];

const known = new WeakMap<StationRecord, Map<string, unknown>>();

/**
 * What a record says, worked out once for as long as it stays the same object: a pick logged does not make anybody
 * count thirty years of frosts again.
 * @param question what is asked, with all that the answer hangs on besides the record
 */
export function ofRecord<T>(record: StationRecord, question: string, find: () => T): T {
  const of = known.get(record) ?? new Map<string, unknown>();
  known.set(record, of);
  if (of.has(question)) return of.get(question) as T;
  const answer = find();
  of.set(question, answer);
  return answer;
}

/** The days of a record before a day, by day. */
export const recordBefore = (record: StationRecord, today: Day): ReadonlyMap<Day, WeatherDay> =>
  ofRecord(record, `before ${today}`, () => new Map(record.filter((w) => w.day < today).map((w) => [w.day, w])));
