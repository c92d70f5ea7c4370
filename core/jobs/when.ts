import { addDays, type Day, daysBetween } from "../calendar/day";
import { inGrowingYear } from "../calendar/hemisphere";
import type { PlantingOutlook } from "../planning/outlook";
import type { Check } from "../planting/check";
import { daysRange } from "../planting/clock";
import type { Moment } from "./rule";

/** What the moments of one planting are read from. */
export type Life = {
  p: PlantingOutlook;
  today: Day;
  /** its looks of this season, oldest first */
  checks: readonly Check[];
  /** days on which it was picked this season, oldest first */
  picks: readonly Day[];
  latitudeDeg: number;
  /** usual last and first frost of this year; null where no record says */
  frosts: { last: Day | null; first: Day | null };
};

/** Chance of being ready from which a day counts as the expected one. */
const EXPECTED = 0.5;

/**
 * The day on which a planting is expected ready: the first of the coming days with even chances, today when it is; by
 * the days it usually takes when that lies beyond what is judged. Null when its season is over or barred.
 */
export function expectedOn({ p, today }: Pick<Life, "p" | "today">): Day | null {
  const { judgement, planting, crop } = p;
  if (judgement.barred) return null;
  const soon = judgement.days.find((d) => d.ready + d.past >= EXPECTED);
  if (soon) return soon.day;
  const last = judgement.days.at(-1)?.day ?? today;
  if (crop.days.yearly) return judgement.lookAgain > last ? judgement.lookAgain : null;
  const { minDays, maxDays } = daysRange(planting, crop);
  const usual = addDays(planting.startedOn, Math.round((minDays + maxDays) / 2));
  return usual > last ? usual : addDays(last, 1);
}

/** The day a moment falls on; null when it has not come and nobody can say when it will. */
export function dayOf(moment: Moment, life: Life): Day | null {
  const { p, today, checks, picks, latitudeDeg, frosts } = life;
  if ("after" in moment) {
    const from =
      moment.after === "start"
        ? p.planting.startedOn
        : moment.after === "first-pick"
          ? picks[0]
          : lastPick(life, picks);
    return from ? addDays(from, moment.days) : null;
  }
  if ("ready" in moment) {
    const ready = picks[0] ?? expectedOn(life);
    return ready ? addDays(ready, moment.ready) : null;
  }
  if ("frost" in moment) {
    const frost = frosts[moment.frost];
    return frost ? addDays(frost, moment.days) : null;
  }
  if ("on" in moment) {
    // the day that is nearest: a job of the winter is of the coming or the last one
    const year = Number(today.slice(0, 4));
    const all = [year - 1, year, year + 1].map((y) => inGrowingYear(y, moment.on, latitudeDeg));
    return all.reduce((a, b) => (Math.abs(daysBetween(b, today)) < Math.abs(daysBetween(a, today)) ? b : a));
  }
  const read = (id: string) =>
    checks.flatMap((c) =>
      c.readings.flatMap((r) => (r.cueId === id ? [{ day: c.at.slice(0, 10), value: r.value }] : [])),
    );
  if ("sign" in moment) {
    const last = read(moment.sign).at(-1);
    return last?.value === true ? last.day : null;
  }
  const met = read(moment.cue).find(({ value }) =>
    "from" in moment
      ? Number(value) >= moment.from
      : String(value)
          .split("+")
          .some((v) => moment.is.includes(v)),
  );
  return met?.day ?? null;
}

/** The last pick, once it is known to be the last: the season was ended, or is over. */
function lastPick({ p }: Life, picks: readonly Day[]): Day | undefined {
  const over = p.judgement.barred !== null || p.judgement.flushOver || p.judgement.way === "all-at-once";
  return over || p.judgement.way === "one-by-one" ? picks.at(-1) : undefined;
}
