import { z } from "zod";
import { addDays, type Day } from "../../calendar/day";
import type { ForecastDay } from "../../weather/daily";
import type { GrowingGarden } from "../outlook";

/** Something that may come other than thought: how many nights the cold comes earlier, and so on. */
export const supposalSchema = z.object({
  /** the weather of the coming days comes so many days earlier */
  earlierDays: z.number().int().min(0).max(3),
  /** every coming night so many kelvin colder */
  colderC: z.number().min(0).max(6),
  /** the next trip so many days longer */
  longerDays: z.number().int().min(0).max(7),
  /** people who go picking together */
  pickers: z.number().int().min(1).max(6),
});
export type Supposal = z.infer<typeof supposalSchema>;

export const AS_IT_IS: Supposal = { earlierDays: 0, colderC: 0, longerDays: 0, pickers: 1 };

/** Whether anything is supposed at all. */
export const supposes = (s: Supposal): boolean =>
  s.earlierDays > 0 || s.colderC > 0 || s.longerDays > 0 || s.pickers > 1;

/**
 * A garden as it would be if something came other than thought. Two pickers have twice the minutes in every window of
 * their own; the minutes of a plan are then person-minutes. The stand-in stays one.
 */
export function supposed<G extends GrowingGarden>(snapshot: G, today: Day, s: Supposal): G {
  const next = snapshot.trips.filter((t) => t.toDay >= today).sort((a, b) => (a.fromDay < b.fromDay ? -1 : 1))[0];
  return {
    ...snapshot,
    forecast: snapshot.forecast && {
      ...snapshot.forecast,
      days: colder(earlier(snapshot.forecast.days, today, s.earlierDays), today, s.colderC),
    },
    trips: snapshot.trips.map((t) => (t === next ? { ...t, toDay: addDays(t.toDay, s.longerDays) } : t)),
    garden: { ...snapshot.garden, pickers: snapshot.garden.pickers * s.pickers },
  };
}

/** From tomorrow on every day has the weather of a later one; the last days of the forecast fall away. */
function earlier(days: readonly ForecastDay[], today: Day, by: number): ForecastDay[] {
  if (by === 0) return [...days];
  const on = new Map(days.map((d) => [d.day, d]));
  return days.flatMap((d) => {
    if (d.day <= today) return [d];
    const later = on.get(addDays(d.day, by));
    return later ? [{ ...later, day: d.day }] : [];
  });
}

function colder(days: readonly ForecastDay[], today: Day, byC: number): ForecastDay[] {
  if (byC === 0) return [...days];
  return days.map((d) =>
    d.day <= today
      ? d
      : {
          ...d,
          tempMinC: d.tempMinC - byC,
          ...(d.members && { members: d.members.map((m) => ({ ...m, tempMinC: m.tempMinC - byC })) }),
        },
  );
}
