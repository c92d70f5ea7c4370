import type { TakenWay } from "../../handbook/crop";
import type { PlantingOutlook } from "../outlook";

/** A planting that is not on a round and lies on its way: a glance costs seconds, a stop minutes. */
export type Glance = {
  plantingId: string;
  /** chance that there is something to take on the day */
  chance: number;
  /** ready pieces from which a stop pays; null where it is taken all at once: it is ready as a whole, or not */
  fromPieces: number | null;
};

/** Under this chance not even a glance is asked for. */
const WORTH_A_GLANCE = 0.1;
/**
 * How many times the price of the stop must stand there: what is left goes on growing and is taken with the same stop
 * later. Found in the season trial (3 to 11 tried; net highest from 6 to 9).
 */
const STOP_PAYS = 6.7;

const AT_ONCE: readonly TakenWay[] = ["all-at-once"];

/**
 * What to glance at on a round besides its own lines: what may have come on sooner than was thought, and what is surely
 * ready but was not thought worth the stop (more may stand there than was reckoned).
 * @param stopKg price of one stop at a bed, kg of potatoes: its minutes at the worth of an hour
 */
export function inPassing(
  plantings: readonly PlantingOutlook[],
  day: string,
  onRound: ReadonlySet<string>,
  stopKg: number,
): Glance[] {
  return plantings.flatMap((p) => {
    const { judgement, crop } = p;
    const on = judgement.days.find((d) => d.day === day);
    const chance = on ? on.ready + on.past : 0;
    if (onRound.has(p.planting.id) || judgement.barred || chance < WORTH_A_GLANCE) return [];
    const pieces = (STOP_PAYS * stopKg * 1000) / (crop.yield.pieceG * crop.worth.perKg);
    return [
      {
        plantingId: p.planting.id,
        chance,
        fromPieces: AT_ONCE.includes(judgement.way) ? null : Math.max(1, Math.ceil(pieces)),
      },
    ];
  });
}
