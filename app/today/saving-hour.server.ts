import { sayNear, weekday, weekdayName } from "#core/calendar/day";
import { plantingName } from "#core/garden/name";
import type { PlanProblem } from "#core/planning/question/problem";
import { savingHour } from "#core/planning/rounds/saving-hour";
import { sayMass } from "#core/units/mass";
import { change, newId } from "#db/change";
import { planAnew, roundsAhead } from "../rounds/rounds.server";
import { done, formOf, refuse, typedOf } from "../server/forms.server";
import { db, type GardenNow, gardenNow } from "../server/garden-now.server";

/** Minutes of an hour that is added for a hazard. */
const ADDED_MINUTES = 60;
const MOST_NAMES = 4;

/** What Today says of a hazard that comes before anybody has time, shaped for the page; null when none does. */
export function savingView(d: GardenNow, problem: PlanProblem) {
  const found = savingHour(problem);
  if (!found) return null;
  const { units } = d.snapshot.garden;
  const names = found.plantingIds.flatMap((id) => {
    const p = d.outlook.plantings.find((x) => x.planting.id === id);
    return p ? [plantingName(p.planting, p.crop)] : [];
  });
  return {
    slotId: found.hour.id,
    title:
      found.hazard === "frost"
        ? `Frost in the night to ${weekdayName(found.day)} comes before your next free hour`
        : `A gale ${sayNear(found.day, d.today)} comes before your next free hour`,
    next: found.nextDay ? sayNear(found.nextDay, d.today) : null,
    lost: sayMass(found.lostG, units),
    names: names.slice(0, MOST_NAMES),
    more: Math.max(0, names.length - MOST_NAMES),
    hour: `${sayNear(found.hour.day, d.today)} from ${found.hour.startsAt}`,
    saves: sayMass(found.hour.savesG, units),
  };
}
export type SavingView = NonNullable<ReturnType<typeof savingView>>;

/** Adds the hour that was offered, beside the times that day has already, and plans the fortnight anew. */
export async function addHour(request: Request) {
  const typed = typedOf(await formOf(request));
  const d = gardenNow();
  const found = savingHour(roundsAhead(d).problem);
  if (!found || found.hour.id !== typed.slotId)
    return refuse({
      errors: { form: "That hour is no longer asked for: the weather or the plan has changed." },
      typed,
    });
  const { day, startsAt } = found.hour;
  const journalId = change(db(), `An hour added ${sayNear(day, d.today)} from ${startsAt}`, d.now, (c) => {
    const weekly = d.snapshot.windows.filter((w) => w.weekday === weekday(day));
    const own = d.snapshot.datedWindows.filter((w) => w.day === day && w.startsAt !== null);
    for (const w of own.length > 0 ? [] : weekly)
      c.put("datedWindows", { id: newId(), day, startsAt: w.startsAt, minutes: w.minutes });
    c.put("datedWindows", { id: newId(), day, startsAt, minutes: ADDED_MINUTES });
  });
  await planAnew();
  return done("/rounds", journalId);
}
