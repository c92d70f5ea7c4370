import type { Place } from "#core/household/place";
import { change, newId } from "#db/change";
import { sayError } from "#formats/located";
import { readReadingsCsv } from "#formats/readings-csv";
import { db, type GardenNow } from "../garden-now.server";
import type { Device, FileOutcome } from "./device";

/** Most faults of a file that are told. */
const MOST_TOLD = 12;

/** Takes readings of a place from a table, those that are not there yet. @returns how many, and the journal's id */
export function takeReadings(
  d: GardenNow,
  place: Place,
  text: string,
): { ok: true; count: number; journalId: string | null } | { ok: false; message: string } {
  const read = readReadingsCsv(text, place.id, newId);
  if (!read.ok)
    return { ok: false, message: `${read.errors.slice(0, MOST_TOLD).map(sayError).join("\n")}\nNothing was taken.` };
  const have = new Set(d.snapshot.placeReadings.filter((r) => r.placeId === place.id).map((r) => r.at));
  const fresh = read.value.filter((r) => !have.has(r.at));
  const journalId = change(db(), `${fresh.length} readings of ${place.name} taken in`, d.now, (c) => {
    for (const r of fresh) c.put("placeReadings", r);
  });
  return { ok: true, count: fresh.length, journalId };
}

const plain = (name: string): string => name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, "-");
/** The place that a file is called after: the longest name that fits. */
const placeOf = (file: string, d: GardenNow): Place | null =>
  [...d.snapshot.places]
    .sort((a, b) => b.name.length - a.name.length)
    .find((p) => plain(file).startsWith(`room-${plain(p.name)}`)) ?? null;

/** Thermometers in the places at home whose program writes a file for each. */
export const roomFile: Device = {
  id: "room-file",
  tells: "room",
  name: "Thermometers at home, by file",
  simulated: false,
  files: "room-NAME….csv, with the name of the place",
  example: () => "time,temp,humidity\n2026-10-06 08:00,9.4,83",
  owns: (file) => /^room-.*\.(csv|txt)$/i.test(file),
  async take(d, file, text): Promise<FileOutcome> {
    const place = placeOf(file, d);
    if (!place)
      return {
        ok: false,
        message: `there is no such place; there are ${d.snapshot.places.map((p) => p.name).join(", ") || "none yet"}`,
      };
    const came = takeReadings(d, place, text);
    return came.ok
      ? { ok: true, words: `${came.count} ${came.count === 1 ? "reading" : "readings"} of ${place.name}` }
      : came;
  },
};
