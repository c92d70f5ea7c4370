import { type Bed, bedCentre } from "../garden/bed";
import type { Crop } from "../handbook/crop";
import { shortestPath } from "./tour";

/** What is to be picked at one stop of a round, and whether its bed is sick. */
export type Stop = { id: string; bed: Bed; crop: Crop; sick: boolean };

/** Why a stop comes when it comes. */
export type StopTurn = "dew" | "delicate" | "dry" | "heavy" | "sick";
const TURNS: readonly StopTurn[] = ["dew", "dry", "delicate", "heavy", "sick"];
export const TURN_WORDS: Record<StopTurn, string> = {
  dew: "leaves and roots first, while the dew lies",
  dry: "once the leaves are dry",
  delicate: "soft fruit late, in one layer on top",
  heavy: "heavy and dirty late",
  sick: "a sick bed last, so that hands and blades do not carry it",
};

/** Weight of one piece above which a crop is left for the end of a round, g (own choice: a squash, a cabbage). */
const HEAVY_PIECE_G = 900;
/** Handbook words of crops that bruise under others. */
const SOFT = /one layer|single layer|two layers|shallow|padded|punnet/i;

/**
 * When a stop's turn is: common practice of the trade (1-031; roots and leaves in the dew, what mildews dry, soft
 * fruit on top, potatoes and squash late, disease last); no published source.
 */
export function turnOf(stop: Stop): StopTurn {
  if (stop.sick) return "sick";
  const { crop } = stop;
  if (crop.yield.pieceG >= HEAVY_PIECE_G || (crop.parts.includes("tuber") && crop.habit === "once-over"))
    return "heavy";
  if (crop.parts.includes("fruit") && SOFT.test(`${crop.container} ${crop.atOnce}`)) return "delicate";
  return crop.weather.foliage === "any" ? "dew" : "dry";
}

/**
 * Order of a round: the turns one after the other, and within each the shortest way on foot from where the last one
 * ended, exact up to thirteen beds a turn. The round begins at the bed that is first on the gardener's own walk.
 * @param gate where the round begins, m from the plot's south-west corner
 * @returns the stops in order with their turn, and the way in metres, beds' centres as the crow flies
 */
export function roundOrder(
  stops: readonly Stop[],
  gate: { xM: number; yM: number },
): { order: { stop: Stop; turn: StopTurn }[]; wayM: number } {
  const order: { stop: Stop; turn: StopTurn }[] = [];
  let here = gate;
  let wayM = 0;
  for (const turn of TURNS) {
    const group = stops.filter((s) => turnOf(s) === turn);
    const beds = [...new Map(group.map((s) => [s.bed.id, s.bed])).values()].sort((a, b) => (a.id < b.id ? -1 : 1));
    if (beds.length === 0) continue;
    const places = [here, ...beds.map(bedCentre)];
    const distance = places.map((a) => places.map((b) => Math.hypot(a.xM - b.xM, a.yM - b.yM)));
    const { order: way, length } = shortestPath(distance);
    wayM += length;
    for (const i of way.slice(1)) {
      const bed = beds[i - 1]!;
      for (const stop of group.filter((s) => s.bed.id === bed.id)) order.push({ stop, turn });
      here = bedCentre(bed);
    }
  }
  return { order, wayM };
}
