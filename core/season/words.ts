import { sayDay } from "../calendar/day";
import { sayMass, type UnitSystem } from "../units/mass";
import { sayRain, saySpeed, sayTemp } from "../units/say";
import type { BedLossCause } from "./bed-loss";
import { BELIEVED, type Comparison } from "./compare";
import type { Measure, Split } from "./compare-ways";
import type { Finding, Lesson } from "./lessons";
import type { PlantingFigures } from "./planting-figures";
import { type Enough, SLACK } from "./plants-enough";
import type { Rotation, RotationReason } from "./rotation";
import type { Germination, SeedUnit } from "./seed-lots";
import type { OwnEvent, WeatherEvent } from "./timeline";

const days = (n: number): string => `${n} ${n === 1 ? "day" : "days"}`;

export const SPLIT_WORDS: Record<Split, string> = {
  kind: "kind",
  start: "how it was started",
  spacing: "crowded or wide",
  sun: "sun or shade",
  method: "how it was picked",
  place: "where it was kept",
};

export const MEASURE_WORDS: Record<Measure, string> = {
  "per-plant": "yield a plant",
  "per-metre": "yield a metre of row",
  "per-m2": "yield a square metre",
  piece: "weight of a piece",
  days: "days to the first pick",
  minutes: "minutes a kilo",
  "per-pick": "weight a pick",
  sound: "share that was sound",
  lost: "share lost in the store",
  "kept-days": "days until it was used up",
};

const SIDE_WORDS: Partial<Record<Split, Record<string, string>>> = {
  start: { sown: "sown in place", transplanted: "set out as a plant", planted: "planted" },
};
/** One side of a comparison: "set out as a plant"; kinds, tools and places go by their names. */
export const saySide = (split: Split, group: string): string => SIDE_WORDS[split]?.[group] ?? group;

/** "once in 20" of 0.05; "in most cases" beyond a half. */
function sayOdds(p: number): string {
  if (p > 0.5) return "in most cases";
  if (p < 0.001) return "less than once in 1000";
  return `once in ${Math.round(1 / p)}`;
}

/** How far a difference between two sides can be believed. */
export function sayComparison(c: Comparison): string {
  if (c.verdict === "nothing") return "One side has no figures yet.";
  if (c.p === null || c.least === null)
    return `${c.both > 0 ? "Only one on a side grew beside the other" : "Only one on a side"}: an observation, not yet a comparison.`;
  const mixed = c.both === 0 ? " They never stood in one bed in one year, so sun and weather may be the reason." : "";
  if (c.least >= BELIEVED)
    return `Too few to tell: even the clearest difference of so few would come by chance ${sayOdds(c.least)}.${mixed}`;
  const odds = sayOdds(c.p);
  const believed =
    c.verdict === "likely"
      ? `Hardly chance: dealing the figures out at random brings as much only ${odds}.`
      : c.verdict === "perhaps"
        ? `Perhaps: chance alone brings as much ${odds}. Another year would tell.`
        : `It may well be nothing: chance alone brings as much ${odds}.`;
  return `${believed}${mixed}`;
}

/** What to do otherwise, by what took it (common practice). */
const BED_ADVICE: Partial<Record<BedLossCause, string>> = {
  "too late": "Go more often while it bears, or ask somebody to.",
  frost: "Bring it in before the first clear, still night.",
  storm: "Stake it, or pick before the gale.",
  animals: "Net or fence it before it is ripe.",
  disease: "Space it wider, and move it on to another bed.",
};

/** What figures teach, and what to do next time. @param name the planting's or the crop's */
export function sayFinding(f: Finding, name: string, units: UnitSystem): { words: string; next: string } {
  switch (f.what) {
    case "late":
      return {
        words: `${name} was first picked ${f.days} days past its range.`,
        next: "Begin to look earlier, or start it earlier.",
      };
    case "early":
      return {
        words: `${name} was ready ${f.days} days before its range.`,
        next: "Look a fortnight before the packet says.",
      };
    case "gap":
      return {
        words: `${name} was once left for ${f.longest} days; as a rule it was picked every ${f.median}.`,
        next: "Have somebody pick it when you are away.",
      };
    case "lost":
      return {
        words: `Of ${sayMass(f.massG, units)} of ${name} ${sayMass(f.lostG, units)} were lost after picking.`,
        next: "Pick less at once, or find it a better place.",
      };
    case "bed-lost":
      return {
        words: `About ${sayMass(f.lostG, units)} of ${name} were lost in the bed, most of it to ${f.cause === "too late" ? "coming too late" : f.cause}.`,
        next: BED_ADVICE[f.cause] ?? "Look for it earlier next time.",
      };
    case "guessed":
      return {
        words: `Most of ${name} was guessed, not weighed.`,
        next: "Weigh one basket in three; the rest can be reckoned from it.",
      };
    case "glut":
      return {
        words: `${name}: ${sayMass(f.tooMuchG, units)} more than the house uses, in ${f.weeks} ${f.weeks === 1 ? "week" : "weeks"}.`,
        next: f.enough ? `Fewer plants: ${sayEnough(f.enough)}.` : "Fewer plants at once, or a second sowing later.",
      };
  }
}

/** When a lesson comes up again. */
export const sayRemind = (lesson: Pick<Lesson, "remindOn">): string =>
  lesson.remindOn === null
    ? "stands in the list"
    : `comes up again from ${sayDay(lesson.remindOn)} ${lesson.remindOn.slice(0, 4)}, each year`;

/** How many plants are enough: "one, not 3". */
export function sayEnough({ had, enough, plenty }: Pick<Enough, "had" | "enough" | "plenty">): string {
  const n = (k: number) => (k === 1 ? "one" : String(k));
  if (enough === 0) return "nobody eats it";
  if (had === 0) return `${n(enough)} ${enough === 1 ? "plant is" : "plants are"} enough`;
  if (had > plenty * SLACK) return `${n(plenty)}, not ${n(had)}`;
  return had * SLACK < enough ? `${n(enough)} rather than ${n(had)}` : `${n(had)} was about right`;
}

export const ROTATION_WORDS: Record<Rotation, string> = {
  good: "a good follower",
  fine: "nothing against it",
  wary: "better elsewhere",
  no: "not here",
};

/** Why a crop should or should not follow in a bed. */
export function sayRotation(reason: RotationReason): string {
  if (reason.what === "follow") return reason.words;
  const { years, wantYears, sick } = reason;
  const ago = years < 1 ? "stood here last season" : `stood here ${years} ${years === 1 ? "year" : "years"} ago`;
  const which = reason.family === null ? "it" : `${reason.family.toLowerCase()}, its own family,`;
  return `${which} ${ago}; ${sick ? `${sick}, so ` : ""}wait ${wantYears} years`;
}

export const SEED_UNIT_WORDS: Record<SeedUnit, string> = { seeds: "seeds", g: "grams", sets: "sets, cloves or tubers" };

/** What is known of how a seed lot comes up. */
export const sayGermination = ({ tested, sprouted, pastYears }: Germination): string =>
  tested > 0
    ? `${sprouted} of ${tested} sprouted`
    : pastYears > 0
      ? `${pastYears} ${pastYears === 1 ? "year" : "years"} past its usual life: test it`
      : "not tested: the usual for its age";

/** "about half of it": how much of a bed is free; empty for all of it. @param share 0 to 1 */
export function sayShare(share: number): string {
  if (share >= 0.999) return "";
  const words: [number, string][] = [
    [0.29, "about a quarter of it"],
    [0.41, "about a third of it"],
    [0.58, "about half of it"],
    [0.7, "about two thirds of it"],
    [1, "most of it"],
  ];
  return words.find(([most]) => share <= most)![1];
}

/** How the first pick lies to the packet's range. */
export function sayOffRange(f: Pick<PlantingFigures, "daysToFirst" | "range" | "offRange">): string {
  if (f.daysToFirst === null) return "not picked yet";
  if (f.range === null || f.offRange === null) return `first picked on day ${f.daysToFirst}`;
  const said = `first picked on day ${f.daysToFirst}; the range is ${f.range[0]} to ${f.range[1]}`;
  if (f.offRange === 0) return `${said}: within it`;
  return `${said}: ${days(Math.abs(f.offRange))} ${f.offRange < 0 ? "before it" : "past it"}`;
}

/** Weather that bore on a planting: "−2 °C in the bed at night: cold enough to lose it, and so for 3 days". */
export function sayWeatherEvent(e: WeatherEvent, units: UnitSystem): string {
  const said = ((): string => {
    switch (e.what) {
      case "killed":
      case "chilled": {
        const night = `${sayTemp(e.value, units)} in the bed at night${e.covered ? ", covered" : ""}`;
        return `${night}: ${e.what === "killed" ? "cold enough to lose it" : "it was chilled"}`;
      }
      case "hot":
        return `${sayTemp(e.value, units)} in the bed: hotter than it likes`;
      case "gusts":
        return `gusts of ${saySpeed(e.value, units)}`;
      case "rain":
        return `${sayRain(e.value, units)} of rain`;
    }
  })();
  return e.days === 1 ? said : `${said}, and so for ${e.days} days`;
}

const STARTED = { sown: "Sown", transplanted: "Set out", planted: "Planted" } as const;
/** Start and end of a planting. */
export const sayOwnEvent = (e: Extract<OwnEvent, { kind: "start" | "end" }>): string =>
  e.kind === "start" ? STARTED[e.how] : "Cleared";
