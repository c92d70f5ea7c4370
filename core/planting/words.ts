import { type Day, sayDay, sayNear } from "../calendar/day";
import type { Crop, School } from "../handbook/crop";
import type { UnitSystem } from "../units/mass";
import { sayReading } from "./cue-kinds";
import type { Evidence, Judgement } from "./judge";
import { sayMarked } from "./marked";
import type { Meaning } from "./verdict";

/** What a reading means by itself, said of the crop: never how far it moved the reckoning. */
const MEANS: Record<Meaning, string> = {
  short: "well short of it",
  nearly: "nearly there",
  right: "right for this way of picking",
  past: "past its best",
};

/** One reason: "neck: squashy, folds flat (today): right for this way of picking". */
export const sayEvidence = (e: Evidence, today: Day, system: UnitSystem): string =>
  `${sayReading(e.cue, e.value, system)} (${sayNear(e.day, today)})${e.discounted ? ` counts for little: ${e.discounted}` : `: ${MEANS[e.means]}`}`;

/**
 * The reasons behind a judgement in plain words, weightiest first: an override, then readings, then the clock.
 * @returns at most `most` sentences, no full stops
 */
export function sayReasons(
  j: Judgement,
  crop: Crop,
  school: School,
  today: Day,
  system: UnitSystem,
  most = 4,
): string[] {
  const reasons: string[] = [];
  if (j.held) reasons.push(j.held);
  if (j.override) reasons.push(`${j.override.cue.label} seen: ${j.override.advice}`);
  if (j.call && !j.override) reasons.push(j.call.words.replace(/\.$/, ""));
  if (j.dateDue) reasons.push(`its date has come, and “${school.name}” goes by the date`);
  if (j.marked.length > 0) reasons.push(`marked one by one: ${sayMarked(j.marked)}`);
  if (j.conflict) reasons.push("today’s readings disagree, so the doubt is kept wide: look at another plant");
  reasons.push(...j.evidence.slice(0, most - 1 - reasons.length).map((e) => sayEvidence(e, today, system)));
  reasons.push(sayClock(j, crop, school));
  return reasons.slice(0, most);
}

/** Days and warmth so far beside what is expected. */
export function sayClock(j: Judgement, crop: Crop, school: School): string {
  if (j.regime !== "first")
    return `picked before; ${crop.name.toLowerCase()} is picked every ${crop.interval.warmDays} days when warm, ${crop.interval.coolDays} when cool`;
  const share = Math.round((j.warmthSoFarDd / j.clock.targetDd) * 100);
  const warmth = share >= 100 ? "all" : `${share} % of`;
  const source = j.clock.range.from === "packet" ? "the packet says" : "the handbook says";
  return `day ${j.daysSinceStart}; ${source} ${j.clock.range.minDays}–${j.clock.range.maxDays}; ${warmth} the warmth to “${school.name}” has come`;
}

/** "look again on Thu 22 Oct" */
export const sayLookAgain = (j: Judgement): string => `look again on ${sayDay(j.lookAgain)}`;
