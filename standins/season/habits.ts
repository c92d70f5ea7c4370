import { addDays, type Day, daysBetween, weekday } from "#core/calendar/day";
import { cropOf } from "#core/handbook/index";
import type { Decider, Outing } from "./season";
import { isSpared, isThere, type Stand, stageOf } from "./stand";

/** Seconds of a glance at a bed in passing. */
const GLANCE_S = 5;

/**
 * Whether anything of a planting could be worth going to: it grows, something of it is there, and it is not so young
 * that any gardener spares it.
 */
const worthGoing = (s: Stand): boolean =>
  !s.over && !isSpared(s) && s.pieces.some((p) => isThere(s, p) && stageOf(s, p) > 0.5);

/** Picks whatever looks ripe, bed after bed, for as long as the time lasts. @returns whether all beds were done */
function sweep(outing: Outing, from = 0): number {
  const { stands } = outing;
  for (let k = from; k < stands.length; k++) {
    if (!worthGoing(stands[k]!)) continue;
    if (outing.go(stands[k]!, { how: "ripe" }) === null) return k;
  }
  return stands.length;
}

/** A round on fixed days; what was not reached is done on the next free evening. */
function rhythm(name: string, due: (day: Day, lastDone: Day | null) => boolean): () => Decider {
  return () => {
    let last: Day | null = null;
    let at: number | null = null;
    return {
      name,
      act(outing) {
        if (at === null && !due(outing.day, last)) return;
        const reached: number = sweep(outing, at ?? 0);
        at = reached < outing.stands.length ? reached : null;
        if (at === null) last = outing.day;
      },
    };
  };
}

const every = (days: number) => (day: Day, last: Day | null) => last === null || daysBetween(last, day) >= days;

export const weekly = rhythm("a round every Saturday", (day, last) => weekday(day) === 6 || every(8)(day, last));
export const everyThird = rhythm("every third day", every(3));
export const everySecond = rhythm("every second day", every(2));
export const daily = rhythm("every day", every(1));

/** By the packet: first on its middle day, lifted then whatever it looks like, or again at the handbook's interval. */
export function byThePacket(): Decider {
  const lastPick = new Map<string, Day>();
  return {
    name: "by the packet's dates",
    act(outing) {
      for (const s of outing.stands) {
        if (s.over || isSpared(s)) continue;
        const crop = cropOf(s.truth.cropId);
        const range = s.truth.packet ?? crop.days.yearly ?? [60, 60];
        const dueOn = addDays(s.planting.startedOn, Math.round((range[0] + range[1]) / 2));
        if (outing.day < dueOn) continue;
        const last = lastPick.get(s.planting.id);
        if (last && daysBetween(last, outing.day) < Math.max(1, Math.round(crop.interval.warmDays))) continue;
        if (!s.pieces.some((p) => isThere(s, p))) continue;
        const taken = outing.go(s, { how: s.truth.taken === "lift" ? "all" : "ripe" });
        if (taken) lastPick.set(s.planting.id, outing.day);
      }
    },
  };
}

/** The keen gardener: looks round every evening, picks what looks ripe, clears what a forecast frost would take. */
export function keen(): Decider {
  return {
    name: "the keen gardener",
    act(outing) {
      const tonight = outing.forecast.days[1]?.tempMinC ?? 10;
      const beds = outing.stands.filter(worthGoing);
      if (beds.length > 0) outing.looked(GLANCE_S * beds.length);
      for (const s of beds) {
        const doomed = s.truth.killShare >= 1 && tonight + s.bed.nightOffsetC <= s.truth.killC + 0.7;
        const ripe = outing.glance(s);
        const enough = s.truth.taken === "lift" ? ripe > 0.5 * s.pieces.length : ripe > 0;
        if (doomed || enough) if (outing.go(s, { how: doomed ? "all" : "ripe" }) === null) break;
      }
    },
  };
}
