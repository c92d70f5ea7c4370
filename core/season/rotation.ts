import { type Day, daysBetween } from "../calendar/day";
import type { Planting } from "../garden/planting";
import { FOLLOW, LONGER } from "../handbook/bed-after";
import type { Crop } from "../handbook/crop";
import type { Handbook } from "../handbook/index";

export const ROTATION = ["good", "fine", "wary", "no"] as const;
export type Rotation = (typeof ROTATION)[number];

/** Why a crop should or should not follow: its family stood here so many years ago, or a rule of the handbook. */
export type RotationReason =
  | {
      what: "family";
      /** the crop of its family that stood here; null: it stood here itself */
      family: string | null;
      years: number;
      wantYears: number;
      /** a lasting disease that asks for longer, as the handbook says it */
      sick: string | null;
    }
  | { what: "follow"; words: string };

/** What stood in a bed and when: the last one first. */
export type BedPast = { planting: Planting; crop: Crop; from: Day; until: Day | null }[];

/** After every day: what still stands ended last. */
const STANDS = "9";
const DAYS_A_YEAR = 365.25;

/** A bed's plantings, what stood there last first. @param before only what was started before this day */
export function pastOf(bedId: string, plantings: readonly Planting[], book: Handbook, before: Day): BedPast {
  return plantings
    .filter((p) => p.bedId === bedId && p.startedOn < before)
    .flatMap((planting) => {
      const crop = book.find(planting.cropId);
      return crop ? [{ planting, crop, from: planting.startedOn, until: planting.endedOn }] : [];
    })
    .sort((a, b) => (b.until ?? STANDS).localeCompare(a.until ?? STANDS) || b.from.localeCompare(a.from));
}

/**
 * Whether a crop can follow in a bed on a day: years since its family stood there against the family's rotation, longer
 * where a lasting disease was noted, and what should or should not follow what (rules of the handbook with their
 * sources). What still stands there counts as having ended on that day.
 *
 * @param seen lasting diseases seen at plantings of the bed, by their ids
 */
export function rotationOf(
  crop: Crop,
  past: BedPast,
  on: Day,
  seen: readonly string[] = [],
): { verdict: Rotation; reasons: RotationReason[] } {
  const reasons: RotationReason[] = [];
  let verdict: Rotation = "fine";
  const worse = (to: Rotation) => {
    if (ROTATION.indexOf(to) > ROTATION.indexOf(verdict)) verdict = to;
  };
  const sick = LONGER.find((l) => l.family === crop.family && seen.includes(l.id));
  const wantYears = sick ? sick.years : crop.rotationYears;
  const same = past.find((p) => p.crop.family === crop.family && p.crop.rotationYears > 0);
  if (wantYears > 0 && same) {
    const until = same.until !== null && same.until < on ? same.until : on;
    // a season's rest counts as a year: what ended in autumn and begins in spring has stood away for none
    const years = Math.floor((daysBetween(until, on) + 60) / DAYS_A_YEAR);
    if (years < wantYears) {
      worse(years < Math.min(1, wantYears) || sick ? "no" : "wary");
      const family = same.crop.id === crop.id ? null : same.crop.name;
      reasons.push({ what: "family", family, years, wantYears, sick: sick?.words ?? null });
    }
  }
  const is = (list: readonly string[], c: Crop) => list.includes(c.id) || list.includes(c.family);
  for (const rule of FOLLOW) {
    if (!is(rule.next, crop)) continue;
    const within = past.find((p, i) => {
      const until = p.until !== null && p.until < on ? p.until : on;
      const near = rule.years > 1 ? daysBetween(until, on) < rule.years * DAYS_A_YEAR : i === 0;
      return near && is(rule.after, p.crop);
    });
    if (!within) continue;
    reasons.push({ what: "follow", words: rule.words });
    if (rule.verdict === "wary") worse("wary");
    else if (rule.verdict === "good" && verdict === "fine") verdict = "good";
  }
  return { verdict, reasons };
}
