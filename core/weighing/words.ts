import { type Day, sayDay } from "../calendar/day";
import { sayMass, type UnitSystem } from "../units/mass";
import type { AccidentId } from "./lots";
import type { Doubt, Net } from "./net";
import type { AGAINS, CONDITIONS, EXTENTS, Grade, PARTS, PickRecord, PURPOSES, Way } from "./pick";
import { type Group, type GroupBy, groupPicks, type LoggedPick } from "./pick-log";

export const EXTENT_WORDS: Record<(typeof EXTENTS)[number], string> = {
  some: "some of it",
  "all-ready": "all that was ready",
  final: "all, crop finished",
};

export const GRADE_WORDS: Record<Grade, string> = {
  sound: "sound",
  "eat-first": "eat first",
  bolted: "bolted",
  small: "small or immature",
  damaged: "damaged or cut",
  "pest-eaten": "eaten by pests",
  "green-to-ripen": "green, to ripen",
  "blush-to-ripen": "first colour, to ripen",
  "half-to-ripen": "half coloured, to ripen",
  "nearly-ripe": "nearly ripe, to finish indoors",
  seed: "for seed",
  animals: "for animals",
  compost: "compost",
};

export const WAY_WORDS: Record<Way, string> = {
  "": "not said",
  kitchen: "to the kitchen",
  snacked: "eaten in the garden",
  store: "to keep",
  preserve: "to preserve",
  give: "given away",
  seed: "set aside for seed",
  animals: "to the animals",
  compost: "to the compost",
};

export const PART_WORDS: Record<(typeof PARTS)[number], string> = {
  crop: "the crop itself",
  tops: "tops",
  greens: "greens",
  flowers: "flowers",
  "seed-heads": "seed heads",
  "side-shoots": "side shoots",
  scapes: "scapes",
};

export const PURPOSE_WORDS: Record<(typeof PURPOSES)[number], string> = {
  harvest: "to eat",
  thinning: "thinning, so that the rest grows",
  test: "a test",
  strip: "stripped before weather or disease",
  clearing: "clearing the bed",
};

export const CONDITION_WORDS: Record<(typeof CONDITIONS)[number], string> = {
  "": "not said",
  cool: "cool and dry",
  hot: "warm from the sun",
  wet: "wet",
};

export const AGAIN_WORDS: Record<(typeof AGAINS)[number], string> = {
  "": "not said",
  "tops-off": "with the tops off",
  dried: "once it was dry",
};

const ROW_SHARE_WORDS: Record<number, string> = {
  0.25: "a quarter",
  0.33: "a third",
  0.5: "half",
  0.67: "two thirds",
  0.75: "three quarters",
  0.9: "nearly all",
};
/** A share of a row as it is told. */
export const sayRowShare = (share: number): string => ROW_SHARE_WORDS[share] ?? `${Math.round(100 * share)} %`;

/** What happened to a part of a pick, as it is written beside it. */
export const ACCIDENT_WORDS: Record<AccidentId, string> = {
  forked: "pierced by the fork",
  dropped: "dropped or bruised",
  split: "split or cracked",
  eaten: "eaten into",
  rotten: "rotten",
};

/** The line of arithmetic: "6.4 kg gross − (2 × 1.59 kg crate + 0.3 kg bowl) = 2.92 kg net". */
export function sayNet(pick: PickRecord, net: Net, system: UnitSystem): string {
  if (pick.grossG === null) return `${pick.count} pieces, about ${sayMass(net.netG, system)} reckoned`;
  const parts = pick.tare.map((t) => `${t.count > 1 ? `${t.count} × ` : ""}${sayMass(t.tareG, system)} ${t.name}`);
  const sum = parts.length > 1 ? `(${parts.join(" + ")})` : parts[0];
  const line =
    parts.length === 0
      ? `${sayMass(net.netG, system)} net`
      : `${sayMass(net.grossG, system)} gross − ${sum} = ${sayMass(net.netG, system)} net`;
  if (pick.againG !== null && pick.againHow === "tops-off")
    return `${line}, ${sayMass(pick.againG, system)} once the tops were off`;
  return pick.topsOn && net.trimmedG !== net.netG
    ? `${line}, about ${sayMass(net.trimmedG, system)} without tops`
    : line;
}

/** A doubt about a pick's figures, as a question to whoever entered them. */
export function sayDoubt(doubt: Doubt): string {
  switch (doubt.what) {
    case "ten-times":
      return "This is more than ten times the usual pick of this planting.";
    case "pieces":
      return `More pieces than the ${doubt.most} that were planted.`;
    case "piece-weight":
      return "The weight and the count do not go together: one piece would be unusually heavy or light.";
  }
}

export const GROUP_WORDS: Record<GroupBy, string> = {
  kind: "kind",
  crop: "crop",
  bed: "bed",
  who: "who picked",
  grade: "grade",
  way: "where it went",
  part: "what of the plant",
  purpose: "what for",
  how: "how it was picked",
  day: "day",
  week: "week",
  month: "month",
  year: "year",
};

const MONTHS = "January February March April May June July August September October November December".split(" ");
/** "October 2026" of "2026-10". */
export const monthName = (month: string): string => `${MONTHS[Number(month.slice(5)) - 1]} ${month.slice(0, 4)}`;

const inTable = (words: Record<string, string>) => (key: string) => words[key] ?? key;
/** What a group is called whose key is no name of the garden's own. */
const GROUP_NAMES: Partial<Record<GroupBy, (key: string) => string>> = {
  who: (key) => key || "nobody named",
  grade: inTable(GRADE_WORDS),
  way: inTable(WAY_WORDS),
  part: inTable(PART_WORDS),
  purpose: inTable(PURPOSE_WORDS),
  how: (key) => key || "not said",
  day: (key) => sayDay(key as Day),
  week: (key) => `week of ${sayDay(key as Day)} ${key.slice(0, 4)}`,
  month: monthName,
};

/** Picks drawn together, each group called by its name. */
export const namedGroups = (entries: readonly LoggedPick[], by: GroupBy): Group[] => {
  const name = GROUP_NAMES[by];
  return groupPicks(entries, by).map((g) => (name ? { ...g, name: name(g.key) } : g));
};
