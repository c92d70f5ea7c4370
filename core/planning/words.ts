import { type Day, daysBetween, sayDay, sayNear, weekdayName } from "../calendar/day";
import { PLACE_WORDS } from "../household/words";
import { sayHeld } from "../planting/words";
import { sayMass, type UnitSystem } from "../units/mass";
import { sayRain, saySpeed, sayTemp } from "../units/say";
import { volumeUnit } from "../units/volume";
import type { HazardNews, News } from "./headline";
import type { BarWhy, StoreOf } from "./question/problem";
import type { PickWish } from "./question/wish";
import type { PlanChange } from "./rounds/changes";
import type { LineReason, Loss } from "./rounds/explain";
import type { Fullest, LeftStanding } from "./rounds/left";
import type { StopTurn } from "./rounds/round-order";
import type { DrawnRound, PlannedRound } from "./rounds/rounds";
import type { Unmet } from "./solver/frame";

const sentence = (words: string): string => words[0]!.toUpperCase() + words.slice(1);

export const PICK_WISH_WORDS: Record<PickWish["kind"], string> = {
  "not-before": "not before",
  "take-all": "take all on",
};

export const TURN_WORDS: Record<StopTurn, string> = {
  dew: "leaves and roots first, while the dew lies",
  dry: "once the leaves are dry",
  delicate: "soft fruit late, in one layer on top",
  heavy: "heavy and dirty late",
  sick: "a sick bed last, so that hands and blades do not carry it",
};

/** What the kit asks for besides the tools and containers that the handbook names. */
const THINGS: Record<string, string> = {
  sleeves: "long sleeves",
  water: "water to drink",
  basket: "a small basket",
};
/** One thing to take along. */
export const sayThing = (thing: string): string => THINGS[thing] ?? thing;

/** Why a planting may not be taken at an hour: "its leaves are still wet then, and touching them spreads disease". */
export function sayBar(bar: BarWhy, system: UnitSystem): string {
  switch (bar.why) {
    case "wet-leaves":
      return "its leaves are still wet then, and touching them spreads disease";
    case "rain":
      return "it wants a dry day, and rain is forecast";
    case "wet-fruit":
      return "its fruit is still wet then, and would not keep";
    case "frozen":
      return "the soil is frozen then";
    case "too-wet":
      return "the soil is too wet to dig then";
    case "wilts":
      return `leaves wilt at ${sayTemp(bar.tempC, system)}; ${sayDay(bar.cooler.day)} ${bar.cooler.startsAt} is cooler`;
    default:
      return sayHeld(bar);
  }
}

const FRACTIONS: Record<string, string> = {
  "1/2": "half",
  "1/3": "a third",
  "2/3": "two thirds",
  "1/4": "a quarter",
  "3/4": "three quarters",
};

/** So many parts of a long job in words. @example sayParts(2, 3) // "two thirds of it" */
export function sayParts(parts: number, of: number): string {
  if (parts >= of) return "all of it";
  for (const [d, n] of [2, 3, 4].flatMap((d) => [1, 2, 3].map((n) => [d, n] as const)))
    if (parts * d === n * of && FRACTIONS[`${n}/${d}`]) return `${FRACTIONS[`${n}/${d}`]} of it`;
  return `${parts} of ${of} parts of it`;
}

const hourOf = (slotId: string): string => `${sayDay(slotId.slice(0, 10))}, ${slotId.slice(11)}`;

/** A wish that the plan could not keep, and what it did instead. */
export function sayUnmet(unmet: Unmet, system: UnitSystem): string {
  switch (unmet.why) {
    case "no-such-hour":
      return `${hourOf(unmet.slotId)} is not an hour of this fortnight`;
    case "take-and-leave":
      return `one crop is both to be taken and to be left on ${hourOf(unmet.slotId)}; it is left`;
    case "law":
      return `a crop wished for on ${hourOf(unmet.slotId)} is left: ${sayBar(unmet.bar, system)}`;
    case "taken-once":
      return `a crop that is taken once is wished for on ${unmet.slotIds.map(hourOf).join(" and on ")}; it is taken on the first`;
    case "too-long":
      return `what you asked for on ${sayDay(unmet.day)} takes ${unmet.minutes} minutes, more than its window`;
  }
}

/**
 * Why a line stands where it does, in a sentence: the hazard that would take most, or ripeness; and what skipping costs.
 * @param withRounds whether to speak of the next round too
 */
export function sayReason(reason: LineReason, system: UnitSystem, withRounds = true): string {
  const left = ({ lostG, bearsUntil }: Loss) =>
    `; left, ${sayMass(lostG, system)} is lost${bearsUntil ? `, though ${sayDay(bearsUntil)} would still do` : ""}`;
  const share = (chance: number) => `${Math.round(chance * 100)} %`;
  switch (reason.cause) {
    case "disease":
      return `disease was seen in it, and spreads${left(reason)}`;
    case "frost":
      return `${share(reason.chance)} chance of frost in this bed in the night to ${weekdayName(reason.day)}, which harms at ${sayTemp(reason.killC, system, 1)}${left(reason)}`;
    case "gale":
      return `${share(reason.chance)} chance of a gale on ${weekdayName(reason.day)}${left(reason)}`;
    case "age": {
      const state = reason.bearsOn ? "bears on, and goes over when left" : "passing its prime";
      const then = reason.nextDay ? `the next round is ${sayDay(reason.nextDay)}` : "no later round in this plan";
      const when =
        reason.bearsUntil || !withRounds ? "" : `; ${reason.away ? "you are away in between, and " : ""}${then}`;
      return `${state}${when}${left(reason)}`;
    }
    case "first":
      return `a first ${sayMass(reason.expectedG, system)} expected by then; it bears on`;
    case "ripe":
      return `${share(reason.chance)} likely ready by then, ${sayMass(reason.expectedG, system)} expected; it would bear waiting`;
  }
}

/** The longest reason that is kept with a line. */
const LONGEST = 400;

/** Rounds as they are kept, each line with its reason as it stood when they were planned. */
export const withReasons = (rounds: readonly DrawnRound[], system: UnitSystem): PlannedRound[] =>
  rounds.map((round) => ({
    ...round,
    lines: round.lines.map(({ reason, parts, ...line }) => {
      const why = sayReason(reason, system);
      return { ...line, why: (parts ? `${sentence(sayParts(parts.here, parts.of))}: ${why}` : why).slice(0, LONGEST) };
    }),
  }));

/** What only so much fits into: "kitchen shelf (counter)", "courgette for this week", "the containers at hand". */
export function sayStore(store: StoreOf): string {
  switch (store.kind) {
    case "room": {
      const kind = PLACE_WORDS[store.place];
      const told = store.names.some((name) => name.includes(kind));
      return `${store.names.join(" and ")}${told ? "" : ` (${kind})`}`;
    }
    case "use": {
      const crop = store.crop.toLowerCase();
      if (store.spared) return `${crop} to eat, put by and give away`;
      return store.week === 0 ? `${crop} for this week` : store.week === 1 ? `${crop} for next week` : crop;
    }
    case "containers":
      return "the containers at hand";
  }
}

/** Why the plan leaves a planting standing. */
export function sayLeft({ left, rest }: LeftStanding, system: UnitSystem): string {
  const why = ((): string => {
    switch (left.why) {
      case "not-eaten":
        return "you do not eat it";
      case "not-ready":
        return "not ready within the fortnight";
      case "no-time":
        return "there is no time to go out";
      case "barred":
        return sayBar(left.bar, system);
      case "too-long":
        return `it takes ${left.minutes} minutes, longer than any time you have for a round`;
      case "full":
        return left.store.kind === "room"
          ? `no room: ${sayStore(left.store)}`
          : `enough ${sayStore(left.store)} at home or on the way`;
      case "too-little":
        return "it would bring less than the minutes are worth";
      case "mostly-past":
        return "most of it is past its best, so waiting costs little more";
      case "bears-waiting":
        return "it bears waiting";
      case "loses-little":
        return "what it loses by waiting is worth less than the minutes";
    }
  })();
  return rest ? `the rest of it: ${why}` : why;
}

/** A place in a few words: "kitchen refrigerator: 28 of 35 free litres filled by Thu 8 Oct". */
export function sayPlace({ room, peak, capacity, day }: Fullest, system: UnitSystem): string {
  const unit = volumeUnit(system);
  const n = (litres: number) => Math.round(litres / unit.litres);
  return peak > capacity + 0.5
    ? `${sayStore(room)}: ${n(peak)} ${unit.name} come by ${sayDay(day)}, and ${n(capacity)} are free`
    : `${sayStore(room)}: ${n(peak)} of ${n(capacity)} free ${unit.name} filled by ${sayDay(day)}`;
}

const MOST_SAID = 4;

/** The changes in a few words: "late white Thu 8 Oct instead of Wed 7 Oct; oak leaf new, Fri 9 Oct; …". */
export function sayChanges(changes: readonly PlanChange[], nameOf: (plantingId: string) => string, today: Day): string {
  const hour = (slot: string) => {
    const day = slot.slice(0, 10);
    const ahead = daysBetween(today, day);
    return ahead === 0 ? `today ${slot.slice(11)}` : ahead === 1 ? `tomorrow ${slot.slice(11)}` : sayDay(day);
  };
  const said = changes.slice(0, MOST_SAID).map(({ plantingId, from, to }) => {
    const name = nameOf(plantingId);
    if (to === null) return `${name} not planned any more`;
    return from === null ? `${name} new, ${hour(to)}` : `${name} ${hour(to)} instead of ${hour(from)}`;
  });
  const more = changes.length - said.length;
  return [...said, ...(more > 0 ? [`${more} more`] : [])].join("; ");
}

/**
 * The coming days in a sentence: the first of each hazard, dearest first, and days away; else how much is in a hurry.
 * @param urgent plantings that lose something by waiting
 * @example sayHeadline({ hazards: [], trip: null }, 0, "2026-10-06", "metric") // "Quiet weather, and nothing is in a hurry."
 */
export function sayHeadline({ hazards, trip }: News, urgent: number, today: Day, units: UnitSystem): string {
  const parts = hazards.map((h) => sayHazard(h, today, units));
  if (trip) parts.push(`you are away from ${weekdayName(trip.fromDay)} for ${trip.days} days`);
  if (parts.length === 0)
    return urgent > 0
      ? `Quiet weather; ${urgent} ${urgent === 1 ? "planting wants" : "plantings want"} picking.`
      : "Quiet weather, and nothing is in a hurry.";
  return `${sentence(parts.length > 2 ? `${parts[0]}, then ${parts.slice(1, -1).join(", ")}; ${parts.at(-1)}` : parts.join("; "))}.`;
}

/** The days of one hazard in words, its first and its worst. */
function sayHazard({ kind, day, days, level, worst }: HazardNews, today: Day, units: UnitSystem): string {
  const near = sayNear(day, today);
  switch (kind) {
    case "gale":
      return `a gale is due ${near}, gusts near ${saySpeed(level, units)}`;
    case "frost":
      return `frost in the night to ${weekdayName(day)}`;
    case "heat":
      return days > 1
        ? `heat from ${near} for ${days} days, up to ${sayTemp(worst, units)}`
        : `heat ${near}, up to ${sayTemp(worst, units)}`;
    case "downpour":
      return `heavy rain ${near}, about ${sayRain(level, units)}`;
    default:
      return `thunder is likely ${near}`;
  }
}
