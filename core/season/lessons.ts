import { z } from "zod";
import { addDays, type Day, daysBetween } from "../calendar/day";
import { daySchema, localTimeSchema } from "../calendar/schemas";
import type { Planting } from "../garden/planting";
import type { Crop } from "../handbook/crop";
import { type BedLoss, type BedLossCause, bedLossesBy } from "./bed-loss";
import type { PlantingFigures } from "./planting-figures";
import type { Enough } from "./plants-enough";
import type { CropWeeks } from "./weeks";

/** Something learned, and when it is to come up again. A draft thrown away is kept as such, so that it stays away. */
export const lessonSchema = z.object({
  id: z.string().min(1).max(80),
  at: localTimeSchema,
  words: z.string().trim().min(1, "say what was learned").max(500),
  /** what to do otherwise next time */
  next: z.string().trim().max(500),
  cropId: z.string().max(60).nullable(),
  plantingId: z.string().max(40).nullable(),
  bedId: z.string().max(40).nullable(),
  /** the day of the year from which it is to come up again, in every later year; null: it only stands in the list */
  remindOn: daySchema.nullable(),
  state: z.enum(["kept", "thrown"]),
});
export type Lesson = z.infer<typeof lessonSchema>;

/** A lesson comes up for so long from its day on. */
const STANDS_DAYS = 21;

/** Whether a lesson is to come up today: from its day of the year on, for three weeks, never in the season it was learned in. */
export function isDue(lesson: Lesson, today: Day): boolean {
  if (lesson.state !== "kept" || lesson.remindOn === null || today < lesson.remindOn) return false;
  // the day of this year, or of the year before when its weeks run over New Year; 29 February counts as 28
  const md = lesson.remindOn.slice(5) === "02-29" ? "02-28" : lesson.remindOn.slice(5);
  return [0, 1].some((back) => {
    const day = `${Number(today.slice(0, 4)) - back}-${md}`;
    const since = daysBetween(day, today);
    return day >= lesson.remindOn! && since >= 0 && since < STANDS_DAYS;
  });
}

/** When a lesson of a crop is best told again: at its start next year, or a week before it was first picked this year. */
export function remindDays(crop: Crop, planting: Planting | null, first: Day | null, today: Day) {
  const nextYear = Number(today.slice(0, 4)) + 1;
  const start = planting ? planting.startedOn.slice(5) : crop.usualStart;
  const safe = (md: string) => (md === "02-29" ? "02-28" : md);
  return {
    start: addDays(`${nextYear}-${safe(start)}`, -7),
    pick: first ? addDays(`${nextYear}-${safe(first.slice(5))}`, -7) : null,
  };
}

/** What figures teach. Its words, and what to do next time, stand in `words.ts`. */
export type Finding =
  | { what: "late" | "early"; days: number }
  | { what: "gap"; longest: number; median: number }
  | { what: "lost"; massG: number; lostG: number }
  | { what: "bed-lost"; lostG: number; cause: BedLossCause }
  | { what: "guessed" }
  | { what: "glut"; tooMuchG: number; weeks: number; enough: Enough | null };

/** A lesson proposed by the figures; its id says what it is about, so that it is proposed once. */
export type Draft = Pick<Lesson, "id" | "cropId" | "plantingId" | "bedId"> & {
  about: "start" | "pick";
  finding: Finding;
};

/** Late by so many days past the range, or a gap of so many times the usual, is worth a lesson (own choice). */
const LATE_DAYS = 10;
const GAP_TIMES = 2.5;
const LOST_SHARE = 0.15;
const LEAST_G = 300;

/**
 * What the figures of a planting that is over, or has been picked, propose to learn: first picked long past or before
 * its range, left too long between picks, a good part lost in the store, mostly guessed.
 * @param lostG of its lots lost, g
 * @param bedLosses what was lost of it before it was picked
 */
export function draftsOf(
  planting: Planting,
  crop: Crop,
  figures: PlantingFigures,
  lostG: number,
  bedLosses: readonly BedLoss[] = [],
): Draft[] {
  const { offRange, interval, totals } = figures;
  const massG = totals.weighedG + totals.estimatedG;
  const drafts: Draft[] = [];
  const add = (about: Draft["about"], finding: Finding) =>
    drafts.push({
      id: `${finding.what} ${planting.id}`,
      about,
      finding,
      cropId: crop.id,
      plantingId: planting.id,
      bedId: planting.bedId,
    });
  if (offRange !== null && offRange >= LATE_DAYS) add("start", { what: "late", days: offRange });
  if (offRange !== null && offRange <= -LATE_DAYS) add("pick", { what: "early", days: -offRange });
  const usual = crop.interval.warmDays;
  if (
    interval &&
    interval.gaps >= 3 &&
    interval.longest >= Math.max(5, GAP_TIMES * usual) &&
    interval.longest > 1.8 * interval.median
  )
    add("pick", { what: "gap", longest: interval.longest, median: interval.median });
  if (massG >= LEAST_G && lostG / massG >= LOST_SHARE) add("pick", { what: "lost", massG, lostG });
  const inBed = bedLossesBy(bedLosses);
  const bedG = inBed.reduce((s, [, g]) => s + g, 0);
  if (bedG >= LEAST_G && bedG / (massG + bedG) >= LOST_SHARE)
    add("pick", { what: "bed-lost", lostG: bedG, cause: inBed[0]![0] });
  if (massG >= LEAST_G && totals.estimatedG > totals.weighedG) add("pick", { what: "guessed" });
  return drafts;
}

/**
 * What the weeks of a crop propose to learn: far more than the house could use, and how many plants would do.
 * @param enough plants that would do, where there were too many; null: nobody can tell
 * @returns null where there was no such glut
 */
export function glutDraft(
  crop: Crop,
  year: string,
  totalG: number,
  weeks: Pick<CropWeeks, "gluts" | "tooMuchG">,
  enough: Enough | null,
): Draft | null {
  const n = weeks.gluts.reduce((s, g) => s + g.weeks, 0);
  if (weeks.tooMuchG < LEAST_G || weeks.tooMuchG < LOST_SHARE * totalG || n === 0) return null;
  return {
    id: `glut ${crop.id} ${year}`,
    about: "start",
    finding: { what: "glut", tooMuchG: weeks.tooMuchG, weeks: n, enough },
    cropId: crop.id,
    plantingId: null,
    bedId: null,
  };
}
