import { addDays, dayRange, daysBetween } from "../../calendar/day";
import { isAway, slotsAhead } from "../../calendar/windows";
import type { Crop } from "../../handbook/crop";
import { SPARED_SHARE, type Taste, usualTaste } from "../../household/taste";
import { placesWithLots } from "../../keeping/room";
import type { Supply } from "../../planting/supply";
import { picksSince } from "../../weighing/by-planting";
import { netOf } from "../../weighing/net";
import { isCrop } from "../../weighing/pick";
import { bookOf } from "../../weighing/taught-book";
import { type GrowingGarden, HORIZON_DAYS, type Outlook } from "../outlook";
import { barsOf } from "./bars";
import { inParts } from "./long-jobs";
import { type Kept, type PlanProblem, type PlanSlot, slotTime, type Wishes } from "./problem";
import { householdStores } from "./stores";

/** Usual hours of a morning and an evening round where no window says otherwise. */
const USUAL_STARTS = ["08:00", "17:30"];

/**
 * The planner's question for an outlook: every window, and for hand moves every morning and evening besides; what the
 * household likes and has room for; what bars a planting from a slot.
 * @param kept lines of the plan before, which a new one keeps where little speaks against it
 */
export function problemOf(snapshot: GrowingGarden, outlook: Outlook, wishes: Wishes, kept: Kept[] = []): PlanProblem {
  const { today, now } = outlook;
  const { garden } = snapshot;
  const slots = slotsOf(snapshot, outlook, wishes);
  const tasteOf = tastesOf(snapshot);
  const ofCrop = (crop: Crop) => outlook.plantings.filter((p) => p.crop.id === crop.id).length;
  const supplies = outlook.plantings.map((p) => {
    const taste = tasteOf(p.crop);
    return {
      ...p.supply,
      worthPerG: p.supply.worthPerG * taste.liking,
      laterG: usableLaterG(p.crop, taste) / ofCrop(p.crop),
      fromT: plannedFrom(p.supply, slots),
      mostG: p.supply.once ? p.supply.mostG : usableAtOnceG(p.crop, taste) / ofCrop(p.crop),
    };
  });
  const all = outlook.plantings.map((p, k) => ({ crop: p.crop, supply: supplies[k]! }));
  const wished = allOn(snapshot, slots);
  // what is to be taken all on a day is not spread over several
  const whole = new Set(wished.take.map((w) => w.plantingId));
  return {
    today,
    nowT: slotTime(today, today, now.slice(11, 16)),
    horizonDays: HORIZON_DAYS,
    slots,
    supplies: supplies.flatMap((s) => (whole.has(s.plantingId) ? [s] : inParts(s, slots, garden))),
    roundMinutes: garden.roundMinutes,
    lineMinutes: garden.lineMinutes,
    hourWorth: garden.hourWorth,
    wishes: { ...wishes, take: [...wishes.take, ...wished.take], leave: [...wishes.leave, ...wished.leave] },
    stores: householdStores(
      all,
      tasteOf,
      placesWithLots(snapshot, bookOf(snapshot), today),
      snapshot.containers,
      atHome(snapshot, outlook, tasteOf),
      slots,
      HORIZON_DAYS,
    ),
    bars: barsOf({
      plantings: outlook.plantings,
      slots,
      days: outlook.days,
      record: snapshot.weather,
      site: garden,
      treatments: snapshot.treatments,
      pickWishes: snapshot.pickWishes,
    }),
    kept,
  };
}

/** What the household thinks of each crop: as it said, else as most would. */
export function tastesOf(snapshot: Pick<GrowingGarden, "tastes" | "garden">): (crop: Crop) => Taste {
  const said = new Map(snapshot.tastes.map((t) => [t.id, t]));
  return (crop) => said.get(crop.id) ?? usualTaste(crop, snapshot.garden.eaters);
}

/** Weeks after a plan in which a crop that bears on is eaten (as far as the plan itself looks). */
const LATER_WEEKS = HORIZON_DAYS / 7;

/** What a household can use of a crop after the plan, g: a crop taken once over the weeks that it keeps. */
function usableLaterG(crop: Crop, { weeklyG, sparedG }: Taste): number {
  const weeks = crop.habit === "once-over" ? Math.max(LATER_WEEKS, crop.after.days[1] / 7) : LATER_WEEKS;
  return weeks * (weeklyG + SPARED_SHARE * sparedG);
}

/** Chance of being ready from which a first pick is planned; shortly before a trip, from which. */
const PLANNED_FROM = 0.4;
const PLANNED_BEFORE_TRIP = 0.25;
const TRIP_NEAR_DAYS = 3;
/** Share of a crop that a hazard of the coming days would take, from which it may be picked before it is ready. */
const DANGER = 0.1;
/** Chance that there are pieces of any use, from which a hazard is a reason to pick: blossom cannot be saved by picking. */
const SOME_USE = 0.3;

/** Days before a hazard from which it opens a pick that would not be planned otherwise. */
const PRESSES_DAYS = 8;

/**
 * From when a first pick of a planting may be planned, days from today's midnight: nothing is planned that is unlikely
 * to be ready, but for a hazard, disease or a trip. What is doubtful wants a look, not a round.
 */
export function plannedFrom(supply: Supply, slots: readonly Pick<PlanSlot, "away" | "t">[]): number {
  const hazardOn = supply.days.findIndex(
    (d) => d.killChance * supply.lossShare >= DANGER || d.galeChance * supply.galeLossShare >= DANGER,
  );
  // a hazard presses in the days before it, disease from now on
  const pressedFrom =
    supply.sickLossShare > 0 ? 0 : hazardOn < 0 ? Number.POSITIVE_INFINITY : Math.max(0, hazardOn - PRESSES_DAYS);
  // what is lifted at once is saved whole; of what bears on, the unripe is stripped, and the ripe still has to be ripe
  const saved = supply.once && supply.usable >= SOME_USE ? pressedFrom : Number.POSITIVE_INFINITY;
  const away = slots.find((s) => s.away)?.t ?? Number.POSITIVE_INFINITY;
  const from = supply.days.findIndex(
    ({ chances }, d) =>
      chances.ready + chances.past >=
      (d >= pressedFrom || (d <= away && away <= d + TRIP_NEAR_DAYS) ? PLANNED_BEFORE_TRIP : PLANNED_FROM),
  );
  return Math.min(saved, from < 0 ? Number.POSITIVE_INFINITY : from);
}

/** What a household can use of one pick, g: eaten, put by and given away, over the weeks that it keeps. */
function usableAtOnceG(crop: Crop, { weeklyG, sparedG }: Taste): number {
  const weeks = Math.max(1, (crop.after.days[0] + crop.after.days[1]) / 14);
  return weeks * weeklyG + sparedG;
}

/** Days that a pick of the past is taken to be still at home. */
const LAST_WEEK = 7;

/** What was picked in the last week and cannot all be eaten yet, by crop, g. */
function atHome(snapshot: GrowingGarden, outlook: Outlook, tasteOf: (crop: Crop) => Taste): Map<string, number> {
  const left = new Map<string, number>();
  const cropOf = new Map(outlook.plantings.map((p) => [p.planting.id, p.crop]));
  const earliest = addDays(outlook.today, -LAST_WEEK);
  for (const pick of picksSince(snapshot, earliest)) {
    const ago = daysBetween(pick.at.slice(0, 10), outlook.today);
    const crop = cropOf.get(pick.plantingId);
    if (!crop || ago < 0 || ago > Math.min(LAST_WEEK, crop.after.days[1])) continue;
    if (!isCrop(pick)) continue;
    if (pick.grade === "compost" || pick.grade === "animals" || pick.grade === "seed") continue;
    left.set(
      crop.id,
      (left.get(crop.id) ?? 0) + netOf(pick, crop.topsShare, crop.yield.pieceG).trimmedG * (1 - ago / LAST_WEEK),
    );
  }
  for (const p of outlook.plantings)
    if (left.has(p.crop.id)) left.set(p.crop.id, Math.min(left.get(p.crop.id)!, tasteOf(p.crop).weeklyG));
  return left;
}

/** "Take all on a day" as wishes: it is taken at that day's hour, and at no later one. */
function allOn(snapshot: GrowingGarden, slots: readonly PlanSlot[]): Pick<Wishes, "take" | "leave"> {
  const take: Wishes["take"] = [];
  const leave: Wishes["leave"] = [];
  for (const { plantingId, kind, day } of snapshot.pickWishes) {
    if (kind !== "take-all") continue;
    const those = slots.filter((s) => s.day === day);
    const slot = those.find((s) => s.allowed) ?? those.at(-1);
    if (!slot) continue;
    take.push({ plantingId, slotId: slot.id });
    for (const s of slots) if (s.t > slot.t) leave.push({ plantingId, slotId: s.id });
  }
  return { take, leave };
}

function slotsOf(snapshot: GrowingGarden, { today, now }: Outlook, wishes: Wishes): PlanSlot[] {
  const { pickers, roundMinutes } = snapshot.garden;
  const windows = slotsAhead(now, HORIZON_DAYS, snapshot.windows, snapshot.trips, snapshot.datedWindows);
  const slots: PlanSlot[] = windows.map(({ by, ...s }) => ({
    ...s,
    // several people have several people's minutes, each less boots and washing up; the stand-in is one
    minutes: by === "" ? s.minutes * pickers - roundMinutes * (pickers - 1) : s.minutes,
    t: slotTime(today, s.day, s.startsAt),
    allowed: true,
    away: by !== "",
    ...(by === "" ? {} : { by }),
  }));
  const byHand = (day: string, startsAt: string) =>
    slots.push({
      id: `${day}T${startsAt}`,
      day,
      startsAt,
      t: slotTime(today, day, startsAt),
      minutes: 0,
      allowed: false,
      away: isAway(day, snapshot.trips),
    });
  for (const day of dayRange(today, HORIZON_DAYS))
    for (const startsAt of USUAL_STARTS) {
      const morning = startsAt < "12:00";
      if (`${day}T${startsAt}` < now.slice(0, 16)) continue;
      if (!windows.some((w) => w.day === day && w.startsAt < "12:00" === morning)) byHand(day, startsAt);
    }
  for (const wish of [...wishes.open, ...wishes.take.map((t) => t.slotId)])
    if (!slots.some((s) => s.id === wish)) byHand(wish.slice(0, 10), wish.slice(11));
  return slots.sort((a, b) => (a.id < b.id ? -1 : 1));
}
