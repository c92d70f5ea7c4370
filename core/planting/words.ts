import { type Day, sayDay, sayMonthDay, sayNear } from "../calendar/day";
import { sayWait } from "../garden/words";
import type { Crop, Cue, School } from "../handbook/crop";
import { sayMass, type UnitSystem } from "../units/mass";
import { proseIn } from "../units/prose";
import { sayLength, sayTemp } from "../units/say";
import type { Call } from "./call";
import type { ReadingValue } from "./check";
import type { CropHazard } from "./crop-hazards";
import { answersIn } from "./cue-kinds/choice";
import type { GrowthAhead } from "./growth-ahead";
import type { Held } from "./held";
import type { Evidence, Judgement } from "./judge";
import type { Mark, Marked } from "./marked";
import type { Need } from "./needs";
import type { Meaning, Verdict } from "./verdict";

export const VERDICT_WORDS: Record<Verdict, string> = {
  "not-yet": "Not yet",
  nearly: "Nearly",
  "test-one": "Test one",
  "pick-some": "Pick some",
  "pick-all": "Pick all",
  "past-prime": "Past its prime",
  "leave-for-seed": "Leave for seed",
};

export const MARK_WORDS: Record<Mark, string> = { nearly: "nearly", ready: "ready", past: "too old" };

/** What a reading means by itself, said of the crop: never how far it moved the reckoning. */
const MEANS: Record<Meaning, string> = {
  short: "well short of it",
  nearly: "nearly there",
  right: "right for this way of picking",
  past: "past its best",
};

/** A reading in words: "tops fallen 60 %". */
export function sayReading(cue: Cue, value: ReadingValue, system: UnitSystem): string {
  switch (cue.kind) {
    case "measure":
      return `${cue.label} ${sayLength(Number(value), system)}`;
    case "weight":
      return `${cue.label} ${sayMass(Number(value), system)}`;
    case "percent":
      return `${cue.label} ${Math.round(Number(value))} %`;
    case "count":
      return `${value} ${cue.label}`;
    case "since":
      return `${value} ${Number(value) === 1 ? cue.label.replace(/^days/, "day") : cue.label}`;
    case "event":
      return value ? cue.label : `no ${cue.label}`;
    case "choice": {
      const told = answersIn(value).map((id) => cue.options.find((o) => o.id === id)?.label ?? id);
      return `${cue.label}: ${told.length === 2 ? `some ${told[0]}, some ${told[1]}` : told[0]}`;
    }
  }
}

/** One reason: "neck: squashy, folds flat (today): right for this way of picking". */
export const sayEvidence = (e: Evidence, today: Day, system: UnitSystem): string =>
  `${sayReading(e.cue, e.value, system)} (${sayNear(e.day, today)})${e.discounted ? ` counts for little: ${e.discounted}` : `: ${MEANS[e.means]}`}`;

/** The marked ones in words: "ready: 2, 5; nearly: 7"; empty when none is. */
export const sayMarked = (marked: readonly Marked[]): string =>
  (["past", "ready", "nearly"] as const)
    .flatMap((mark) => {
      const which = marked.filter((m) => m.mark === mark).map((m) => m.n);
      return which.length > 0 ? [`${MARK_WORDS[mark]}: ${which.sort((a, b) => a - b).join(", ")}`] : [];
    })
    .join("; ");

/** Why nothing may be taken from a planting: "you said not before Thu 22 Oct". */
export function sayHeld(held: Held): string {
  switch (held.why) {
    case "resting":
      return "its season is over: it gathers strength for next year";
    case "for-seed":
      return "it is kept for seed";
    case "ended":
      return "its season was ended with the last pick";
    case "not-begun":
      return `by your own dates it is picked from ${sayMonthDay(held.day)}`;
    case "over":
      return `by your own dates its season ended on ${sayMonthDay(held.day)}`;
    case "too-young":
      return `too young: it is spared until ${held.untilYear}, for its later years’ sake`;
    case "season-over":
      return `its season is over: ${held.lastWhy}`;
    case "treated":
      return sayWait(held.treatment);
    case "not-before":
      return `you said not before ${sayDay(held.day)}`;
  }
}

/** What presses on a planting from outside, and what is to be done: "The bed is wanted on Friday: clear it." */
function sayNeed({ kind, on, trip }: Need, today: Day): string {
  const when = on ? sayNear(on, today) : "";
  switch (kind) {
    case "before-frost":
      return `Frost that it cannot bear is likely in the night to ${when}: take all that is of any use, unripe too.`;
    case "before-heat":
      return `Heat that spoils it is likely ${when}: take what is near ready; it will not grow on in it.`;
    case "before-rain":
      return `Rain that splits it is likely ${when}: take what is ready before it comes.`;
    case "before-gale":
      return `A gale that brings it down is likely ${when}: take what is ready before it comes.`;
    case "before-absence":
      return `${trip ? `You are away until ${when}` : `Nobody can come before ${when}`}: take what is nearly ready too.`;
    case "bed-wanted":
      return `The bed is wanted ${when}: clear it.`;
    case "stands-still":
      return "It is too cold and dark for it to grow on: what is there is as good as it gets.";
  }
}

/** What is special about a verdict and what to do about it, in one sentence or two. */
export function sayCall(call: Call, today: Day): string {
  if (call.need) return sayNeed(call.need, today);
  switch (call.id) {
    case "leave-for-seed":
      return "Kept for seed: pick nothing from it, look when it rattles dry.";
    case "bolting":
      return "It is bolting: take it now while it is good, or leave some for seed.";
    case "diseased":
      return "Diseased: lift or pick early, small or not, and keep it apart.";
    case "take-bitten":
      return "Animals have found it: take what is ready today.";
    case "strip-over-age":
      return "Take the over-age ones too, even for compost: left on, they slow the plant.";
    case "thin-biggest":
      return "Take the biggest; the others fill the room they leave.";
    default:
      return "";
  }
}

/** What a hazard does to a crop, by the handbook's own note where it has one. */
export function sayCropHazard(h: CropHazard, { weather }: Pick<Crop, "weather">, units: UnitSystem): string {
  switch (h.kind) {
    case "frost":
      return proseIn(weather.killNote, units);
    case "chill":
      return `nights well below ${sayTemp(weather.chillC ?? 0, units)} chill it: pits, poor keeping`;
    case "heat":
      return weather.heatNote
        ? proseIn(weather.heatNote, units)
        : `over ${sayTemp(weather.heatC ?? 0, units)} it suffers`;
    case "split":
      return `rain after ${h.dryDays} dry days splits it within two days`;
    case "lodge":
      return "a gale brings down or bruises part of it";
    case "mould":
      return "ripe fruit moulds within two days of rain";
    case "theft":
      return "ripe: birds and animals find it";
    case "cold-soil":
      return `soil near ${sayTemp(weather.chillC ?? 0, units)} harms the roots`;
  }
}

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
  if (j.held) reasons.push(sayHeld(j.held));
  if (j.override) reasons.push(`${j.override.cue.label} seen: ${j.override.advice}`);
  if (j.call && !j.override) reasons.push(sayCall(j.call, today).replace(/\.$/, ""));
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

/** "fruit length: at this pace 18 cm on Thursday (16 cm to 20 cm)" */
export const sayGrowth = ({ cue, day, size, low, high }: GrowthAhead, today: Day, system: UnitSystem): string =>
  `${cue.label}: at this pace ${sayLength(size, system)} ${sayNear(day, today)} (${sayLength(low, system)} to ${sayLength(high, system)})`;

/** "29 June to 9 July", with the year where it is another one. */
export function sayWindow({ from, to }: { from: Day; to: Day }, today: Day): string {
  const year = (day: Day) => (day.slice(0, 4) === today.slice(0, 4) ? "" : ` ${day.slice(0, 4)}`);
  const sameYear = from.slice(0, 4) === to.slice(0, 4);
  return `${sayMonthDay(from)}${sameYear ? "" : year(from)} to ${sayMonthDay(to)}${year(to)}`;
}

/** "look again on Thu 22 Oct" */
export const sayLookAgain = (j: Judgement): string => `look again on ${sayDay(j.lookAgain)}`;
