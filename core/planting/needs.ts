import { addDays, type Day, daysBetween } from "../calendar/day";
import type { Trip } from "../calendar/windows";
import type { Bed } from "../garden/bed";
import type { Crop, TakenWay } from "../handbook/crop";
import type { WeatherDay } from "../weather/daily";
import { cropHazards, type HazardDay } from "./crop-hazards";
import type { DayChances } from "./stage-grid";
import type { Verdict } from "./verdict";

export const NEEDS = [
  "before-frost",
  "before-heat",
  "before-rain",
  "before-gale",
  "before-absence",
  "bed-wanted",
  "stands-still",
] as const;

/** Something that presses on a planting from outside, and by when it must be out. Its words stand in `words.ts`. */
export type Need = {
  kind: (typeof NEEDS)[number];
  by: Day;
  /** the day or night of the hazard, of the bed's next use, the last day away; absent where it has none */
  on?: Day;
  /** of an absence: whether it is a trip; otherwise nobody has time */
  trip?: boolean;
};

/** What the gardener has in mind for a planting, and when anybody can be there again. */
export type Constraints = {
  /** the day by which the bed is wanted for something else; null: it is not */
  bedWantedBy: Day | null;
  trips: readonly Pick<Trip, "fromDay" | "toDay">[];
  /** the next day after today on which anybody can come; null: tomorrow */
  nextChance: Day | null;
};
export const FREE: Constraints = { bedWantedBy: null, trips: [], nextChance: null };

/** A hazard presses from this chance on, and from so many days before it comes: later it can still be waited for. */
const LIKELY = 0.3;
const HAZARD_DAYS = 2;
/** An absence presses from so many days before it begins; shorter ones than this are no absence. */
const ABSENCE_DAYS = 2;
const LEAST_ABSENCE = 3;
/** A bed that is wanted presses so many days before. */
const BED_DAYS = 4;
/** Chance of being past by the return, or of being ready in between where it comes fast, from which it is taken before. */
const LOST_MEANWHILE = 0.3;
/** A planting stands still when its stage moves less than this in three weeks and it is not ready (own estimate). */
const STILL = 0.08;
const STILL_DAYS = 21;

/** Hazards that press. Frost and gale from the share they take; heat on what it makes run up. */
const PRESSING: Partial<Record<ReturnType<typeof cropHazards>[number]["kind"], Need["kind"]>> = {
  frost: "before-frost",
  heat: "before-heat",
  split: "before-rain",
  lodge: "before-gale",
};
const LEAST_LOSS: Partial<Record<Need["kind"], number>> = { "before-frost": 0.3, "before-gale": 0.1 };

/**
 * What presses on a planting today, most urgent first: hazards of the next two days by the handbook's limits and the
 * bed's own air, an absence, a bed that is wanted, growth at an end. Each hazard is reckoned where all are
 * (`core/weather/crop-hazards.ts`).
 * @param days coming weather from today; empty: nothing is known of it
 * @param chances of the planting on the same days if nothing is picked
 * @param before weather of the past three weeks
 */
export function needsOf(
  crop: Crop,
  bed: Bed,
  days: readonly HazardDay[],
  chances: readonly DayChances[],
  before: readonly WeatherDay[],
  constraints: Constraints,
): Need[] {
  const today = chances[0]!.day;
  const near = days.slice(0, HAZARD_DAYS + 1);
  const found: Need[] = cropHazards(crop, bed, near, chances, before).flatMap((h): Need[] => {
    const kind = PRESSING[h.kind];
    if (!kind || h.chance < LIKELY || h.lossShare < (LEAST_LOSS[kind] ?? 0)) return [];
    // a night belongs to the evening before it
    const by = h.when === "night" ? addDays(h.day, -1) : h.day;
    if (by < today) return [];
    return [{ kind, by, on: h.day }];
  });
  const absence = absenceOf(crop, chances, constraints, today);
  if (absence) found.push(absence);
  const { bedWantedBy } = constraints;
  if (bedWantedBy && daysBetween(today, bedWantedBy) <= BED_DAYS)
    found.push({ kind: "bed-wanted", by: bedWantedBy, on: bedWantedBy });
  const later = chances[STILL_DAYS];
  const now = chances[0]!;
  if (later && now.ready + now.past < 0.5 && later.meanStage - now.meanStage < STILL)
    found.push({ kind: "stands-still", by: addDays(today, STILL_DAYS) });
  return found.sort((a, b) => (a.by < b.by ? -1 : a.by > b.by ? 1 : 0));
}

/** A trip, or no free hour, that begins soon, when the planting would be lost or run over meanwhile. */
function absenceOf(crop: Crop, chances: readonly DayChances[], c: Constraints, today: Day): Need | null {
  const none = c.nextChance && daysBetween(today, c.nextChance) > LEAST_ABSENCE ? c.nextChance : null;
  const trip = c.trips.find(
    (t) => t.toDay > today && daysBetween(today, t.fromDay) <= ABSENCE_DAYS && daysBetween(t.fromDay, t.toDay) >= 2,
  );
  const back = [none, trip ? addDays(trip.toDay, 1) : null].reduce(
    (a, b) => (a && b ? (a > b ? a : b) : (a ?? b)),
    null,
  );
  if (!back) return null;
  const at = chances[Math.min(chances.length - 1, daysBetween(today, back))]!;
  const lost =
    at.past >= LOST_MEANWHILE || (at.ready + at.past >= 0.5 && crop.prime.coolDays <= daysBetween(today, back));
  if (!lost) return null;
  return {
    kind: "before-absence",
    by: trip && trip.fromDay > today ? trip.fromDay : today,
    on: trip ? trip.toDay : back,
    trip: trip !== undefined,
  };
}

/** Chance of being near or ready from which a need takes it; of being ready. */
const USABLE = 0.5;
const READY = 0.3;
/** Mean stage from which there is a head (own estimate). */
const FORMED = 0.65;

/**
 * The verdict under what presses: what would be lost is taken while it is of use. Frost and a bed that is wanted take
 * all; heat takes heads and roots that will not grow on in it; rain, gale and an absence take what is ready or nearly so.
 * @returns the verdict, and the need that changed it; null where none did
 */
export function underNeeds(
  verdict: Verdict,
  chances: DayChances,
  way: TakenWay,
  crop: Pick<Crop, "nature" | "parts" | "climacteric">,
  needs: readonly Need[],
): { verdict: Verdict; need: Need } | null {
  if (verdict === "leave-for-seed" || verdict === "pick-all") return null;
  const ripe = chances.ready + chances.past;
  const usable = ripe + chances.nearly;
  const take: Verdict = way === "all-at-once" ? "pick-all" : "pick-some";
  for (const need of needs) {
    const becomes = ((): Verdict | null => {
      switch (need.kind) {
        case "before-frost":
          // what ripens off the plant, and what is eaten at any size, is taken unripe too
          return usable >= (crop.climacteric || crop.nature === "sizes" ? READY : USABLE) ? "pick-all" : null;
        case "bed-wanted":
          return usable >= READY ? "pick-all" : null;
        case "before-heat":
          // a head that has formed loosens in it, whatever its size
          if (crop.parts.includes("head")) return chances.meanStage >= FORMED ? "pick-all" : null;
          return usable >= USABLE ? take : null;
        case "before-absence":
          return usable >= USABLE ? take : null;
        case "before-rain":
        case "before-gale":
          return ripe >= READY || (crop.climacteric && usable >= USABLE) ? take : null;
        case "stands-still":
          return usable >= USABLE && crop.nature === "sizes" ? take : null;
      }
    })();
    if (becomes && becomes !== verdict && verdict !== "past-prime") return { verdict: becomes, need };
  }
  return null;
}
