import type { Start } from "#core/handbook/crop";
import data from "./truths.json";

/**
 * What each crop of the season trial really does. Nothing here is read from the handbook and nothing of it is known to
 * the application: it is a second opinion on how crops grow, written for the judge. Days are days of constant warmth
 * `refC`; sizes and shares are what a person standing at the bed would find. Values (`truths.json`): own estimates within the
 * ranges growers give (common practice).
 */
export type CropTruth = {
  cropId: string;
  schoolId: string;
  how: Start;
  /** month and day of the start at 52° N; crowns and canes: when growth of the year is counted from */
  start: string;
  plants: readonly [number, number];
  /** growth: none at baseC, 1 at refC, most at bestC, none again 14 K above that */
  baseC: number;
  refC: number;
  bestC: number;
  /** days from the start to the first piece at its target, and what the packet says (nothing for perennials) */
  days: number;
  packet: readonly [number, number] | null;
  /** how pieces come: all of a plant's at once, spread by so many days; in flushes; or on and on */
  comes:
    | { how: "together"; spreadDays: number; perPlant: number }
    | { how: "flush"; perPlant: number; spreadDays: number }
    | { how: "stream"; perPlantDay: number; forDays: number };
  /** days from a piece's birth (set, emergence) to its target; pieces that come together are born at the start */
  ripenDays: number;
  /** days at the target before it is over-age, and from then to worthless; pieces that stand are lost after both */
  primeDays: number;
  overDays: number;
  /** how a piece is taken: each when ripe, all in one lift, or each plant's one head */
  taken: "each" | "lift";
  pieceG: number;
  /** mass at stage m (1 at the target) of the mass at the target: young growth, and growth beyond */
  young: number;
  grows: number;
  /** worth of a gram before the target: nothing below `from`, `at` just before the target; after over-age */
  early: { from: number; at: number };
  pastWorth: number;
  /** °C of the bed's night that kills, the share lost then, and whether what is left goes on */
  killC: number;
  killShare: number;
  galeShare: number;
  /** share of ripe pieces spoiled by 20 mm of rain in a day, taken by animals each day, lost to heat over 30 °C */
  splits: number;
  eaten: number;
  bolts: number;
  /** how far over-age pieces slow the setting of new ones, 0 to 1 */
  holds: number;
  /** days it keeps at home */
  keeps: number;
  /** month and day before which it hardly grows, planted in autumn as it is; null: it grows from its start */
  wakes: string | null;
  /** hours of day below which it does not bulb, if it waits for long days */
  longDayH: number | null;
  /** what shows of a piece at stage m to a true eye, by cue of the handbook */
  shows: Record<string, Shown>;
  /** length of the year's season from its first piece, days: perennials stop by themselves */
  seasonDays: number | null;
  /**
   * What stands for years while it is young: the share of a full crop by the year since it was planted (the last one
   * from then on), and how many years it must be spared: cutting then costs later crops as much as it brings.
   */
  youth: { bears: readonly number[]; spared: number } | null;
};

/** How a stage shows: a size in mm, a share in percent, one of named looks, or how many pieces stand between stages. */
export type Shown =
  | { kind: "size"; target: number; power: number }
  | { kind: "share"; at: readonly (readonly [stage: number, percent: number])[] }
  | { kind: "looks"; upTo: readonly (readonly [stage: number, id: string])[] }
  | { kind: "count"; from: number; to: number };

export const TRUTHS = data as unknown as readonly CropTruth[];

/** The truth of a crop. Throws RangeError when the trial does not grow it. */
export function truthOf(cropId: string): CropTruth {
  const found = TRUTHS.find((t) => t.cropId === cropId);
  if (!found) throw new RangeError(`the season trial grows no ${cropId}; it grows ${TRUTHS.map((t) => t.cropId)}`);
  return found;
}
