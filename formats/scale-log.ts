import { localTimeSchema } from "#core/calendar/schemas";
import { readMass, type UnitSystem } from "#core/units/mass";

/** A weight that a scale has written down. */
export type ScaleEntry = { at: string; massG: number };

/** A line of a scale's own log: a moment, then a weight; grams where it names no unit. */
const LINE = /^"?(\d{4}-\d\d-\d\d)[T ](\d\d:\d\d)(?::\d\d)?(?:\.\d+)?"?\s*[,;\t]\s*"?([^,;\t"]+)"?/;

/**
 * The last weights of a scale's log, latest first. A scale writes while it is read: lines that are no weight (a heading,
 * the half of a line) are passed over.
 * @param most so many at most
 * @example readScaleLog("time,weight\n2026-10-06 15:20:07,1234\n", 5, "metric")[0].massG // 1234
 */
export function readScaleLog(text: string, most: number, units: UnitSystem): ScaleEntry[] {
  const entries: ScaleEntry[] = [];
  const lines = text.split(/\r?\n/);
  for (let i = lines.length - 1; i >= 0 && entries.length < most; i--) {
    const found = LINE.exec(lines[i]!);
    if (!found) continue;
    const at = `${found[1]}T${found[2]}`;
    const written = found[3]!.trim();
    const read = readMass(/^[\d.]+$/.test(written) ? `${written} g` : written, units);
    if (read.ok && read.massG > 0 && localTimeSchema.safeParse(at).success) entries.push({ at, massG: read.massG });
  }
  return entries;
}
