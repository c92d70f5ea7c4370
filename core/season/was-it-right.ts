import { addDays, type Day, daysBetween } from "../calendar/day";
import { groupBy } from "../group-by";
import type { DayChances, Evidence } from "../planting/conclude";
import type { PickMark } from "../planting/judge";
import type { BedLoss } from "./bed-loss";

/** A chance that was said, and what a look or a pick on the next day showed. */
export type Settled = {
  plantingId: string;
  day: Day;
  /** chance that there was something to take, as it was said on the day before, 0 to 1 */
  said: number;
  /** whether there was, as far as it can be known */
  was: boolean;
  by: "pick" | "look";
};

/** A pick of sound crop settles that it was ready; one that was mostly green or unripe, that it was not. */
export type PickedThen = { day: Day; massG: number; unripe: boolean; extent: PickMark["extent"] };

/**
 * Sets the chances said of one planting against what its looks and picks showed: a pick that brought sound crop means
 * that there was something to take; decisive signs that were short of the school's mark, that there was not. What was
 * said is the chance of the day before, so that neither the look nor the pick is in it. One outcome a day: picks weigh
 * more than looks.
 * @param track chances of every day as they were said then, days in order
 */
export function settle(
  plantingId: string,
  track: readonly DayChances[],
  evidence: readonly Pick<Evidence, "cue" | "day" | "means" | "discounted">[],
  picks: readonly PickedThen[],
): Settled[] {
  const saidOn = new Map(track.map((d) => [d.day, d.ready + d.past]));
  const outcomes = new Map<Day, { was: boolean; by: Settled["by"] }>();
  const looks = evidence.filter((e) => e.cue.role === "decisive" && e.discounted === null);
  for (const [day, of] of groupBy(looks, (e) => e.day)) {
    const no = of.some((e) => e.means === "short" || e.means === "nearly");
    const yes = of.some((e) => e.means === "right" || e.means === "past");
    // signs that disagree settle nothing
    if (no !== yes) outcomes.set(day, { was: yes, by: "look" });
  }
  for (const p of picks) if (p.massG > 0) outcomes.set(p.day, { was: !p.unripe, by: "pick" });
  return [...outcomes]
    .flatMap(([day, o]): Settled[] => {
      const said = saidOn.get(addDays(day, -1));
      return said === undefined ? [] : [{ plantingId, day, said, ...o }];
    })
    .sort((a, b) => (a.day < b.day ? -1 : 1));
}

/** Chances said in a band, how many of them there were, their mean, and the share that came true. */
export type Band = { from: number; to: number; count: number; said: number; came: number };

const EDGES = [0, 0.2, 0.4, 0.6, 0.8, 1.0001];

/** Settled chances in five bands; bands without any are left in, empty, so that a picture has its five places. */
export const bandsOf = (settled: readonly Settled[]): Band[] =>
  EDGES.slice(1).map((to, i) => {
    const of = settled.filter((s) => s.said >= EDGES[i]! && s.said < to);
    const mean = (value: (s: Settled) => number) => of.reduce((sum, s) => sum + value(s), 0) / Math.max(1, of.length);
    return {
      from: EDGES[i]!,
      to: Math.min(1, to),
      count: of.length,
      said: mean((s) => s.said),
      came: mean((s) => (s.was ? 1 : 0)),
    };
  });

/** So many settled chances before anything is said of how right they were. */
export const LEAST_SETTLED = 12;

/** What a round had promised, and what was logged to it. */
export type RoundKept = { roundId: string; day: Day; expectedG: number; broughtG: number };

/** Rounds of the past with what they promised and brought, latest first; rounds nobody logged anything to are left out. */
export function roundsKept(
  rounds: readonly { id: string; day: Day; lines: readonly { expectedG: number }[] }[],
  brought: ReadonlyMap<string, number>,
  today: Day,
): RoundKept[] {
  return rounds
    .filter((r) => r.day <= today && (brought.get(r.id) ?? 0) > 0)
    .map((r) => ({
      roundId: r.id,
      day: r.day,
      expectedG: r.lines.reduce((sum, l) => sum + l.expectedG, 0),
      broughtG: brought.get(r.id) ?? 0,
    }))
    .sort((a, b) => (a.day < b.day ? 1 : -1));
}

/** Days before a loss in which a line of a round or a chance counts as a warning of it. */
const WARNED_DAYS = 7;
const WARNED_FROM = 0.5;

export type LossSeen = BedLoss & {
  /** whether a round had a line for it shortly before; the highest chance of being ready said then, 0 to 1 */
  hadLine: boolean;
  said: number;
  warned: boolean;
};

/** Losses in the beds, latest first, with whether the week before had warned of them: by a line of a round, or a chance. */
export function lossesSeen(
  losses: readonly BedLoss[],
  lines: readonly { plantingId: string; day: Day }[],
  tracks: ReadonlyMap<string, readonly DayChances[]>,
): LossSeen[] {
  return losses
    .map((l) => {
      const near = (day: Day) => day <= l.day && daysBetween(day, l.day) <= WARNED_DAYS;
      const hadLine = lines.some((x) => x.plantingId === l.plantingId && near(x.day));
      const said = (tracks.get(l.plantingId) ?? [])
        .filter((d) => near(d.day))
        .reduce((most, d) => Math.max(most, d.ready + d.past), 0);
      return { ...l, hadLine, said, warned: hadLine || said >= WARNED_FROM };
    })
    .sort((a, b) => (a.day < b.day ? 1 : -1));
}
