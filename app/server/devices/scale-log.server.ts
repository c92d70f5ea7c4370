import { readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import { readScaleLog, type ScaleEntry } from "#formats/scale-log";
import type { GardenNow } from "../garden-now.server";
import type { Device } from "./device";
import { inboxOf } from "./inbox-folder";

/** A kitchen scale whose program writes each weight it shows as a line. The file stays where it is and grows. */
export const scaleLog: Device = {
  id: "scale-log",
  tells: "scale",
  name: "Kitchen scale, by its log",
  simulated: false,
  files: "scale….csv",
  example: (units) => `time,weight\n2026-10-06 15:20:07,${units === "us" ? "2 lb 12 oz" : "1234 g"}`,
  owns: (file) => /^scale.*\.(csv|txt|log)$/i.test(file),
  take: null,
};

/** A log longer than this is read from its end alone, bytes. */
const MOST_BYTES = 64 * 1024;
const MOST_ENTRIES = 5;

/** The last weights that a real scale has shown, latest first; empty where none is there. */
export function lastWeights(d: GardenNow): ScaleEntry[] {
  const folder = inboxOf();
  const logs = (() => {
    try {
      return readdirSync(folder).filter((file) => "owns" in scaleLog && scaleLog.owns(file, d));
    } catch {
      return [];
    }
  })();
  return logs
    .flatMap((file) => {
      const path = join(folder, file);
      const text =
        statSync(path).size > MOST_BYTES
          ? readFileSync(path).subarray(-MOST_BYTES).toString()
          : readFileSync(path, "utf8");
      return readScaleLog(text, MOST_ENTRIES, d.snapshot.garden.units);
    })
    .sort((a, b) => (a.at < b.at ? 1 : -1))
    .slice(0, MOST_ENTRIES);
}
