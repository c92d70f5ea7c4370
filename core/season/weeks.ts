import { addDays, type Day, daysBetween } from "../calendar/day";
import type { Crop } from "../handbook/crop";
import type { Taste } from "../household/taste";
import { weekOf } from "../weighing/pick-log";

/** What the weeks of a crop were like: what was picked against what the household uses. Masses in g. */
export type CropWeeks = {
  crop: Crop;
  weeks: { week: Day; pickedG: number; state: "glut" | "fair" | "short" | "none" }[];
  gluts: Run[];
  gaps: Run[];
  /** picked beyond what is eaten, put by and given away, g */
  tooMuchG: number;
  /** for what keeps: how many weeks at table the season's crop came to; null: it is eaten fresh, week by week */
  weeksWorth: number | null;
};
export type Run = { from: Day; weeks: number; overG: number };

/** What keeps for so long is not eaten in the week in which it is picked, days. */
const KEEPS_DAYS = 35;
/** Less than this share of a week's use is short. */
const SHORT = 0.35;

/** Whether a crop is eaten over months from the store, by the handbook. */
export const isKeeper = (crop: Pick<Crop, "after">): boolean =>
  (crop.after.days[0] + crop.after.days[1]) / 2 >= KEEPS_DAYS;

/**
 * A crop's season by weeks: gluts are weeks with more than is eaten, put by and given away; gaps are weeks with nothing
 * between its first pick and its last. What keeps is not counted by weeks: its whole crop is set against what is eaten
 * in one. A week begun and not yet over counts with the days it has had.
 *
 * @param picked net masses by day, g
 */
export function cropWeeks(
  crop: Crop,
  taste: Pick<Taste, "weeklyG" | "sparedG">,
  picked: readonly { day: Day; netG: number }[],
): CropWeeks {
  const by = new Map<Day, number>();
  for (const p of picked) by.set(weekOf(p.day), (by.get(weekOf(p.day)) ?? 0) + p.netG);
  const all = [...by.keys()].sort();
  if (all.length === 0) return { crop, weeks: [], gluts: [], gaps: [], tooMuchG: 0, weeksWorth: null };
  const total = [...by.values()].reduce((s, g) => s + g, 0);
  const keeper = isKeeper(crop);
  const most = taste.weeklyG + taste.sparedG;
  const weeks: CropWeeks["weeks"] = [];
  for (let week = all[0]!; week <= all.at(-1)!; week = addDays(week, 7)) {
    const pickedG = by.get(week) ?? 0;
    const state =
      pickedG === 0 ? "none" : !keeper && pickedG > most ? "glut" : pickedG < SHORT * taste.weeklyG ? "short" : "fair";
    weeks.push({ week, pickedG, state });
  }
  const over = (g: number) => Math.max(0, g - most);
  return {
    crop,
    weeks,
    gluts: keeper ? [] : runsOf(weeks, "glut", over),
    gaps: keeper ? [] : runsOf(weeks, "none", () => 0),
    tooMuchG: keeper ? Math.max(0, total - keepingWeeks(crop) * most) : weeks.reduce((s, w) => s + over(w.pickedG), 0),
    weeksWorth: keeper && taste.weeklyG > 0 ? total / taste.weeklyG : null,
  };
}

/** Weeks for which a crop keeps and is eaten, by the handbook. */
export const keepingWeeks = (crop: Pick<Crop, "after">): number => (crop.after.days[0] + crop.after.days[1]) / 2 / 7;

function runsOf(weeks: CropWeeks["weeks"], state: "glut" | "none", overOf: (g: number) => number): Run[] {
  const runs: Run[] = [];
  for (const w of weeks) {
    if (w.state !== state) continue;
    const last = runs.at(-1);
    if (last && daysBetween(last.from, w.week) === 7 * last.weeks) {
      last.weeks += 1;
      last.overG += overOf(w.pickedG);
    } else runs.push({ from: w.week, weeks: 1, overG: overOf(w.pickedG) });
  }
  return runs;
}
