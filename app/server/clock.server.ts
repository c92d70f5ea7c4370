import { addDays, dayRange } from "#core/calendar/day";
import { change } from "#db/change";
import { demoDesk, demoThermometers } from "#standins/demo-garden";
import { db, type GardenNow } from "./garden-now.server";

/** How far the demo garden's clock can be moved at once, days. */
export const CLOCK_STEPS = [1, 3, 7, 30, 365] as const;
/** Of the days passed over, the last so many get the forecast that was issued on them. */
const ISSUES_KEPT = 7;

/**
 * Lets days pass in a garden whose clock stands still: the station records them and the forecast desk issues as it
 * would have. One change, so that undo turns the clock back.
 * @returns the journal's id; null when the garden's clock is the real one or the step is none of the known
 */
export function letDaysPass(d: GardenNow, days: number): string | null {
  const { garden } = d.snapshot;
  if (garden.pinnedNow === null || !CLOCK_STEPS.some((s) => s === days)) return null;
  const station = demoDesk();
  const today = addDays(d.today, days);
  const issued = dayRange(addDays(d.today, 1), days).slice(-ISSUES_KEPT);
  return change(db(), `${days === 1 ? "A day" : `${days} days`} passed in the garden`, d.now, (c) => {
    const passed = station.record(d.today, addDays(today, -1));
    for (const day of passed) c.put("weatherDays", day);
    for (const thermometer of demoThermometers(d.snapshot.beds))
      for (const night of passed) c.put("bedReadings", thermometer.readOn(night));
    for (const day of issued) c.put("forecasts", { id: `issued-${day}`, ...station.forecast(day, 14) });
    c.put("garden", { ...garden, pinnedNow: `${today}T07:30` });
  });
}
