import { addDays, type Day, daysBetween } from "../calendar/day";
import { growingYear, inGrowingYear } from "../calendar/hemisphere";
import type { Crop, Cue } from "../handbook/crop";
import type { Check } from "./check";
import { REPEAT_DAYS } from "./conclude";
import type { Held } from "./held";
import type { PerennialYear } from "./perennial";

/** A pick as the readiness of its planting sees it. */
export type PickMark = {
  day: Day;
  extent: "some" | "all-ready" | "final";
  /** a test, a thinning: something was taken, but what was ready still stands */
  aside?: boolean;
  /** its mass, g; absent where nobody weighed or reckoned it */
  massG?: number;
};

/** What the signs of a planting are read from. */
export type Signs = {
  today: Day;
  crop: Crop;
  checks: readonly Check[];
  picks: readonly PickMark[];
  latitudeDeg: number;
};

/** Days for which an override cue holds. */
const OVERRIDE_DAYS = 7;

/**
 * Why nothing may be taken: it is kept for seed, or what stands for years is too young, or its season is over, by the
 * calendar or because it was ended.
 */
export function barredBy(
  input: Signs,
  override: Cue | null,
  startedOn: Day,
  perennial: PerennialYear | null,
): Held | null {
  if (override?.kind === "event" && override.verdict === "leave-for-seed")
    return { why: input.crop.days.yearly ? "resting" : "for-seed" };
  const ended = input.crop.days.yearly && input.picks.some((p) => p.extent === "final" && p.day >= startedOn);
  if (ended) return { why: "ended" };
  const outside = outOfSeason(input.crop.season, input.today, input.latitudeDeg);
  if (outside) return outside;
  if (!perennial) return null;
  if (perennial.spared) return { why: "too-young", untilYear: perennial.firstLightYear };
  return perennial.over ? { why: "season-over", lastWhy: perennial.lastWhy } : null;
}

/** Why a day lies outside the gardener's own days of picking; null: it does not, or there are none. */
function outOfSeason(season: Crop["season"], today: Day, latitudeDeg: number): Held | null {
  const year = growingYear(today, latitudeDeg);
  const from = season?.from ? inGrowingYear(year, season.from, latitudeDeg) : null;
  const to = season?.to ? inGrowingYear(year, season.to, latitudeDeg) : null;
  if (from && today < from) return { why: "not-begun", day: from };
  return to && today > to ? { why: "over", day: to } : null;
}

/** Plants or pieces that test digs, cut fruits and tastes of this season have used up. */
export function usedUpBy(checks: readonly Check[], cueById: Map<string, Cue>, since: Day): number {
  return checks
    .filter((c) => c.at.slice(0, 10) >= since)
    .reduce((sum, c) => sum + Number(c.readings.some((r) => cueById.get(r.cueId)?.usesUp)), 0);
}

/** The last day on which somebody looked at it or picked from it this season; null: nobody has. */
export function lastLooked({ checks, picks, today }: Signs, startedOn: Day): Day | null {
  const days = [...checks.map((c) => c.at.slice(0, 10)), ...picks.map((p) => p.day)];
  return days.reduce<Day | null>((last, d) => (d >= startedOn && d <= today && (!last || d > last) ? d : last), null);
}

/** Over-age pieces counted at the last look since the last pick; 0 when nobody counted. */
export function lastOverCount(input: Signs, cueById: Map<string, Cue>): number {
  const since = input.picks.reduce(
    (latest, p) => (p.day > latest ? p.day : latest),
    addDays(input.today, -OVERRIDE_DAYS),
  );
  for (const check of latestFirst(input.checks, since)) {
    const day = check.at.slice(0, 10);
    if (day > input.today) continue;
    for (const r of check.readings) {
      const cue = cueById.get(r.cueId);
      if (cue?.kind === "count" && cue.of === "over") return Number(r.value);
    }
  }
  return 0;
}

/** Signs that are looked at again every other day until they are gone. */
const REPEATED = new Set(["pest", "disease"]);

/** The day by which pests or disease seen at the last look are looked at again; null when there were none. */
export function repeatBy(input: Signs): Day | null {
  for (const check of latestFirst(input.checks, addDays(input.today, -2 * REPEAT_DAYS))) {
    const day = check.at.slice(0, 10);
    if (day > input.today || check.readings.length === 0) continue;
    if (!check.readings.some((r) => REPEATED.has(r.cueId) && r.value === true)) return null;
    const due = addDays(day, REPEAT_DAYS);
    return due > input.today ? due : addDays(input.today, 1);
  }
  return null;
}

/** Looks from a day on, latest first. */
const latestFirst = (checks: readonly Check[], from: Day): Check[] =>
  checks
    .filter((c) => c.at.slice(0, 10) >= from)
    .reverse() // of looks in one minute the last saved comes first
    .sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0));

/** How long a sign decides: seed keeping until the next pick, all others a week. */
const holdsFor = (cue: Cue): number => (cue.kind === "event" && cue.verdict === "leave-for-seed" ? 200 : OVERRIDE_DAYS);

/** The latest deciding sign not answered by a pick since, and not taken back by a later look. */
export function standingOverride(input: Signs, cueById: Map<string, Cue>): Cue | null {
  const lastPick = input.picks.reduce((latest, p) => (p.day > latest ? p.day : latest), "");
  const answered = new Set<string>();
  for (const check of latestFirst(input.checks, lastPick)) {
    const day = check.at.slice(0, 10);
    if (day > input.today) continue;
    for (const reading of check.readings) {
      const cue = cueById.get(reading.cueId);
      if (cue?.kind !== "event" || cue.verdict === null || answered.has(cue.id)) continue;
      if (daysBetween(day, input.today) > holdsFor(cue)) continue;
      answered.add(cue.id);
      if (reading.value === true) return cue;
    }
  }
  return null;
}
