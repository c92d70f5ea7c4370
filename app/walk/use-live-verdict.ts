import { useMemo } from "react";
import { addDays } from "#core/calendar/day";
import { NOTHING_READY } from "#core/handbook/signs";
import { bestReadings } from "#core/planting/best-reading";
import type { ReadingValue } from "#core/planting/check";
import { conclude, REPEAT_DAYS, readNow, seeMarks, seeNothing } from "#core/planting/conclude";
import type { Marked } from "#core/planting/marked";
import type { WalkSheet } from "./walk.server";

/** Worth, in bits, from which a further reading is suggested. */
const WORTH_ASKING = 0.06;

/** The verdict on the readings as they are given: the same core that the server runs, in the page. */
export function useLiveVerdict(data: WalkSheet, given: Record<string, ReadingValue>, marked: readonly Marked[]) {
  const { prior, crop, school, plants, steps, today, misled, recentLook, way, looksBefore, barred, enoughIn, needs } =
    data;
  return useMemo(() => {
    const stage = Float64Array.from(prior);
    const readings = Object.entries(given).map(([cueId, value]) => ({ cueId, value }));
    const context = { school, plants };
    if (given[NOTHING_READY] === true) seeNothing(stage);
    seeMarks(stage, marked);
    const taken = readNow(stage, readings, crop, context, today, misled, recentLook);
    const standing =
      crop.cues.find((c) => c.kind === "event" && c.verdict !== null && given[c.id] === true) ??
      // what an earlier look has seen stands until a pick answers it or this look takes it back
      (data.standing && given[data.standing.id] === undefined ? data.standing : null);
    const over = crop.cues.find((c) => c.kind === "count" && c.of === "over" && given[c.id] !== undefined);
    const result = conclude(stage, steps, today, crop, {
      way,
      lastLook: today,
      conflict: taken.conflict,
      evidence: [...looksBefore, ...taken.evidence],
      override: standing,
      misled,
      barred,
      enoughIn,
      needs,
      marked,
      dateDue: data.dateDue,
      overCount: over ? Number(given[over.id]) : 0,
      lookBy: given.pest === true || given.disease === true ? addDays(today, REPEAT_DAYS) : null,
    });
    const worth = bestReadings(stage, crop, context).filter(
      (w) => given[w.cue.id] === undefined && w.cue.kind !== "event",
    );
    return {
      ...result,
      stage,
      standing,
      conflict: taken.conflict,
      evidence: [...taken.evidence].sort((a, b) => Math.abs(b.shift) - Math.abs(a.shift)),
      ask: worth[0] && worth[0].bits > WORTH_ASKING ? worth[0].cue.id : null,
    };
  }, [
    prior,
    given,
    crop,
    school,
    plants,
    steps,
    today,
    misled,
    recentLook,
    way,
    looksBefore,
    barred,
    enoughIn,
    needs,
    marked,
    data.dateDue,
    data.standing,
  ]);
}
export type LiveVerdict = ReturnType<typeof useLiveVerdict>;
